package dev.halfdusk.core.assembly;

import dev.halfdusk.core.lighttable.Encoding;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.Supplier;

/** Frames of a sky that turns about a point of the picture, seen through a lens that bends a little, by a generator of its own. */
final class MadeUpNight {

    static final int W = 700;
    static final int H = 480;
    static final Instant BEGIN = Instant.parse("2027-06-08T01:30:00Z");
    private static final double POLE_X = 250;
    private static final double POLE_Y = -300;
    private static final double BENT = -0.03;

    final List<double[]> stars = new ArrayList<>();
    double radiansPerSecond = 0.00035;
    double level = 0.02;
    double noise = 0.002;
    double sigma = 1.1;

    MadeUpNight(int count, double brightest, long seed) {
        Random random = new Random(seed);
        for (int i = 0; i < count; i++) {
            double peak = 0.02 * Math.pow(brightest / 0.02, Math.pow(random.nextDouble(), 2));
            stars.add(new double[] {-100 + random.nextDouble() * (W + 200), -100 + random.nextDouble() * (H + 200), peak
            });
        }
    }

    /** Where a star is drawn after so many seconds. */
    double[] at(double[] star, double seconds) {
        double turn = radiansPerSecond * seconds;
        double dx = star[0] - POLE_X;
        double dy = star[1] - POLE_Y;
        double x = POLE_X + dx * Math.cos(turn) - dy * Math.sin(turn);
        double y = POLE_Y + dx * Math.sin(turn) + dy * Math.cos(turn);
        double u = (x - W / 2.0) / W;
        double v = (y - H / 2.0) / W;
        double bend = 1 + BENT * (u * u + v * v);
        return new double[] {W / 2.0 + u * W * bend, H / 2.0 + v * W * bend};
    }

    /** Light of a frame that is open from one second to another. */
    float[] light(double from, double to, long seed) {
        float[] light = new float[W * H];
        Random random = new Random(seed);
        for (int i = 0; i < light.length; i++) {
            light[i] = (float) (level + noise * random.nextGaussian());
        }
        for (double[] star : stars) {
            double[] a = at(star, from);
            double[] b = at(star, to);
            int steps = 1 + (int) (4 * Math.hypot(b[0] - a[0], b[1] - a[1]));
            for (int k = 0; k < steps; k++) {
                double[] p = at(star, from + (to - from) * (k + 0.5) / steps);
                spot(light, p[0], p[1], star[2] / Math.max(1, steps / 8.0));
            }
        }
        return light;
    }

    void spot(float[] light, double x, double y, double peak) {
        for (int j = (int) Math.max(0, y - 6); j <= Math.min(H - 1, y + 6); j++) {
            for (int i = (int) Math.max(0, x - 6); i <= Math.min(W - 1, x + 6); i++) {
                double r2 = (i + 0.5 - x) * (i + 0.5 - x) + (j + 0.5 - y) * (j + 0.5 - y);
                light[j * W + i] += (float) (peak * Math.exp(-r2 / (2 * sigma * sigma)));
            }
        }
    }

    /** Light of a colour at a pixel. */
    interface Light {
        double at(int colour, int x, int y);
    }

    static Raster raster(int width, int height, Light light) {
        short[] data = new short[3 * width * height];
        for (int i = 0; i < data.length; i++) {
            double at = light.at(i % 3, i / 3 % width, i / 3 / width);
            data[i] = (short) Math.round(65_535 * Math.max(0, Math.min(1, at)));
        }
        return Raster.of(data, width, height, new int[] {0, 1, 2}, 3 * width, 3, Encoding.LINEAR);
    }

    static Raster raster(float[] light) {
        return raster(W, H, (c, x, y) -> light[y * W + x]);
    }

    static Taken taken(float[] light, double from, double seconds) {
        return taken(() -> raster(light), from, seconds);
    }

    static Taken taken(Supplier<Raster> raster, double from, double seconds) {
        return taken(raster, Optional.of(BEGIN.plusMillis(Math.round(1000 * from))), seconds);
    }

    /** One whose file does not say when it was taken. */
    static Taken undated(Raster raster) {
        return taken(() -> raster, Optional.empty(), 0);
    }

    private static Taken taken(Supplier<Raster> raster, Optional<Instant> opened, double seconds) {
        return new Taken() {
            @Override
            public Raster read() {
                return raster.get();
            }

            @Override
            public Optional<Instant> opened() {
                return opened;
            }

            @Override
            public double seconds() {
                return seconds;
            }
        };
    }

    /** A line of light, as a satellite draws it. */
    void line(float[] light, double x0, double y0, double x1, double y1, double peak) {
        double length = Math.hypot(x1 - x0, y1 - y0);
        for (double s = 0; s <= length; s += 0.5) {
            spot(light, x0 + (x1 - x0) * s / length, y0 + (y1 - y0) * s / length, peak / 4);
        }
    }
}
