package dev.halfdusk.core.frame;

import java.util.stream.IntStream;

/**
 * Wide spots of light, halos of lenses and filters and smoke, painted in cells of some pixels and laid out evenly between their middles: a
 * sixteenth of the work. The sum and the width are kept, the middle is flatter by 3 % at the most.
 */
final class HaloCells {

    private static final int CELL = 4;

    /** How far pixels of a row lie from one cell's middle to the next's. */
    private static final float[] ALONG = along();

    /** Narrower ones are drawn pixel by pixel. */
    static final double FROM_SIGMA_PX = 8;

    /** What laying out widens a spot by: the variance of a cell and of a straight line between two, pixels². */
    private static final double WIDENED = CELL * CELL / 6.0;

    private final int width;
    private final int height;
    /** Cells along a row; one more beyond each edge of the picture. */
    private final int columns;

    private final int rows;
    private final float[][] light;

    private static float[] along() {
        float[] along = new float[CELL];
        for (int i = 0; i < CELL; i++) {
            along[i] = (i + 0.5f) / CELL;
        }
        return along;
    }

    HaloCells(int width, int height) {
        this.width = width;
        this.height = height;
        columns = (width + CELL - 1) / CELL + 2;
        rows = (height + CELL - 1) / CELL + 2;
        light = new float[3][columns * rows];
    }

    static HaloCells sum(HaloCells a, HaloCells b) {
        if (a == null || b == null) {
            return a == null ? b : a;
        }
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < a.light[c].length; i++) {
                a.light[c][i] += b.light[c][i];
            }
        }
        return a;
    }

    void spot(double x, double y, double sigma, double sum, double[] tint, Spot profile) {
        double narrower = Math.sqrt(sigma * sigma - WIDENED) / CELL;
        profile.add(x / CELL + 1, y / CELL + 1, narrower, sum / (CELL * CELL), tint, light, null, columns, rows);
    }

    /** Adds it to the pixels of a picture. */
    void layOut(float[][] electrons, float[] seen) {
        IntStream.range(0, height).parallel().forEach(y -> {
            double v = (y + 0.5) / CELL + 0.5;
            int j = (int) v;
            float dv = (float) (v - j);
            float[] line = new float[columns];
            for (int c = 0; c < 3; c++) {
                for (int i = 0; i < columns; i++) {
                    float above = light[c][j * columns + i];
                    line[i] = above + dv * (light[c][(j + 1) * columns + i] - above);
                }
                float[] to = electrons[c];
                for (int x = 0; x < width; x++) {
                    int i = (x + CELL / 2) / CELL;
                    float here = line[i] + ALONG[(x + CELL / 2) % CELL] * (line[i + 1] - line[i]);
                    int at = y * width + x;
                    to[at] += seen == null ? here : here * seen[at];
                }
            }
        });
    }
}
