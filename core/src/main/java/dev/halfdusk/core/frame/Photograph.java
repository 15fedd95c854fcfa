package dev.halfdusk.core.frame;

import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.sky.Body;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * The picture that a camera would take: electrons counted in every pixel, with the noise of photons, dark current and
 * reading, clipped at saturation; then balanced and curved (sRGB) for looking at.
 *
 * <p>Sky by direction from {@code glow}, stars of the catalogue with their real flux, drift and spread, made-up faint ones,
 * moon, planets, skyline and marks. Left out: distortion, coma, flare, Bayer pattern (every pixel sees all three colours),
 * clouds, aircraft. The same seed gives the same picture.
 */
public final class Photograph {

    private static final int BINS = 96;
    private static final int CURVE = 1 << 14;
    private static final byte[] TONE = tone();
    private static final double MARK_SHADE = 0.4;
    private static final double FULL_MOON_CD = 4900;
    private static final double ROUGHNESS = 0.5;

    /** What a camera's colour matrix adds, since its filters overlap. */
    private static final double VIVID = 2.2;

    private final Window window;
    private final float[][] electrons;
    private final double saturation;
    private final double[] balance;

    private Photograph(Window window, float[][] electrons, double saturation, double[] balance) {
        this.window = window;
        this.electrons = electrons;
        this.saturation = saturation;
        this.balance = balance;
    }

    private static byte[] tone() {
        byte[] table = new byte[CURVE + 1];
        for (int i = 0; i <= CURVE; i++) {
            table[i] = (byte) Math.round(255 * Tone.position((double) i / CURVE));
        }
        return table;
    }

    /** Loads what would make the first picture slow. */
    public static void prepare() {
        Clouds.prepare();
        if (FaintStars.COUNT == 0) {
            throw new IllegalStateException("no stars");
        }
    }

    /** Which stars are drawn. */
    public enum Stars {
        /** With made-up ones below the catalogue's limit. */
        ALL,
        CATALOGUED
    }

    /** The usual picture. */
    public static Photograph take(Scene scene, Shot shot, Window window, long seed) {
        return take(scene, shot, window, seed, Trails.NONE, Stars.ALL);
    }

    /**
     * @param trails frames laid over each other; the sky then is that of one frame
     */
    public static Photograph take(Scene scene, Shot shot, Window window, long seed, Trails trails, Stars stars) {
        Backdrop backdrop = new Backdrop(scene, shot, window);
        Canvas canvas = new Canvas(window.width(), window.height());
        double degreesPerPixel = shot.framing().optics().plateScaleArcsec() * window.binned() / 3600;
        marks(scene, shot, window, canvas);
        IntStream.range(0, window.height())
                .parallel()
                .forEach(y -> row(y, backdrop, canvas, shot, window, degreesPerPixel, seed));
        moon(scene, shot, window, canvas, backdrop);
        new Lights(scene, shot, window, trails, canvas).draw(stars);
        IntStream.range(0, window.height())
                .parallel()
                .forEach(y -> read(y, canvas, shot, window.binned() * window.binned(), seed));
        return new Photograph(
                window,
                canvas.electrons,
                shot.response().saturationE(shot.settings().iso()),
                Tint.balance(shot.kelvin()));
    }

    /** Marks first: they only say how much of each pixel they hide. On a tracker they pass before the sky. */
    private static void marks(Scene scene, Shot shot, Window window, Canvas canvas) {
        Smear smear = Smear.of(shot, scene.from().site(), window);
        for (int step = 0; step < smear.steps(); step++) {
            marks(scene, shot, window, canvas, smear, step);
        }
    }

    private static void marks(Scene scene, Shot shot, Window window, Canvas canvas, Smear smear, int step) {
        for (Mark mark : scene.marks()) {
            double half = mark.widthDeg() / 2;
            double[][] corners = {
                {mark.bearingDeg() - half, mark.footAltitudeDeg()},
                {mark.bearingDeg() + half, mark.footAltitudeDeg()},
                {mark.bearingDeg() + half, mark.topAltitudeDeg()},
                {mark.bearingDeg() - half, mark.topAltitudeDeg()}
            };
            Point[] points = new Point[4];
            for (int i = 0; i < 4; i++) {
                Optional<Point> p = shot.framing()
                        .project(smear.before(new Direction(corners[i][0], corners[i][1]).vector(), step))
                        .map(window::inPicture);
                if (p.isEmpty()) {
                    return;
                }
                points[i] = p.get();
            }
            shade(points, canvas, 1f / smear.steps());
        }
    }

    /** Adds to what is hidden inside of a convex corner-to-corner outline. */
    private static void shade(Point[] corners, Canvas canvas, float share) {
        double left = Double.POSITIVE_INFINITY;
        double right = 0;
        double top = Double.POSITIVE_INFINITY;
        double bottom = 0;
        for (Point p : corners) {
            left = Math.min(left, p.x());
            right = Math.max(right, p.x());
            top = Math.min(top, p.y());
            bottom = Math.max(bottom, p.y());
        }
        for (int y = (int) Math.max(0, top); y <= Math.min(canvas.height - 1, bottom); y++) {
            for (int x = (int) Math.max(0, left); x <= Math.min(canvas.width - 1, right); x++) {
                if (inside(corners, x + 0.5, y + 0.5)) {
                    int at = y * canvas.width + x;
                    canvas.marked[at] = Math.min(1, canvas.marked[at] + share);
                }
            }
        }
    }

    private static boolean inside(Point[] corners, double x, double y) {
        boolean left = false;
        boolean right = false;
        for (int i = 0; i < corners.length; i++) {
            Point a = corners[i];
            Point b = corners[(i + 1) % corners.length];
            double side = (b.x() - a.x()) * (y - a.y()) - (b.y() - a.y()) * (x - a.x());
            left |= side < 0;
            right |= side > 0;
        }
        return !(left && right);
    }

