package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Range;

/** The blades of an aperture: a lens that is stopped down makes a star with rays of a bright lamp. */
public record Blades(int count) {

    public static final Range COUNT = new Range("blades", 3, 24, "");

    /** Stops from wide open at which rays begin to show: blades that are still behind the rim make none. */
    public static final double FROM_STOPS = 0.9;

    /** Stops from wide open at which they are as strong as they get, as a rule. */
    public static final double STRONG_FROM_STOPS = 2;

    public Blades {
        COUNT.check(count);
    }

    /** Each edge bends light to either side: as many rays as blades where two edges are parallel, else twice as many. */
    public int rays() {
        return count % 2 == 0 ? count : 2 * count;
    }

    /** What shows of them as soon as they begin to. */
    private static final double AT_FIRST = 0.2;

    /** How strong rays are so many stops from wide open, 0 where there are none to 1. */
    public static double strength(double stopped) {
        if (stopped < FROM_STOPS) {
            return 0;
        }
        double grown = (stopped - FROM_STOPS) / (STRONG_FROM_STOPS - FROM_STOPS);
        return Math.min(1, AT_FIRST + (1 - AT_FIRST) * grown);
    }

    /** f-number from which a lens makes good stars of lamps. */
    public static double strongFrom(double widest) {
        return widest * Math.pow(2, STRONG_FROM_STOPS / 2);
    }
}
