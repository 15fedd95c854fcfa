package dev.halfdusk.core.exposure;

import dev.halfdusk.core.optics.Response;
import java.util.function.DoubleUnaryOperator;

/**
 * The histogram that a frame of this sky will show: sky and ground with their noise, without stars.
 *
 * @param bins shares of the pixels, adding up to 1, from black to white
 */
public record Histogram(double[] bins) {

    public static final int BINS = 96;

    private static final int SLICES = 33;
    private static final double DEEPEST_SIGMA = 3;

    /**
     * @param electronsPerSecond of a pixel, for each magnitude
     */
    public static Histogram of(
            FrameSky sky, DoubleUnaryOperator electronsPerSecond, Response response, double seconds, double iso) {
        double[] bins = new double[BINS];
        double skyWeight = (1 - sky.groundShare()) / sky.magnitudes().length;
        double dark = response.darkEPerSecond() * seconds;
        double saturation = response.saturationE(iso);
        double read = response.readNoiseE(iso);
        for (double magnitude : sky.magnitudes()) {
            add(bins, skyWeight, electronsPerSecond.applyAsDouble(magnitude) * seconds, dark, read, saturation);
        }
        if (sky.groundShare() > 0) {
            double ground = electronsPerSecond.applyAsDouble(sky.groundMagnitude()) * seconds;
            add(bins, sky.groundShare(), ground, dark, read, saturation);
        }
        return new Histogram(bins);
    }

    /** Spreads pixels of one brightness over the bins as their noise does. */
    private static void add(double[] bins, double weight, double light, double dark, double read, double saturation) {
        double sigma = Math.sqrt(light + dark + read * read);
        double sum = 0;
        double[] shares = new double[SLICES];
        for (int i = 0; i < SLICES; i++) {
            double z = DEEPEST_SIGMA * (2.0 * i / (SLICES - 1) - 1);
            shares[i] = Math.exp(-z * z / 2);
            sum += shares[i];
        }
        for (int i = 0; i < SLICES; i++) {
            double z = DEEPEST_SIGMA * (2.0 * i / (SLICES - 1) - 1);
            double position = Tone.position((light + z * sigma) / saturation);
            bins[Math.min(BINS - 1, (int) (position * BINS))] += weight * shares[i] / sum;
        }
    }

    /** Where on the axis most pixels are that are brighter than dark ground, 0 to 1. */
    public double peak() {
        int best = BINS / 16;
        for (int i = best + 1; i < BINS; i++) {
            best = bins[i] > bins[best] ? i : best;
        }
        return (best + 0.5) / BINS;
    }

    /** Part of the pixels that are white. */
    public double burnt() {
        return bins[BINS - 1];
    }

    /** Part of the pixels in the leftmost bin. */
    public double black() {
        return bins[0];
    }
}
