package dev.halfdusk.core.assembly;

import dev.halfdusk.core.lighttable.MoonReading;
import dev.halfdusk.core.measure.Linear;
import dev.halfdusk.core.optics.Stops;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;

/**
 * Two exposures of a moon over a land, one for each: the disc of the shorter where the longer is burnt by it, in the longer's own glow, which
 * is let down so that it grows evenly towards the limb. What stands before the moon in the longer one stays before it.
 */
public final class MoonAndLand {

    private static final double BURNT = 0.9;
    private static final double NEAR_RADII = 12;
    private static final int ROUNDS = 20;
    private static final int DIRECTIONS = 72;
    private static final int LEAST_DIRECTIONS = 15;
    private static final double[] ACROSS = turns(Math::cos);
    private static final double[] DOWN = turns(Math::sin);
    private static final double ROUND = 0.25;
    private static final double RING_BURNT = 0.05;
    private static final double LIT = 0.5;
    /** What glows beside the limb, against the disc, and beside that. */
    private static final double GLOW_OF_DISC = 0.6;

    private static final double BESIDE = 0.6;
    private static final double CLEAN = 0.75;
    private static final double SOFT = 0.3;

    private MoonAndLand() {}

    /**
     * What came of it.
     *
     * @param moon as it is in the shorter exposure
     * @param burntRadii of the disc, over which the longer one is burnt
     * @param movedPx by which the moon stands elsewhere in it
     * @param apartStops by which it is brighter
     */
    public record Result(Assembled picture, MoonReading moon, double burntRadii, double movedPx, double apartStops) {}

    /**
     * @throws Taken.UnreadableFrame for frames that cannot be decoded or differ in size, where the darker shows no moon, and where the brighter is
     *     not burnt where that stands
     */
    public static Result of(Taken one, Taken other, Progress progress) {
        Raster a = one.read();
        progress.step();
        Raster b = other.read().like(a);
        progress.step();
        boolean firstDarker = a.mean() < b.mean();
        Raster dark = firstDarker ? a : b;
        Raster bright = firstDarker ? b : a;
        Optional<MoonReading> found = MoonReading.of(dark.pixels(), dark.encoding());
        if (found.isEmpty()) {
            throw new Taken.UnreadableFrame("The darker of the two shows no moon.");
        }
        MoonReading moon = found.get();
        double[] lit = lit(dark, moon);
        double[] burnt = burnt(bright, moon, lit);
        if (burnt.length == 0) {
            throw new Taken.UnreadableFrame(
                    "The brighter of the two is not burnt where the moon stands in the other: it needs no second exposure.");
        }
        return new Result(
                put(dark, bright, moon, burnt[0] - lit[0], burnt[1] - lit[1], burnt[2]),
                moon,
                burnt[2] / moon.radiusPx(),
                Math.hypot(burnt[0] - lit[0], burnt[1] - lit[1]),
                Stops.of(bright.mean() / Math.max(1e-6, dark.mean())));
    }

    private static double[] turns(DoubleUnaryOperator of) {
        return IntStream.range(0, DIRECTIONS)
                .mapToDouble(k -> of.applyAsDouble(2 * Math.PI * k / DIRECTIONS))
                .toArray();
    }

    /** Middle and radius of what is burnt about the moon; nothing where too little is. */
    private static double[] burnt(Raster frame, MoonReading moon, double[] lit) {
        double reach = NEAR_RADII * moon.radiusPx();
        int x0 = (int) Math.max(0, moon.x() - reach);
        int x1 = (int) Math.min(frame.width() - 1.0, moon.x() + reach);
        int y0 = (int) Math.max(0, moon.y() - reach);
        int y1 = (int) Math.min(frame.height() - 1.0, moon.y() + reach);
        double sx = 0;
        double sy = 0;
        int n = 0;
        for (int y = y0; y <= y1; y++) {
            for (int x = x0; x <= x1; x++) {
                if (frame.light(1, x, y) > BURNT) {
                    sx += x + 0.5;
                    sy += y + 0.5;
                    n++;
                }
            }
        }
        if (n < 0.2 * moon.radiusPx() * moon.radiusPx()) {
            return new double[0];
        }
        double[] middle = middle(frame, new double[] {sx / n, sy / n}, reach).orElse(lit);
        double x = middle[0];
        double y = middle[1];
        double radius = moon.radiusPx();
        while (radius < reach && ring(frame, x, y, radius, true, 1) > RING_BURNT) {
            radius += 1;
        }
        return new double[] {x, y, radius};
    }

    /**
     * Of what is burnt, as far as it is round, by least squares: where something stands before it, and where the frame ends, its edge does not
     * count. Empty where its edge is seen in too few directions.
     */
    private static Optional<double[]> middle(Raster frame, double[] about, double reach) {
        double[] at = about.clone();
        for (int round = 0; round < ROUNDS; round++) {
            double[] far = new double[DIRECTIONS];
            for (int k = 0; k < DIRECTIONS; k++) {
                far[k] = far(frame, at, ACROSS[k], DOWN[k], reach);
            }
            double[] seen = Arrays.stream(far).filter(f -> f >= 0).sorted().toArray();
            if (seen.length < LEAST_DIRECTIONS) {
                return Optional.empty();
            }
            double usual = seen[seen.length * 2 / 3];
            double[][] m = new double[3][4]; // right, down, larger
            for (int k = 0; k < DIRECTIONS; k++) {
                if (far[k] >= 0 && Math.abs(far[k] - usual) < ROUND * usual) {
                    Linear.add(m, 1, new double[] {ACROSS[k], DOWN[k], 1}, far[k] - usual);
                }
            }
            if (!Linear.solve(m)) {
                return Optional.of(at); // a branch before the very middle hides all of its edge
            }
            at[0] += m[0][3];
            at[1] += m[1][3];
        }
        return Optional.of(at);
    }

