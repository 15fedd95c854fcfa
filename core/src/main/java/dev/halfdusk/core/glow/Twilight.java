package dev.halfdusk.core.glow;

/**
 * Light that the sun still sends into the sky.
 *
 * <p>Zenith from 5° to 15° below the horizon after Patat and others (2006): V = 11.84 + 1.518 x − 0.057 x² with x the
 * depression less 5°. The fit is of the whole sky, so the natural sky is taken out again. It then fades to nothing at
 * 18°. Shallower than 5° and by day only the order of magnitude is right. Away from the zenith an approximation:
 * brighter by up to 2.5 mag at the horizon under the sun and fainter by half a magnitude opposite.
 *
 * <p>An eclipse dims it with the sun. In totality light from outside the moon's shadow is left, a few thousandths of a cd/m² for
 * each of the day's at the zenith and a glow all round the horizon; an order of magnitude, which changes with the width of the shadow.
 */
final class Twilight {

    private static final double FIT_FROM = 5;
    private static final double FIT_TO = 15;
    private static final double END = 18;
    private static final double NATURAL = Luminance.of(SkyGlow.NATURAL_MAGNITUDE);

    /** Sun's altitude and zenith magnitude from the fit's bright end to full day. */
    private static final double[][] DAY = {{-5, 11.84}, {0, 7.0}, {10, 4.5}, {30, 3.7}, {90, 3.5}};

    private Twilight() {}

    /** cd/m² at the zenith, without the natural sky. */
    static double zenith(double sunAltitudeDeg) {
        double depression = -sunAltitudeDeg;
        if (depression >= END) {
            return 0;
        }
        double light = Luminance.of(magnitude(Math.min(depression, FIT_TO))) - NATURAL;
        if (depression <= FIT_TO) {
            return Math.max(0, light);
        }
        double left = (END - depression) / (END - FIT_TO);
        return light * left * left;
    }

    /** Of the day's light at the zenith in the middle of totality, at the zenith and at the horizon. */
    private static final double TOTAL_ZENITH = 2.2e-4;

    private static final double TOTAL_HORIZON = 2.5e-3;
    private static final double TOTAL_GLOW_DEG = 7;

    /** cd/m² of a direction, without the natural sky. */
    static double towards(double altitudeDeg, double azimuthDeg, SunAndMoon lamps) {
        double zenith = zenith(lamps.sunAltitudeDeg());
        if (zenith == 0) {
            return 0;
        }
        double shape = altitudeDeg >= 90 ? 1 : shape(altitudeDeg, azimuthDeg - lamps.sunAzimuthDeg());
        if (lamps.sunShare() == 1) {
            return zenith * shape;
        }
        double around = TOTAL_ZENITH + TOTAL_HORIZON * Math.exp(-Math.max(0, altitudeDeg) / TOTAL_GLOW_DEG);
        return zenith * (lamps.sunShare() * shape + (1 - lamps.sunShare()) * around);
    }

    /** How much brighter than the zenith a direction is. */
    static double shape(double altitudeDeg, double azimuthFromSunDeg) {
        double low = 1 - Math.sin(Math.toRadians(Math.max(0, altitudeDeg)));
        double magnitudes = low * (1 + 1.5 * Math.cos(Math.toRadians(azimuthFromSunDeg)));
        return Math.pow(10, 0.4 * magnitudes);
    }

    private static double magnitude(double depression) {
        if (depression >= FIT_FROM) {
            double x = depression - FIT_FROM;
            return 11.84 + 1.518 * x - 0.057 * x * x;
        }
        double sun = -depression;
        int i = 1;
        while (i < DAY.length - 1 && sun > DAY[i][0]) {
            i++;
        }
        double share = (sun - DAY[i - 1][0]) / (DAY[i][0] - DAY[i - 1][0]);
        return DAY[i - 1][1] + (DAY[i][1] - DAY[i - 1][1]) * Math.min(1, share);
    }
}
