package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.measure.Range;
import java.util.stream.IntStream;

/**
 * A frame as it was read: at full size how bright it is, coarsely its colours, and the histograms. Two bytes a pixel, whatever the file held.
 * Columns count from the left, rows from the top, as the picture is looked at.
 */
public final class Pixels {

    public static final Range SIDE = new Range("side of the picture", 32, 20_000, " px");
    public static final Range ALL = new Range("picture", 1024, 64_000_000, " px");

    /** Steps of a histogram as in the file, and side of a coarse pixel. */
    static final int STEPS = 4096;

    static final int COARSE = 8;
    private static final int WHITE = Encoding.WHITE;
    private static final int EIGHT = 8;
    private static final int FOUR = 4;
    private static final int SIX = 6;

    private final int width;
    private final int height;
    private final int bits;
    private final boolean compressed;
    private final Encoding encoding;
    private final char[] light;
    private final long[] burnt;
    private final float[][] coarse;
    private final int[][] counts;
    private final long low;
    private final long high;

    private Pixels(
            int width,
            int height,
            int bits,
            boolean compressed,
            Encoding encoding,
            char[] light,
            long[] burnt,
            float[][] coarse,
            int[][] counts,
            long low,
            long high) {
        this.width = width;
        this.height = height;
        this.bits = bits;
        this.compressed = compressed;
        this.encoding = encoding;
        this.light = light;
        this.burnt = burnt;
        this.coarse = coarse;
        this.counts = counts;
        this.low = low;
        this.high = high;
    }

    /** Where pixels come from, row by row, several at a time and in any order. */
    public interface Rows {
        /** Fills red, green and blue of a row, 0 to 65 535. */
        void read(int y, int[] red, int[] green, int[] blue);
    }

    /**
     * @param bits that a colour had in the file
     * @param encoding as far as it is known
     * @throws OutOfRange for a picture that is too small or too large
     */
    public static Pixels read(int width, int height, int bits, Encoding encoding, Rows rows) {
        return read(width, height, bits, encoding, false, rows);
    }

    /**
     * The same.
     *
     * @param compressed with loss: such a file is never linear, and its faint stars are not quite what they were
     */
    public static Pixels read(int width, int height, int bits, Encoding encoding, boolean compressed, Rows rows) {
        SIDE.check(width);
        SIDE.check(height);
        ALL.check((double) width * height);
        char[] light = new char[width * height];
        long[] burnt = new long[words(width) * height];
        int across = (width + COARSE - 1) / COARSE;
        int down = (height + COARSE - 1) / COARSE;
        float[][] coarse = new float[3][across * down];
        Counted all = IntStream.range(0, down)
                .parallel()
                .collect(
                        Counted::new,
                        (counted, band) -> {
                            int[][] row = new int[3][width];
                            for (int y = band * COARSE; y < Math.min(height, (band + 1) * COARSE); y++) {
                                rows.read(y, row[0], row[1], row[2]);
                                row(y, row, width, light, burnt, coarse, counted);
                            }
                        },
                        Counted::add);
        for (float[] channel : coarse) {
            for (int i = 0; i < channel.length; i++) {
                int wide = Math.min(COARSE, width - i % across * COARSE);
                int high = Math.min(COARSE, height - i / across * COARSE);
                channel[i] /= (float) (wide * high) * WHITE;
            }
        }
        return new Pixels(
                width, height, bits, compressed, encoding, light, burnt, coarse, all.counts, all.low, all.high);
    }

    /** A simulated photograph, as if it had been read from its linear file. */
    public static Pixels of(Photograph photograph) {
        int wide = photograph.window().width();
        double white = photograph.saturationE();
        return read(wide, photograph.window().height(), 16, Encoding.LINEAR, (y, red, green, blue) -> {
            int[][] row = {red, green, blue};
            for (int c = 0; c < 3; c++) {
                float[] electrons = photograph.electrons(c);
                for (int x = 0; x < wide; x++) {
                    double share = electrons[y * wide + x] / white;
                    row[c][x] = (int) Math.round(WHITE * Math.max(0, Math.min(1, share)));
                }
            }
        });
    }

    /** What is counted of some rows. */
    private static final class Counted {
        final int[][] counts = new int[3][STEPS];
        long low;
        long high;