    /** How far it is burnt in a direction; −1 where the frame ends before that. */
    private static double far(Raster frame, double[] from, double across, double down, double reach) {
        for (double far = 0; ; far += 0.5) {
            double x = from[0] + far * across;
            double y = from[1] + far * down;
            if (x < 0 || y < 0 || x >= frame.width() || y >= frame.height()) {
                return -1;
            }
            if (far >= reach || frame.light(1, (int) x, (int) y) <= BURNT) {
                return far;
            }
        }
    }

    /** On a circle the share that is burnt, or the mean light of a colour. */
    private static double ring(Raster frame, double x, double y, double radius, boolean burnt, int colour) {
        int all = 0;
        double sum = 0;
        for (int k = 0; k < 180; k++) {
            int u = (int) (x + radius * Math.cos(Math.toRadians(2.0 * k)));
            int v = (int) (y + radius * Math.sin(Math.toRadians(2.0 * k)));
            if (u >= 0 && v >= 0 && u < frame.width() && v < frame.height()) {
                all++;
                double light = frame.light(colour, u, v);
                sum += burnt ? light > BURNT ? 1 : 0 : light;
            }
        }
        return all == 0 ? 0 : sum / all;
    }

    /** Middle of what is lit, which is not the disc's where it is a crescent. */
    private static double[] lit(Raster frame, MoonReading moon) {
        double sx = 0;
        double sy = 0;
        double sum = 0;
        int reach = (int) Math.ceil(moon.radiusPx());
        for (int j = -reach; j <= reach; j++) {
            for (int i = -reach; i <= reach; i++) {
                int x = (int) moon.x() + i;
                int y = (int) moon.y() + j;
                if (x >= 0 && y >= 0 && x < frame.width() && y < frame.height()) {
                    double light = frame.light(1, x, y) > LIT * moon.level() ? 1 : 0;
                    sx += light * (x + 0.5);
                    sy += light * (y + 0.5);
                    sum += light;
                }
            }
        }
        return sum == 0 ? new double[] {moon.x(), moon.y()} : new double[] {sx / sum, sy / sum};
    }

    /** The glow about the moon, which is let down so far that it grows evenly from what is beside it to the limb. */
    private static final class Glow {
        private final float[][] rings;
        private final double limb;
        private final double most;
        private final int from;
        private final int clean;

        Glow(Raster bright, double x, double y, double radius, double burnt, double level) {
            limb = radius;
            int reach = (int) (NEAR_RADII * radius);
            rings = new float[3][reach + 1];
            for (int r = 0; r <= reach; r++) {
                for (int c = 0; c < 3; c++) {
                    rings[c][r] = (float) ring(bright, x, y, r, false, c);
                }
            }
            double wanted = GLOW_OF_DISC * level;
            int at = (int) Math.min(reach, Math.ceil(burnt));
            while (at < reach && brightest(at) > CLEAN) {
                at++;
            }
            clean = at;
            while (at < reach && rings[1][at] > BESIDE * wanted) {
                at++;
            }
            from = at;
            most = Math.max(wanted, rings[1][from]);
        }

        private double brightest(int r) {
            return Math.max(rings[0][r], Math.max(rings[1][r], rings[2][r]));
        }

        /** How far what the long exposure draws counts at a distance, 0 to 1. */
        double own(double off) {
            return Math.max(0, Math.min(1, (off - clean) / (SOFT * clean)));
        }

        /** A place of the long exposure against its ring: clouds and branches in the glow. */
        double against(double light, double off) {
            return off >= from ? 1 : light / Math.max(1e-4, rings[1][(int) off]);
        }

        /** Of a colour, in the hue of the glow farther out: nearer, colours are burnt one after the other. */
        double light(int colour, double off) {
            return wanted(off) * rings[colour][from] / Math.max(1e-4, rings[1][from]);
        }

        private double wanted(double off) {
            double inwards = Math.max(0, Math.min(1, (from - off) / Math.max(1, from - limb)));
            return rings[1][from] + (most - rings[1][from]) * inwards * (2 - inwards);
        }
    }

    private static Assembled put(
            Raster dark, Raster bright, MoonReading moon, double right, double down, double burntPx) {
        int w = bright.width();
        int h = bright.height();
        double moonX = moon.x() + right;
        double moonY = moon.y() + down;
        Glow glow = new Glow(bright, moonX, moonY, moon.radiusPx(), burntPx, moon.level());
        char[][] out = new char[3][w * h];
        IntStream.range(0, h).parallel().forEach(y -> {
            float[] rgb = new float[3];
            for (int x = 0; x < w; x++) {
                double off = Math.hypot(x + 0.5 - moonX, y + 0.5 - moonY);
                double inside = Math.max(0, Math.min(1, moon.radiusPx() - off + 0.5));
                boolean white = bright.light(1, x, y) > BURNT;
                double own = white ? 0 : glow.own(off);
                double drawing = own * glow.against(bright.light(1, x, y), off) + 1 - own;
                boolean before = off < burntPx && bright.light(1, x, y) < BURNT / 3; // something stands before it
                dark.light(x - moonX + moon.x(), y - moonY + moon.y(), rgb);
                for (int c = 0; c < 3; c++) {
                    double here = bright.light(c, x, y);
                    if (!before && off < glow.from) {
                        double around = glow.light(c, off) * drawing;
                        here = inside * rgb[c] + (1 - inside) * Math.max(around, rgb[c]);
                    }
                    out[c][y * w + x] = Assembled.number(here);
                }
            }
        });
        return new Assembled(w, h, out);
    }
}
