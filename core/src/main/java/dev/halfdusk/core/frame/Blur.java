package dev.halfdusk.core.frame;

/** Spreads a field as a lens out of focus does: twice a mean over a box, which is nearly a round spot. */
final class Blur {

    private Blur() {}

    /** @param diameter of the spot, pixels */
    static void disc(float[] field, int width, int height, double diameter) {
        // two boxes of s pixels have the variance (s² − 1) / 6; a disc has d² / 16
        int side = (int) Math.round(Math.sqrt(1 + 0.375 * diameter * diameter));
        float[] line = new float[Math.max(width, height)];
        for (int round = 0; round < 2; round++) {
            int before = (side - 1 + round) / 2;
            for (int y = 0; y < height; y++) {
                box(field, y * width, 1, width, side, before, line);
            }
            for (int x = 0; x < width; x++) {
                box(field, x, width, height, side, before, line);
            }
        }
    }

    private static void box(float[] field, int start, int stride, int count, int side, int before, float[] line) {
        double sum = 0;
        for (int i = -before; i < side - before; i++) {
            sum += field[start + stride * Math.max(0, Math.min(count - 1, i))];
        }
        for (int i = 0; i < count; i++) {
            line[i] = (float) (sum / side);
            sum -= field[start + stride * Math.max(0, Math.min(count - 1, i - before))];
            sum += field[start + stride * Math.max(0, Math.min(count - 1, i - before + side))];
        }
        for (int i = 0; i < count; i++) {
            field[start + stride * i] = line[i];
        }
    }
}
