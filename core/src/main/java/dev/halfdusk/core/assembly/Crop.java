package dev.halfdusk.core.assembly;

import java.util.Arrays;

/**
 * A part of a picture at full size, for comparing what more frames bring.
 *
 * @param frames that it is made of
 * @param level of its green, share of white
 * @param noise of a pixel of it, share of white
 */
public record Crop(int frames, Assembled picture, double level, double noise) {

    private static final int WIDE = 300;
    private static final int HIGH = 200;
    private static final double OF_MEDIAN = 1.4826;

    interface Light {
        float at(int colour, int x, int y);
    }

    /** Where it is cut out. */
    record Frame(int left, int top, int wide, int high) {

        /** @param down of its middle, share of the height */
        static Frame in(int width, int height, double down) {
            int wide = Math.min(WIDE, width);
            int high = Math.min(HIGH, height);
            return new Frame(
                    (width - wide) / 2,
                    (int) Math.max(0, Math.min(height - (double) high, down * height - high / 2.0)),
                    wide,
                    high);
        }

        Crop cut(int frames, Light light, double noise) {
            char[][] out = new char[3][wide * high];
            double[] green = new double[wide * high];
            for (int c = 0; c < 3; c++) {
                for (int i = 0; i < wide * high; i++) {
                    float l = light.at(c, left + i % wide, top + i / wide);
                    out[c][i] = Assembled.number(l);
                    green[i] = c == 1 ? l : green[i];
                }
            }
            Arrays.sort(green);
            return new Crop(frames, new Assembled(wide, high, out), green[green.length / 2], noise);
        }
    }

    /** Noise of a frame by neighbours two pixels apart: among many stars those are counted in. */
    static double noiseOfOne(Raster raster, Frame at) {
        double[] off = new double[at.wide * at.high];
        int n = 0;
        for (int y = at.top; y < at.top + at.high; y++) {
            for (int x = at.left; x + 2 < at.left + at.wide; x++) {
                off[n++] = raster.light(1, x, y) - (double) raster.light(1, x + 2, y);
            }
        }
        return spread(Arrays.copyOf(off, n)) / Math.sqrt(2);
    }

    /** Spread of differences about their middle, what stands out of them not counted: two halves need not be as bright. */
    static double spread(double[] off) {
        double[] inOrder = Arrays.stream(off).sorted().toArray();
        double middle = inOrder.length == 0 ? 0 : inOrder[inOrder.length / 2];
        double[] sorted =
                Arrays.stream(off).map(o -> Math.abs(o - middle)).sorted().toArray();
        return sorted.length == 0 ? 0 : OF_MEDIAN * sorted[sorted.length / 2];
    }

    Crop with(double otherNoise) {
        return new Crop(frames, picture, level, otherNoise);
    }

    /** As bright as another: light and noise times the same. */
    Crop lifted(double times) {
        return new Crop(frames, picture.times(times), level * times, noise * times);
    }
}
