package dev.halfdusk.core.log;

import dev.halfdusk.core.measure.Median;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.ApertureDial;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.outing.WorkTimes;
import dev.halfdusk.core.weather.Cold;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;

/** What a night shows by itself, without anybody typing a number. */
public final class Observing {

    /** A battery above this was warm: what it gave says nothing of the cold, and the other way round. */
    public static final double WARM_C = 10;

    /** Frames that must have told of the sky before their middle counts. */
    private static final int FEWEST_SKIES = 3;

    /** Stars are as sharp as they get where they are no wider than this times the least width. */
    private static final double AS_SHARP = 1.05;

    /** Drift beyond what was asked for that is no accident of measuring. */
    private static final double BEYOND_PX = 0.2;

    private static final double LEAST_OFFSET = 0.1;

    /** A night under less cloud than this counts as clear, percent: whether a forecast said so is what matters. */
    private static final double CLEAR_PERCENT = 40;

    private static final List<Double> MARKED = ApertureDial.between(0.7, 64);

    private final LocalDate night;
    private final OptionalDouble celsius;
    private final List<Observation> all = new ArrayList<>();

    private Observing(LocalDate night, OptionalDouble celsius) {
        this.night = night;
        this.celsius = celsius;
    }

    /**
     * @param celsius of the air in that night
     * @param shifts subjects whose exposure is a matter of taste, by their keys
     */
    public static List<Observation> of(
            LocalDate night, OptionalDouble celsius, List<LivedTake> takes, List<String> shifts) {
        Observing o = new Observing(night, celsius);
        o.darkness(takes);
        o.drift(takes);
        o.iso(takes);
        o.batteries(takes);
        o.sharpest(takes);
        takes.forEach(o::setUp);
        takes.stream().filter(t -> shifts.contains(t.subject())).forEach(o::offset);
        return List.copyOf(o.all);
    }

    /**
     * Whether a forecast came true: 1 or 0.
     *
     * @param daysAhead before the night at which it was made
     * @param saidPercent mean cloud of the night as it was forecast
     * @param camePercent as it came
     */
    public static Observation forecast(
            LocalDate night, String place, int daysAhead, double saidPercent, double camePercent) {
        boolean clear = camePercent < CLEAR_PERCENT;
        return new Observation(
                Learnable.FORECAST,
                place,
                night,
                saidPercent < CLEAR_PERCENT == clear ? 1 : 0,
                OptionalDouble.empty(),
                true,
                Numbers.text("%d days before: %.0f %% cloud; it came ", daysAhead, saidPercent)
                        + (clear ? "clear" : "cloudy"));
    }

    private void add(Learnable what, String whose, double value, String how) {
        if (what.range().holds(value)) {
            all.add(new Observation(what, whose, night, value, celsius, true, how));
        }
    }

    private void darkness(List<LivedTake> takes) {
        by(takes, LivedTake::place).forEach((place, of) -> {
            double[] skies = of.stream()
                    .flatMap(t -> t.frames().stream())
                    .flatMapToDouble(f -> f.zenith().stream())
                    .toArray();
            if (skies.length >= FEWEST_SKIES) {
                add(
                        Learnable.DARKNESS,
                        place,
                        Median.of(skies),
                        skies.length + " frames of a moonless sky; developed ones are good to 0.4");
            }
        });
    }

    /** Frames that were kept although they drift farther than was asked for say that more is fine; such as were not, that less is. */
    private void drift(List<LivedTake> takes) {
        List<LivedFrame> drawn = takes.stream()
                .flatMap(t -> t.frames().stream())
                .filter(f -> f.driftPx().isPresent())
                .toList();
        double refused = least(drawn, Said.LINES, f -> f.driftPx().getAsDouble());
        OptionalDouble kept = drawn.stream()
                .filter(f -> f.said().kept())
                .mapToDouble(f -> f.driftPx().getAsDouble())
                .filter(d -> d < refused)
                .max();
        OptionalDouble asked = takes.stream()
                .flatMapToDouble(t -> t.planned().stream().mapToDouble(LivedTake.Planned::tolerancePx))
                .max();
        if (asked.isEmpty()) {
            return;
        }
        if (kept.isPresent() && kept.getAsDouble() > asked.getAsDouble() + BEYOND_PX) {
            add(
                    Learnable.DRIFT,
                    "",
                    kept.getAsDouble(),
                    Numbers.text("kept with a drift of %.1f px", kept.getAsDouble()));
        } else if (refused <= asked.getAsDouble()) {
            add(
                    Learnable.DRIFT,
                    "",
                    kept.orElse(refused - BEYOND_PX),
                    Numbers.text("not kept with a drift of %.1f px", refused));
        }
    }

    private static double least(List<LivedFrame> frames, Said said, ToDoubleFunction<LivedFrame> of) {
        return frames.stream()
                .filter(f -> f.said() == said)
                .mapToDouble(of)
                .min()
                .orElse(Double.POSITIVE_INFINITY);
    }

