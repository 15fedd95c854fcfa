package dev.halfdusk.core.search;

import dev.halfdusk.core.glow.Moonlight;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.night.YearOfNights;
import java.util.function.DoublePredicate;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;

/**
 * Whether a wish holds, at the samples of a year and, by straight lines, between them. Altitudes bend by under 0.014° in ten
 * minutes: where a line crosses a limit at a usual rate, the instant is right to a quarter of a minute.
 */
final class Sampled {

    /** The moon's upper limb at the horizon, for its middling size. */
    private static final double MOON_DOWN_DEG = -34 / 60.0 - 0.26;

    private final YearOfNights year;
    private final NightWish wish;

    /** How deep the sun must be in each night, degrees. */
    private final double[] depressions;

    Sampled(YearOfNights year, NightWish wish) {
        this.year = year;
        this.wish = wish;
        depressions = IntStream.range(0, year.nights())
                .mapToDouble(n -> wish.dark().depressionDeg(wish.dark().orDeepest() ? lowestSun(n) : -90))
                .toArray();
    }

    private double lowestSun(int night) {
        double lowest = 90;
        for (int i = year.start(night); i < year.start(night + 1); i++) {
            lowest = Math.min(lowest, year.sunAltitudeDeg(i));
        }
        return lowest;
    }

    private double depression(double sample) {
        return wish.dark().orDeepest()
                ? depressions[year.nightOf(sample)]
                : wish.dark().sunDepressionDeg();
    }

    /** Sun and subject as wanted, whatever the moon. */
    boolean withoutMoon(double sample) {
        if (at(year::sunAltitudeDeg, sample) >= -depression(sample)) {
            return false;
        }
        if (wish.wanted() instanceof Wanted.Standing standing) {
            double altitude = at(year::altitudeDeg, sample);
            double azimuth = azimuth(year::azimuthDeg, sample);
            return standing.holds(altitude, azimuth) && year.skyline().shows(new Direction(azimuth, altitude));
        }
        return !(wish.wanted() instanceof Wanted.PartOfSky part)
                || year.skyline().shows(part.direction());
    }

    boolean moonAllowed(double sample) {
        return wish.moonAllowanceMag() == 0
                ? at(year::moonAltitudeDeg, sample) < MOON_DOWN_DEG
                : Moonlight.zenithBrightening(lamps(sample)) <= wish.moonAllowanceMag();
    }

    boolean fits(double sample) {
        return withoutMoon(sample) && moonAllowed(sample);
    }

    /** Where between two neighbouring samples the wish begins or ceases to hold: the last place that still fits. */
    double edge(int outside, int inside) {
        return edge(outside, inside, this::fits);
    }

    /** Hours of a night in which sun and subject are as wanted, whatever the moon. */
    double hoursWithoutMoon(int night) {
        double samples = 0;
        int end = year.start(night + 1);
        for (int i = year.start(night); i + 1 < end; i++) {
            boolean here = withoutMoon(i);
            boolean next = withoutMoon(i + 1);
            if (here && next) {
                samples++;
            } else if (here) {
                samples += edge(i + 1, i, this::withoutMoon) - i;
            } else if (next) {
                samples += i + 1 - edge(i, i + 1, this::withoutMoon);
            }
        }
        return samples * YearOfNights.STEP.toMinutes() / 60.0;
    }

    private static double edge(int outside, int inside, DoublePredicate holds) {
        double out = outside;
        double in = inside;
        while (Math.abs(in - out) > 1 / 64.0) {
            double middle = (in + out) / 2;
            if (holds.test(middle)) {
                in = middle;
            } else {
                out = middle;
            }
        }
        return in;
    }

    private SunAndMoon lamps(double sample) {
        int i = (int) sample;
        if (i == sample) {
            return year.lamps(i);
        }
        return new SunAndMoon(
                at(year::sunAltitudeDeg, sample),
                year.lamps(i).sunAzimuthDeg(),
                at(year::moonAltitudeDeg, sample),
                year.lamps(i).moonAzimuthDeg(),
                at(k -> year.lamps(k).moonPhaseAngleDeg(), sample));
    }

    private static double at(IntToDoubleFunction values, double sample) {
        int i = (int) sample;
        double part = sample - i;
        double here = values.applyAsDouble(i);
        return part == 0 ? here : here + part * (values.applyAsDouble(i + 1) - here);
    }

    private static double azimuth(IntToDoubleFunction values, double sample) {
        int i = (int) sample;
        double part = sample - i;
        double here = values.applyAsDouble(i);
        return part == 0 ? here : Angles.turn(here + part * Angles.halfTurn(values.applyAsDouble(i + 1) - here));
    }
}