        void add(Counted other) {
            low += other.low;
            high += other.high;
            for (int c = 0; c < 3; c++) {
                for (int i = 0; i < STEPS; i++) {
                    counts[c][i] += other.counts[c][i];
                }
            }
        }
    }

    private static void row(
            int y, int[][] row, int width, char[] light, long[] burnt, float[][] coarse, Counted counted) {
        int lowest = WHITE >> EIGHT;
        int highest = WHITE - (lowest >> 1);
        int across = (width + COARSE - 1) / COARSE;
        for (int x = 0; x < width; x++) {
            int red = row[0][x];
            int green = row[1][x];
            int blue = row[2][x];
            light[y * width + x] = (char) (red + 2 * green + blue + 2 >> 2);
            counted.low += red < lowest && green < lowest && blue < lowest ? 1 : 0;
            if (red >= highest || green >= highest || blue >= highest) {
                counted.high++;
                burnt[y * words(width) + (x >> SIX)] |= 1L << x;
            }
        }
        for (int c = 0; c < 3; c++) {
            int[] numbers = row[c];
            int[] counts = counted.counts[c];
            int part = y / COARSE * across;
            for (int x = 0; x < width; part++) {
                int sum = 0;
                for (int end = Math.min(width, x + COARSE); x < end; x++) {
                    sum += numbers[x];
                    counts[numbers[x] >> FOUR]++;
                }
                coarse[c][part] += sum;
            }
        }
    }

    /** Each row begins a new one, so that rows can be read at the same time. */
    private static int words(int width) {
        return (width + (1 << SIX) - 1) >> SIX;
    }

    /** Whether a colour of a pixel is burnt. */
    boolean burnt(int x, int y) {
        return (burnt[y * words(width) + (x >> SIX)] >> x & 1) != 0;
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** Of a colour in the file. */
    public int bits() {
        return bits;
    }

    boolean compressed() {
        return compressed;
    }

    /** As it was said when it was read. */
    public Encoding encoding() {
        return encoding;
    }

    /** Brightness as in the file, 0 to 65 535, row by row: a quarter red, half green, a quarter blue. */
    char[] light() {
        return light;
    }

    /** A step of what the file can tell apart, of 65 535. */
    double step() {
        return (double) WHITE / ((1 << Math.min(16, bits)) - 1);
    }

    int coarseWidth() {
        return (width + COARSE - 1) / COARSE;
    }

    int coarseHeight() {
        return (height + COARSE - 1) / COARSE;
    }

    /** Means of 8 × 8 pixels as in the file, 0 to 1; 0 red, 1 green, 2 blue. */
    float[] coarse(int channel) {
        return coarse[channel];
    }

    /**
     * Histogram of a colour on the axis of sRGB, shares that add up to 1.
     *
     * @param black share of white that was taken off before
     */
    double[] histogram(int channel, Encoding as, double black, int bins) {
        double[] out = new double[bins];
        int each = STEPS
                >> Math.min(
                        EIGHT + FOUR, bits); // a file of eight bits fills every sixteenth step: spread over all of them
        for (int i = 0; i < STEPS; i++) {
            if (counts[channel][i] > 0) {
                double middle = (i + 0.5) / STEPS;
                double half = 0.5 * Math.max(1, each) / STEPS;
                double from = place(as, Math.max(0, middle - half), black) * bins;
                double to = Math.max(from + 1e-6, place(as, Math.min(1, middle + half), black) * bins);
                for (int bin = (int) from; bin < Math.min(bins, Math.ceil(to)); bin++) {
                    double share = (Math.min(to, bin + 1.0) - Math.max(from, bin)) / (to - from);
                    out[bin] += share * counts[channel][i] / light.length;
                }
            }
        }
        return out;
    }

    private static double place(Encoding as, double value, double black) {
        double light = as.light(value);
        return Tone.position(light + black * (1 - light));
    }

    /** Share of the pixels that are black in all colours, to eight bits. */
    public double clippedLow() {
        return (double) low / light.length;
    }

    /** Share of the pixels that are burnt in a colour. */
    public double clippedHigh() {
        return (double) high / light.length;
    }
}