    private void iso(List<LivedTake> takes) {
        Map<String, List<LivedTake>> byBody = by(takes, t -> t.kit().body());
        byBody.forEach((body, of) -> {
            List<LivedFrame> set = of.stream()
                    .flatMap(t -> t.frames().stream())
                    .filter(f -> f.settings().isPresent())
                    .toList();
            double refused = least(set, Said.GRAIN, f -> f.settings().get().iso());
            OptionalDouble kept = set.stream()
                    .filter(f -> f.said().kept())
                    .mapToDouble(f -> f.settings().get().iso())
                    .filter(i -> i < refused)
                    .max();
            OptionalDouble before = of.stream()
                    .flatMapToDouble(t -> t.planned().stream().mapToDouble(LivedTake.Planned::comfortableIso))
                    .max();
            if (before.isEmpty()) {
                return;
            }
            if (kept.isPresent() && kept.getAsDouble() > before.getAsDouble()) {
                add(Learnable.ISO, body, kept.getAsDouble(), Numbers.text("kept at ISO %.0f", kept.getAsDouble()));
            } else if (refused <= before.getAsDouble()) {
                add(Learnable.ISO, body, kept.orElse(refused / 2), Numbers.text("too grainy at ISO %.0f", refused));
            }
        });
    }

    /** What gave out, brought to 20 or 0 °C by what temperature leaves of a battery ({@link Cold}). */
    private void batteries(List<LivedTake> takes) {
        for (LivedTake t : takes) {
            if (t.batteryMinutes().isEmpty() || t.kit().battery().isEmpty() || celsius.isEmpty()) {
                continue;
            }
            double minutes = t.batteryMinutes().getAsDouble();
            double air = celsius.getAsDouble();
            String how = Numbers.text("gave out after %.0f min at %.0f \u00b0C", minutes, air);
            if (air >= WARM_C) {
                add(Learnable.BATTERY, t.kit().battery(), minutes / Cold.batteryFactor(air), how);
            } else {
                double toFreezing = Cold.batteryFactor(0) / Cold.batteryFactor(air);
                add(Learnable.BATTERY_COLD, t.kit().battery(), minutes * toFreezing, how);
            }
        }
    }

    /** Of several apertures in one night the widest that is about as sharp as any. */
    private void sharpest(List<LivedTake> takes) {
        by(takes, t -> t.kit().lens()).forEach((lens, of) -> {
            Map<Double, List<Double>> widths = of.stream()
                    .flatMap(t -> t.frames().stream())
                    .filter(f -> f.settings().isPresent() && f.widthPx().isPresent() && f.said() != Said.SOFT)
                    .collect(Collectors.groupingBy(
                            f -> ApertureDial.nearest(MARKED, f.settings().get().aperture()),
                            TreeMap::new,
                            Collectors.mapping(f -> f.widthPx().getAsDouble(), Collectors.toList())));
            Map<Double, Double> middle = new TreeMap<>();
            widths.forEach((a, w) -> middle.put(
                    a, Median.of(w.stream().mapToDouble(Double::doubleValue).toArray())));
            double least = middle.values().stream().min(Double::compare).orElse(0.0);
            if (middle.size() < 2) {
                return;
            }
            middle.entrySet().stream()
                    .filter(e -> e.getValue() <= AS_SHARP * least)
                    .findFirst()
                    .ifPresent(e -> add(
                            Learnable.SHARPEST,
                            lens,
                            e.getKey(),
                            Numbers.text("stars %.1f px wide, of %d apertures", e.getValue(), middle.size())));
        });
    }

    private void setUp(LivedTake t) {
        t.setUp()
                .filter(d -> WorkTimes.FIRST.holds(d.toSeconds() / 60.0))
                .ifPresent(d -> add(
                        Learnable.SET_UP,
                        "",
                        d.toSeconds() / 60.0,
                        Numbers.text("%d min before %s", d.toMinutes(), t.name())));
    }

    private void offset(LivedTake t) {
        double[] stops = t.frames().stream()
                .filter(f -> f.said().kept() && f.settings().isPresent())
                .flatMap(f ->
                        t.planned().stream().map(p -> brighter(f.settings().get(), p.settings()) + p.ownStops()))
                .mapToDouble(Double::doubleValue)
                .toArray();
        if (stops.length == 0) {
            return;
        }
        double middle = Median.of(stops);
        if (Math.abs(middle) >= LEAST_OFFSET) {
            add(
                    Learnable.OFFSET,
                    t.subject(),
                    middle,
                    Numbers.text("%d kept of %s, %+.1f stop", stops.length, t.name(), middle));
        }
    }

    /** Stops by which one exposure is brighter than another. */
    static double brighter(Settings a, Settings b) {
        return Stops.of(a.seconds() / b.seconds() * a.iso() / b.iso() * Math.pow(b.aperture() / a.aperture(), 2));
    }

    private static Map<String, List<LivedTake>> by(List<LivedTake> takes, Function<LivedTake, String> whose) {
        return takes.stream()
                .filter(t -> !whose.apply(t).isEmpty())
                .collect(Collectors.groupingBy(whose, TreeMap::new, Collectors.toList()));
    }
}
