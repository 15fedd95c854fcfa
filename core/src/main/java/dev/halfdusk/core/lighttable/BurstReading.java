package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.measure.Median;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Bursts of fireworks in a frame: where lines of light meet, what of each was drawn, and how bright. Measured on the frame reduced so that its
 * lines stay.
 *
 * @param bursts the clearest first
 * @param burnt share of the lines that is burnt in a colour
 * @param level of the lines on the axis of the sRGB curve, their median, 0 to 1
 * @param smoke share of the light above the sky that lies between the lines
 * @param skyline level of the brighter part of the frame's lowest fifth on that axis
 */
public record BurstReading(List<Burst> bursts, double burnt, double level, double smoke, double skyline) {

    /**
     * One of them.
     *
     * @param x of its middle in the picture's pixels, with y
     * @param radiusPx to the ends of most of its lines
     * @param begins where the lines begin, share of the radius: 0 for one that was open before it broke
     * @param ends light at the ends of the lines against their middles: well above 1 where stars hung and fell before they went out, well below
     *     where they faded, near 1 where they were cut off
     */
    public record Burst(double x, double y, double radiusPx, double begins, double ends) {}

    public BurstReading {
        bursts = List.copyOf(bursts);
    }

    private static final int WIDE = 640;
    private static final int SECTORS = 36;
    private static final int MOST = 8;
    private static final double COHERENT = 0.55;
    private static final double REACH = 0.4;
    private static final double OFF_LINE = 0.16;
    private static final double ROUND = 0.6;
    private static final int LEAST_LINES = 150;
    private static final double STANDS_OUT = 0.012;
    private static final double AGAINST_FIRST = 0.2;
    private static final int NEAR = 4;
    private static final int GAP = 6;
    private static final double BEYOND = 1.15;
    private static final double APART = 0.55;
    private static final double LATE = 0.22;
    private static final double FADED = 0.5;
    private static final double HUNG = 1.05;

    /** Empty where no lines meet. */
    static Optional<BurstReading> of(Pixels pixels, Encoding encoding) {
        return new Finder(pixels, encoding).read();
    }

    /** Share of the bursts that had broken when the shutter opened. */
    double late() {
        return bursts.stream().filter(b -> b.begins > LATE).count() / (double) bursts.size();
    }

    double begins() {
        return Median.of(bursts.stream().mapToDouble(Burst::begins).toArray());
    }

    /** Share of the bursts whose lines are cut off at their ends. */
    double cut() {
        return bursts.stream()
                        .filter(b -> b.ends > FADED && b.ends < HUNG && b.begins < LATE)
                        .count()
                / (double) bursts.size();
    }

    /** The frame reduced, and where its lines lie. */
    private static final class Finder {
        final Pixels pixels;
        final Encoding encoding;
        final int step;
        final int width;
        final int height;
        final float[] light;
        final float[] over;
        final double sky;
        /** Direction of the line through a pixel, 0 to pi; NaN where there is none. */
        final float[] line;

        Finder(Pixels pixels, Encoding encoding) {
            this.pixels = pixels;
            this.encoding = encoding;
            step = Math.max(1, (pixels.width() + WIDE - 1) / WIDE);
            width = pixels.width() / step;
            height = pixels.height() / step;
            light = reduced();
            float[] sorted = light.clone();
            Arrays.sort(sorted);
            sky = sorted[sorted.length / 2];
            over = over();
            line = lines();
        }

        /** The brightest of what makes a pixel, as light. */
        private float[] reduced() {
            float[] out = new float[width * height];
            char[] all = pixels.light();
            IntStream.range(0, height).parallel().forEach(y -> {
                for (int x = 0; x < width; x++) {
                    int most = 0;
                    for (int j = 0; j < step; j++) {
                        int at = (y * step + j) * pixels.width() + x * step;
                        for (int i = 0; i < step; i++) {
                            most = Math.max(most, all[at + i]);
                        }
                    }
                    out[y * width + x] = (float) encoding.light((double) most / Encoding.WHITE);
                }
            });
            return out;
        }

        /** What stands above its surroundings, as a root, so that bright lines do not drown faint ones. */
        private float[] over() {
            float[] out = new float[light.length];
            IntStream.range(0, height).parallel().forEach(y -> {
                for (int x = 0; x < width; x++) {
                    double around = Double.MAX_VALUE;
                    for (int[] side : AROUND) {
                        around = Math.min(around, at(x + side[0], y + side[1]) + at(x - side[0], y - side[1]));
                    }
                    double above = light[y * width + x] - around / 2;
                    out[y * width + x] = (float) Math.sqrt(Math.max(0, above));
                }
            });
            return out;
        }

        private static final int[][] AROUND = {{5, 0}, {0, 5}, {4, 4}, {4, -4}};

        private float at(int x, int y) {
            return light[Math.max(0, Math.min(height - 1, y)) * width + Math.max(0, Math.min(width - 1, x))];
        }

