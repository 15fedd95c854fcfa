package dev.halfdusk.core.assembly;

import dev.halfdusk.core.lighttable.StarPlace;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A stack: the average of frames whose stars are laid over those of the one in the middle, the ground left where it is. Two frames are in memory
 * at a time, and of the sums a strip: a large picture is put together in several, for each of which its frames are read once.
 */
public final class Stack {

    private static final int LEAST_STARS = 8;
    private static final double STANDS_OUT = 4;

    /** That the sums of a strip usually take, and at least, bytes. */
    public static final double STRIP_BYTES = 240e6;

    private static final double LEAST_BYTES = 1e6;

    private static final int BYTES_OF_MEAN = 14;
    private static final int BYTES_OF_CLIPPED = 20;
    private static final int BYTES_OF_GROUP = 14;
    private static final int EXACT = 9;
    private static final int GROUPS = 5;
    /** Of the frame's height: there is sky in most frames. */
    static final double IN_THE_SKY = 0.3;

    private static final int NEAR_LAND = 2;
    private static final double LEAST_OF_NEIGHBOURS = 0.2;

    private final int width;
    private final int height;
    private final Averaging averaging;
    private final Optional<Assembled> dark;
    private final Skyline land;
    /** Light of the strips that are done; the whole would be in the way of the sums of the next. */
    private final List<char[][]> finished = new ArrayList<>();

    private final Moves[] moves;
    private final double[] errors;
    private final List<Crop> crops = new ArrayList<>();
    private final Progress progress;
    private final double skyLight;
    private final Crop.Frame part;
    private final Halves halves;
    private double oneNoise;
    private boolean told;
    private Sums sums;
    private int top;
    private int bottom;

    private Stack(Raster reference, int frames, Options options, Progress progress) {
        width = reference.width();
        height = reference.height();
        averaging = options.averaging;
        dark = options.dark.filter(d -> d.width() == width && d.height() == height);
        land = options.landStill ? Skyline.of(reference) : Skyline.none(width, height);
        moves = new Moves[frames];
        errors = new double[frames];
        int first = (int) Math.ceil((double) height / strips((double) width * height, frames, options));
        part = Crop.Frame.in(width, first, Math.min(1, IN_THE_SKY * height / first));
        halves = new Halves(part);
        oneNoise = Crop.noiseOfOne(reference, part);
        skyLight = part.cut(1, (c, x, y) -> reference.light(c, x, y), 0).level();
        this.progress = progress;
    }

    /**
     * How a stack is made.
     *
     * @param landStill whether the land is not turned with the sky
     * @param dark a mean of dark frames
     * @param stripBytes that the sums of a strip may take
     */
    public record Options(Averaging averaging, boolean landStill, Optional<Assembled> dark, double stripBytes) {

        public Options(Averaging averaging, boolean landStill, Optional<Assembled> dark) {
            this(averaging, landStill, dark, STRIP_BYTES);
        }
    }

    /**
     * What came of it.
     *
     * @param frames that were laid over each other
     * @param left numbers of those that were not, since their stars were not found, counted from 0
     * @param narrower noise of a pixel in one frame against that in the stack
     * @param errorPx by which stars miss each other
     * @param crops one and the same part after 1, 4, 16, … and all frames
     * @param land share of the picture that is land and was left where it is
     */
    public record Result(
            Assembled picture,
            int frames,
            List<Integer> left,
            double narrower,
            double errorPx,
            List<Crop> crops,
            double land) {
        public Result {
            left = List.copyOf(left);
            crops = List.copyOf(crops);
        }
    }

    /**
     * @param taken in the order of time, of one size; progress is told of each once for every strip
     * @throws Taken.UnreadableFrame for a frame that cannot be decoded or is of another size, or where the middle one shows too few stars
     */
    public static Result of(List<? extends Taken> taken, Options options, Progress progress) {
        int[] order = outwards(taken.size());
        Stack stack = null;
        List<StarPlace> stars = List.of();
        int strips = 1;
        for (int strip = 0; strip < strips; strip++) {
            Stack known = stack;
            int[] now = known == null
                    ? order
                    : Arrays.stream(order).filter(i -> known.moves[i] != null).toArray();
            try (Ahead ahead = new Ahead(taken, now, progress, true)) {
                for (int i : now) {
                    Raster raster = ahead.next();
                    if (stack == null) {
                        stars = raster.stars();
                        if (stars.size() < LEAST_STARS) {
                            throw new Taken.UnreadableFrame("shows too few stars to lay others over them");
                        }
                        stack = new Stack(raster, taken.size(), options, progress);
                        stack.moves[i] = Moves.NONE;
                        strips = strips((double) raster.width() * raster.height(), taken.size(), options);
                        stack.begin(strip, strips, taken.size());
                    } else if (i == order[0]) {
                        stack.begin(strip, strips, taken.size());
                    } else if (strip == 0) {
                        raster.sized(stack.width, stack.height, "the one in the middle");
                        stack.find(i, stars, raster.stars(), stack.near(i, order[0]));
                    }
                    if (stack.moves[i] != null) {
                        stack.add(raster, i);
                    }
                    progress.step();
                }
            }
            for (int k = now.length; k < order.length; k++) {
                progress.step(); // what is left out is not read again
            }
            stack.end(strip);
        }
        return stack.result();
    }

