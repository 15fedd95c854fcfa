package dev.halfdusk.core.log;

import dev.halfdusk.core.measure.Median;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * What nights come to: the median of what each showed, so that one odd night moves nothing.
 *
 * @param whose as in {@link Observation}
 * @param value as it can be set
 * @param spread standard deviation between the nights; 0 for one
 * @param nights that it is from, the last first
 */
public record Learned(Learnable what, String whose, double value, double spread, List<LocalDate> nights) {

    /** Older ones tell of an older lens, or another habit. */
    public static final int MOST_NIGHTS = 40;

    public Learned {
        nights = List.copyOf(nights);
    }

    /** Of one thing's observations; empty where too few nights agree. */
    public static Optional<Learned> of(List<Observation> all) {
        Map<LocalDate, List<Observation>> byNight = all.stream()
                .filter(Observation::counts)
                .collect(Collectors.groupingBy(
                        Observation::night, () -> new TreeMap<>(Comparator.reverseOrder()), Collectors.toList()));
        Map<LocalDate, Double> last = new LinkedHashMap<>();
        byNight.entrySet().stream()
                .limit(MOST_NIGHTS)
                .forEach(e -> last.put(
                        e.getKey(),
                        Median.of(e.getValue().stream()
                                .mapToDouble(Observation::value)
                                .toArray())));
        if (last.isEmpty() || last.size() < all.get(0).what().fewest()) {
            return Optional.empty();
        }
        Learnable what = all.get(0).what();
        double[] values =
                last.values().stream().mapToDouble(Double::doubleValue).toArray();
        double middle = what == Learnable.FORECAST ? mean(values) : Median.of(values);
        return Optional.of(new Learned(
                what, all.get(0).whose(), what.settable(middle), deviation(values), List.copyOf(last.keySet())));
    }

    public LocalDate last() {
        return nights.get(0);
    }

    /** "from 4 nights of yours". */
    public String origin() {
        return "from " + (nights.size() == 1 ? "a night" : nights.size() + " nights") + " of yours";
    }

    private static double mean(double[] values) {
        return Arrays.stream(values).average().orElseThrow();
    }

    private static double deviation(double[] values) {
        double mean = mean(values);
        double sum = Arrays.stream(values).map(v -> (v - mean) * (v - mean)).sum();
        return values.length < 2 ? 0 : Math.sqrt(sum / (values.length - 1));
    }
}
