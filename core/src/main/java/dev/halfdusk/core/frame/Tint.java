package dev.halfdusk.core.frame;

/**
 * How light of a colour divides among a sensor's red, green and blue pixels, against daylight at 5500 K, green always 1.
 * Black bodies by a fit to Planck's law at 620, 540 and 460 nm.
 */
final class Tint {

    private static final double[] NANOMETRES = {620, 540, 460};
    private static final double SECOND_RADIATION_NM_K = 1.438777e7;
    private static final double DAYLIGHT_K = 5500;
    private static final double[] DAYLIGHT = planck(DAYLIGHT_K);

    static final double[] NATURAL = {0.9, 1, 1.02};
    static final double[] TOWNS = of(2700);
    static final double[] MOON = of(5200);
    static final double[] TWILIGHT = of(14_000);
    static final double[] BAND = of(4700);

    private Tint() {}

    /** Red, green and blue of a black body. */
    static double[] of(double kelvin) {
        double[] body = planck(kelvin);
        return new double[] {
            body[0] / DAYLIGHT[0] / (body[1] / DAYLIGHT[1]), 1, body[2] / DAYLIGHT[2] / (body[1] / DAYLIGHT[1])
        };
    }

    private static double[] planck(double kelvin) {
        double[] power = new double[3];
        for (int c = 0; c < 3; c++) {
            double x = SECOND_RADIATION_NM_K / (NANOMETRES[c] * kelvin);
            power[c] = 1 / (Math.pow(NANOMETRES[c] / 540, 4) * (Math.exp(x) - 1));
        }
        return power;
    }

    /** Gains that make light of a colour temperature grey. */
    static double[] balance(double kelvin) {
        double[] tint = of(kelvin);
        return new double[] {1 / tint[0], 1, 1 / tint[2]};
    }
}
