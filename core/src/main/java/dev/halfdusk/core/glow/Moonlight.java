package dev.halfdusk.core.glow;

/**
 * Moonlight scattered by the air, after Krisciunas and Schaefer (1991), who give it to 8–23 %. Separations from the
 * moon below 10° are outside their fit, and so is a moon below 10° altitude: from there its light is taken to fade evenly
 * to nothing at the horizon, where the formula would still give several times the natural sky.
 */
public final class Moonlight {

    /** cd/m² of a nanolambert. */
    private static final double NANOLAMBERT = 1e-5 / Math.PI;

    /** V of the whole full moon outside the air. */
    public static final double FULL_MAGNITUDE = -12.73;

    private static final double FULL_FROM_DEG = 10;

    private Moonlight() {}

    /**
     * Nanolamberts in a direction.
     *
     * @param phaseAngleDeg 0 full to 180 new
     * @param separationDeg of the direction from the moon
     * @param extinction magnitudes per airmass
     */
    public static double nanolamberts(
            double phaseAngleDeg, double separationDeg, double moonAltitudeDeg, double altitudeDeg, double extinction) {
        if (moonAltitudeDeg <= 0) {
            return 0;
        }
        double moon = Math.pow(10, -0.4 * (3.84 + fading(phaseAngleDeg)));
        double cos = Math.cos(Math.toRadians(separationDeg));
        double scattered = Math.pow(10, 5.36) * (1.06 + cos * cos) + Math.pow(10, 6.15 - separationDeg / 40);
        return scattered
                * moon
                * Math.min(1, moonAltitudeDeg / FULL_FROM_DEG)
                * Air.transmission(extinction, Air.mass(moonAltitudeDeg))
                * (1 - Air.transmission(extinction, Air.mass(altitudeDeg)));
    }

    /** Magnitudes by which the moon is fainter than full at a phase angle: 0.026 |α| + 4e−9 α⁴. */
    public static double fading(double phaseAngleDeg) {
        double a = Math.abs(phaseAngleDeg);
        return 0.026 * a + 4e-9 * a * a * a * a;
    }

    /** By how many magnitudes moonlight brightens the zenith of a natural sky in clear air. */
    public static double zenithBrightening(SunAndMoon lamps) {
        double altitude = lamps.moonAltitudeDeg();
        double moon =
                lamps.moonShare() * luminance(lamps.moonPhaseAngleDeg(), 90 - altitude, altitude, 90, SkyGlow.CLEAR);
        return 2.5 * Math.log10(1 + moon / Luminance.of(SkyGlow.NATURAL_MAGNITUDE));
    }

    static double luminance(
            double phaseAngleDeg, double separationDeg, double moonAltitudeDeg, double altitudeDeg, double extinction) {
        return NANOLAMBERT * nanolamberts(phaseAngleDeg, separationDeg, moonAltitudeDeg, altitudeDeg, extinction);
    }
}
