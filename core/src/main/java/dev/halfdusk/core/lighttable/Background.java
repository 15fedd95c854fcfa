package dev.halfdusk.core.lighttable;

import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * The sky between the stars: median and spread of tiles, between their middles by straight lines. The spread is that of the darker half, which
 * stars do not touch.
 */
final class Background {

    private static final int TILE = 64;
    private static final int LEAST_TILES = 6;
    private static final int EVERY = 3;
    private static final double DARKER = 0.1587;

    /** A flat picture has the noise of its own rounding. */
    private static final double ROUNDING = 0.29;

    private final int tile;
    private final int columns;
    private final int rows;
    private final float[] level;
    private final float[] sigma;

    private Background(int tile, int columns, int rows) {
        this.tile = tile;
        this.columns = columns;
        this.rows = rows;
        level = new float[columns * rows];
        sigma = new float[columns * rows];
    }

    /** @param step between two numbers that the file tells apart */
    static Background of(char[] light, int width, int height, double step) {
        int tile = Math.max(8, Math.min(TILE, Math.min(width, height) / LEAST_TILES));
        Background b = new Background(tile, (width + tile - 1) / tile, (height + tile - 1) / tile);
        IntStream.range(0, b.rows).parallel().forEach(row -> {
            char[] samples = new char[(tile / EVERY + 1) * (tile / EVERY + 1)];
            for (int column = 0; column < b.columns; column++) {
                b.measure(light, width, height, row, column, step, samples);
            }
        });
        return b;
    }

    private void measure(char[] light, int width, int height, int row, int column, double step, char[] samples) {
        int count = 0;
        for (int y = row * tile; y < Math.min(height, (row + 1) * tile); y += EVERY) {
            for (int x = column * tile; x < Math.min(width, (column + 1) * tile); x += EVERY) {
                samples[count++] = light[y * width + x];
            }
        }
        Arrays.sort(samples, 0, count);
        int at = row * columns + column;
        level[at] = samples[count / 2];
        sigma[at] = (float) Math.max(ROUNDING * step, samples[count / 2] - samples[(int) (count * DARKER)]);
    }

    /** What a mean of a row must exceed to stand out by so many spreads. */
    void row(int y, double spreads, float[] limits) {
        double down = Math.max(0, Math.min(rows - 1.0, (y + 0.5) / tile - 0.5));
        int upper = (int) Math.min(rows - 1, down);
        int lower = Math.min(rows - 1, upper + 1);
        float share = (float) (down - upper);
        float[] at = new float[columns];
        for (int c = 0; c < columns; c++) {
            float above = level[upper * columns + c] + (float) spreads * sigma[upper * columns + c];
            float below = level[lower * columns + c] + (float) spreads * sigma[lower * columns + c];
            at[c] = above + share * (below - above);
        }
        for (int c = -1; c < columns; c++) { // from the middle of one tile to that of the next
            float left = at[Math.max(0, c)];
            float step = (at[Math.min(columns - 1, c + 1)] - left) / tile;
            int from = c * tile + tile / 2;
            for (int x = Math.max(0, from); x < Math.min(limits.length, from + tile); x++) {
                limits[x] = left + step * (x - from);
            }
        }
    }

    double levelAt(double x, double y) {
        return level[index(x, y)];
    }

    double sigmaAt(double x, double y) {
        return sigma[index(x, y)];
    }

    /** Of the tiles that have nothing in them. */
    double quietSigma() {
        float[] sorted = sigma.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 4];
    }

    private int index(double x, double y) {
        int column = (int) Math.max(0, Math.min(columns - 1.0, x / tile));
        int row = (int) Math.max(0, Math.min(rows - 1.0, y / tile));
        return row * columns + column;
    }
}
