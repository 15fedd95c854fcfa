package dev.halfdusk.core.assembly;

/**
 * Every second frame of a stack apart, in a small part of it: the stars of both halves are the same and their noise is not, so that their
 * difference tells the noise however many stars there are. By means of three by three pixels, since laying frames between pixels smooths each
 * pixel but not those.
 */
final class Halves {

    private static final int BLOCK = 3;

    private final Crop.Frame at;
    private final float[][] sums;
    private final int[][] counts;
    private final int[] frames = new int[2];

    Halves(Crop.Frame at) {
        this.at = at;
        sums = new float[2][at.wide() * at.high()];
        counts = new int[2][at.wide() * at.high()];
    }

    /** A row of green light of a frame. */
    void add(int frame, int y, float[] u, float[] green) {
        if (y < at.top() || y >= at.top() + at.high()) {
            return;
        }
        int half = frame % 2;
        for (int x = 0; x < at.wide(); x++) {
            if (u[at.left() + x] >= 0) {
                int i = (y - at.top()) * at.wide() + x;
                sums[half][i] += green[at.left() + x];
                counts[half][i]++;
            }
        }
    }

    /** The whole of a frame has been added. */
    void added(int frame) {
        frames[frame % 2]++;
    }

    /** Of a pixel of the mean; 0 as long as one half is empty. */
    double noise() {
        int one = frames[0];
        int other = frames[1];
        if (one == 0 || other == 0) {
            return 0;
        }
        double[] off = blocks(i -> counts[0][i] == 0 || counts[1][i] == 0
                ? 0
                : sums[0][i] / counts[0][i] - (double) sums[1][i] / counts[1][i]);
        return BLOCK * Crop.spread(off) * Math.sqrt(1.0 / (one + other) / (1.0 / one + 1.0 / other));
    }

    /** By which something that is averaged otherwise differs from the mean: as much more noise it has. */
    double apart(Crop.Light green) {
        return BLOCK
                * Crop.spread(blocks(i -> green.at(1, at.left() + i % at.wide(), at.top() + i / at.wide())
                        - (sums[0][i] + (double) sums[1][i]) / Math.max(1, counts[0][i] + counts[1][i])));
    }

    private interface Difference {
        double at(int pixel);
    }

    private double[] blocks(Difference of) {
        int across = at.wide() / BLOCK;
        double[] out = new double[across * (at.high() / BLOCK)];
        for (int i = 0; i < out.length; i++) {
            for (int k = 0; k < BLOCK * BLOCK; k++) {
                out[i] += of.at((i / across * BLOCK + k / BLOCK) * at.wide() + i % across * BLOCK + k % BLOCK)
                        / (BLOCK * BLOCK);
            }
        }
        return out;
    }
}
