package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.measure.Linear;
import java.util.Arrays;
import java.util.Optional;

/**
 * A ruler photographed at a slant, its marks across the picture, focused on the mark in the middle: where it is really sharp. Towards the top is
 * farther away.
 *
 * @param offset of the sharpest place from the middle, share of the picture's height, above 0 behind it
 * @param marks the same in marks of the ruler as they lie there
 * @param depth part of the height over which marks are at least 0.7 times as sharp as there
 */
public record RulerReading(double offset, double marks, double depth) {

    private static final double COLUMNS = 0.1;
    private static final int LEAST_ROWS = 64;
    private static final double SHARP = 0.7;
    private static final double FITTED = 0.6;
    private static final double LEAST_CONTRAST = 0.05;
    private static final int SHORTEST = 4;

    /** Empty where no row of marks is seen. */
    static Optional<RulerReading> of(Pixels pixels) {
        double[] rows = rows(pixels);
        int n = rows.length;
        int period = period(rows, 0, n);
        if (n < LEAST_ROWS || period == 0) {
            return Optional.empty();
        }
        double[] sharp = new double[n];
        int best = period;
        for (int y = period; y < n - period; y++) {
            for (int k = -period; k <= period; k++) {
                if (y + k > 0 && y + k < n - 1) {
                    sharp[y] = Math.max(sharp[y], Math.abs(rows[y + k + 1] - rows[y + k - 1]));
                }
            }
            best = sharp[y] > sharp[best] ? y : best;
        }
        int from = best;
        int to = best;
        while (from > period && sharp[from - 1] > FITTED * sharp[best]) {
            from--;
        }
        while (to < n - period - 1 && sharp[to + 1] > FITTED * sharp[best]) {
            to++;
        }
        double at = top(sharp, from, to, best);
        double limit = SHARP * sharp[best];
        long deep = Arrays.stream(sharp).filter(s -> s > limit).count();
        int there = period(rows, (int) Math.max(0, at - n / 6.0), (int) Math.min(n, at + n / 6.0));
        double off = n / 2.0 - at;
        return Optional.of(new RulerReading(off / n, off / (there == 0 ? period : there), (double) deep / n));
    }

    /** Means of the middle columns, brightest to darkest 1; nothing where there is no contrast. */
    private static double[] rows(Pixels pixels) {
        int left = (int) (pixels.width() * (0.5 - COLUMNS));
        int right = (int) (pixels.width() * (0.5 + COLUMNS));
        double[] rows = new double[pixels.height()];
        double least = Double.MAX_VALUE;
        double most = 0;
        for (int y = 0; y < rows.length; y++) {
            for (int x = left; x < right; x++) {
                rows[y] += pixels.light()[y * pixels.width() + x];
            }
            rows[y] /= (double) (right - left) * Encoding.WHITE;
            least = Math.min(least, rows[y]);
            most = Math.max(most, rows[y]);
        }
        return most - least < LEAST_CONTRAST ? new double[0] : rows;
    }

    /** From mark to mark, where the slopes of some rows agree with themselves again; 0 where they do not. */
    private static int period(double[] rows, int from, int to) {
        int longest = (to - from) / 4;
        double[] agree = new double[Math.max(1, longest + 1)];
        for (int d = 0; d <= longest; d++) {
            for (int y = from + 1; y + d < to - 1; y++) {
                agree[d] += (rows[y + 1] - rows[y - 1]) * (rows[y + d + 1] - rows[y + d - 1]);
            }
        }
        boolean down = false;
        int best = 0;
        for (int d = SHORTEST; d < longest; d++) {
            down |= agree[d] < 0;
            boolean crest = agree[d] >= agree[d - 1] && agree[d] >= agree[d + 1];
            if (down && crest && agree[d] > 0.2 * agree[0] && (best == 0 || agree[d] > 1.3 * agree[best])) {
                best = d;
            }
        }
        return best;
    }

    /** Of a parabola through the logarithms, where they are near the highest. */
    private static double top(double[] sharp, int from, int to, int best) {
        double[][] m = new double[3][4];
        for (int y = from; y <= to; y++) {
            double u = y - best;
            double[] row = {1, u, u * u};
            Linear.add(m, 1, row, Math.log(sharp[y]));
        }
        if (to - from < SHORTEST || !Linear.solve(m) || m[2][3] >= 0) {
            return best;
        }
        return Math.max(from, Math.min(to, best - m[1][3] / (2 * m[2][3])));
    }
}