    /** From the middle to both ends, so that each is near one that is known. */
    private static int[] outwards(int frames) {
        int middle = frames / 2;
        int[] order = new int[frames];
        int n = 0;
        for (int away = 0; n < frames; away++) {
            for (int side = -1; side <= (away == 0 ? -1 : 1); side += 2) {
                int i = middle + side * away;
                if (i >= 0 && i < frames) {
                    order[n++] = i;
                }
            }
        }
        return order;
    }

    /** Moves of the frame next to it on the way from the middle that are known. */
    private Moves near(int i, int middle) {
        int way = i < middle ? 1 : -1;
        int k = i + way;
        while (moves[k] == null) {
            k += way;
        }
        return moves[k];
    }

    private Result result() {
        List<Integer> left = IntStream.range(0, moves.length)
                .filter(i -> moves[i] == null)
                .boxed()
                .toList();
        double last = crops.get(crops.size() - 1).noise();
        return new Result(
                whole(),
                moves.length - left.size(),
                left,
                last > 0 ? oneNoise / last : 1,
                Arrays.stream(errors).max().orElse(0),
                crops,
                land.share());
    }

    /** Pieces that a picture of that size is put together in: so often each frame is read. */
    public static int strips(double pixels, int frames, Options options) {
        int bytes = switch (options.averaging) {
            case MEAN -> BYTES_OF_MEAN;
            case CLIPPED -> BYTES_OF_CLIPPED;
            case MEDIAN -> BYTES_OF_GROUP * groups(frames);
        };
        return (int) Math.max(1, Math.ceil(pixels * bytes / Math.max(LEAST_BYTES, options.stripBytes)));
    }

    private static int groups(int frames) {
        return frames <= EXACT ? frames : GROUPS;
    }

    private void begin(int strip, int strips, int frames) {
        top = (int) ((long) height * strip / strips);
        bottom = (int) ((long) height * (strip + 1) / strips);
        sums = new Sums(width * (bottom - top), averaging == Averaging.MEDIAN ? groups(frames) : 1);
    }

    private void find(int frame, List<StarPlace> stars, List<StarPlace> there, Moves last) {
        Aligner.match(stars, there, width, height, Optional.of(last))
                .or(() -> Aligner.match(stars, there, width, height, Optional.empty()))
                .ifPresent(f -> {
                    moves[frame] = f.moves();
                    errors[frame] = f.errorPx();
                });
    }

    private void add(Raster frame, int number) {
        Moves how = moves[number];
        Grid way = new Grid(how, width, height, 1);
        boolean still = how == Moves.NONE;
        int group = number % sums.groups;
        IntStream.range(top, bottom).parallel().forEach(y -> {
            if (y % Raster.LOOK == 0) {
                progress.look();
            }
            float[] u = new float[width];
            float[] v = new float[width];
            float[][] rgb = new float[3][width];
            way.row(y, u, v);
            for (int x = 0; x < width; x++) {
                if (still || land.land(x, y)) {
                    u[x] = x;
                    v[x] = y;
                    continue;
                }
                u[x] += x;
                v[x] += y;
                if (u[x] < 0
                        || v[x] < 0
                        || u[x] > width - 1
                        || v[x] > height - 1
                        || land.land((int) u[x], (int) v[x] + NEAR_LAND)) { // land stood there then
                    u[x] = Raster.NOWHERE;
                }
            }
            frame.row(u, v, rgb);
            if (dark.isPresent()) {
                dark.get().take(u, v, rgb);
            }
            sums.add(group, (y - top) * width, u, rgb);
            if (top == 0) {
                halves.add(number, y, u, rgb[1]);
            }
        });
        sums.frames++;
        if (top == 0) {
            halves.added(number);
        }
        if (top == 0 && !told && halves.noise() > 0) { // as soon as there are two halves
            told = true;
            // the same file twice has no noise of its own
            oneNoise = Math.max(LEAST_OF_NEIGHBOURS * oneNoise, Math.sqrt(sums.frames) * halves.noise());
            crops.set(0, crops.get(0).with(oneNoise));
        }
        if (top == 0 && Integer.bitCount(sums.frames) == 1 && Integer.numberOfTrailingZeros(sums.frames) % 2 == 0) {
            crop();
        }
    }

