package dev.halfdusk.core.measure;

import java.util.Arrays;

/** The middle of values by their order, which a few odd ones do not move. */
public final class Median {

    private Median() {}

    /** The mean of the two in the middle of an even number; 0 of none. */
    public static double of(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        int n = sorted.length;
        return n == 0 ? 0 : n % 2 == 1 ? sorted[n / 2] : (sorted[n / 2 - 1] + sorted[n / 2]) / 2;
    }
}
