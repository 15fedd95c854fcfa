package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.eclipse.LunarEclipse.Type;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Crossing;
import dev.halfdusk.core.sky.Events;
import dev.halfdusk.core.sky.Extreme;
import dev.halfdusk.core.sky.Fact;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Shadow;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Finds every eclipse of the moon: full moon by full moon, those near enough to the ecliptic looked at closely. */
public final class LunarEclipses {

    /** From where the shadow can touch the moon at all: its own radius and the penumbra's come to 1.6°. */
    private static final double NEAR_DEG = 1.75;

    /** The moon's latitude changes by so much in the time by which the mean full moon is wrong. */
    private static final double ASIDE_DEG = 1.6;

    private static final Duration STEP = Duration.ofMinutes(20);

    private LunarEclipses() {}

    /** Those whose greatest eclipse is in from (included) to to (excluded), in order. */
    public static List<LunarEclipse> between(Instant from, Instant to) {
        return MeanMoons.between(MeanMoons.FULL, from, to).stream()
                .flatMap(mean -> near(mean).stream())
                .flatMap(t -> at(t).stream())
                .filter(e -> !e.greatest().isBefore(from) && e.greatest().isBefore(to))
                .toList();
    }

    private static final Fact SEPARATION = m -> Shadow.at(m).separationDeg();

    /** When the moon is nearest to the shadow's axis about a full moon, if it comes near at all. */
    private static Optional<Instant> near(Instant mean) {
        double latitude = Moment.at(mean).ecliptic(Body.MOON).y();
        if (Math.abs(latitude) > NEAR_DEG + ASIDE_DEG) {
            return Optional.empty();
        }
        return Events.over(mean.minus(MeanMoons.REACH), mean.plus(MeanMoons.REACH), Duration.ofHours(4))
                .extremes(SEPARATION)
                .stream()
                .filter(e -> !e.highest())
                .min(Comparator.comparingDouble(Extreme::value))
                .filter(e -> e.value() < NEAR_DEG)
                .map(Extreme::when);
    }

    private static Optional<LunarEclipse> at(Instant roughly) {
        Events hours = Events.over(roughly.minus(MeanMoons.LONGEST), roughly.plus(MeanMoons.LONGEST), STEP);
        Instant greatest = hours.extremes(SEPARATION).stream()
                .filter(e -> !e.highest())
                .map(Extreme::when)
                .findFirst()
                .orElse(roughly);
        Shadow deepest = Shadow.at(Moment.at(greatest));
        if (deepest.penumbralMagnitude() <= 0) {
            return Optional.empty();
        }
        List<Crossing> penumbra = hours.find(outside(s -> s.penumbraDeg() + s.moonDeg()));
        List<Crossing> umbra = hours.find(outside(s -> s.umbraDeg() + s.moonDeg()));
        List<Crossing> inside = hours.find(outside(s -> s.umbraDeg() - s.moonDeg()));
        Type type = !inside.isEmpty() ? Type.TOTAL : !umbra.isEmpty() ? Type.PARTIAL : Type.PENUMBRAL;
        return Optional.of(new LunarEclipse(
                type,
                deepest.umbralMagnitude(),
                deepest.penumbralMagnitude(),
                when(penumbra, false).orElse(greatest),
                when(umbra, false),
                when(inside, false),
                greatest,
                when(inside, true),
                when(umbra, true),
                when(penumbra, true).orElse(greatest)));
    }

    private interface Reach {
        double of(Shadow s);
    }

    private static Fact outside(Reach reach) {
        return m -> {
            Shadow s = Shadow.at(m);
            return s.separationDeg() - reach.of(s);
        };
    }

    private static Optional<Instant> when(List<Crossing> crossings, boolean rising) {
        return crossings.stream()
                .filter(c -> c.rising() == rising)
                .map(Crossing::when)
                .findFirst();
    }
}
