package dev.halfdusk.core.outing;

/** A moon worth a long lens: round, while land and moon are about as bright. */
final class RoundMoon {

    /** Of the disc. */
    private static final double LEAST_LIT = 0.85;

    /** The moon lights land and is itself no lamp while the sun stands between these. */
    private static final double BALANCED_FROM_DEG = -9;

    private static final double BALANCED_TO_DEG = 2;

    private RoundMoon() {}

    /** @param fraction of the disc that is lit, 0 to 1 */
    static boolean is(double fraction) {
        return fraction >= LEAST_LIT;
    }

    /** @param sunAltitudeDeg true altitude */
    static boolean balanced(double sunAltitudeDeg) {
        return sunAltitudeDeg > BALANCED_FROM_DEG && sunAltitudeDeg < BALANCED_TO_DEG;
    }
}
