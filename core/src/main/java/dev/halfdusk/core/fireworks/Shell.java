package dev.halfdusk.core.fireworks;

import dev.halfdusk.core.measure.Range;

/**
 * An aerial shell by its diameter: typical figures, within a third or so of what an organiser would say.
 *
 * @param heightM of the burst's middle above the mortar
 * @param widthM of the burst
 * @param flightSeconds from launch to break
 * @param showSeconds that the burst is seen
 */
public record Shell(double mm, double heightM, double widthM, double flightSeconds, double showSeconds) {

    public static final Range SIZE = new Range("shell", 15, 400, " mm");
    public static final Range HEIGHT = new Range("height of the burst", 10, 800, " m");
    public static final Range WIDTH = new Range("width of the burst", 5, 800, " m");

    /** A common code asks so many metres of clear ground for each 25 mm of shell. */
    private static final double CLEAR_M = 21;

    private static final double CLEAR_FOR_MM = 25;

    /** Diameter, height, width, flight; straight lines between, and on beyond the ends. */
    private static final double[][] TYPICAL = {
        {15, 20, 8, 1.2},
        {30, 35, 14, 1.7},
        {50, 60, 25, 2.5},
        {75, 90, 50, 3},
        {100, 120, 75, 3.5},
        {125, 150, 95, 4},
        {150, 190, 130, 4.5},
        {200, 250, 190, 5.5},
        {250, 300, 240, 6},
        {300, 350, 300, 7}
    };

    /** The smallest of a display; those of a garden last as long. */
    private static final double SMALL_MM = 75;

    private static final double SHORTEST_SHOW = 1.5;
    private static final double LONGEST_SHOW = 3;
    private static final double WILLOW = 6.5;

    public Shell {
        SIZE.check(mm);
        HEIGHT.check(heightM);
        WIDTH.check(widthM);
    }

    /** As such shells usually are. */
    public static Shell of(double mm) {
        SIZE.check(mm);
        int i = 1;
        while (i < TYPICAL.length - 1 && mm > TYPICAL[i][0]) {
            i++;
        }
        double share = (mm - TYPICAL[i - 1][0]) / (TYPICAL[i][0] - TYPICAL[i - 1][0]);
        double small = (mm - SMALL_MM) / (TYPICAL[TYPICAL.length - 1][0] - SMALL_MM);
        return new Shell(
                mm,
                between(i, 1, share),
                between(i, 2, share),
                between(i, 3, share),
                SHORTEST_SHOW + (LONGEST_SHOW - SHORTEST_SHOW) * Math.max(0, Math.min(1, small)));
    }

    private static double between(int i, int column, double share) {
        return TYPICAL[i - 1][column] + share * (TYPICAL[i][column] - TYPICAL[i - 1][column]);
    }

    /** One whose stars hang down for long. */
    public Shell willow() {
        return new Shell(mm, heightM, widthM, flightSeconds, WILLOW);
    }

    /** As its organiser says. */
    public Shell bursting(double otherHeightM, double otherWidthM) {
        return new Shell(mm, otherHeightM, otherWidthM, flightSeconds, showSeconds);
    }

    /** Of ground that a common code asks for around the mortar, metres. The organiser's cordon and local rules come first. */
    public double clearDistanceM() {
        return CLEAR_M * mm / CLEAR_FOR_MM;
    }
}