        private float[] lines() {
            float[] out = new float[light.length];
            Arrays.fill(out, Float.NaN);
            double least = Math.sqrt(STANDS_OUT);
            IntStream.range(3, Math.max(3, height - 3)).parallel().forEach(y -> {
                for (int x = 3; x < width - 3; x++) {
                    if (over[y * width + x] < least) {
                        continue;
                    }
                    double xx = 0;
                    double yy = 0;
                    double xy = 0;
                    for (int j = -2; j <= 2; j++) {
                        for (int i = -2; i <= 2; i++) {
                            int k = (y + j) * width + x + i;
                            double dx = over[k + 1] - over[k - 1];
                            double dy = over[k + width] - over[k - width];
                            xx += dx * dx;
                            yy += dy * dy;
                            xy += dx * dy;
                        }
                    }
                    double all = xx + yy;
                    if (all > 0 && Math.hypot(xx - yy, 2 * xy) > COHERENT * all) {
                        double across = Math.atan2(2 * xy, xx - yy) / 2;
                        out[y * width + x] = (float) (across + Math.PI / 2);
                    }
                }
            });
            return out;
        }

        Optional<BurstReading> read() {
            List<Burst> bursts = new ArrayList<>();
            boolean[] taken = new boolean[line.length];
            double first = 0;
            for (int i = 0; i < 2 * MOST && bursts.size() < MOST; i++) {
                double[] peak = meeting(taken);
                if (peak[2] < Math.max(LEAST_LINES, AGAINST_FIRST * first)) {
                    break;
                }
                Optional<Burst> burst = burst(peak[0], peak[1], taken);
                if (burst.isEmpty()) {
                    break;
                }
                first = Math.max(first, peak[2]);
                if (bursts.stream().noneMatch(b -> same(b, burst.get()))) {
                    bursts.add(burst.get());
                }
            }
            if (bursts.isEmpty()) {
                return Optional.empty();
            }
            return Optional.of(new BurstReading(bursts, burnt(taken), level(taken), smoke(bursts), skyline()));
        }

        /** Stars that have fallen meet again, somewhat beside the middle. */
        private static boolean same(Burst a, Burst b) {
            return Math.hypot(a.x - b.x, a.y - b.y) < APART * a.radiusPx;
        }

