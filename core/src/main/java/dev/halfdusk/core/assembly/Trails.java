package dev.halfdusk.core.assembly;

import dev.halfdusk.core.lighttable.Line;
import dev.halfdusk.core.lighttable.StarPlace;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Trails: of each pixel the lightest of all frames. A pause between two frames is filled half from either, each carried along the way of its
 * stars, so that no arc is broken; so are frames that were left out, and what an aircraft hid. Two frames are in memory at a time.
 */
public final class Trails {

    /** The way is measured again after so many frames; meanwhile the sky turns on as before. */
    private static final int MEASURED_EVERY = 8;

    private static final double LEAST_PAUSE_PX = 0.25;
    private static final double WIDE_PX = 5;
    private static final int LENGTH_WIDE = 640;
    private static final double BEYOND = 1.06;
    private static final double FAR_BEYOND = 1.4;

    private final int width;
    private final int height;
    private final TrailOptions options;
    private final char[][] lightest;
    private final Optional<Assembled> dark;
    private final Progress progress;
    private final List<Moved> moved = new ArrayList<>();
    private final List<Length> lengths = new ArrayList<>();
    private int frames;
    private int unmeasured;
    private boolean land;

    private Trails(int width, int height, TrailOptions options, Optional<Assembled> dark, Progress progress) {
        this.progress = progress;
        this.width = width;
        this.height = height;
        this.options = options;
        this.dark = dark.filter(d -> d.width() == width && d.height() == height);
        lightest = new char[3][width * height];
    }

    /**
     * What came of it.
     *
     * @param frames that it is made of
     * @param unmeasured pauses that could not be filled, since the way of the stars was not found
     * @param moved frames that were laid back by the land
     * @param land whether there is land to tell by
     * @param lengths what it looked like after a quarter, after half and after all of the frames, reduced
     */
    public record Result(
            Assembled picture, int frames, int unmeasured, List<Moved> moved, boolean land, List<Length> lengths) {
        public Result {
            moved = List.copyOf(moved);
            lengths = List.copyOf(lengths);
        }
    }

    /** @param frame counted from 0 */
    public record Moved(int frame, double px) {}

    /** @param frames that it was made of by then, all fading in counted for the whole */
    public record Length(int frames, Assembled picture) {}

    /** A frame in memory. */
    private record Open(Raster raster, Optional<Instant> opened, double seconds, List<Line> lines, double times) {}

    /** Frames as they are opened one after the other. */
    private static final class Opening {
        private final List<? extends Taken> taken;
        private final TrailOptions options;
        private final Ahead ahead;
        private final Evenness evenness = new Evenness();
        private final List<Moved> moved = new ArrayList<>();
        private Raster first;
        private Raster last;
        private Skyline line;
        private int at;

        Opening(List<? extends Taken> taken, TrailOptions options, Ahead ahead) {
            this.taken = taken;
            this.options = options;
            this.ahead = ahead;
        }

        Open next() {
            if (at >= taken.size()) {
                return null;
            }
            Raster raster = ahead.next();
            if (last == null) {
                first = options.steady() ? raster : null; // else it would be in memory for nothing
                line = options.steady() ? Skyline.of(raster) : null;
            } else {
                raster.like(last);
                if (line != null && line.found()) { // without land stars alone are there, and they move
                    raster = laidBack(raster);
                }
            }
            last = raster;
            List<Line> lines = options.withoutLines() ? raster.lines() : List.of();
            double times = options.even() ? evenness.times(raster) : 1;
            Taken file = taken.get(at++);
            return new Open(raster, file.opened(), file.seconds(), lines, times);
        }

        private Raster laidBack(Raster raster) {
            Optional<Steady.Off> off = Steady.between(first, raster, line).filter(Steady.Off::moved);
            if (off.isEmpty()) {
                return raster;
            }
            moved.add(new Moved(at, off.get().px()));
            return raster.moved(-off.get().right(), -off.get().down());
        }
    }

