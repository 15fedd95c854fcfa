package dev.halfdusk.core.glow;

/**
 * Between magnitudes per square arcsecond (V) and luminance in cd/m². Brightness is added as luminance, never as
 * magnitudes.
 */
public final class Luminance {

    private static final double CD_AT_ZERO = 108_000;
    private static final double NATURAL_LOG_TO_MAGNITUDE = 0.92104;

    private Luminance() {}

    /** cd/m² of a surface brightness: 108 000 × 10^(−0.4 µ). */
    public static double of(double magnitude) {
        return CD_AT_ZERO * Math.exp(-NATURAL_LOG_TO_MAGNITUDE * magnitude);
    }

    /** Magnitudes per square arcsecond of a luminance in cd/m². */
    public static double magnitude(double candelaPerSquareMetre) {
        return Math.log(CD_AT_ZERO / candelaPerSquareMetre) / NATURAL_LOG_TO_MAGNITUDE;
    }

    private static final double[] TYPICAL = {21.9, 21.75, 21.5, 20.9, 20.0, 19.2, 18.6, 18.1, 17.5};

    /** A city: brighter than this is no class of darkness. */
    public static final int BRIGHTEST_CLASS = TYPICAL.length;

    /** The darkness class whose typical zenith is nearest; 9 for all that is brighter. */
    public static int classOf(double magnitude) {
        for (int c = 1; c < BRIGHTEST_CLASS; c++) {
            if (magnitude >= (ofClass(c) + ofClass(c + 1)) / 2) {
                return c;
            }
        }
        return BRIGHTEST_CLASS;
    }

    /** Typical zenith of a darkness class (Bortle 1 to 9). */
    public static double ofClass(int darknessClass) {
        if (darknessClass < 1 || darknessClass > BRIGHTEST_CLASS) {
            throw new IllegalArgumentException("darkness classes go from 1 to 9; this is " + darknessClass);
        }
        return TYPICAL[darknessClass - 1];
    }
}
