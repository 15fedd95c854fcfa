package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Linear;
import dev.halfdusk.core.measure.Median;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/**
 * The moon in a frame.
 *
 * @param x of its middle, pixels from the left edge
 * @param y from the top
 * @param radiusPx of its disc
 * @param litShare of the disc
 * @param level of the middling lit ground, share of white
 * @param burnt share of the lit ground that is white
 * @param limbBurnt the same of its outer tenth
 * @param edgePx width of its edge (full width at half maximum of what blurs it) where it does not move: focus and air
 * @param smearPx by which the edge is drawn out along one direction beyond that
 * @param smearDeg of that direction, from +x towards +y, 0 to 180
 */
public record MoonReading(
        double x,
        double y,
        double radiusPx,
        double litShare,
        double level,
        double burnt,
        double limbBurnt,
        double edgePx,
        double smearPx,
        double smearDeg) {

    private static final double WHITE = 0.97;
    private static final double LEAST_RADIUS_PX = 12;
    private static final double ABOVE_SKY = 6;
    private static final double EDGE = 0.12;
    private static final int TRIALS = 1500;
    /** Edges on the limb, against its radius: half a circle has three. */
    private static final double LEAST_ARC = 1;

    private static final double NEAR_PX = 1.5;
    private static final double OUTSIDE = 0.03;
    private static final int RUN = 4;
    private static final int SECTORS = 24;
    private static final int REACH = 14;
    private static final int FINER = 4;
    private static final int MARGIN = REACH + Pixels.COARSE;
    /** A crescent is as high as its disc, against the radius two. */
    private static final double LEAST_HEIGHT = 1.3;

    /** Of the outline. */
    private static final double LEAST_SHARE = 0.3;

    private static final double GOOD_PART = 0.08;
    private static final double TO_SIGMA = 2.563;
    private static final double LEAST_STEP = 0.04;
    private static final int LEAST_SECTORS = 6;
    /** So far from where the sun stands the limb is lit whatever the phase. */
    private static final double LIMB_DEG = 70;

    private static final double SURE_PX2 = 0.12;
    private static final double SURE = 3;

    /** The largest bright thing with a round limb; empty where there is none. */
    public static Optional<MoonReading> of(Pixels pixels, Encoding encoding) {
        return brightest(pixels, encoding).flatMap(box -> new Finder(pixels, encoding.table(), box).read());
    }

    /** A part of the frame, and the longer side of what is bright in it. */
    private record Box(int left, int top, int right, int bottom, int longer) {}

    /** About the largest bright patch, with a margin as far as the frame reaches; empty where the frame has none. */
    private static Optional<Box> brightest(Pixels pixels, Encoding encoding) {
        int across = pixels.coarseWidth();
        int down = pixels.coarseHeight();
        double[] light = new double[across * down];
        double most = 0;
        for (int i = 0; i < light.length; i++) {
            light[i] = encoding.light(0.25 * (pixels.coarse(0)[i] + 2 * pixels.coarse(1)[i] + pixels.coarse(2)[i]));
            most = Math.max(most, light[i]);
        }
        double sky = Median.of(light);
        double limit = Math.max(ABOVE_SKY * sky, sky + 0.1 * (most - sky));
        if (most < limit) {
            return Optional.empty();
        }
        boolean[] seen = new boolean[light.length];
        int[] best = new int[0];
        int largest = 0;
        int[] stack = new int[light.length];
        for (int i = 0; i < light.length; i++) {
            if (seen[i] || light[i] < limit) {
                continue;
            }
            int[] box = {across, down, 0, 0};
            int count = 0;
            int depth = 0;
            stack[depth++] = i;
            seen[i] = true;
            while (depth > 0) {
                int at = stack[--depth];
                count++;
                int x = at % across;
                int y = at / across;
                box = new int[] {Math.min(box[0], x), Math.min(box[1], y), Math.max(box[2], x), Math.max(box[3], y)};
                for (int n : new int[] {x > 0 ? at - 1 : at, x < across - 1 ? at + 1 : at, at - across, at + across}) {
                    if (n >= 0 && n < light.length && !seen[n] && light[n] >= limit) {
                        seen[n] = true;
                        stack[depth++] = n;
                    }
                }
            }
            if (count > largest) {
                largest = count;
                best = box;
            }
        }
        return Optional.of(new Box(
                Math.max(0, best[0] * Pixels.COARSE - MARGIN),
                Math.max(0, best[1] * Pixels.COARSE - MARGIN),
                Math.min(pixels.width(), (best[2] + 1) * Pixels.COARSE + MARGIN),
                Math.min(pixels.height(), (best[3] + 1) * Pixels.COARSE + MARGIN),
                Math.max(best[2] - best[0] + 1, best[3] - best[1] + 1) * Pixels.COARSE));
    }

    /** Works in a box of the frame. */
    private static final class Finder {

        private final int left;
        private final int top;
        private final int width;
        private final int height;
        private final int longer;
        private final float[] light;
        /** By how much farther out the limb of each sector is at half its light than where it was found. */
        private final List<Double> halves = new ArrayList<>();

        private double sky;
        private double lit;

        Finder(Pixels pixels, float[] table, Box box) {
            left = box.left;
            top = box.top;
            width = box.right - left;
            height = box.bottom - top;
            longer = box.longer;
            light = new float[width * height];
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    light[y * width + x] = table[pixels.light()[(y + top) * pixels.width() + x + left]];
                }
            }
        }

        Optional<MoonReading> read() {
            float[] sorted = light.clone();
            Arrays.sort(sorted);
            sky = sorted[sorted.length / 20];
            double high = sorted[(int) (sorted.length * 0.97)];
            double limit = sky + EDGE * (high - sky);
            List<double[]> edges = edges(limit);
            int inside = 0;
            for (float l : light) {
                inside += l > limit ? 1 : 0;
            }
            double[] circle = circle(edges, limit, inside);
            if (circle.length == 0 || circle[2] < LEAST_RADIUS_PX || longer < LEAST_HEIGHT * circle[2]) {
                return Optional.empty();
            }
            circle = refined(edges, circle);
            for (int round = 0;
                    round < 2;
                    round++) { // by the limb towards the sun alone: the rest is darker, and the edge seems farther in
                double[] c = circle;
                double sunwards = sunwards(c, limit);
                List<double[]> limb = edges.stream()
                        .filter(e -> Math.abs(Angles.halfTurn(
                                        Math.toDegrees(Math.atan2(e[1] - c[1], e[0] - c[0]) - sunwards)))
                                < LIMB_DEG)
                        .toList();
                circle = refined(limb, c);
            }
            return Optional.of(measured(circle, limit));
        }

        /** The outline: the first and last bright pixel of each row and column, which half of a disc's limb is whatever the phase. */
        private List<double[]> edges(double limit) {
            List<double[]> edges = new ArrayList<>();
            for (int y = 0; y < height; y++) {
                for (int way = -1; way <= 1; way += 2) {
                    int x = first(y * width, 1, width, way, limit);
                    if (x >= 0) {
                        edges.add(new double[] {x + 0.5, y + 0.5});
                    }
                }
            }
            for (int x = 0; x < width; x++) {
                for (int way = -1; way <= 1; way += 2) {
                    int y = first(x, width, height, way, limit);
                    if (y >= 0) {
                        edges.add(new double[] {x + 0.5, y + 0.5});
                    }
                }
            }
            return edges;
        }

        /** Where along a row or column it becomes bright and stays so for some pixels; −1 where it does not. */
        private int first(int start, int stride, int count, int way, double limit) {
            int run = 0;
            for (int k = 0; k < count; k++) {
                int i = way > 0 ? k : count - 1 - k;
                run = light[start + i * stride] > limit ? run + 1 : 0;
                if (run == RUN) {
                    return i - way * (RUN - 1);
                }
            }
            return -1;
        }

        /** Middle and radius of the circle that most edges lie on and nearly nothing bright lies outside of: the limb, not the terminator. */
        private double[] circle(List<double[]> edges, double limit, int inside) {
            if (edges.size() < 3 * LEAST_SECTORS) {
                return new double[0];
            }
            Random random = new Random(1);
            double[] best = new double[0];
            int most = 0;
            for (int trial = 0; trial < TRIALS; trial++) {
                double[] c = through(
                        edges.get(random.nextInt(edges.size())),
                        edges.get(random.nextInt(edges.size())),
                        edges.get(random.nextInt(edges.size())));
                if (c.length == 0 || c[2] > width + height) {
                    continue;
                }
                int near = 0;
                for (double[] e : edges) {
                    near += Math.abs(Math.sqrt(square(e[0] - c[0], e[1] - c[1])) - c[2]) < NEAR_PX ? 1 : 0;
                }
                if (near > most && outside(c, limit) <= OUTSIDE * inside) {
                    most = near;
                    best = c;
                }
            }
            return best.length == 0 || most < LEAST_ARC * best[2] || most < LEAST_SHARE * edges.size()
                    ? new double[0]
                    : best;
        }

        private int outside(double[] c, double limit) {
            int count = 0;
            double beyond = (c[2] + 2) * (c[2] + 2);
            for (int y = 0; y < height; y += 2) {
                for (int x = 0; x < width; x += 2) {
                    count += light[y * width + x] > limit && square(x + 0.5 - c[0], y + 0.5 - c[1]) > beyond ? 4 : 0;
                }
            }
            return count;
        }

        private static double square(double x, double y) {
            return x * x + y * y;
        }

        private static double[] through(double[] a, double[] b, double[] c) {
            double bx = b[0] - a[0];
            double by = b[1] - a[1];
            double cx = c[0] - a[0];
            double cy = c[1] - a[1];
            double d = 2 * (bx * cy - by * cx);
            if (Math.abs(d) < 1) {
                return new double[0];
            }
            double x = (cy * (bx * bx + by * by) - by * (cx * cx + cy * cy)) / d;
            double y = (bx * (cx * cx + cy * cy) - cx * (bx * bx + by * by)) / d;
            return new double[] {a[0] + x, a[1] + y, Math.hypot(x, y)};
        }

        private static double[] refined(List<double[]> edges, double[] begin) {
            double[] c = begin.clone();
            for (int round = 0; round < 4; round++) {
                double[][] m = new double[3][4];
                for (double[] e : edges) {
                    double dx = c[0] - e[0];
                    double dy = c[1] - e[1];
                    double r = Math.hypot(dx, dy);
                    if (r == 0 || Math.abs(r - c[2]) > 2 * NEAR_PX) {
                        continue;
                    }
                    double[] row = {dx / r, dy / r, -1};
                    Linear.add(m, 1, row, c[2] - r);
                }
                if (!Linear.solve(m)) {
                    return begin;
                }
                for (int i = 0; i < 3; i++) {
                    c[i] += m[i][3];
                }
            }
            return c;
        }

        /** Direction from the disc's middle to the middle of its light, radians. */
        private double sunwards(double[] c, double limit) {
            double x = 0;
            double y = 0;
            for (int j = 0; j < height; j++) {
                for (int i = 0; i < width; i++) {
                    if (light[j * width + i] > limit) {
                        x += (i + 0.5 - c[0]) * light[j * width + i];
                        y += (j + 0.5 - c[1]) * light[j * width + i];
                    }
                }
            }
            return Math.atan2(y, x);
        }

        private MoonReading measured(double[] c, double limit) {
            int lights = 0;
            int white = 0;
            int limb = 0;
            int limbWhite = 0;
            List<Double> levels = new ArrayList<>();
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    double r = Math.hypot(x + 0.5 - c[0], y + 0.5 - c[1]) / c[2];
                    if (r > 1) {
                        continue;
                    }
                    double l = light[y * width + x];
                    if (l > limit) {
                        lights++;
                        levels.add(l);
                        white += l >= WHITE ? 1 : 0;
                        if (r > 0.85 && r < 0.97) {
                            limb++;
                            limbWhite += l >= WHITE ? 1 : 0;
                        }
                    }
                }
            }
            lit = Median.of(levels.stream().mapToDouble(Double::doubleValue).toArray());
            double[] edge = edge(c, sunwards(c, limit));
            return new MoonReading(
                    left + c[0],
                    top + c[1],
                    c[2]
                            + Median.of(halves.stream()
                                    .mapToDouble(Double::doubleValue)
                                    .toArray()),
                    Math.min(1, lights / (Math.PI * c[2] * c[2])),
                    lit,
                    (double) white / Math.max(1, lights),
                    (double) limbWhite / Math.max(1, limb),
                    edge[0],
                    edge[1],
                    edge[2]);
        }

        /** Round width, smear and its direction, from how wide the lit limb is drawn in every direction. */
        private double[] edge(double[] c, double sunwards) {
            double[][] m = new double[3][4];
            List<double[]> sectors = new ArrayList<>();
            for (int s = 0; s < SECTORS; s++) {
                double from = 2 * Math.PI * s / SECTORS;
                double off = Math.abs(Angles.halfTurn(Math.toDegrees(from + Math.PI / SECTORS - sunwards)));
                double variance = off > LIMB_DEG ? Double.NaN : variance(c, from);
                if (Double.isNaN(variance)) {
                    continue;
                }
                double middle = from + Math.PI / SECTORS;
                double[] row = {1, Math.cos(2 * middle), Math.sin(2 * middle)};
                sectors.add(new double[] {row[1], row[2], variance});
                Linear.add(m, 1, row, variance);
            }
            if (sectors.size() < LEAST_SECTORS || !Linear.solve(m)) {
                return new double[] {0, 0, 0};
            }
            double along = Math.hypot(m[1][3], m[2][3]);
            double round = Math.max(0, m[0][3] - along);
            double left = sectors.stream()
                    .mapToDouble(v -> Math.pow(v[2] - m[0][3] - m[1][3] * v[0] - m[2][3] * v[1], 2))
                    .sum();
            double error = Math.sqrt(2 * left / Math.max(1, sectors.size() - 3) / sectors.size());
            double smear = along < Math.max(SURE_PX2, SURE * error) ? 0 : Math.sqrt(12 * 2 * along);
            double angle = Math.toDegrees(Math.atan2(m[2][3], m[1][3]) / 2);
            return new double[] {Profile.FWHM * Math.sqrt(round), smear, angle < 0 ? angle + 180 : angle};
        }

        /** Of the blur across the limb of a sector; none where it is not lit or is burnt. */
        private double variance(double[] c, double from) {
            int n = 2 * REACH * FINER;
            double[] sum = new double[n];
            int rays = (int) Math.max(8, c[2] * 2 * Math.PI / SECTORS);
            for (int k = 0; k < rays; k++) {
                double angle = from + 2 * Math.PI / SECTORS * (k + 0.5) / rays;
                for (int i = 0; i < n; i++) {
                    double r = c[2] + (i + 0.5) / FINER - REACH;
                    double l = at(c[0] + r * Math.cos(angle), c[1] + r * Math.sin(angle));
                    if (Double.isNaN(l)) {
                        return Double.NaN;
                    }
                    sum[i] += l / rays;
                }
            }
            double out = sum[n - 1];
            double in = 0;
            for (int i = n / 8; i < n / 2; i++) { // ground farther in is another place of the moon
                in = Math.max(in, sum[i]);
            }
            if (in - out < Math.max(LEAST_STEP, 0.3 * (lit - sky)) || in >= WHITE) {
                return Double.NaN;
            }
            int[] limb = limb(sum);
            double inner = sum[limb[0]];
            double outer = sum[limb[1]];
            halves.add(crossing(sum, (inner + outer) / 2) - REACH);
            double sigma = (crossing(sum, outer + 0.1 * (inner - outer)) - crossing(sum, outer + 0.9 * (inner - outer)))
                    / TO_SIGMA;
            return sigma * sigma;
        }

        /** From where to where the light falls at the limb: as far as a good part of the steepest. Ground farther in slopes too, a little and anywhere. */
        private static int[] limb(double[] sum) {
            double[] slope = new double[sum.length];
            int steepest = FINER;
            for (int i = FINER / 2; i < sum.length - FINER / 2; i++) {
                slope[i] = sum[i - FINER / 2] - sum[i + FINER / 2];
                steepest = slope[i] > slope[steepest] ? i : steepest;
            }
            int from = steepest;
            while (from > 0 && slope[from] > GOOD_PART * slope[steepest]) {
                from--;
            }
            int to = steepest;
            while (to < slope.length - 1 && slope[to] > GOOD_PART * slope[steepest]) {
                to++;
            }
            return new int[] {from, to};
        }

        /** Where the light falls below a level, coming from outside, pixels. */
        private static double crossing(double[] sum, double level) {
            for (int i = sum.length - 1; i > 0; i--) {
                if (sum[i] <= level && sum[i - 1] > level) {
                    return (i - (level - sum[i]) / (sum[i - 1] - sum[i])) / FINER;
                }
            }
            return 0;
        }

        private double at(double x, double y) {
            int i = (int) Math.floor(x - 0.5);
            int j = (int) Math.floor(y - 0.5);
            if (i < 0 || j < 0 || i + 1 >= width || j + 1 >= height) {
                return Double.NaN;
            }
            double u = x - 0.5 - i;
            double v = y - 0.5 - j;
            return (light[j * width + i] * (1 - u) + light[j * width + i + 1] * u) * (1 - v)
                    + (light[(j + 1) * width + i] * (1 - u) + light[(j + 1) * width + i + 1] * u) * v;
        }
    }
}