        /** Where most lines meet, and how many do: each votes for all places on it. */
        private double[] meeting(boolean[] taken) {
            int cell = 4;
            int across = width / cell + 1;
            int down = height / cell + 1;
            float[] votes = new float[across * down];
            double reach = REACH * width;
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    float angle = line[y * width + x];
                    if (Float.isNaN(angle) || taken[y * width + x]) {
                        continue;
                    }
                    double ux = Math.cos(angle) * cell;
                    double uy = Math.sin(angle) * cell;
                    for (int side = -1; side <= 1; side += 2) {
                        for (int k = 2; k * cell < reach; k++) {
                            int cx = (int) ((x + side * k * ux) / cell);
                            int cy = (int) ((y + side * k * uy) / cell);
                            if (cx < 0 || cy < 0 || cx >= across || cy >= down) {
                                break;
                            }
                            votes[cy * across + cx]++;
                        }
                    }
                }
            }
            double[] best = new double[3];
            for (int y = 1; y < down - 1; y++) {
                for (int x = 1; x < across - 1; x++) {
                    double sum = 0;
                    for (int j = -1; j <= 1; j++) {
                        for (int i = -1; i <= 1; i++) {
                            sum += votes[(y + j) * across + x + i];
                        }
                    }
                    if (sum > best[2]) {
                        best = new double[] {(x + 0.5) * cell, (y + 0.5) * cell, sum};
                    }
                }
            }
            return best;
        }

        /** What belongs to the lines that meet there; empty where they lie to one side only, as edges and climbing tails do. */
        private Optional<Burst> burst(double cx, double cy, boolean[] taken) {
            int rings = (int) (REACH * width);
            boolean[][] drawn = new boolean[SECTORS][rings];
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    int k = y * width + x;
                    double r = Math.hypot(x - cx, y - cy);
                    if (!taken[k] && r > NEAR && r < rings && towards(k, Math.atan2(y - cy, x - cx), OFF_LINE)) {
                        drawn[sector(x - cx, y - cy)][(int) r] = true;
                    }
                }
            }
            double[] far = Arrays.stream(drawn)
                    .mapToDouble(Finder::reaches)
                    .filter(r -> r > 0)
                    .toArray();
            if (far.length < ROUND * SECTORS) {
                return Optional.empty();
            }
            double radius = Median.of(far);
            Burst found = ends(cx, cy, radius);
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    int k = y * width + x;
                    double r = Math.hypot(x - cx, y - cy);
                    if (r < BEYOND * radius && towards(k, Math.atan2(y - cy, x - cx), 2 * OFF_LINE)) {
                        taken[k] = true;
                    }
                }
            }
            return Optional.of(found);
        }

        /** How far the lines of a sector go on without a gap; those of another burst behind it begin after one. */
        private static double reaches(boolean[] drawn) {
            int last = 0;
            for (int r = NEAR; r < drawn.length; r++) {
                if (drawn[r]) {
                    if (last > 0 && r - last > GAP + last / 4) {
                        break;
                    }
                    last = r;
                }
            }
            return last;
        }

        private boolean towards(int k, double angle, double off) {
            return !Float.isNaN(line[k]) && Math.abs(Math.sin(line[k] - angle)) < off;
        }

        private static int sector(double dx, double dy) {
            double turn = Math.atan2(dy, dx) / (2 * Math.PI) + 1;
            return (int) (turn * SECTORS) % SECTORS;
        }

        /** Where lines begin in all directions; how they end in the lower ones, in which what falls goes on along the line. */
        private Burst ends(double cx, double cy, double radius) {
            int rings = (int) (1.5 * radius) + 2;
            double[][] profile = new double[SECTORS][rings];
            for (int y = (int) Math.max(0, cy - rings); y < Math.min(height, cy + rings); y++) {
                for (int x = (int) Math.max(0, cx - rings); x < Math.min(width, cx + rings); x++) {
                    int ring = (int) Math.hypot(x - cx, y - cy);
                    if (ring < rings) {
                        int s = sector(x - cx, y - cy);
                        profile[s][ring] = Math.max(profile[s][ring], over[y * width + x] * over[y * width + x]);
                    }
                }
            }
            double[] begins = new double[SECTORS];
            double[] ends = new double[SECTORS];
            int begun = 0;
            int ended = 0;
            for (int s = 0; s < SECTORS; s++) {
                double most = Arrays.stream(profile[s]).max().orElse(0);
                if (most < 2 * STANDS_OUT) {
                    continue;
                }
                int from = 0;
                while (profile[s][from] < STANDS_OUT) {
                    from++;
                }
                begins[begun++] = Math.min(1, from / radius);
                if (s > SECTORS / 12 && s < SECTORS * 5 / 12) { // down, in a picture
                    ends[ended++] = ends(profile[s], radius);
                }
            }
            return new Burst(
                    (cx + 0.5) * step,
                    (cy + 0.5) * step,
                    radius * step,
                    Median.of(Arrays.copyOf(begins, begun)),
                    ended == 0 ? 0 : Median.of(Arrays.copyOf(ends, ended)));
        }

        private static double ends(double[] profile, double radius) {
            return between(profile, 0.85 * radius, 1.1 * radius)
                    / Math.max(STANDS_OUT, between(profile, 0.4 * radius, 0.7 * radius));
        }

        private static double between(double[] profile, double from, double to) {
            return Median.of(Arrays.copyOfRange(profile, (int) from, (int) to + 1));
        }

        private double burnt(boolean[] taken) {
            int lines = 0;
            int burnt = 0;
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    int k = y * width + x;
                    if (taken[k] && !Float.isNaN(line[k])) {
                        lines++;
                        burnt += burnt(x, y) ? 1 : 0;
                    }
                }
            }
            return lines == 0 ? 0 : (double) burnt / lines;
        }

        private boolean burnt(int x, int y) {
            for (int j = 0; j < step; j++) {
                for (int i = 0; i < step; i++) {
                    if (pixels.burnt(x * step + i, y * step + j)) {
                        return true;
                    }
                }
            }
            return false;
        }

        private double level(boolean[] taken) {
            double[] all = new double[line.length];
            int count = 0;
            for (int k = 0; k < line.length; k++) {
                if (taken[k] && !Float.isNaN(line[k])) {
                    all[count++] = light[k];
                }
            }
            return Tone.position(Median.of(Arrays.copyOf(all, count)));
        }

        /** Within the bursts: the darkest of what surrounds a place lies between the lines. */
        private double smoke(List<Burst> bursts) {
            double between = 0;
            double all = 0;
            int reach = 6;
            for (int y = reach; y < height - reach; y += 3) {
                for (int x = reach; x < width - reach; x += 3) {
                    if (within(x, y, bursts)) {
                        double least = Double.MAX_VALUE;
                        for (int j = -reach; j <= reach; j += 2) {
                            for (int i = -reach; i <= reach; i += 2) {
                                least = Math.min(least, light[(y + j) * width + x + i]);
                            }
                        }
                        between += Math.max(0, least - sky);
                        all += Math.max(0, light[y * width + x] - sky);
                    }
                }
            }
            return all == 0 ? 0 : Math.min(1, between / all);
        }

        private boolean within(int x, int y, List<Burst> bursts) {
            return bursts.stream().anyMatch(b -> Math.hypot(x - b.x() / step, y - b.y() / step) < b.radiusPx() / step);
        }

        private double skyline() {
            float[] green = pixels.coarse(1);
            int from = green.length * 4 / 5;
            float[] lowest = Arrays.copyOfRange(green, from, green.length);
            Arrays.sort(lowest);
            return Tone.position(encoding.light(lowest[lowest.length * 9 / 10]));
        }
    }
}
