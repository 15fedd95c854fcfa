package dev.halfdusk.core.frame;

/**
 * What a sensor adds of its own: dark current that doubles every six degrees, hot pixels that are always the same ones, and
 * a little unevenness from row to row.
 */
final class Sensing {

    private static final double AT_C = 20;
    private static final double DOUBLES_C = 6;

    /** One pixel in so many is hot, by up to so many electrons a second at 20 °C. */
    private static final long ONE_IN = 30_000;

    private static final double HOT_E = 60;
    private static final long PLACES = 77;

    /** Of the read noise. */
    private static final double ROWS = 0.12;

    private Sensing() {}

    /** Mean dark electrons of a pixel while the shutter is open. */
    static double dark(Shot shot) {
        return shot.response().darkEPerSecond() * shot.seconds() * warmth(shot);
    }

    private static double warmth(Shot shot) {
        return Math.pow(2, (shot.details().sensorC() - AT_C) / DOUBLES_C);
    }

    /** Electrons more in a hot pixel; only at full size, since a mean of many pixels hides them. */
    static double hot(Window window, int x, int y, Shot shot) {
        if (window.binned() != 1) {
            return 0;
        }
        long place = Math.round(window.topPx() + y) * 100_003L + Math.round(window.leftPx() + x);
        long bits = Noise.bits(PLACES, place);
        if (Math.floorMod(bits, ONE_IN) != 0) {
            return 0;
        }
        double share = (bits >>> 40) / (double) (1 << 24);
        return HOT_E * share * share * shot.seconds() * warmth(shot);
    }

    /** Electrons by which a row is off, the same for its colours. */
    static double row(Window window, int y, Shot shot, long seed) {
        double noise = ROWS * shot.response().readNoiseE(shot.settings().iso()) / window.binned();
        return noise * Noise.normal(Noise.bits(seed ^ 0x5bd1e995L, Math.round(window.topPx()) + y));
    }
}
