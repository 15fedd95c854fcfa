package dev.halfdusk.core.assembly;

import dev.halfdusk.core.optics.Stops;
import java.util.Arrays;

/**
 * Where the sky ends, column by column: the first clear step of brightness from above, darker or lighter, along a line through all of them.
 * Found on blocks of which the darker pixels count, so that stars do not; then to two pixels. Land between 0.4 and three times as light as the sky
 * may not be found.
 */
final class Skyline {

    private static final int COLUMNS = 200;
    private static final int LEAST_BLOCK = 4;
    private static final int SAMPLES = 6;
    private static final int SPAN = 2;
    private static final double MOST_STOPS = 2;
    private static final double LEAST_STOPS = 0.4;
    private static final double JUMP = 0.03;
    private static final double MOST_JUMP = 1.5;
    private static final double LEAST_SHARE = 0.05;
    private static final int EDGE = 3;

    private final int height;
    private final int[] rows;

    private Skyline(int height, int[] rows) {
        this.height = height;
        this.rows = rows;
    }

    static Skyline none(int width, int height) {
        return at(width, height, 1);
    }

    /** A level one, without looking. */
    static Skyline at(int width, int height, double down) {
        int[] rows = new int[width];
        Arrays.fill(rows, (int) (down * height));
        return new Skyline(height, rows);
    }

    static Skyline of(Raster frame) {
        Finder finder = new Finder(frame);
        int[] line = finder.line();
        int found = 0;
        for (int row : line) {
            found += row < finder.down ? 1 : 0;
        }
        return found < LEAST_SHARE * line.length
                ? none(frame.width(), frame.height())
                : new Skyline(frame.height(), finder.refined(line));
    }

    /** Whether there is land at all. */
    boolean found() {
        return share() > 0;
    }

    /** Of the frame that is land. */
    double share() {
        return Arrays.stream(rows).mapToDouble(r -> height - (double) r).sum() / ((double) height * rows.length);
    }

    boolean land(int x, int y) {
        return y >= rows[x];
    }

    /** 0 in the sky, 1 on the land, growing over so many pixels from its edge on. */
    float weight(int x, int y, int soft) {
        return rows[x] >= height ? 0 : Math.max(0, Math.min(1, (y + 1f - rows[x]) / soft));
    }

    /** First row of the land in a column; the height where there is none. */
    int row(int x) {
        return rows[x];
    }

    private static final class Finder {

        private final Raster frame;
        private final int block;
        private final int across;
        final int down;
        private final double[] stops;

        Finder(Raster frame) {
            this.frame = frame;
            block = Math.max(LEAST_BLOCK, Math.round((float) frame.width() / COLUMNS));
            across = Math.max(1, frame.width() / block);
            down = Math.max(1, frame.height() / block);
            double[] light = new double[across * down];
            for (int i = 0; i < light.length; i++) {
                light[i] = darker(i % across * block, i / across * block);
            }
            double[] upper = Arrays.copyOf(light, Math.max(1, light.length / 2));
            Arrays.sort(upper);
            double floor = 0.1 * upper[upper.length / 2] + 1e-6;
            stops = Arrays.stream(light).map(l -> Stops.of(l + floor)).toArray();
        }

        /** The darker of a block's pixels, for which a star is none. */
        private double darker(int left, int top) {
            int side = Math.min(SAMPLES, block);
            double[] some = new double[side * side];
            for (int k = 0; k < some.length; k++) {
                some[k] = frame.light(1, left + k % side * block / side, top + k / side * block / side);
            }
            Arrays.sort(some);
            double sum = 0;
            for (int k = 0; k < some.length * 2 / 3; k++) {
                sum += some[k];
            }
            return sum / (some.length * 2 / 3);
        }

        /** Step from above to below before a row of blocks, stops; a column counts twice what those beside it do. */
        private double step(int i, int j) {
            double sum = 0;
            for (int k = 0; k < SPAN; k++) {
                int over = (j - 1 - k) * across;
                int under = Math.min(down - 1, j + k) * across;
                int left = Math.max(0, i - 1);
                int right = Math.min(across - 1, i + 1);
                sum += 2 * (stops[under + i] - stops[over + i])
                        + stops[under + left]
                        - stops[over + left]
                        + stops[under + right]
                        - stops[over + right];
            }
            return sum / (4 * SPAN);
        }

        /** Row of the land by column of blocks: the way on which steps are clearest and come first from above. */
        int[] line() {
            double[][] best = new double[across][down + 1];
            int[][] from = new int[across][down + 1];
            for (int i = 0; i < across; i++) {
                double[] here = clear(i);
                for (int j = 0; j <= down; j++) {
                    double most = i == 0 ? 0 : Double.NEGATIVE_INFINITY;
                    for (int k = 0; i > 0 && k <= down; k++) {
                        double with = best[i - 1][k] - Math.min(MOST_JUMP, JUMP * Math.abs(j - k));
                        if (with > most) {
                            most = with;
                            from[i][j] = k;
                        }
                    }
                    best[i][j] = most + here[j];
                }
            }
            int[] line = new int[across];
            int at = 0;
            for (int j = 0; j <= down; j++) {
                at = best[across - 1][j] > best[across - 1][at] ? j : at;
            }
            for (int i = across - 1; i >= 0; i--) {
                line[i] = at;
                at = from[i][at];
            }
            return line;
        }

        /** How clearly land begins at each row of a column, less what is as clear above it. */
        private double[] clear(int i) {
            double[] clear = new double[down + 1];
            clear[down] = LEAST_STOPS;
            double above = 0;
            double[] steps = new double[down];
            for (int j = SPAN; j < down; j++) {
                steps[j] = Math.min(MOST_STOPS, Math.abs(step(i, j)));
                above = j - SPAN - 1 >= SPAN ? Math.max(above, steps[j - SPAN - 1]) : above;
                clear[j] = steps[j] - 0.8 * above;
            }
            return clear;
        }

        /** To the pixel: the steepest place within a block of it. */
        int[] refined(int[] line) {
            int[] rows = new int[frame.width()];
            for (int x = 0; x < rows.length; x++) {
                int j = line[Math.min(across - 1, x / block)];
                rows[x] = j >= down
                        ? frame.height()
                        : steepest(x, j * block, Math.signum(step(x / block < across ? x / block : across - 1, j)));
            }
            return rows;
        }

        private int steepest(int x, int about, double sign) {
            int best = about;
            double most = Double.NEGATIVE_INFINITY;
            for (int y = Math.max(EDGE, about - block - 1);
                    y <= Math.min(frame.height() - EDGE, about + block + 1);
                    y++) {
                double step = 0;
                for (int k = 0; k < EDGE; k++) {
                    for (int i = Math.max(0, x - 1); i <= Math.min(frame.width() - 1, x + 1); i++) {
                        step += sign * (frame.light(1, i, y + k) - frame.light(1, i, y - 1 - k));
                    }
                }
                if (step > most) {
                    most = step;
                    best = y;
                }
            }
            return best;
        }
    }
}