    private static void row(
            int y, Backdrop backdrop, Canvas canvas, Shot shot, Window window, double degreesPerPixel, long seed) {
        double roughness = ROUGHNESS / Math.sqrt(backdrop.steps());
        for (int x = 0; x < canvas.width; x++) {
            int at = y * canvas.width + x;
            if (!shot.framing().draws(window.onSensor(x + 0.5, y + 0.5))) {
                continue; // black beyond what the lens draws
            }
            double marked = canvas.marked[at];
            double share = (1 - marked) * backdrop.open(x + 0.5, y + 0.5, degreesPerPixel);
            double ground = backdrop.ground();
            canvas.open[at] = (float) share;
            if (share < 1) { // marks are darker than open ground; grass and rock are not even
                ground *= 1 - (1 - MARK_SHADE) * marked / (1 - share);
                double rough = (Noise.bits(seed, ((long) y / 3 << 20) + x / 3) >>> 40) / (double) (1 << 24);
                ground *= 1 - roughness / 2 + roughness * rough;
            }
            for (int c = 0; c < 3; c++) {
                double sky = share == 0 ? 0 : backdrop.sky(c, x + 0.5, y + 0.5);
                canvas.electrons[c][at] = (float) (shot.seconds() * (share * sky + (1 - share) * ground));
            }
        }
    }

    /** The lit part of its disc, to scale. */
    private static void moon(Scene scene, Shot shot, Window window, Canvas canvas, Backdrop backdrop) {
        Vector moon = scene.moment().local(Body.MOON, scene.observer());
        Vector sun = scene.moment().local(Body.SUN, scene.observer());
        Vector towards = moon.unit();
        double radius = Math.asin(Body.MOON.radiusKm() / moon.length());
        Optional<Point> middle = shot.framing().project(towards).map(window::inPicture);
        if (middle.isEmpty() || towards.z() < -radius) {
            return;
        }
        Vector light = sun.minus(moon).unit();
        double px =
                1.5 * Math.toDegrees(radius) * 3600 / shot.framing().optics().plateScaleArcsec() / window.binned() + 2;
        Point p = middle.get();
        for (int y = (int) Math.max(0, p.y() - px); y < Math.min(canvas.height, p.y() + px); y++) {
            for (int x = (int) Math.max(0, p.x() - px); x < Math.min(canvas.width, p.x() + px); x++) {
                Vector seen = shot.framing().see(window.onSensor(x + 0.5, y + 0.5));
                Vector off = seen.minus(towards.times(seen.dot(towards))).times(1 / Math.sin(radius));
                double r2 = off.dot(off);
                if (r2 < 1 && seen.dot(towards) > 0) {
                    double lit = off.minus(towards.times(Math.sqrt(1 - r2))).dot(light);
                    int at = y * canvas.width + x;
                    if (lit > 0) {
                        double e = FULL_MOON_CD
                                * Math.sqrt(lit)
                                * backdrop.perLuminance()
                                * shot.seconds()
                                * canvas.open[at];
                        for (int c = 0; c < 3; c++) {
                            canvas.electrons[c][at] += (float) (e * Tint.MOON[c]);
                        }
                    }
                }
            }
        }
    }

    private static void read(int y, Canvas canvas, Shot shot, double pixels, long seed) {
        double dark = shot.response().darkEPerSecond() * shot.seconds();
        double noise = shot.response().readNoiseE(shot.settings().iso());
        double full = shot.response().saturationE(shot.settings().iso());
        for (int x = 0; x < canvas.width; x++) {
            int at = y * canvas.width + x;
            for (int c = 0; c < 3; c++) {
                double expected = canvas.electrons[c][at] + dark;
                double counted = Noise.counted(expected, noise, pixels, Noise.bits(seed, 3L * at + c));
                canvas.electrons[c][at] = (float) Math.min(full, counted - dark); // the camera takes the mean dark away
            }
        }
    }

    public Window window() {
        return window;
    }

    /** Counted electrons of a colour (0 red, 1 green, 2 blue), row by row. */
    public float[] electrons(int channel) {
        return electrons[channel];
    }

    /** For looking at: red, green and blue, eight bits each. */
    public int[] rgb() {
        int[] out = new int[window.width() * window.height()];
        double[] scale = new double[3];
        for (int c = 0; c < 3; c++) {
            scale[c] = CURVE * balance[c] / saturation;
        }
        IntStream.range(0, window.height()).parallel().forEach(y -> {
            for (int x = 0; x < window.width(); x++) {
                int at = y * window.width() + x;
                double red = electrons[0][at] * scale[0];
                double green = electrons[1][at] * scale[1];
                double blue = electrons[2][at] * scale[2];
                double grey = 0.25 * red + 0.5 * green + 0.25 * blue;
                int value = tone(grey + VIVID * (red - grey)) << 16
                        | tone(grey + VIVID * (green - grey)) << 8
                        | tone(grey + VIVID * (blue - grey));
                out[at] = value;
            }
        });
        return out;
    }

    private static int tone(double share) {
        return TONE[(int) Math.max(0, Math.min(CURVE, share))] & 0xff;
    }

    /** Shares of the green pixels from black to white. */
    public double[] histogram() {
        double[] bins = new double[BINS];
        for (float e : electrons[1]) {
            double position = Tone.position(e / saturation);
            bins[Math.min(BINS - 1, (int) (position * BINS))]++;
        }
        for (int i = 0; i < BINS; i++) {
            bins[i] /= electrons[1].length;
        }
        return bins;
    }
}
