package dev.halfdusk.core.assembly;

import dev.halfdusk.core.lighttable.LightTable;
import dev.halfdusk.core.lighttable.StarPlace;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A stack: the mean of frames whose stars are laid over those of the one in the middle, the ground left where it is. Clipped, each pixel's
 * lightest is left out where it stands out of the rest by more than noise does: a satellite, an aircraft, a hot pixel that the sky moved over.
 * One frame is in memory at a time, and of the sums a strip: a large picture is put together in two, for which its frames are read twice.
 */
public final class Stack {

    private static final int LEAST_STARS = 8;
    private static final double STANDS_OUT = 4;
    /** Of the sky: darker than this is land. */
    private static final double LAND = 0.4;

    /** Of which the sums are kept: 240 MB. */
    private static final double STRIP_PIXELS = 12_500_000;

    private static final int PATCH = 96;
    private static final double OF_MEDIAN = 1.4826;

    private final int width;
    private final int height;
    private final boolean clipped;
    private final Optional<Assembled> dark;
    private final BitSet ground;
    private final char[][] light;
    private final Moves[] moves;
    private final double[] errors;
    private float[][] sums;
    private char[][] most;
    private char[] counts;
    private int top;
    private int bottom;
    private final double skyLight;
    private final double skyNoise;

    private Stack(Raster reference, int frames, boolean clipped, boolean groundStill, Optional<Assembled> dark) {
        width = reference.width();
        height = reference.height();
        this.clipped = clipped;
        this.dark = dark.filter(d -> d.width() == width && d.height() == height);
        ground = groundStill ? ground(reference) : new BitSet();
        light = new char[3][width * height];
        moves = new Moves[frames];
        errors = new double[frames];
        double[] sky = patch(reference.width(), reference.height(), (x, y) -> reference.light(1, x, y));
        skyLight = sky[0];
        skyNoise = sky[1];
    }

    /**
     * What came of it.
     *
     * @param frames that were laid over each other
     * @param left numbers of those that were not, since their stars were not found, counted from 0
     * @param narrower noise of a pixel in one frame against that in the stack
     * @param errorPx by which stars miss each other
     */
    public record Result(Assembled picture, int frames, List<Integer> left, double narrower, double errorPx) {
        public Result {
            left = List.copyOf(left);
        }
    }

    /**
     * @param taken in the order of time, of one size; progress is told of each once for every strip
     * @param clipped whether what stands out is left out
     * @param groundStill whether the land is not turned with the sky
     * @param dark a mean of dark frames
     * @throws Taken.UnreadableFrame for a frame that cannot be decoded or is of another size, or where the middle one shows too few stars
     */
    public static Result of(
            List<? extends Taken> taken,
            boolean clipped,
            boolean groundStill,
            Optional<Assembled> dark,
            Progress progress) {
        int middle = taken.size() / 2;
        Raster reference = taken.get(middle).read();
        List<StarPlace> stars = LightTable.stars(reference.pixels());
        if (stars.size() < LEAST_STARS) {
            throw new Taken.UnreadableFrame("shows too few stars to lay others over them");
        }
        Stack stack = new Stack(reference, taken.size(), clipped, groundStill, dark);
        stack.moves[middle] = Moves.NONE;
        int strips = strips((double) reference.width() * reference.height());
        for (int strip = 0; strip < strips; strip++) {
            stack.begin(strip, strips);
            stack.add(strip == 0 ? reference : taken.get(middle).read(), Moves.NONE);
            progress.step();
            for (int way = -1; way <= 1; way += 2) { // outwards from the middle, so that each is near one that is known
                Moves last = Moves.NONE;
                for (int i = middle + way; i >= 0 && i < taken.size(); i += way) {
                    if (strip == 0 || stack.moves[i] != null) {
                        Raster raster = taken.get(i).read();
                        stack.check(raster);
                        if (strip == 0) {
                            stack.find(i, stars, LightTable.stars(raster.pixels()), last);
                        }
                        if (stack.moves[i] != null) {
                            stack.add(raster, stack.moves[i]);
                            last = stack.moves[i];
                        }
                    }
                    progress.step();
                }
            }
            stack.end();
        }
        List<Integer> left = IntStream.range(0, taken.size())
                .filter(i -> stack.moves[i] == null)
                .boxed()
                .toList();
        Assembled picture = new Assembled(stack.width, stack.height, stack.light);
        double[] noise = patch(stack.width, stack.height, (x, y) -> picture.light(1, x, y));
        return new Result(
                picture,
                taken.size() - left.size(),
                left,
                stack.skyNoise / Math.max(1e-9, noise[1]),
                Arrays.stream(stack.errors).max().orElse(0));
    }

    /** Pieces that a picture of that size is put together in: so often each frame is read. */
    public static int strips(double pixels) {
        return (int) Math.max(1, Math.ceil(pixels / STRIP_PIXELS));
    }

    private void begin(int strip, int strips) {
        top = height * strip / strips;
        bottom = height * (strip + 1) / strips;
        int pixels = width * (bottom - top);
        sums = new float[3][pixels];
        most = new char[clipped ? 3 : 0][pixels];
        counts = new char[pixels];
    }