    /**
     * @param taken in the order of time; at least two, of one size
     * @param dark a mean of dark frames
     * @throws Taken.UnreadableFrame for a frame that cannot be decoded, or is of another size
     */
    public static Result of(
            List<? extends Taken> taken, TrailOptions options, Optional<Assembled> dark, Progress progress) {
        int[] order = IntStream.range(0, taken.size()).toArray();
        try (Ahead ahead = new Ahead(taken, order, progress)) {
            Opening opening = new Opening(taken, options, ahead);
            Open now = opening.next();
            Trails trails = new Trails(now.raster.width(), now.raster.height(), options, dark, progress);
            Optional<Moves> way = Optional.empty();
            Open before = null;
            Optional<Moves> wayBefore = Optional.empty();
            for (int i = 0; i < taken.size(); i++) {
                Open next = opening.next();
                if (next != null
                        && options.filled()
                        && (way.isEmpty() || i % MEASURED_EVERY == 0 || pauseChanged(now, next, before))) {
                    way = way(now.raster, next.raster, way);
                    trails.unmeasured += way.isEmpty() ? 1 : 0;
                }
                double weight = Math.pow(2, -options.fade() * (taken.size() - 1 - i) / Math.max(1, taken.size() - 1));
                trails.add(now, weight * now.times, before, wayBefore, next, way);
                trails.length(i + 1, taken.size());
                progress.step();
                before = now;
                wayBefore = way;
                now = next;
            }
            trails.moved.addAll(opening.moved);
            trails.land = opening.line != null && opening.line.found();
            return trails.result();
        }
    }

    private Result result() {
        return new Result(new Assembled(width, height, lightest), frames, unmeasured, moved, land, lengths);
    }

    private void length(int done, int all) {
        if (done == all || done == all / 2 || done == all / 4) {
            lengths.add(new Length(done, Assembled.reduced(width, height, lightest, LENGTH_WIDE)));
        }
    }

    /** Where one interval is longer than the last, since a frame is missing, the way is longer too. */
    private static boolean pauseChanged(Open now, Open next, Open before) {
        double was = interval(before, now);
        double is = interval(now, next);
        return Math.abs(is - was) > 0.02 * was;
    }

    private static double interval(Open a, Open b) {
        return a.opened.isEmpty() || b.opened.isEmpty()
                ? 0
                : Duration.between(a.opened.get(), b.opened.get()).toMillis() / 1000.0;
    }

    private static Optional<Moves> way(Raster from, Raster to, Optional<Moves> guess) {
        List<StarPlace> a = from.stars();
        List<StarPlace> b = to.stars();
        Optional<Moves> found =
                Aligner.match(a, b, from.width(), from.height(), guess).map(Aligner.Found::moves);
        return found.isPresent() || guess.isEmpty()
                ? found
                : Aligner.match(a, b, from.width(), from.height(), Optional.empty())
                        .map(Aligner.Found::moves);
    }

    /** Share of an interval that no frame covers; a pause of unknown length is none. */
    private static double pause(Open a, Open b) {
        double interval = interval(a, b);
        return interval <= 0 ? 0 : Math.max(0, interval - a.seconds) / interval;
    }

    private void add(Open now, double weight, Open before, Optional<Moves> wayBefore, Open next, Optional<Moves> way) {
        frames++;
        BitSet hidden = hidden(now.lines);
        lighten(now.raster, weight, hidden);
        if (!options.filled()) {
            return;
        }
        if (next != null && way.isPresent()) {
            carry(now.raster, weight, new Grid(way.get(), width, height, pause(now, next) / 2), hidden);
        }
        if (before != null && wayBefore.isPresent()) {
            double share = pause(before, now) / 2;
            carry(now.raster, weight, new Grid(wayBefore.get(), width, height, -share), hidden);
            if (!hidden.isEmpty()) {
                uncover(before.raster, weight, new Grid(wayBefore.get(), width, height, 1), hidden);
            }
        }
    }

    /** In steps of a pixel. */
    private void carry(Raster frame, double weight, Grid way, BitSet hidden) {
        double longest = way.longest();
        if (longest < LEAST_PAUSE_PX) {
            return;
        }
        int steps = (int) Math.ceil(longest);
        for (int k = 1; k <= steps; k++) {
            lighten(frame, weight, way, (float) k / steps, hidden);
        }
    }

