package dev.halfdusk.core.frame;

import java.util.stream.IntStream;

/** The colour filters over a sensor's pixels, red and green, green and blue by turns, and the mean of neighbours between. */
final class Mosaic {

    private Mosaic() {}

    /** 0 red, 1 green, 2 blue. */
    static int colour(int x, int y) {
        return (x & 1) == (y & 1) ? (x & 1) * 2 : 1;
    }

    /** What each pixel's own colour counted, and for the other two the mean of the nearest that counted them. */
    static float[][] interpolated(float[][] counted, int width, int height) {
        float[][] out = new float[3][width * height];
        IntStream.range(0, height).parallel().forEach(y -> {
            for (int x = 0; x < width; x++) {
                if (x > 0 && y > 0 && x < width - 1 && y < height - 1) {
                    inside(counted, out, y * width + x, width, x, y);
                    continue;
                }
                float[] sum = new float[3];
                int[] count = new int[3];
                int own = colour(x, y);
                for (int j = Math.max(0, y - 1); j <= Math.min(height - 1, y + 1); j++) {
                    for (int i = Math.max(0, x - 1); i <= Math.min(width - 1, x + 1); i++) {
                        int colour = colour(i, j);
                        sum[colour] += counted[colour][j * width + i];
                        count[colour]++;
                    }
                }
                for (int c = 0; c < 3; c++) {
                    out[c][y * width + x] = c == own ? counted[c][y * width + x] : sum[c] / Math.max(1, count[c]);
                }
            }
        });
        return out;
    }

    /** The same where all eight neighbours are there: two or four of them have each of the colours. */
    private static void inside(float[][] counted, float[][] out, int at, int width, int x, int y) {
        int own = colour(x, y);
        out[own][at] = counted[own][at];
        if (own == 1) {
            int beside = colour(x + 1, y);
            int above = 2 - beside;
            out[beside][at] = (counted[beside][at - 1] + counted[beside][at + 1]) / 2;
            out[above][at] = (counted[above][at - width] + counted[above][at + width]) / 2;
            return;
        }
        float[] green = counted[1];
        out[1][at] = (green[at - width] + green[at - 1] + green[at + 1] + green[at + width]) / 4;
        float[] other = counted[2 - own];
        out[2 - own][at] =
                (other[at - width - 1] + other[at - width + 1] + other[at + width - 1] + other[at + width + 1]) / 4;
    }
}
