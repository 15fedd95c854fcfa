package dev.halfdusk.core.assembly;

import java.util.Random;

/** Land below a wavy skyline, with a rough ground and a house on it, laid over frames of a {@link MadeUpNight}. */
final class MadeUpLand {

    private static final int W = MadeUpNight.W;
    private static final int H = MadeUpNight.H;

    private final float[] rough = new float[W * H];
    double level = 0.004;
    double contrast = 0.4;

    MadeUpLand(long seed) {
        Random random = new Random(seed);
        float[] cells = new float[(W / 6 + 2) * (H / 6 + 2)];
        for (int i = 0; i < cells.length; i++) {
            cells[i] = random.nextFloat();
        }
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                rough[y * W + x] = cells[y / 6 * (W / 6 + 2) + x / 6];
            }
        }
    }

    static double row(double x) {
        return 350 + 25 * Math.sin(x / 60.0) + 12 * Math.sin(x / 17.0);
    }

    /** @param dx that the camera has moved, so that land stands farther right, with dy down */
    void onto(float[] light, double dx, double dy) {
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double u = x - dx;
                double v = y - dy;
                double covers = Math.max(0, Math.min(1, v - row(u) + 0.5)); // an edge is never sharper than a pixel
                double house = inside(u, 400, 460) * inside(v, 400, 440);
                double land = level * (1 + 2 * house + (1 - house) * contrast * (between(u, v) - 0.5));
                light[y * W + x] = (float) (covers * land + (1 - covers) * light[y * W + x]);
            }
        }
    }

    private static double inside(double x, double from, double to) {
        return Math.max(0, Math.min(1, x - from + 0.5)) * Math.max(0, Math.min(1, to - x + 0.5));
    }

    private double between(double u, double v) {
        int i = (int) Math.max(0, Math.min(W - 2.0, u));
        int j = (int) Math.max(0, Math.min(H - 2.0, v));
        double a = Math.max(0, Math.min(1, u - i));
        double b = Math.max(0, Math.min(1, v - j));
        return (rough[j * W + i] * (1 - a) + rough[j * W + i + 1] * a) * (1 - b)
                + (rough[(j + 1) * W + i] * (1 - a) + rough[(j + 1) * W + i + 1] * a) * b;
    }
}
