package dev.halfdusk.core.frame;

import java.util.stream.IntStream;

/**
 * A square of light spread by a wide round spot: summed in tiles of about the spot's size, spread there, and laid out evenly again.
 * The sum is kept; the width is the spot's within a tenth.
 *
 * @param tile side of a tile in pixels
 * @param border tiles that the light spreads beyond the square
 * @param tiles along a side, with the borders
 * @param light a pixel of each tile gets, by colour
 */
record HaloTiles(int tile, int border, int tiles, float[][] light) {

    private static final double TILES_A_SIGMA = 1.5;
    private static final int REACH = 5;

    static HaloTiles of(float[][] square, int size, double sigmaPx) {
        int tile = (int) Math.max(1, sigmaPx / TILES_A_SIGMA);
        int tiles = (size + tile - 1) / tile + 2 * REACH + 2;
        double[] kernel = kernel(sigmaPx / tile);
        float[][] spread = new float[3][];
        for (int c = 0; c < 3; c++) {
            spread[c] = down(across(sums(square[c], size, tile, tiles), tiles, kernel), tiles, kernel);
        }
        return new HaloTiles(tile, REACH + 1, tiles, spread);
    }

    private static double[] kernel(double sigma) {
        double[] kernel = new double[2 * REACH + 1];
        double sum = 0;
        for (int i = 0; i < kernel.length; i++) {
            kernel[i] = Math.exp(-(i - REACH) * (i - REACH) / (2 * sigma * sigma));
            sum += kernel[i];
        }
        for (int i = 0; i < kernel.length; i++) {
            kernel[i] /= sum;
        }
        return kernel;
    }

    /** Mean of the pixels of each tile. */
    private static float[] sums(float[] square, int size, int tile, int tiles) {
        float[] sums = new float[tiles * tiles];
        for (int y = 0; y < size; y++) {
            int row = (y / tile + REACH + 1) * tiles + REACH + 1;
            for (int x = 0; x < size; x++) {
                sums[row + x / tile] += square[y * size + x] / (tile * tile);
            }
        }
        return sums;
    }

    private static float[] across(float[] from, int tiles, double[] kernel) {
        float[] to = new float[from.length];
        for (int y = 0; y < tiles; y++) {
            for (int x = 0; x < tiles; x++) {
                to[y * tiles + x] = weighed(from, y * tiles, 1, x, tiles, kernel);
            }
        }
        return to;
    }

    private static float[] down(float[] from, int tiles, double[] kernel) {
        float[] to = new float[from.length];
        for (int y = 0; y < tiles; y++) {
            for (int x = 0; x < tiles; x++) {
                to[y * tiles + x] = weighed(from, x, tiles, y, tiles, kernel);
            }
        }
        return to;
    }

    private static float weighed(float[] from, int start, int step, int at, int tiles, double[] kernel) {
        double sum = 0;
        for (int k = Math.max(-REACH, -at); k <= Math.min(REACH, tiles - 1 - at); k++) {
            sum += kernel[k + REACH] * from[start + (at + k) * step];
        }
        return (float) sum;
    }

    /** Adds a share of it, the square's corner being at left and top. */
    void add(Canvas canvas, int left, int top, double share) {
        int begins = Math.max(0, top - border * tile);
        int ends = Math.min(canvas.height, top + (tiles - border) * tile);
        IntStream.range(begins, Math.max(begins, ends)).parallel().forEach(y -> {
            double[] rgb = new double[3];
            double v = (y + 0.5 - top) / tile + border - 0.5;
            int last = Math.min(canvas.width, left + (tiles - border) * tile);
            for (int x = Math.max(0, left - border * tile); x < last; x++) {
                double u = (x + 0.5 - left) / tile + border - 0.5;
                for (int c = 0; c < 3; c++) {
                    rgb[c] = between(light[c], u, v);
                }
                canvas.add(x, y, share, rgb);
            }
        });
    }

    private double between(float[] of, double u, double v) {
        int i = (int) Math.max(0, Math.min(tiles - 2, Math.floor(u)));
        int j = (int) Math.max(0, Math.min(tiles - 2, Math.floor(v)));
        double du = Math.max(0, Math.min(1, u - i));
        double dv = Math.max(0, Math.min(1, v - j));
        int at = j * tiles + i;
        return (of[at] * (1 - du) + of[at + 1] * du) * (1 - dv)
                + (of[at + tiles] * (1 - du) + of[at + tiles + 1] * du) * dv;
    }
}
