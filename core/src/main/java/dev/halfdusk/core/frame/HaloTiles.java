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
        float part = 1f / (tile * tile);
        for (int y = 0; y < size; y++) {
            int at = (y / tile + REACH + 1) * tiles + REACH + 1;
            for (int x = 0; x < size; x += tile) {
                float sum = 0;
                for (int i = x; i < Math.min(size, x + tile); i++) {
                    sum += square[y * size + i];
                }
                sums[at++] += sum * part;
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

    /** Adds a share of it, the square's corner being at left and top; light between the middles of tiles is that of both. */
    void add(Canvas canvas, int left, int top, double share) {
        int first = Math.max(0, left - border * tile);
        int last = Math.min(canvas.width, left + (tiles - border) * tile);
        if (first >= last) {
            return;
        }
        int[] column = new int[last - first];
        float[] beside = new float[last - first];
        for (int x = first; x < last; x++) {
            double u = among(x, left);
            column[x - first] = before(u);
            beside[x - first] = beyond(u);
        }
        int begins = Math.max(0, top - border * tile);
        int ends = Math.min(canvas.height, top + (tiles - border) * tile);
        IntStream.range(begins, Math.max(begins, ends)).parallel().forEach(y -> {
            double v = among(y, top);
            int upper = before(v) * tiles;
            float below = beyond(v);
            float[] row = new float[tiles];
            int at = y * canvas.width + first;
            for (int c = 0; c < 3; c++) {
                for (int i = 0; i < tiles; i++) {
                    double above = light[c][upper + i];
                    row[i] = (float) (share * (above + (light[c][upper + tiles + i] - above) * below));
                }
                float[] to = canvas.electrons[c];
                for (int x = 0; x < column.length; x++) {
                    float here = row[column[x]];
                    to[at + x] += canvas.open[at + x] * (here + (row[column[x] + 1] - here) * beside[x]);
                }
            }
        });
    }

    /** A pixel's place among the middles of the tiles. */
    private double among(int pixel, int corner) {
        return (pixel + 0.5 - corner) / tile + border - 0.5;
    }

    private int before(double place) {
        return (int) Math.max(0, Math.min(tiles - 2, Math.floor(place)));
    }

    /** How far beyond the middle before it, 0 to 1. */
    private float beyond(double place) {
        return (float) Math.max(0, Math.min(1, place - before(place)));
    }
}
