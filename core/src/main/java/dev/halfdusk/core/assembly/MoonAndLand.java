package dev.halfdusk.core.assembly;

import dev.halfdusk.core.lighttable.MoonReading;
import dev.halfdusk.core.optics.Stops;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Two exposures of a moon over a land, one for each: the disc of the shorter where the longer is burnt by it, and about it the longer's own glow,
 * drawn on inwards as the square of the distance. What stands before the moon in the longer one stays before it.
 */
public final class MoonAndLand {

    private static final double BURNT = 0.9;
    private static final double NEAR_RADII = 8;
    private static final int ROUNDS = 20;
    private static final int DIRECTIONS = 72;
    private static final double ROUND = 0.25;
    private static final double RING_BURNT = 0.05;
    private static final double BEYOND = 1.3;
    private static final double LIMB = 1.04;
    private static final double GLOW_OF_DISC = 0.6;

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
        double[] burnt = burnt(bright, moon);
        if (burnt.length == 0) {
            throw new Taken.UnreadableFrame(
                    "The brighter of the two is not burnt where the moon stands in the other: it needs no second exposure.");
        }
        return new Result(
                put(dark, bright, moon, burnt),
                moon,
                burnt[2] / moon.radiusPx(),
                Math.hypot(burnt[0] - moon.x(), burnt[1] - moon.y()),
                Stops.of(bright.mean() / Math.max(1e-6, dark.mean())));
    }

    /** Middle and radius of what is burnt about the moon. */
    private static double[] burnt(Raster frame, MoonReading moon) {
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
        double[] middle = middle(frame, sx / n, sy / n, reach);
        double x = middle[0];
        double y = middle[1];
        double radius = moon.radiusPx();
        while (radius < reach && ring(frame, x, y, radius, true, 1) > RING_BURNT) {
            radius += 1;
        }
        return new double[] {x, y, radius};
    }

    /** Of what is burnt, as far as it is round: where something stands before it its edge does not count. */
    private static double[] middle(Raster frame, double x, double y, double reach) {
        double[] at = {x, y};
        for (int round = 0; round < ROUNDS; round++) {
            double[] far = new double[DIRECTIONS];
            for (int k = 0; k < DIRECTIONS; k++) {
                double u = Math.cos(2 * Math.PI * k / DIRECTIONS);
                double v = Math.sin(2 * Math.PI * k / DIRECTIONS);
                while (far[k] < reach && burnt(frame, at[0] + far[k] * u, at[1] + far[k] * v)) {
                    far[k] += 0.5;
                }
            }
            double[] sorted = far.clone();
            Arrays.sort(sorted);
            double usual = sorted[DIRECTIONS * 2 / 3];
            double dx = 0;
            double dy = 0;
            for (int k = 0; k < DIRECTIONS; k++) {
                if (Math.abs(far[k] - usual) < ROUND * usual) {
                    dx += 2 * (far[k] - usual) * Math.cos(2 * Math.PI * k / DIRECTIONS) / DIRECTIONS;
                    dy += 2 * (far[k] - usual) * Math.sin(2 * Math.PI * k / DIRECTIONS) / DIRECTIONS;
                }
            }
            at[0] += dx;
            at[1] += dy;
        }
        return at;
    }

    private static boolean burnt(Raster frame, double x, double y) {
        return x >= 0 && y >= 0 && x < frame.width() && y < frame.height() && frame.light(1, (int) x, (int) y) > BURNT;
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

    private static Assembled put(Raster dark, Raster bright, MoonReading moon, double[] burnt) {
        int w = bright.width();
        int h = bright.height();
        double outside = BEYOND * burnt[2];
        double[] at = new double[3];
        for (int c = 0; c < 3; c++) {
            at[c] = ring(bright, burnt[0], burnt[1], outside, false, c);
        }
        double most = GLOW_OF_DISC * moon.level();
        char[][] out = new char[3][w * h];
        IntStream.range(0, h).parallel().forEach(y -> {
            float[] rgb = new float[3];
            for (int x = 0; x < w; x++) {
                double off = Math.hypot(x + 0.5 - burnt[0], y + 0.5 - burnt[1]);
                double disc = Math.max(0, Math.min(1, (LIMB * moon.radiusPx() - off) / 2 + 0.5));
                dark.light(x - burnt[0] + moon.x(), y - burnt[1] + moon.y(), rgb);
                boolean before = off < burnt[2] && bright.light(1, x, y) < BURNT / 3; // something stands before it
                for (int c = 0; c < 3; c++) {
                    double here = bright.light(c, x, y);
                    if (off < outside && !before) {
                        double glow =
                                Math.min(most, at[c] * (outside / Math.max(1, off)) * (outside / Math.max(1, off)));
                        double around = Math.min(here, glow);
                        here = disc * Math.max(rgb[c], 0) + (1 - disc) * around;
                    }
                    out[c][y * w + x] = Assembled.number(here);
                }
            }
        });
        return new Assembled(w, h, out);
    }
}
