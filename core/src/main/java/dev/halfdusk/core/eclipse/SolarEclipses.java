package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.eclipse.SolarEclipse.Type;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Crossing;
import dev.halfdusk.core.sky.Events;
import dev.halfdusk.core.sky.Extreme;
import dev.halfdusk.core.sky.Fact;
import dev.halfdusk.core.sky.Moment;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Finds every eclipse of the sun: new moon by new moon, those near enough to the ecliptic looked at closely. */
public final class SolarEclipses {

    /** The penumbra is at most so wide at the earth, equatorial radii, with the earth's own. */
    private static final double NEAR = 1.6;

    /** Ecliptic latitude of the moon beyond which no shadow comes near, with what it changes in the time by which the mean is wrong. */
    private static final double LATITUDE_DEG = 3.4;

    private static final Duration STEP = Duration.ofMinutes(10);
    private static final Fact DISTANCE = m -> Math.abs(MoonShadow.at(m).gamma());
    private static final Fact MISSES = m -> MoonShadow.at(m).missesKm() / Discs.EARTH_KM; // as small as other facts

    private SolarEclipses() {}

    /** Those whose greatest eclipse is in from (included) to to (excluded), in order. */
    public static List<SolarEclipse> between(Instant from, Instant to) {
        return MeanMoons.between(MeanMoons.NEW, from, to).stream()
                .flatMap(mean -> near(mean).stream())
                .flatMap(t -> at(t).stream())
                .filter(e -> !e.greatest().isBefore(from) && e.greatest().isBefore(to))
                .toList();
    }

    private static Optional<Instant> near(Instant mean) {
        if (Math.abs(Moment.at(mean).ecliptic(Body.MOON).y()) > LATITUDE_DEG) {
            return Optional.empty();
        }
        return lowest(Events.over(mean.minus(MeanMoons.REACH), mean.plus(MeanMoons.REACH), Duration.ofHours(2)));
    }

    private static Optional<Instant> lowest(Events hours) {
        return hours.extremes(DISTANCE).stream()
                .filter(e -> !e.highest())
                .min(Comparator.comparingDouble(Extreme::value))
                .filter(e -> e.value() < NEAR)
                .map(Extreme::when);
    }

    private static Optional<SolarEclipse> at(Instant roughly) {
        Events hours = Events.over(roughly.minus(MeanMoons.LONGEST), roughly.plus(MeanMoons.LONGEST), STEP);
        Instant greatest = lowest(hours).orElse(roughly);
        MoonShadow deepest = MoonShadow.at(Moment.at(greatest));
        Vector near = deepest.nearest();
        double misses = deepest.missesKm();
        if (misses > deepest.penumbraKm(near)) {
            return Optional.empty();
        }
        if (misses > Math.abs(deepest.umbraKm(near))) {
            return Optional.of(new SolarEclipse(Type.PARTIAL, greatest, deepest.gamma(), false));
        }
        boolean central = misses < 0;
        double middle = deepest.umbraKm(deepest.ground().orElse(near));
        boolean annularEnd = central && hours.find(MISSES).stream().anyMatch(SolarEclipses::annular);
        Type type = middle < 0 ? Type.ANNULAR : annularEnd ? Type.HYBRID : Type.TOTAL;
        return Optional.of(new SolarEclipse(type, greatest, deepest.gamma(), central));
    }

    /** Whether the umbra's tip does not reach the earth where its axis touches it. */
    private static boolean annular(Crossing touches) {
        MoonShadow shadow = MoonShadow.at(Moment.at(touches.when()));
        return shadow.umbraKm(shadow.nearest()) < 0;
    }
}
