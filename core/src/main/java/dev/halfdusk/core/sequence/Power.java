package dev.halfdusk.core.sequence;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.weather.Cold;
import java.util.ArrayList;
import java.util.List;

/**
 * How long batteries last: by frames or by minutes that the body is on, whichever ends first, times what the temperature leaves of
 * them ({@link Cold}). Typical within a third; one's own runs are better.
 */
public final class Power {

    /** Time to change a battery by red light, seconds. */
    public static final double SWAP_SECONDS = 60;

    public static final Range WATTS = new Range("heater", 0, 100, " W");
    public static final Range MILLIAMPERE_HOURS = new Range("power bank", 100, 100_000, " mAh");

    private static final double CELL_VOLT = 3.7;
    private static final double MILD_C = 10;
    private static final double FROST_C = -15;
    private static final double RESERVE_MILD = 0.1;
    private static final double RESERVE_FROST = 0.25;
    private static final double SLACK = 1e-9;

    private Power() {}

    /**
     * Part of a battery that is used up by the closing of a frame.
     *
     * @param frames taken with it, that one too
     * @param seconds since it was put in
     */
    public static double used(Gear.Battery b, double celsius, int frames, double seconds) {
        return Math.max(frames / b.frames(), seconds / 60 / b.minutes()) / Cold.factor(b, celsius);
    }

    /** Share of a battery that one keeps back, as its indicator lies: a tenth when it is mild, a quarter in hard frost. A rule of the craft. */
    public static double reserve(double celsius) {
        double cold = Math.max(0, Math.min(1, (MILD_C - celsius) / (MILD_C - FROST_C)));
        return RESERVE_MILD + cold * (RESERVE_FROST - RESERVE_MILD);
    }

    /** Whether it takes that frame to its end. */
    public static boolean lasts(Gear.Battery b, double celsius, int frames, double seconds) {
        return used(b, celsius, frames, seconds) <= 1 + SLACK;
    }

    /** Frames of a sequence that one battery takes, 0 if not a single one. */
    public static int frames(Gear.Battery b, double celsius, Sequence s) {
        int few = 0;
        int many = s.frames() + 1;
        while (many - few > 1) {
            int middle = (few + many) / 2;
            boolean lasts = lasts(b, celsius, middle, s.withFrames(middle).seconds());
            few = lasts ? middle : few;
            many = lasts ? many : middle;
        }
        return few;
    }

    /**
     * Where batteries are changed: numbers of frames after which it is done. As few changes as there must be, and as early as
     * possible: what is broken is then a short piece at the beginning, and the long arc after it is whole.
     *
     * @return empty where one battery is enough, or none can be changed
     * @throws IllegalArgumentException if a battery does not take a single frame
     */
    public static List<Integer> swaps(Gear.Battery b, double celsius, Sequence s) {
        int each = frames(b, celsius, s);
        if (b.outside()) {
            return List.of();
        }
        if (each == 0) {
            throw new IllegalArgumentException("a battery does not last for one frame");
        }
        List<Integer> after = new ArrayList<>();
        for (int left = s.frames() - each; left > 0; left -= each) {
            after.add(0, left);
        }
        return after;
    }

    /** Watt hours a heater takes in a time, as drawn from a bank. */
    public static double heaterWh(double watts, double seconds) {
        return WATTS.check(watts) * seconds / 3600 / Gear.Supply.GIVEN_BACK;
    }

    /** Watt hours in a bank whose label says so many milliampere hours, in the cold. */
    public static double bankWh(double milliampereHours, double celsius) {
        return MILLIAMPERE_HOURS.check(milliampereHours) / 1000 * CELL_VOLT * Cold.batteryFactor(celsius);
    }
}
