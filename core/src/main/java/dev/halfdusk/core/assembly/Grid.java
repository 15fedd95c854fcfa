package dev.halfdusk.core.assembly;

/** Moves looked up at nodes of a grid and between them by straight lines: a polynomial for every pixel would take most of the time. */
final class Grid {

    private static final int STEP = 32;

    private final int columns;
    private final float[] dx;
    private final float[] dy;

    /** @param share of the whole way */
    Grid(Moves moves, int width, int height, double share) {
        columns = width / STEP + 2;
        int rows = height / STEP + 2;
        dx = new float[columns * rows];
        dy = new float[columns * rows];
        for (int j = 0; j < rows; j++) {
            for (int i = 0; i < columns; i++) {
                double[] to = moves.at(i * (double) STEP, j * (double) STEP);
                dx[j * columns + i] = (float) (share * (to[0] - i * (double) STEP));
                dy[j * columns + i] = (float) (share * (to[1] - j * (double) STEP));
            }
        }
    }

    /** Ways of all places of a row. */
    void row(int y, float[] outX, float[] outY) {
        int j = y / STEP;
        float b = (float) (y % STEP) / STEP;
        for (int i = 0; i * STEP < outX.length; i++) {
            int at = j * columns + i;
            float x0 = dx[at] * (1 - b) + dx[at + columns] * b;
            float x1 = dx[at + 1] * (1 - b) + dx[at + columns + 1] * b;
            float y0 = dy[at] * (1 - b) + dy[at + columns] * b;
            float y1 = dy[at + 1] * (1 - b) + dy[at + columns + 1] * b;
            for (int k = 0; k < Math.min(STEP, outX.length - i * STEP); k++) {
                float a = (float) k / STEP;
                outX[i * STEP + k] = x0 + (x1 - x0) * a;
                outY[i * STEP + k] = y0 + (y1 - y0) * a;
            }
        }
    }

    /** The longest way, pixels. */
    double longest() {
        double most = 0;
        for (int i = 0; i < dx.length; i++) {
            most = Math.max(most, Math.hypot(dx[i], dy[i]));
        }
        return most;
    }
}
