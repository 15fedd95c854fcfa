package dev.halfdusk.core.assembly;

import dev.halfdusk.core.lighttable.Encoding;
import dev.halfdusk.core.lighttable.Pixels;

/**
 * A decoded frame as it lies in memory, eight or sixteen bits a colour, read as light. Nothing is copied: a frame of 24 megapixels of eight bits
 * takes 72 MB.
 */
public final class Raster {

    private static final int FULL = 255;
    private static final int TO_16 = 257;
    private static final int WHITE = 65_535;

    private final int width;
    private final int height;
    private final byte[] eight;
    private final short[] sixteen;
    private final int[] offsets;
    private final int stride;
    private final int each;
    private final Encoding encoding;
    private final float[] table;

    private Raster(
            int width,
            int height,
            byte[] eight,
            short[] sixteen,
            int[] offsets,
            int stride,
            int each,
            Encoding encoding) {
        this.width = width;
        this.height = height;
        this.eight = eight;
        this.sixteen = sixteen;
        this.offsets = offsets.clone();
        this.stride = stride;
        this.each = each;
        this.encoding = encoding;
        table = new float[eight == null ? WHITE + 1 : FULL + 1];
        for (int i = 0; i < table.length; i++) {
            table[i] = (float) encoding.light((double) i / (table.length - 1));
        }
    }

    /**
     * @param offsets of red, green and blue within a pixel
     * @param stride from row to row
     * @param each from pixel to pixel
     */
    public static Raster of(
            byte[] data, int width, int height, int[] offsets, int stride, int each, Encoding encoding) {
        return new Raster(width, height, data, null, offsets, stride, each, encoding);
    }

    /** The same of sixteen bits. */
    public static Raster of(
            short[] data, int width, int height, int[] offsets, int stride, int each, Encoding encoding) {
        return new Raster(width, height, null, data, offsets, stride, each, encoding);
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** Light of a colour, share of white, 0 to 1. */
    float light(int colour, int x, int y) {
        int at = y * stride + x * each + offsets[colour];
        return eight == null ? table[sixteen[at] & WHITE] : table[eight[at] & FULL];
    }

    /** Between pixels by straight lines; a place a little outside is the edge. */
    float light(int colour, double x, double y) {
        double u = Math.max(0, Math.min(width - 1.001, x));
        double v = Math.max(0, Math.min(height - 1.001, y));
        int i = (int) u;
        int j = (int) v;
        float a = (float) (u - i);
        float b = (float) (v - j);
        float over = light(colour, i, j) * (1 - a) + light(colour, i + 1, j) * a;
        float under = light(colour, i, j + 1) * (1 - a) + light(colour, i + 1, j + 1) * a;
        return over * (1 - b) + under * b;
    }

    /** The same of red, green and blue at once. */
    void light(double x, double y, float[] rgb) {
        double u = Math.max(0, Math.min(width - 1.001, x));
        double v = Math.max(0, Math.min(height - 1.001, y));
        int i = (int) u;
        int j = (int) v;
        float a = (float) (u - i);
        float b = (float) (v - j);
        float one = (1 - a) * (1 - b);
        float two = a * (1 - b);
        float three = (1 - a) * b;
        float four = a * b;
        int at = j * stride + i * each;
        for (int c = 0; c < 3; c++) {
            int k = at + offsets[c];
            rgb[c] = eight == null
                    ? one * table[sixteen[k] & WHITE]
                            + two * table[sixteen[k + each] & WHITE]
                            + three * table[sixteen[k + stride] & WHITE]
                            + four * table[sixteen[k + stride + each] & WHITE]
                    : one * table[eight[k] & FULL]
                            + two * table[eight[k + each] & FULL]
                            + three * table[eight[k + stride] & FULL]
                            + four * table[eight[k + stride + each] & FULL];
        }
    }

    /** What numbers of the file are as light, times a weight, of 65 535. */
    char[] numbers(double weight) {
        char[] numbers = new char[table.length];
        for (int k = 0; k < numbers.length; k++) {
            numbers[k] = Assembled.number(weight * table[k]);
        }
        return numbers;
    }

    /** Of a row and a colour the lighter of what is there and what was so far. */
    void lighter(int y, int colour, char[] numbers, char[] soFar) {
        int at = y * stride + offsets[colour];
        int to = y * width;
        for (int x = 0; x < width; x++, at += each, to++) {
            char light = numbers[eight == null ? sixteen[at] & WHITE : eight[at] & FULL];
            if (light > soFar[to]) {
                soFar[to] = light;
            }
        }
    }

    /** As the light table reads it. */
    Pixels pixels() {
        int bits = eight == null ? 16 : 8;
        return Pixels.read(width, height, bits, encoding, eight != null, (y, red, green, blue) -> {
            int[][] row = {red, green, blue};
            for (int x = 0; x < width; x++) {
                for (int c = 0; c < 3; c++) {
                    int at = y * stride + x * each + offsets[c];
                    row[c][x] = eight == null ? sixteen[at] & WHITE : TO_16 * (eight[at] & FULL);
                }
            }
        });
    }
}
