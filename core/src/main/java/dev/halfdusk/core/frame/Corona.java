package dev.halfdusk.core.frame;

import dev.halfdusk.core.eclipse.SolarLight;

/**
 * The sun's corona: its brightness by height from {@link SolarLight}, drawn out into streamers about the equator and plumes over the poles.
 *
 * @param streamers by angle and logarithm of the height
 */
record Corona(float[][] streamers) {

    private static final int ANGLES = 1440;
    private static final int HEIGHTS = 48;

    /** Logarithm of the height that the table ends at, from 0. */
    private static final double HIGHEST = Math.log(20);

    /** Exponent close to the limb, above which it does not go. */
    private static final double BRIGHTEST_Q = 8;

    /** Higher than this, in radii, what is exposed for is the last that is seen and no longer bright. */
    private static final double THIN = 1.6;

    /** The sun's equator against west, so that it looks like no diagram. */
    private static final double TILT = Math.toRadians(17);

    private static final long SEED = 4100;

    /** Where prominences stand, degrees from west through north; how wide and how high, in radii. */
    private static final double[][] PROMINENCES = {
        {28, 4, 0.05}, {47, 2, 0.03}, {121, 3, 0.035}, {203, 5, 0.06}, {251, 2.5, 0.03}, {318, 3.5, 0.045}
    };

    static final Corona USUAL = new Corona(table());

    static float[][] table() {
        float[][] table = new float[HEIGHTS][ANGLES];
        for (int h = 0; h < HEIGHTS; h++) {
            double height = HIGHEST * h / (HEIGHTS - 1);
            for (int a = 0; a < ANGLES; a++) {
                double angle = 2 * Math.PI * a / ANGLES;
                double x = Math.cos(angle);
                double y = Math.sin(angle);
                double along = 0.35 * height;
                double broad = Noise.fractal(SEED, 2.1 * x + 9 + along, 2.1 * y + 9, 3) - 0.5;
                double fine = Noise.fractal(SEED + 5, 14 * x + 60 + along, 14 * y + 60, 4) - 0.5;
                double equator = Math.cos(2 * (angle - TILT));
                double grows = 0.25 + 0.5 * height;
                double rays = 0.8 * fine * (0.3 + 0.25 * height);
                table[h][a] = (float) Math.exp(grows * (2.2 * broad + 0.55 * equator) + rays);
            }
        }
        return table;
    }

    /**
     * cd/m² at a place in radii of the sun to the right and up of its middle, north being up.
     *
     * @param pixel in the same unit: nothing is sharper
     */
    double luminance(double u, double v, double pixel) {
        double r = Math.sqrt(u * u + v * v);
        double height = Math.max(r - 1, 0.5 * pixel);
        if (r < 1 - 2 * pixel) {
            return 0;
        }
        double q = Math.min(BRIGHTEST_Q, SolarLight.corona(height));
        double thinner = 1 + height / THIN * (height / THIN);
        return SolarLight.luminance(q) / thinner * streamer(Math.atan2(v, u), Math.log1p(height));
    }

    private double streamer(double angle, double height) {
        double a = (angle < 0 ? angle + 2 * Math.PI : angle) / (2 * Math.PI) * ANGLES;
        double h = Math.min(HEIGHTS - 1.001, height / HIGHEST * (HEIGHTS - 1));
        int i = (int) a % ANGLES;
        int j = (int) h;
        double da = a - (int) a;
        double dh = h - j;
        int next = (i + 1) % ANGLES;
        double low = streamers[j][i] * (1 - da) + streamers[j][next] * da;
        double high = streamers[j + 1][i] * (1 - da) + streamers[j + 1][next] * da;
        return low * (1 - dh) + high * dh;
    }

    /** How much a prominence glows at a place beyond the limb, 0 to 1. */
    static double prominence(double u, double v, double r) {
        double angle = Math.toDegrees(Math.atan2(v, u));
        for (double[] p : PROMINENCES) {
            double off = Math.abs(Math.IEEEremainder(angle - p[0], 360)) / p[1];
            if (off < 1) {
                double ragged = 0.55 + 0.9 * Noise.fractal(SEED + 11, 60 * u + 200, 60 * v + 200, 3);
                double top = p[2] * (1 - off * off) * ragged;
                return Math.max(0, Math.min(1, (top - (r - 1)) / 0.006));
            }
        }
        return 0;
    }
}
