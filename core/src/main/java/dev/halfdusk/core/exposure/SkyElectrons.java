package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;

/**
 * Electrons that a patch of sky frees in a pixel: 8.8e5 × 10^(−0.4 µ) photons per second, square centimetre of lens and
 * square arcsecond, through a lens of f-number N onto a pixel of pitch p. The focal length cancels out. Good to 20 % for
 * an unfiltered sensor; towns and moonlight are other colours than the sky the constant was taken from.
 */
public final class SkyElectrons {

    public static final Range MAGNITUDE = new Range("sky brightness", -5, 26, " mag/arcsec\u00b2");
    public static final Range EFFICIENCY = new Range("efficiency", 0.01, 1, "");

    /** Photons of magnitude 0, a second and square centimetre: of a star, or of a square arcsecond of sky. */
    public static final double PHOTONS_AT_ZERO = 8.8e5;

    private static final double ARCSEC_PER_RADIAN = 206_265;
    private static final double SQUARE_CM_PER_SQUARE_MM = 1e-2;

    private SkyElectrons() {}

    /**
     * Electrons a second of a star's whole light.
     *
     * @param magnitude V, outside the air
     * @param focalMm with the aperture's f-number it makes the pupil
     * @param efficiency quantum efficiency × transmission of lens and filters
     */
    public static double ofStar(double magnitude, double focalMm, double aperture, double efficiency) {
        double pupilCm = focalMm / aperture / 10;
        return PHOTONS_AT_ZERO * Math.pow(10, -0.4 * magnitude) * Math.PI / 4 * pupilCm * pupilCm * efficiency;
    }

    /**
     * Electrons a second in one pixel.
     *
     * @param magnitude V magnitudes per square arcsecond
     * @param efficiency quantum efficiency × transmission of lens and filters
     */
    public static double perSecond(double magnitude, double aperture, double pitchUm, double efficiency) {
        double pitchMm = pitchUm / 1000;
        double aperturesAndPixel =
                Math.PI / 4 * SQUARE_CM_PER_SQUARE_MM * Math.pow(ARCSEC_PER_RADIAN * pitchMm / aperture, 2);
        return PHOTONS_AT_ZERO * Math.pow(10, -0.4 * magnitude) * aperturesAndPixel * efficiency;
    }
}
