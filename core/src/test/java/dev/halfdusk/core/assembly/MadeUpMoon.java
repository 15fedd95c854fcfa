package dev.halfdusk.core.assembly;

import java.util.Random;

/** Discs with dark plains on them, lit from one side, blurred at the limb, in a dark frame. */
final class MadeUpMoon {

    static final int W = MadeUpNight.W;
    static final int H = MadeUpNight.H;

    private MadeUpMoon() {}

    /**
     * @param lit share of the disc, from the right
     * @param blur of the limb, pixels
     */
    static float[] light(
            double x, double y, double radius, double lit, double blur, double level, double noise, long seed) {
        Random random = new Random(seed);
        float[] light = new float[W * H];
        for (int j = 0; j < H; j++) {
            for (int i = 0; i < W; i++) {
                double dx = i + 0.5 - x;
                double dy = j + 0.5 - y;
                double r = Math.hypot(dx, dy);
                double inside = 1 / (1 + Math.exp(2 * (r - radius) / blur));
                double half = Math.sqrt(Math.max(0, radius * radius - dy * dy));
                double terminator = half * (1 - 2 * lit);
                double day = lit >= 1 ? 1 : 1 / (1 + Math.exp(2 * (terminator - dx) / blur));
                double plains = 0.75 + 0.25 * Math.sin(9 * dx / radius) * Math.cos(7 * dy / radius);
                light[j * W + i] = (float) (0.002 + level * inside * day * plains + noise * random.nextGaussian());
            }
        }
        return light;
    }

    static Taken taken(float[] light) {
        return MadeUpNight.taken(light, 0, 0.01);
    }
}
