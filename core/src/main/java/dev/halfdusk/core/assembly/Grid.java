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

    private float between(float[] of, int x, int y) {
        int i = x / STEP;
        int j = y / STEP;
        float a = (float) (x % STEP) / STEP;
        float b = (float) (y % STEP) / STEP;
        int at = j * columns + i;
        return (of[at] * (1 - a) + of[at + 1] * a) * (1 - b)
                + (of[at + columns] * (1 - a) + of[at + columns + 1] * a) * b;
    }

    float dx(int x, int y) {
        return between(dx, x, y);
    }

    float dy(int x, int y) {
        return between(dy, x, y);
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
