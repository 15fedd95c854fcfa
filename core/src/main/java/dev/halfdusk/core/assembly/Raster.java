package dev.halfdusk.core.assembly;

import dev.halfdusk.core.lighttable.Encoding;
import dev.halfdusk.core.lighttable.LightTable;
import dev.halfdusk.core.lighttable.Line;
import dev.halfdusk.core.lighttable.Pixels;
import dev.halfdusk.core.lighttable.StarPlace;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * A decoded frame as it lies in memory, eight or sixteen bits a colour, read as light. Nothing is copied: a frame of 24 megapixels of eight bits
 * takes 72 MB.
 */
public final class Raster {

    /** Rows after which work looks whether it is still wanted. */
    static final int LOOK = 64;

    /** A place that does not count. */
    static final float NOWHERE = -1;

    private static final int LEVELS = 60;
    private static final double HALVED = 9e6;
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

    /** Of red, green and blue between pixels, by straight lines; a place a little outside is the edge. */
    void light(double x, double y, float[] rgb) {
        double u = Math.max(0, Math.min(width - 1.001, x));
        double v = Math.max(0, Math.min(height - 1.001, y));
        int i = (int) u;
        int j = (int) v;
        float a = (float) (u - i);
        float b = (float) (v - j);
        int at = j * stride + i * each;
        for (int c = 0; c < 3; c++) {
            rgb[c] = between(at + offsets[c], a, b);
        }
    }

    private float between(int k, float a, float b) {
        float over;
        float under;
        if (eight == null) {
            over = table[sixteen[k] & WHITE] * (1 - a) + table[sixteen[k + each] & WHITE] * a;
            under = table[sixteen[k + stride] & WHITE] * (1 - a) + table[sixteen[k + stride + each] & WHITE] * a;
        } else {
            over = table[eight[k] & FULL] * (1 - a) + table[eight[k + each] & FULL] * a;
            under = table[eight[k + stride] & FULL] * (1 - a) + table[eight[k + stride + each] & FULL] * a;
        }
        return over * (1 - b) + under * b;
    }

    /** The same by four by four pixels (cubic, after Catmull and Rom), which keeps edges sharper and takes five times as long. */
    void sharper(double x, double y, float[] rgb) {
        int i = (int) Math.floor(x);
        int j = (int) Math.floor(y);
        if (i < 1 || j < 1 || i > width - 3 || j > height - 3) {
            light(x, y, rgb);
            return;
        }
        float[] across = cubic((float) (x - i));
        float[] down = cubic((float) (y - j));
        for (int c = 0; c < 3; c++) {
            float sum = 0;
            for (int q = 0; q < 4; q++) {
                for (int p = 0; p < 4; p++) {
                    sum += down[q] * across[p] * light(c, i + p - 1, j + q - 1);
                }
            }
            rgb[c] = sum;
        }
    }

    private static float[] cubic(float t) {
        float t2 = t * t;
        float t3 = t2 * t;
        return new float[] {(-t3 + 2 * t2 - t) / 2, (3 * t3 - 5 * t2 + 2) / 2, (-3 * t3 + 4 * t2 + t) / 2, (t3 - t2) / 2
        };
    }

    /** The same of a row of places; of one that lies nowhere the light is 0. */
    void row(float[] u, float[] v, float[][] rgb) {
        float right = width - 1.01f; // as near the edge as numbers of this kind can be told apart
        float lower = height - 1.01f;
        for (int x = 0; x < u.length; x++) {
            if (u[x] < 0) {
                rgb[0][x] = 0;
                rgb[1][x] = 0;
                rgb[2][x] = 0;
                continue;
            }
            float p = Math.min(right, u[x]);
            float q = Math.min(lower, v[x]);
            int i = (int) p;
            int j = (int) q;
            float a = p - i;
            float b = q - j;
            int at = j * stride + i * each;
            for (int c = 0; c < 3; c++) {
                rgb[c][x] = between(at + offsets[c], a, b);
            }
        }
    }

    /** Mean light of its green. */
    double mean() {
        double sum = 0;
        int n = 0;
        for (int y = 0; y < height; y += 4) {
            for (int x = 0; x < width; x += 4) {
                sum += light(1, x, y);
                n++;
            }
        }
        return sum / n;
    }

    /** Light of its green in the middle of its upper half, where there is sky in most frames: the median. */
    double level() {
        double[] some = new double[LEVELS * LEVELS];
        for (int i = 0; i < some.length; i++) {
            some[i] = light(
                    1, width / 4 + i % LEVELS * width / 2 / LEVELS, height / 8 + i / LEVELS * height * 3 / 8 / LEVELS);
        }
        Arrays.sort(some);
        return some[some.length / 2];
    }