    /** Behind an aircraft, what was there in the frame before, where its stars are by now. */
    private void uncover(Raster before, double weight, Grid way, BitSet hidden) {
        float[] dx = new float[width];
        float[] dy = new float[width];
        float[] rgb = new float[3];
        for (int at = hidden.nextSetBit(0); at >= 0; at = hidden.nextSetBit(at + 1)) {
            int x = at % width;
            int y = at / width;
            way.row(y, dx, dy);
            before.light(x - (double) dx[x], y - (double) dy[x], rgb);
            keep(at, rgb, weight);
        }
    }

    private void lighten(Raster frame, double weight, BitSet hidden) {
        if (hidden.isEmpty() && dark.isEmpty()) {
            char[] numbers = frame.numbers(weight);
            IntStream.range(0, height).parallel().forEach(y -> {
                wanted(y);
                for (int c = 0; c < 3; c++) {
                    frame.lighter(y, c, numbers, lightest[c]);
                }
            });
            return;
        }
        IntStream.range(0, height).parallel().forEach(y -> {
            wanted(y);
            float[] rgb = new float[3];
            for (int x = 0; x < width; x++) {
                if (!hidden.get(y * width + x)) {
                    for (int c = 0; c < 3; c++) {
                        rgb[c] = frame.light(c, x, y);
                    }
                    keep(y * width + x, rgb, weight);
                }
            }
        });
    }

    private void lighten(Raster frame, double weight, Grid way, float share, BitSet hidden) {
        boolean covered = !hidden.isEmpty();
        char[] numbers = frame.numbers(weight);
        IntStream.range(0, height).parallel().forEach(y -> {
            wanted(y);
            float[] dx = new float[width];
            float[] dy = new float[width];
            float[] rgb = new float[3];
            way.row(y, dx, dy);
            for (int x = 0; x < width; x++) {
                double u = x - share * (double) dx[x];
                double v = y - share * (double) dy[x];
                if (u >= 0
                        && v >= 0
                        && u <= width - 1
                        && v <= height - 1
                        && !(covered && hidden.get((int) v * width + (int) u))) {
                    if (dark.isEmpty()) {
                        frame.lighter(u, v, numbers, weight, lightest, y * width + x);
                    } else {
                        frame.light(u, v, rgb);
                        keep(y * width + x, rgb, weight);
                    }
                }
            }
        });
    }

    private void wanted(int y) {
        if (y % Raster.LOOK == 0) {
            progress.look();
        }
    }

    private void keep(int at, float[] rgb, double weight) {
        for (int c = 0; c < 3; c++) {
            double light = rgb[c];
            if (dark.isPresent()) {
                light -= dark.get().light(c, at % width, at / width);
            }
            char number = Assembled.number(weight * light);
            if (number > lightest[c][at]) {
                lightest[c][at] = number;
            }
        }
    }

    /** Pixels that lines cover, with what their light spreads over. */
    private BitSet hidden(List<Line> lines) {
        BitSet hidden = new BitSet(width * height);
        for (Line line : lines) {
            double c = Math.cos(Math.toRadians(line.angleDeg()));
            double s = Math.sin(Math.toRadians(line.angleDeg()));
            // what crosses the whole frame is often found in pieces, with fainter ones between and beyond them
            double beyond = line.kind() == Line.Kind.METEOR ? BEYOND : FAR_BEYOND;
            double half = beyond * line.lengthPx() / 2 + WIDE_PX;
            int x0 = (int) Math.max(0, line.x() - half);
            int x1 = (int) Math.min(width - 1.0, line.x() + half);
            int y0 = (int) Math.max(0, line.y() - half);
            int y1 = (int) Math.min(height - 1.0, line.y() + half);
            for (int y = y0; y <= y1; y++) {
                for (int x = x0; x <= x1; x++) {
                    double along = (x + 0.5 - line.x()) * c + (y + 0.5 - line.y()) * s;
                    double aside = (y + 0.5 - line.y()) * c - (x + 0.5 - line.x()) * s;
                    if (Math.abs(along) <= half && Math.abs(aside) <= WIDE_PX) {
                        hidden.set(y * width + x);
                    }
                }
            }
        }
        return hidden;
    }
}
