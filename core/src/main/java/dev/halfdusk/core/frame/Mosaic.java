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
}