    /** Reduced to means, times a weight; sides become even. */
    Assembled reduced(int wide, double weight) {
        int w = Math.max(2, Math.min(width, wide) / 2 * 2);
        int h = Math.max(2, Math.round((float) height * w / width) / 2 * 2);
        char[][] out = new char[3][w * h];
        IntStream.range(0, h).parallel().forEach(y -> {
            int top = (int) ((long) y * height / h);
            int bottom = Math.max(top + 1, (int) ((y + 1L) * height / h));
            for (int x = 0; x < w; x++) {
                int left = (int) ((long) x * width / w);
                int right = Math.max(left + 1, (int) ((x + 1L) * width / w));
                for (int c = 0; c < 3; c++) {
                    double sum = 0;
                    for (int j = top; j < bottom; j++) {
                        for (int i = left; i < right; i++) {
                            sum += light(c, i, j);
                        }
                    }
                    out[c][y * w + x] = Assembled.number(weight * sum / ((bottom - top) * (right - left)));
                }
            }
        });
        return new Assembled(w, h, out);
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

    /**
     * Of a place between pixels and each colour the lighter of its light there, times a weight, and what was so far; nothing is worked out
     * where none of its four pixels is lighter, as in most of a sky.
     *
     * @param numbers of this frame with that weight
     */
    void lighter(double x, double y, char[] numbers, double weight, char[][] soFar, int to) {
        double u = Math.max(0, Math.min(width - 1.001, x));
        double v = Math.max(0, Math.min(height - 1.001, y));
        int i = (int) u;
        int j = (int) v;
        int at = j * stride + i * each;
        for (int c = 0; c < 3; c++) {
            int k = at + offsets[c];
            if (numbers[most(k)] > soFar[c][to]) {
                char number = Assembled.number(weight * between(k, (float) (u - i), (float) (v - j)));
                if (number > soFar[c][to]) {
                    soFar[c][to] = number;
                }
            }
        }
    }

    /** Highest number of the file at a place and its three neighbours to the right and below. */
    private int most(int k) {
        return eight == null
                ? Math.max(
                        Math.max(sixteen[k] & WHITE, sixteen[k + each] & WHITE),
                        Math.max(sixteen[k + stride] & WHITE, sixteen[k + stride + each] & WHITE))
                : Math.max(
                        Math.max(eight[k] & FULL, eight[k + each] & FULL),
                        Math.max(eight[k + stride] & FULL, eight[k + stride + each] & FULL));
    }

    /** Memory of its pixels of eight bits, for another frame to lie in; nothing where they are of sixteen. */
    public byte[] memory() {
        return eight == null ? new byte[0] : eight;
    }

    Encoding encoding() {
        return encoding;
    }

    /**
     * The same, where it is as large as another.
     *
     * @throws Taken.UnreadableFrame where it is not
     */
    Raster like(Raster other) {
        return sized(other.width, other.height, "those before it");
    }

    /**
     * The same, where it has a size.
     *
     * @param whose size that is, in words
     * @throws Taken.UnreadableFrame where it has another
     */
    Raster sized(int wide, int high, String whose) {
        if (width != wide || height != high) {
            throw new Taken.UnreadableFrame(
                    "is " + width + " \u00d7 " + height + " pixels, " + whose + " " + wide + " \u00d7 " + high);
        }
        return this;
    }

    /** A copy in which everything lies farther right and down; where nothing comes to lie it is black. */
    Raster moved(double right, double down) {
        short[] data = new short[3 * width * height];
        IntStream.range(0, height).parallel().forEach(y -> {
            float[] rgb = new float[3];
            for (int x = 0; x < width; x++) {
                double u = x - right;
                double v = y - down;
                if (u < -1 || v < -1 || u > width || v > height) {
                    continue;
                }
                light(u, v, rgb);
                for (int c = 0; c < 3; c++) {
                    data[3 * (y * width + x) + c] = (short) Assembled.number(rgb[c]);
                }
            }
        });
        return of(data, width, height, new int[] {0, 1, 2}, 3 * width, 3, Encoding.LINEAR);
    }

    /** Its stars, the brightest first; those of a large frame are found on one of half the size, to a tenth of a pixel all the same. */
    List<StarPlace> stars() {
        if ((double) width * height <= HALVED) {
            return LightTable.stars(pixels());
        }
        return LightTable.stars(half()).stream()
                .map(s -> new StarPlace(2 * s.x(), 2 * s.y(), s.light()))
                .toList();
    }

    /** Lines across its sky: aircraft, satellites, meteors; of a large frame found on one of half the size. */
    List<Line> lines() {
        if ((double) width * height <= HALVED) {
            return LightTable.lines(pixels());
        }
        return LightTable.lines(half()).stream()
                .map(l -> new Line(
                        2 * l.x(), 2 * l.y(), 2 * l.lengthPx(), l.angleDeg(), l.flashes(), l.fades(), l.burnt()))
                .toList();
    }

    private Pixels half() {
        int bits = eight == null ? 16 : 8;
        int times = eight == null ? 1 : TO_16;
        return Pixels.read(width / 2, height / 2, bits, encoding, eight != null, (y, red, green, blue) -> {
            int[][] row = {red, green, blue};
            for (int x = 0; x < width / 2; x++) {
                for (int c = 0; c < 3; c++) {
                    int at = 2 * y * stride + 2 * x * each + offsets[c];
                    int sum = eight == null
                            ? (sixteen[at] & WHITE)
                                    + (sixteen[at + each] & WHITE)
                                    + (sixteen[at + stride] & WHITE)
                                    + (sixteen[at + stride + each] & WHITE)
                            : (eight[at] & FULL)
                                    + (eight[at + each] & FULL)
                                    + (eight[at + stride] & FULL)
                                    + (eight[at + stride + each] & FULL);
                    row[c][x] = times * sum / 4;
                }
            }
        });
    }

    /** As the light table reads it. */
    public Pixels pixels() {
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
