package dev.halfdusk.core.assembly;

import dev.halfdusk.core.lighttable.LightTable;
import dev.halfdusk.core.lighttable.Pixels;
import dev.halfdusk.core.lighttable.StarPlace;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A stack: the mean of frames whose stars are laid over those of the one in the middle, the ground left where it is. Clipped, each pixel's
 * lightest is left out where it stands out of the rest by more than noise does: a satellite, an aircraft, a hot pixel that the sky moved over.
 * Frames are read once; one is in memory at a time.
 */
public final class Stack {

    private static final int LEAST_STARS = 8;
    private static final double STANDS_OUT = 4;
    /** Of the sky: darker than this is land. */
    private static final double LAND = 0.4;

    private static final int PATCH = 96;
    private static final double OF_MEDIAN = 1.4826;

    private final int width;
    private final int height;
    private final boolean clipped;
    private final Optional<Assembled> dark;
    private final BitSet ground;
    private final float[][] sums;
    private final float[][] most;
    private final char[] counts;
    private final double skyLight;
    private final double skyNoise;

    private Stack(Raster reference, boolean clipped, boolean groundStill, Optional<Assembled> dark) {
        width = reference.width();
        height = reference.height();
        this.clipped = clipped;
        this.dark = dark.filter(d -> d.width() == width && d.height() == height);
        ground = groundStill ? ground(reference) : new BitSet();
        sums = new float[3][width * height];
        most = new float[clipped ? 3 : 0][width * height];
        counts = new char[width * height];
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
     * @param taken in the order of time, of one size
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
        Pixels pixels = reference.pixels();
        List<StarPlace> stars = LightTable.stars(pixels);
        if (stars.size() < LEAST_STARS) {
            throw new Taken.UnreadableFrame("shows too few stars to lay others over them");
        }
        Stack stack = new Stack(reference, clipped, groundStill, dark);
        stack.add(reference, Moves.NONE);
        progress.step();
        double[] errors = new double[taken.size()];
        boolean[] laid = new boolean[taken.size()];
        laid[middle] = true;
        for (int way = -1; way <= 1; way += 2) { // outwards from the middle, so that each is near one that is known
            Optional<Moves> last = Optional.of(Moves.NONE);
            for (int i = middle + way; i >= 0 && i < taken.size(); i += way) {
                Raster raster = taken.get(i).read();
                stack.check(raster);
                List<StarPlace> there = LightTable.stars(raster.pixels());
                Optional<Aligner.Found> found = stack.match(stars, there, last);
                if (found.isPresent()) {
                    stack.add(raster, found.get().moves());
                    errors[i] = found.get().errorPx();
                    laid[i] = true;
                    last = found.map(Aligner.Found::moves);
                }
                progress.step();
            }
        }
        List<Integer> left =
                IntStream.range(0, laid.length).filter(i -> !laid[i]).boxed().toList();
        Assembled picture = stack.picture();
        double[] noise = patch(stack.width, stack.height, (x, y) -> picture.light(1, x, y));
        return new Result(
                picture,
                taken.size() - left.size(),
                left,
                stack.skyNoise / Math.max(1e-9, noise[1]),
                Arrays.stream(errors).max().orElse(0));
    }

    private void check(Raster raster) {
        if (raster.width() != width || raster.height() != height) {
            throw new Taken.UnreadableFrame("is " + raster.width() + " \u00d7 " + raster.height()
                    + " pixels, the one in the middle " + width + " \u00d7 " + height);
        }
    }

    private Optional<Aligner.Found> match(List<StarPlace> stars, List<StarPlace> there, Optional<Moves> last) {
        return Aligner.match(stars, there, width, height, last)
                .or(() -> Aligner.match(stars, there, width, height, Optional.empty()));
    }

    private void add(Raster frame, Moves moves) {
        Grid way = new Grid(moves, width, height, 1);
        boolean still = moves == Moves.NONE;
        IntStream.range(0, height).parallel().forEach(y -> {
            for (int x = 0; x < width; x++) {
                int at = y * width + x;
                boolean here = still || ground.get(at);
                double u = here ? x : x + (double) way.dx(x, y);
                double v = here ? y : y + (double) way.dy(x, y);
                if (u < 0 || v < 0 || u > width - 1 || v > height - 1) {
                    continue;
                }
                counts[at]++;
                for (int c = 0; c < 3; c++) {
                    float light = here ? frame.light(c, x, y) : frame.light(c, u, v);
                    if (dark.isPresent()) {
                        light -= (float) dark.get().light(c, (int) u, (int) v);
                    }
                    sums[c][at] += light;
                    if (clipped && (counts[at] == 1 || light > most[c][at])) {
                        most[c][at] = light;
                    }
                }
            }
        });
    }

    private Assembled picture() {
        char[][] light = new char[3][width * height];
        IntStream.range(0, height).parallel().forEach(y -> {
            for (int at = y * width; at < (y + 1) * width; at++) {
                int n = counts[at];
                for (int c = 0; c < 3; c++) {
                    double mean = sums[c][at] / Math.max(1, n);
                    if (clipped && n > 2) {
                        double rest = (sums[c][at] - most[c][at]) / (n - 1);
                        double noise = skyNoise * Math.sqrt(Math.max(0.3, rest / Math.max(1e-6, skyLight)));
                        mean = most[c][at] - rest > STANDS_OUT * noise ? rest : mean;
                    }
                    light[c][at] = Assembled.number(mean);
                }
            }
        });
        return new Assembled(width, height, light);
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
