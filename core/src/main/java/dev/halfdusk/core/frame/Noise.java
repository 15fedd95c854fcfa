package dev.halfdusk.core.frame;

/**
 * Random numbers that are the same for the same seed, place and channel, whatever order pixels are made in. Normal ones
 * come from a table of 8192 quantiles (variance 0.9998, none beyond 3.8), small enough for a processor to keep at hand, small counts from Poisson's law by inversion.
 */
final class Noise {

    private static final int SIZE = 1 << 13;
    private static final float[] NORMAL = table();
    private static final double COUNTED = 24;

    private Noise() {}

    private static float[] table() {
        float[] table = new float[SIZE];
        for (int i = 0; i < SIZE; i++) {
            table[i] = (float) quantile((i + 0.5) / SIZE);
        }
        return table;
    }

    /** Inverse of the normal distribution by bisection of its series; only for the table. */
    private static double quantile(double p) {
        double low = -6;
        double high = 6;
        for (int i = 0; i < 50; i++) {
            double middle = (low + high) / 2;
            if (cumulative(middle) < p) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** Abramowitz and Stegun 26.2.17, error below 7.5e−8. */
    private static double cumulative(double x) {
        double t = 1 / (1 + 0.2316419 * Math.abs(x));
        double tail = Math.exp(-x * x / 2)
                / Math.sqrt(2 * Math.PI)
                * t
                * (0.319381530 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
        return x >= 0 ? 1 - tail : tail;
    }

    /** 64 well-mixed bits (SplitMix64's finaliser). */
    static long bits(long seed, long number) {
        long z = seed + number * 0x9e3779b97f4a7c15L;
        z = (z ^ (z >>> 30)) * 0xbf58476d1ce4e5b9L;
        z = (z ^ (z >>> 27)) * 0x94d049bb133111ebL;
        return z ^ (z >>> 31);
    }

    /** Even, 0 to 1, by a number. */
    private static double even(long seed, long number) {
        return (bits(seed, number) >>> 11) * 0x1.0p-53;
    }

    /** Smooth noise of the plane, 0 to 1, a hump for each unit. */
    static double smooth(long seed, double x, double y) {
        long i = (long) Math.floor(x);
        long j = (long) Math.floor(y);
        double u = ease(x - i);
        double v = ease(y - j);
        double upper = even(seed, i * 73_856_093L + j * 19_349_663L) * (1 - u)
                + even(seed, (i + 1) * 73_856_093L + j * 19_349_663L) * u;
        double lower = even(seed, i * 73_856_093L + (j + 1) * 19_349_663L) * (1 - u)
                + even(seed, (i + 1) * 73_856_093L + (j + 1) * 19_349_663L) * u;
        return upper * (1 - v) + lower * v;
    }

    /** Smooth noise with finer noise upon it, 0 to 1 with a mean of a half. */
    static double fractal(long seed, double x, double y, int octaves) {
        double sum = 0;
        double size = 0.5;
        double sizes = 0;
        for (int octave = 0; octave < octaves; octave++) {
            sum += size * smooth(seed + octave, x * (1 << octave), y * (1 << octave));
            sizes += size;
            size /= 2;
        }
        return sum / sizes;
    }

    /** Smooth noise along a circle of so many units, 0 to 1. */
    static double around(long seed, double x, int turn) {
        long i = (long) Math.floor(x);
        double u = ease(x - i);
        return even(seed, Math.floorMod(i, turn)) * (1 - u) + even(seed, Math.floorMod(i + 1, turn)) * u;
    }

    private static double ease(double t) {
        return t * t * (3 - 2 * t);
    }

    /** What so large a share of normal numbers stays below. */
    static double normalAt(double share) {
        return NORMAL[(int) Math.max(0, Math.min(SIZE - 1, share * SIZE))];
    }

    static double normal(long bits) {
        return NORMAL[(int) (bits & (SIZE - 1))];
    }

    /** @param colour 0 to 2, which draws other ones of the bits of a pixel */
    static float normal(long bits, int colour) {
        return NORMAL[(int) (bits >>> (20 * colour) & (SIZE - 1))];
    }

    /**
     * Electrons counted in one pixel of the sensor.
     *
     * @param read noise
     * @param bits of the pixel
     * @param colour 0 to 2, which draws other ones of them
     */
    static double counted(double expected, double read, long bits, int colour) {
        if (expected < COUNTED) {
            long own = bits(bits, colour + 1);
            return poisson(expected, (own >>> 11) * 0x1.0p-53) + read * normal(bits(own, 1));
        }
        return expected + Math.sqrt(expected + read * read) * normal(bits, colour);
    }

    private static int poisson(double expected, double uniform) {
        double chance = Math.exp(-expected);
        double sum = chance;
        int count = 0;
        while (sum < uniform && count < 200) {
            count++;
            chance *= expected / count;
            sum += chance;
        }
        return count;
    }
}