    /** Of what there is so far. */
    private void crop() {
        Crop.Light light = (c, x, y) -> (float) sums.value(c, y * width + x);
        double noise = sums.frames == 1 ? oneNoise : halves.noise();
        if (sums.frames > 2 && averaging != Averaging.MEAN) {
            noise = Math.hypot(noise, halves.apart(light));
        }
        crops.add(part.cut(sums.frames, light, noise));
    }

    /** Averages of the strip. */
    private void end(int strip) {
        char[][] light = new char[3][width * (bottom - top)];
        IntStream.range(top, bottom).parallel().forEach(y -> {
            for (int x = 0; x < width; x++) {
                for (int c = 0; c < 3; c++) {
                    int at = (y - top) * width + x;
                    light[c][at] = Assembled.number(sums.value(c, at));
                }
            }
        });
        if (strip == 0 && (crops.isEmpty() || crops.get(crops.size() - 1).frames() < sums.frames)) {
            crop();
        }
        sums = null;
        finished.add(light);
    }

    /** All strips under each other. */
    private Assembled whole() {
        char[][] light = new char[3][];
        for (int c = 0; c < 3; c++) {
            light[c] = new char[width * height];
            int at = 0;
            for (char[][] strip : finished) {
                System.arraycopy(strip[c], 0, light[c], at, strip[c].length);
                at += strip[c].length;
                strip[c] = null; // both at once would be as much again
            }
        }
        return new Assembled(width, height, light);
    }

    /** Of a strip, in as many groups as a median needs. */
    private final class Sums {
        final int groups;
        final float[][] sum;
        final char[][] counts;
        final char[][] most;
        int frames;

        Sums(int pixels, int groups) {
            this.groups = groups;
            sum = new float[3 * groups][pixels];
            counts = new char[groups][pixels];
            most = new char[averaging == Averaging.CLIPPED ? 3 : 0][pixels];
        }

        /** A row of light from a place on; what lies nowhere does not count. */
        void add(int group, int from, float[] u, float[][] rgb) {
            char[] count = counts[group];
            for (int x = 0; x < u.length; x++) {
                count[from + x] += u[x] >= 0 ? 1 : 0;
            }
            for (int c = 0; c < 3; c++) {
                float[] row = rgb[c];
                float[] into = sum[3 * group + c];
                for (int x = 0; x < u.length; x++) {
                    into[from + x] += row[x];
                }
                if (most.length > 0) {
                    char[] lightest = most[c];
                    for (int x = 0; x < u.length; x++) {
                        int number = (int) (row[x] * Assembled.WHITE + 0.5f);
                        if (number > lightest[from + x]) {
                            lightest[from + x] = (char) Math.min(Assembled.WHITE, number);
                        }
                    }
                }
            }
        }

        double value(int c, int at) {
            if (groups > 1) {
                return median(c, at);
            }
            int n = counts[0][at];
            double all = sum[c][at];
            double mean = all / Math.max(1, n);
            if (averaging != Averaging.CLIPPED || n <= 2) {
                return mean;
            }
            double lightest = most[c][at] / (double) Assembled.WHITE;
            double rest = (all - lightest) / (n - 1);
            double noise = oneNoise * Math.sqrt(Math.max(0.3, rest / Math.max(1e-6, skyLight)));
            return lightest - rest > STANDS_OUT * noise ? rest : mean;
        }

        private double median(int c, int at) {
            double[] means = new double[groups];
            int n = 0;
            for (int g = 0; g < groups; g++) {
                if (counts[g][at] > 0) {
                    means[n++] = sum[3 * g + c][at] / counts[g][at];
                }
            }
            Arrays.sort(means, 0, n);
            return n == 0 ? 0 : (means[(n - 1) / 2] + means[n / 2]) / 2;
        }
    }
}
