package dev.halfdusk.core.assembly;

import dev.halfdusk.core.lighttable.MoonReading;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Pictures of many moons: its way across one landscape, its phases in a row, the average of a burst. Discs are found by their limb. */
public final class Moons {

    /** Of its radius: so far around a disc its frame counts, and from there on ever less. */
    private static final double AROUND = 1.08;

    private static final double FADES_TO = 1.35;
    /** Side of a cell in a row, radii. */
    private static final double CELL = 2.5;

    private static final int IN_A_ROW = 8;
    private static final int MOST_WIDE = 12_000;
    /** A frame whose edge is that much wider than the sharpest is left out of an average. */
    private static final double AS_SHARP = 1.25;

    private static final double REFINED_PX = 1.5;
    private static final double FINEST_PX = 0.125;

    private Moons() {}

    /**
     * What came of it.
     *
     * @param discs moons that are in it
     * @param left frames that are not, counted from 0
     * @param radiusPx of the discs: from the smallest to the largest
     * @param edgePx width of the limb's blur in the sharpest frame, and in the picture where that is one moon
     */
    public record Result(Assembled picture, int discs, List<Integer> left, double[] radiusPx, double[] edgePx) {
        public Result {
            left = List.copyOf(left);
        }
    }

    private record Disc(int frame, MoonReading moon) {
        double radius() {
            return moon.radiusPx();
        }
    }

    /** Discs of all frames; each is handed on with its frame while that is in memory. */
    private interface Seen {
        void take(Disc disc, Raster frame);
    }

    private static List<Disc> each(List<? extends Taken> taken, Progress progress, boolean oneSize, Seen seen) {
        List<Disc> discs = new ArrayList<>();
        try (Ahead ahead = new Ahead(taken, IntStream.range(0, taken.size()).toArray(), progress)) {
            Raster first = null;
            for (int i = 0; i < taken.size(); i++) {
                Raster raster = ahead.next();
                first = first == null ? raster : first;
                if (oneSize) {
                    raster.like(first);
                }
                Optional<MoonReading> moon = MoonReading.of(raster.pixels(), raster.encoding());
                if (moon.isPresent()) {
                    Disc disc = new Disc(i, moon.get());
                    discs.add(disc);
                    seen.take(disc, raster);
                }
                progress.step();
            }
        }
        if (discs.size() < 2) {
            throw new Taken.UnreadableFrame("A moon is found in " + discs.size() + " of them; two are needed.");
        }
        return discs;
    }

    private static Result result(Assembled picture, List<Disc> all, int frames, List<Integer> alsoLeft) {
        double[] radii = all.stream().mapToDouble(Disc::radius).sorted().toArray();
        double sharpest = all.stream().mapToDouble(d -> d.moon.edgePx()).min().orElse(0);
        List<Integer> left = IntStream.range(0, frames)
                .filter(i -> alsoLeft.contains(i) || all.stream().noneMatch(d -> d.frame == i))
                .boxed()
                .toList();
        return new Result(
                picture, frames - left.size(), left, new double[] {radii[0], radii[radii.length - 1]}, new double[] {
                    sharpest, sharpest
                });
    }

    /**
     * Every moon where it stood, over the land of the first frame without one, or else of the first.
     *
     * @param taken in the order of time, of one size, the camera not moved
     * @throws Taken.UnreadableFrame for frames that cannot be decoded or differ in size, and where fewer than two show a moon
     */
    public static Result way(List<? extends Taken> taken, Progress progress) {
        char[][] out = new char[3][];
        int[] size = new int[2];
        List<Disc> discs = each(taken, progress, true, (disc, frame) -> {
            if (out[0] == null) {
                size[0] = frame.width();
                size[1] = frame.height();
                Arrays.setAll(out, c -> new char[size[0] * size[1]]);
            }
            lay(frame, out, Optional.of(disc));
        });
        int land = IntStream.range(0, taken.size())
                .filter(i -> discs.stream().noneMatch(d -> d.frame == i))
                .findFirst()
                .orElse(0);
        lay(taken.get(land).read(), out, Optional.empty());
        return result(new Assembled(size[0], size[1], out), discs, taken.size(), List.of());
    }

    /** The lighter of what is there and a frame; of one with a disc only what is near it. */
    private static void lay(Raster frame, char[][] out, Optional<Disc> disc) {
        int width = frame.width();
        IntStream.range(0, frame.height()).parallel().forEach(y -> {
            for (int x = 0; x < width; x++) {
                double weight = 1;
                if (disc.isPresent()) {
                    Disc d = disc.get();
                    double off = Math.hypot(x + 0.5 - d.moon.x(), y + 0.5 - d.moon.y()) / d.radius();
                    weight = Math.max(0, Math.min(1, (FADES_TO - off) / (FADES_TO - AROUND)));
                }
                for (int c = 0; weight > 0 && c < 3; c++) {
                    char light = Assembled.number(weight * frame.light(c, x, y));
                    if (light > out[c][y * width + x]) {
                        out[c][y * width + x] = light;
                    }
                }
            }
        });
    }

