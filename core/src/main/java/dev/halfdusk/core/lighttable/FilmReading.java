package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.measure.Median;
import java.util.Arrays;

/**
 * A scan of a frame on film, as a positive: where its tones lie on the file's axis, 0 to 1.
 *
 * @param deepest that one pixel in twenty stays below
 * @param shadows that one in five stays below
 * @param middle of all
 * @param burnt share of the pixels
 * @param halation by how much redder the surroundings of lamps are than the rest, as a share
 */
public record FilmReading(double deepest, double shadows, double middle, double burnt, double halation) {

    private static final int BINS = 256;
    private static final double DEEPEST = 0.05;
    private static final double SHADOWS = 0.2;
    /** A ring around a lamp is so much of the picture's width, and two coarse pixels at least. */
    private static final int NEAR_OF_WIDTH = 150;

    private static final double WHITE = 0.95;
    private static final int LEAST = 12;

    static FilmReading of(Pixels pixels, Encoding encoding) {
        double[] tones = new double[BINS];
        for (int c = 0; c < 3; c++) {
            double[] of = pixels.histogram(c, encoding, 0, BINS);
            for (int i = 0; i < BINS; i++) {
                tones[i] += of[i] / 3;
            }
        }
        return new FilmReading(
                below(tones, DEEPEST),
                below(tones, SHADOWS),
                below(tones, 0.5),
                pixels.clippedHigh(),
                halation(pixels));
    }

    private static double below(double[] tones, double share) {
        double sum = 0;
        for (int i = 0; i < BINS; i++) {
            if (sum + tones[i] >= share) {
                return (i + (share - sum) / Math.max(1e-9, tones[i])) / BINS;
            }
            sum += tones[i];
        }
        return 1;
    }

    private static double halation(Pixels pixels) {
        int w = pixels.coarseWidth();
        int h = pixels.coarseHeight();
        double[] near = new double[w * h];
        double[] far = new double[w * h];
        int nears = 0;
        int fars = 0;
        boolean[] lamp = new boolean[w * h];
        for (int i = 0; i < lamp.length; i++) {
            lamp[i] = pixels.coarse(1)[i] > WHITE;
        }
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int at = y * w + x;
                double others = pixels.coarse(1)[at] + pixels.coarse(2)[at];
                if (!lamp[at] && others > 0) {
                    double red = 2 * pixels.coarse(0)[at] / others;
                    if (beside(lamp, x, y, w, h, Math.max(2, w / NEAR_OF_WIDTH))) {
                        near[nears++] = red;
                    } else {
                        far[fars++] = red;
                    }
                }
            }
        }
        if (nears < LEAST || fars < LEAST) {
            return 0;
        }
        double rest = Median.of(Arrays.copyOf(far, fars));
        return rest == 0 ? 0 : Median.of(Arrays.copyOf(near, nears)) / rest - 1;
    }

    private static boolean beside(boolean[] lamp, int x, int y, int w, int h, int near) {
        for (int j = Math.max(0, y - near); j <= Math.min(h - 1, y + near); j++) {
            for (int i = Math.max(0, x - near); i <= Math.min(w - 1, x + near); i++) {
                if (lamp[j * w + i]) {
                    return true;
                }
            }
        }
        return false;
    }
}
