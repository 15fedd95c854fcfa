package dev.halfdusk.core.optics;

/** Arithmetic in stops: each is a factor of two in light. */
public final class Stops {

    private static final double MAGNITUDES = 2.5 * Math.log10(2);

    private Stops() {}

    /** Stops of a ratio of light, of times or of sensitivities: its logarithm to the base 2. */
    public static double of(double ratio) {
        return Math.log(ratio) / Math.log(2);
    }

    /** By how many stops less light comes through at one f-number than at another: 2 log2 of their ratio. */
    public static double ofApertures(double from, double to) {
        return 2 * of(to / from);
    }

    /** Of a difference in magnitudes: 0.7526 of them are one. */
    public static double ofMagnitudes(double fainter) {
        return fainter / MAGNITUDES;
    }

    /** The ratio of light of so many stops. */
    public static double ratio(double stops) {
        return Math.pow(2, stops);
    }
}