    private void find(int frame, List<StarPlace> stars, List<StarPlace> there, Moves last) {
        Aligner.match(stars, there, width, height, Optional.of(last))
                .or(() -> Aligner.match(stars, there, width, height, Optional.empty()))
                .ifPresent(f -> {
                    moves[frame] = f.moves();
                    errors[frame] = f.errorPx();
                });
    }

    private void check(Raster raster) {
        if (raster.width() != width || raster.height() != height) {
            throw new Taken.UnreadableFrame("is " + raster.width() + " \u00d7 " + raster.height()
                    + " pixels, the one in the middle " + width + " \u00d7 " + height);
        }
    }

    private void add(Raster frame, Moves moves) {
        Grid way = new Grid(moves, width, height, 1);
        boolean still = moves == Moves.NONE;
        IntStream.range(top, bottom).parallel().forEach(y -> {
            float[] dx = new float[width];
            float[] dy = new float[width];
            float[] rgb = new float[3];
            way.row(y, dx, dy);
            for (int x = 0; x < width; x++) {
                boolean here = still || ground.get(y * width + x);
                double u = here ? x : x + (double) dx[x];
                double v = here ? y : y + (double) dy[x];
                if (u < 0 || v < 0 || u > width - 1 || v > height - 1) {
                    continue;
                }
                if (here) {
                    for (int c = 0; c < 3; c++) {
                        rgb[c] = frame.light(c, x, y);
                    }
                } else {
                    frame.light(u, v, rgb);
                }
                keep((y - top) * width + x, rgb, (int) u, (int) v);
            }
        });
    }

    private void keep(int at, float[] rgb, int x, int y) {
        counts[at]++;
        for (int c = 0; c < 3; c++) {
            float seen = rgb[c];
            if (dark.isPresent()) {
                seen -= (float) dark.get().light(c, x, y);
            }
            sums[c][at] += seen;
            if (clipped) {
                char number = (char) Math.max(0, Math.min(Assembled.WHITE, (int) (seen * Assembled.WHITE + 0.5f)));
                if (number > most[c][at]) {
                    most[c][at] = number;
                }
            }
        }
    }

    /** Means of the strip, into the picture. */
    private void end() {
        IntStream.range(top, bottom).parallel().forEach(y -> {
            for (int x = 0; x < width; x++) {
                int at = (y - top) * width + x;
                int n = counts[at];
                for (int c = 0; c < 3; c++) {
                    double mean = sums[c][at] / Math.max(1, n);
                    if (clipped && n > 2) {
                        double lightest = most[c][at] / (double) Assembled.WHITE;
                        double rest = (sums[c][at] - lightest) / (n - 1);
                        double noise = skyNoise * Math.sqrt(Math.max(0.3, rest / Math.max(1e-6, skyLight)));
                        mean = lightest - rest > STANDS_OUT * noise ? rest : mean;
                    }
                    light[c][y * width + x] = Assembled.number(mean);
                }
            }
        });
    }

    private interface Light {
        double at(int x, int y);
    }

    /** Level and noise of green in the middle, by neighbours two pixels apart. */
    private static double[] patch(int width, int height, Light light) {
        int side = Math.min(PATCH, Math.min(width, height));
        double[] level = new double[side * side];
        double[] off = new double[side * side];
        int n = 0;
        for (int y = 0; y < side; y++) {
            for (int x = 0; x + 2 < side; x++) {
                double here = light.at((width - side) / 2 + x, (height - side) / 2 + y);
                level[n] = here;
                off[n++] = Math.abs(here - light.at((width - side) / 2 + x + 2, (height - side) / 2 + y));
            }
        }
        Arrays.sort(level, 0, n);
        Arrays.sort(off, 0, n);
        return new double[] {level[n / 2], OF_MEDIAN * off[n / 2] / Math.sqrt(2)};
    }

    /** Land: what is much darker than the sky and hangs together with the lower edge. */
    private static BitSet ground(Raster frame) {
        int w = frame.width();
        int h = frame.height();
        int block = Math.max(1, w / 400);
        int columns = w / block;
        int rows = h / block;
        double[] mean = new double[columns * rows];
        for (int j = 0; j < rows; j++) {
            for (int i = 0; i < columns; i++) {
                for (int k = 0; k < block; k++) {
                    mean[j * columns + i] += frame.light(1, i * block + k, j * block + k) / block;
                }
            }
        }
        double[] upper = Arrays.copyOf(mean, columns * rows / 2);
        Arrays.sort(upper);
        double limit = LAND * upper[upper.length / 2];
        BitSet ground = new BitSet(w * h);
        for (int i = 0; i < columns; i++) {
            int top = rows;
            int lighter = 0;
            while (top > 0 && lighter < 3) { // a lamp or two on the land are land
                lighter = mean[(top - 1) * columns + i] < limit ? 0 : lighter + 1;
                top--;
            }
            int from = lighter == 3 ? (top + 3) * block : 0;
            int right = i == columns - 1 ? w : (i + 1) * block;
            for (int y = from; y < h; y++) {
                ground.set(y * w + i * block, y * w + right);
            }
        }
        return ground.cardinality() > 0.95 * w * h ? new BitSet() : ground;
    }
}