    /**
     * Each disc in a cell of its own, in the order of time, up to eight in a row, all of one size: the largest's.
     *
     * @throws Taken.UnreadableFrame for frames that cannot be decoded, and where fewer than two show a moon
     */
    public static Result row(List<? extends Taken> taken, Progress progress) {
        List<double[]> places = new ArrayList<>();
        List<Disc> discs = each(taken, progress, false, (disc, frame) -> places.add(new double[] {disc.radius()}));
        double largest = places.stream().mapToDouble(p -> p[0]).max().orElseThrow();
        int across = Math.min(IN_A_ROW, discs.size());
        int cell = (int) Math.min(Math.ceil(CELL * largest), MOST_WIDE / (double) across);
        int down = (discs.size() + across - 1) / across;
        int width = cell * across;
        char[][] out = new char[3][width * cell * down];
        int[] order = discs.stream().mapToInt(Disc::frame).toArray();
        try (Ahead ahead = new Ahead(taken, order, progress)) {
            for (int k = 0; k < discs.size(); k++) {
                Disc disc = discs.get(k);
                Raster frame = ahead.next();
                double scale = disc.radius() * CELL / cell;
                int left = k % across * cell;
                int top = k / across * cell;
                IntStream.range(0, cell).parallel().forEach(y -> {
                    float[] rgb = new float[3];
                    for (int x = 0; x < cell; x++) {
                        double u = disc.moon.x() + (x + 0.5 - cell / 2.0) * scale - 0.5;
                        double v = disc.moon.y() + (y + 0.5 - cell / 2.0) * scale - 0.5;
                        if (u >= 0 && v >= 0 && u <= frame.width() - 1 && v <= frame.height() - 1) {
                            frame.light(u, v, rgb);
                            for (int c = 0; c < 3; c++) {
                                out[c][(top + y) * width + left + x] = Assembled.number(rgb[c]);
                            }
                        }
                    }
                });
            }
        }
        return result(new Assembled(width, cell * down, out), discs, taken.size(), List.of());
    }

    /**
     * The mean of moons laid over the sharpest by limb and drawing; those that the air made softer are left out.
     *
     * @throws Taken.UnreadableFrame for frames that cannot be decoded or differ in size, and where fewer than two show a moon
     */
    public static Result mean(List<? extends Taken> taken, Progress progress) {
        List<Disc> discs = each(taken, progress, true, (disc, frame) -> {});
        double sharpest = discs.stream().mapToDouble(d -> d.moon.edgePx()).min().orElseThrow();
        Disc best = discs.stream()
                .filter(d -> d.moon.edgePx() == sharpest)
                .findFirst()
                .orElseThrow();
        List<Disc> good = discs.stream()
                .filter(d -> d.moon.edgePx() <= AS_SHARP * Math.max(1, sharpest))
                .toList();
        Raster reference = taken.get(best.frame).read();
        int w = reference.width();
        int h = reference.height();
        float[][] sums = new float[3][w * h];
        try (Ahead ahead = new Ahead(taken, good.stream().mapToInt(Disc::frame).toArray(), progress)) {
            for (Disc disc : good) {
                Raster frame = ahead.next();
                double[] off = disc == best ? new double[2] : drawing(reference, frame, best, disc);
                IntStream.range(0, h).parallel().forEach(y -> {
                    float[] rgb = new float[3];
                    for (int x = 0; x < w; x++) {
                        frame.sharper(x + off[0], y + off[1], rgb);
                        for (int c = 0; c < 3; c++) {
                            sums[c][y * w + x] += rgb[c];
                        }
                    }
                });
            }
        }
        Assembled picture = Assembled.mean(w, h, sums, good.size());
        Raster mean = picture.raster();
        double after = MoonReading.of(mean.pixels(), mean.encoding())
                .map(MoonReading::edgePx)
                .orElse(sharpest);
        List<Integer> softer =
                discs.stream().filter(d -> !good.contains(d)).map(Disc::frame).toList();
        Result r = result(picture, discs, taken.size(), softer);
        return new Result(picture, r.discs, r.left, r.radiusPx, new double[] {sharpest, after});
    }

    /** Shift by the limb, made finer by what is drawn on the disc: halving the step until an eighth of a pixel. */
    private static double[] drawing(Raster reference, Raster frame, Disc best, Disc disc) {
        double[] at = {disc.moon.x() - best.moon.x(), disc.moon.y() - best.moon.y()};
        for (double step = REFINED_PX / 2; step >= FINEST_PX; step /= 2) {
            double[] from = at.clone();
            double least = Double.POSITIVE_INFINITY;
            for (int k = 0; k < 9; k++) {
                double dx = from[0] + (k % 3 - 1) * step;
                double dy = from[1] + (k / 3 - 1) * step;
                double miss = miss(reference, frame, best, dx, dy);
                if (miss < least) {
                    least = miss;
                    at = new double[] {dx, dy};
                }
            }
        }
        return at;
    }

    private static double miss(Raster reference, Raster frame, Disc best, double dx, double dy) {
        int r = (int) best.radius();
        int every = Math.max(1, r / 60);
        double sum = 0;
        float[] rgb = new float[3];
        for (int j = -r; j <= r; j += every) {
            for (int i = -r; i <= r; i += every) {
                if (i * i + j * j > r * r) {
                    continue;
                }
                int x = (int) best.moon.x() + i;
                int y = (int) best.moon.y() + j;
                if (x >= 0 && y >= 0 && x < reference.width() && y < reference.height()) {
                    frame.light(x + dx, y + dy, rgb);
                    double d = rgb[1] - (double) reference.light(1, x, y);
                    sum += d * d;
                }
            }
        }
        return sum;
    }
}
