package dev.halfdusk.core.weather;

import dev.halfdusk.core.measure.Interval;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * What all forecasts together say of a night, hour by hour. The most recently issued one that covers an hour is
 * believed, and of two equally old ones a person's; where another one differs much, the hour counts as disputed and both are shown.
 */
public record Outlook(List<Hour> hours) {

    private static final double CLOUD_DISPUTE = 40;
    private static final double TEMPERATURE_DISPUTE = 5;
    private static final double WIND_DISPUTE = 5;
    private static final double CLEAR_PERCENT = 25;
    private static final Duration STEP = Duration.ofHours(1);

    /**
     * One hour.
     *
     * @param believed empty where no forecast covers it
     * @param disputes other forecasts that differ: by 40 percent points of cloud, 5 K, or 5 m/s of wind
     */
    public record Hour(Instant when, Optional<Said> believed, List<Said> disputes) {

        public boolean missing() {
            return believed.isEmpty();
        }
    }

    /** What one source says. */
    public record Said(Forecast.Source source, Instant issued, WeatherHour weather) {}

    /** Hour by hour from the first full hour in the interval. */
    public static Outlook of(List<Forecast> forecasts, Interval night) {
        List<Forecast> newestFirst = forecasts.stream()
                .sorted(Comparator.comparing(Forecast::issued)
                        .thenComparing(Forecast::source)
                        .reversed())
                .toList();
        List<Hour> hours = new ArrayList<>();
        long step = STEP.toSeconds();
        Instant first = Instant.ofEpochSecond(-Math.floorDiv(-night.from().getEpochSecond(), step) * step);
        for (Instant t = first; !t.isAfter(night.to()); t = t.plus(STEP)) {
            Instant when = t;
            List<Said> said = newestFirst.stream()
                    .flatMap(f -> f.at(when).map(w -> new Said(f.source(), f.issued(), w)).stream())
                    .toList();
            hours.add(
                    said.isEmpty()
                            ? new Hour(when, Optional.empty(), List.of())
                            : new Hour(
                                    when,
                                    Optional.of(said.get(0)),
                                    said.stream()
                                            .skip(1)
                                            .filter(s -> differs(said.get(0).weather(), s.weather()))
                                            .toList()));
        }
        return new Outlook(List.copyOf(hours));
    }

    private static boolean differs(WeatherHour a, WeatherHour b) {
        return Math.abs(a.cloudPercent() - b.cloudPercent()) >= CLOUD_DISPUTE
                || Math.abs(a.temperatureC() - b.temperatureC()) >= TEMPERATURE_DISPUTE
                || Math.abs(a.windMs() - b.windMs()) >= WIND_DISPUTE;
    }

    public boolean empty() {
        return hours.stream().allMatch(Hour::missing);
    }

    public boolean gaps() {
        return hours.stream().anyMatch(Hour::missing);
    }

    public boolean disputed() {
        return hours.stream().anyMatch(h -> !h.disputes().isEmpty());
    }

    /** The longest run of hours with at most a quarter of the sky covered; from its first hour to the end of its last. */
    public Optional<Interval> clearest() {
        Interval best = null;
        Instant from = null;
        Instant end = null;
        for (Hour h : hours) {
            boolean clear = h.believed()
                    .filter(s -> s.weather().cloudPercent() <= CLEAR_PERCENT)
                    .isPresent();
            if (clear) {
                from = from == null ? h.when() : from;
                end = h.when().plus(STEP);
                if (best == null || Duration.between(from, end).compareTo(best.length()) > 0) {
                    best = new Interval(from, end);
                }
            } else {
                from = null;
            }
        }
        return Optional.ofNullable(best);
    }

    /** First hour of at least so much risk of dew. */
    public Optional<Instant> dewFrom(Dew.Risk risk) {
        return hours.stream()
                .filter(h -> h.believed()
                        .filter(s -> s.weather().dewRisk().compareTo(risk) >= 0)
                        .isPresent())
                .map(Hour::when)
                .findFirst();
    }

    public Optional<WeatherHour> windiest() {
        return most(WeatherHour::windMs);
    }

    public Optional<WeatherHour> coldest() {
        return most(w -> -w.temperatureC());
    }

    private Optional<WeatherHour> most(ToDoubleFunction<WeatherHour> of) {
        return hours.stream()
                .flatMap(h -> h.believed().stream())
                .map(Said::weather)
                .max(Comparator.comparingDouble(of));
    }
}
