package dev.halfdusk.core.frame;

import dev.halfdusk.core.exposure.Histogram;
import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The picture that a camera would take: electrons counted in every pixel, with the noise of photons, dark current and
 * reading, clipped at saturation; then balanced and curved (sRGB) for looking at.
 *
 * <p>Sky by direction from {@code glow}, stars of the catalogue with their real flux, drift and spread, made-up faint ones,
 * moon, planets, skyline, marks, ground and water. Left out: clouds
 * in water. The same seed gives the same
 * picture.
 */
public final class Photograph {

    private static final int PREPARED = 4;
    private static final double ROUGHNESS = 0.3;

    /** Rows that one hand works on at a time. */
    private static final int BAND = 16;

    private final Window window;
    private final float[][] electrons;
    private final double saturation;
    private final double burntByStars;
    private final Development development;

    private Photograph(
            Window window, float[][] electrons, double saturation, double burntByStars, Development development) {
        this.window = window;
        this.electrons = electrons;
        this.saturation = saturation;
        this.burntByStars = burntByStars;
        this.development = development;
    }

    /**
     * Loads what would make the first picture slow, and takes some small ones, so that what they run is compiled.
     *
     * @param before each of them, to let others go first
     */
    public static void prepare(Runnable before) {
        MadeUpStars.prepare();
        Sensor sensor = Sensor.of(36, 24, 6000);
        Optics optics = new Optics(sensor, 20, Projection.RECTILINEAR);
        Scene scene = Scene.open(
                Standpoint.open(new Site(0, 0, 0), SkyGlow.natural()),
                Moment.at(Instant.parse("2027-06-08T00:00:00Z")));
        Shot shot = new Shot(
                Framing.of(optics, new Direction(180, 20), 0),
                new Response(50_000, 100, 3, 1.5, 0.05, 0.5),
                0.5,
                new Settings(8, 2.8, 3200),
                2.8,
                0,
                Shot.USUAL_KELVIN,
                Support.TRIPOD);
        for (int i = 0; i < PREPARED; i++) {
            before.run();
            take(scene, shot, Window.whole(sensor, 240), i).rgb();
            before.run();
            take(scene, shot, Window.crop(sensor, 0, 0, 150, 100), i).rgb();
        }
    }

    /** With a higher sun no star below the catalogue's limit is told from the sky, in an eclipse neither. */
    private static final double FAINT_STARS_SUN_DEG = -6;

    /** Which stars are drawn. */
    public enum Stars {
        /** With made-up ones below the catalogue's limit. */
        ALL,
        CATALOGUED
    }

    /** The usual picture. */
    public static Photograph take(Scene scene, Shot shot, Window window, long seed) {
        return take(scene, shot, window, seed, TrailFrames.NONE, Stars.ALL);
    }

    /**
     * @param trails frames laid over each other; the sky then is that of one frame
     */
    public static Photograph take(Scene scene, Shot shot, Window window, long seed, TrailFrames trails, Stars stars) {
        Backdrop backdrop = new Backdrop(scene, shot, window);
        Canvas canvas = new Canvas(window.width(), window.height());
        double degreesPerPixel = shot.pixelDeg(window);
        Shade.marks(scene, shot, window, canvas);
        int bands = (window.height() + BAND - 1) / BAND;
        IntStream.range(0, bands).parallel().forEach(b -> {
            int top = b * BAND;
            Backdrop.Band band = backdrop.band(top, BAND, window.width());
            for (int y = top; y < Math.min(window.height(), top + BAND); y++) {
                row(y, backdrop, band, canvas, shot, window, degreesPerPixel, seed);
            }
        });
        boolean faint = stars == Stars.ALL
                && trails.frames() == 1
                && scene.moment().local(Body.SUN, scene.observer()).latitudeDeg() < FAINT_STARS_SUN_DEG;
        paint(scene, shot, window, trails, faint, canvas, backdrop.perLuminance());
        canvas.finish();
        canvas.done();
        IntStream.range(0, bands).parallel().forEach(b -> {
            Reading reading = new Reading(new float[window.width()], new long[window.width()]);
            for (int y = b * BAND; y < Math.min(window.height(), (b + 1) * BAND); y++) {
                read(y, canvas, shot, window, seed, reading);
            }
        });
        return new Photograph(
                window,
                canvas.electrons,
                shot.response().saturationE(shot.settings().iso()),
                canvas.burntByStars(),
                new Development(shot.kelvin(), shot.details().tint()));
    }

    /** Sources one after the other; the faint stars, most of the work, by two at a time, the second beside the picture. */
    private static void paint(
            Scene scene,
            Shot shot,
            Window window,
            TrailFrames trails,
            boolean faint,
            Canvas canvas,
            double perLuminance) {
        List<Source> first = scene.sources();
        if (!faint) {
            Exposure exposure = new Exposure(scene, shot, window, trails, canvas, perLuminance);
            first.forEach(source -> source.paint(exposure));
            return;
        }
        first.add(new FinerStars(0, 2));
        Canvas beside = canvas.beside();
        Stream.of(canvas, beside).parallel().forEach(part -> {
            Exposure exposure = new Exposure(scene, shot, window, trails, part, perLuminance);
            (part == canvas ? first : List.of(new FinerStars(1, 2))).forEach(source -> source.paint(exposure));
        });
        canvas.add(beside);
    }

    private static void row(
            int y,
            Backdrop backdrop,
            Backdrop.Band band,
            Canvas canvas,
            Shot shot,
            Window window,
            double degreesPerPixel,
            long seed) {
        double roughness = ROUGHNESS / Math.sqrt(backdrop.steps());
        Backdrop.Line line = band.line(y);
        double seconds = shot.seconds();
        boolean drawn = shot.framing().draws(window.onSensor(0.5, y + 0.5))
                && shot.framing().draws(window.onSensor(canvas.width - 0.5, y + 0.5)); // what it draws is round
        boolean cloudless = backdrop.cloudless();
        float[][] sky = band.sky();
        float[] open = band.open();
        double[] ground = new double[3];
        double[] mark = new double[3];
        line.open(degreesPerPixel, open);
        line.sky(open, sky);
        for (int x = 0; x < canvas.width; x++) {
            int at = y * canvas.width + x;
            if (!drawn && !shot.framing().draws(window.onSensor(x + 0.5, y + 0.5))) {
                continue; // black beyond what the lens draws
            }
            double marked = canvas.marked[at];
            double share = (1 - marked) * open[x];
            canvas.open[at] = cloudless ? (float) share : (float) share * line.clear(x + 0.5);
            if (share == 1) {
                for (int c = 0; c < 3; c++) {
                    canvas.electrons[c][at] = (float) (seconds * sky[c][x]);
                }
                continue;
            }
            double even = (Noise.bits(seed, ((long) y / 3 << 20) + x / 3) >>> 40) / (double) (1 << 24);
            double rough = 1 + roughness * (even - 0.5);
            double below = 1 - share - marked;
            if (below > 0) {
                line.ground(x + 0.5, rough, ground);
            }
            if (marked > 0) {
                line.mark(x + 0.5, rough, mark);
            }
            for (int c = 0; c < 3; c++) {
                double light = share * sky[c][x] + below * ground[c] + marked * mark[c];
                canvas.electrons[c][at] = (float) (seconds * light);
            }
        }
    }

    /** What a row needs while it is read; one for many rows, since it would be most of a picture's garbage. */
    private record Reading(float[] spread, long[] bits) {}

    private static void read(int y, Canvas canvas, Shot shot, Window window, long seed, Reading reading) {
        double pixels = window.binned() * window.binned();
        double row = Sensing.row(window, y, shot, seed);
        double dark = Sensing.dark(shot);
        double noise = shot.response().readNoiseE(shot.settings().iso());
        double full = shot.response().saturationE(shot.settings().iso());
        if (pixels != 1) {
            reduced(y, canvas, pixels, (float) (dark + noise * noise), (float) row, (float) full, seed, reading);
            return;
        }
        for (int x = 0; x < canvas.width; x++) {
            int at = y * canvas.width + x;
            long bits = Noise.bits(seed, at);
            double hot = Sensing.hot(window, x, y, shot);
            for (int c = 0; c < 3; c++) {
                double expected = canvas.electrons[c][at] + dark + hot;
                double counted = Noise.counted(expected, noise, bits, c);
                canvas.electrons[c][at] =
                        (float) Math.min(full, counted - dark + row); // the camera takes the mean dark away
            }
        }
    }

    /** The same of a reduced picture, whose pixels are means of many: normal noise, in loops that a processor takes several pixels at a time. */
    private static void reduced(
            int y, Canvas canvas, double pixels, float dark, float row, float full, long seed, Reading reading) {
        int width = canvas.width;
        int from = y * width;
        float[] spread = reading.spread;
        long[] bits = reading.bits;
        for (int x = 0; x < width; x++) {
            bits[x] = Noise.bits(seed, from + x);
        }
        float each = (float) (1 / pixels);
        for (int c = 0; c < 3; c++) {
            float[] electrons = canvas.electrons[c];
            for (int x = 0; x < width; x++) {
                spread[x] = (float) Math.sqrt((electrons[from + x] + dark) * each);
            }
            for (int x = 0; x < width; x++) {
                float counted = electrons[from + x] + spread[x] * Noise.normal(bits[x], c) + row;
                electrons[from + x] = counted < full ? counted : full;
            }
        }
    }

    /**
     * With what another counted on the same sensor in the same frame, as when something moved meanwhile. Each brings noise of reading of its
     * own, so there is more of it than in one frame by a factor of 1.4.
     */
    public Photograph plus(Photograph other) {
        float[][] sum = new float[electrons.length][];
        for (int c = 0; c < electrons.length; c++) {
            sum[c] = electrons[c].clone();
            for (int i = 0; i < sum[c].length; i++) {
                sum[c][i] = Math.min((float) saturation, sum[c][i] + other.electrons[c][i]);
            }
        }
        return new Photograph(window, sum, saturation, burntByStars + other.burntByStars, development);
    }

    /**
     * Where the camera stood for a part of the exposure.
     *
     * @param share of the time
     * @param rightPx of the sensor by which the picture lies aside, with downPx
     */
    public record Stood(double share, double rightPx, double downPx) {}

    /** By a camera that did not stand still. What burnt where it stood longest stays burnt. */
    public Photograph moved(List<Stood> places) {
        float[][] sum = new float[electrons.length][electrons[0].length];
        for (Stood s : places) {
            int right = (int) Math.round(s.rightPx / window.binned());
            int down = (int) Math.round(s.downPx / window.binned());
            for (int c = 0; c < electrons.length; c++) {
                add(sum[c], electrons[c], (float) s.share, right, down);
            }
        }
        return new Photograph(window, sum, saturation, burntByStars, development);
    }

    private void add(float[] sum, float[] from, float share, int right, int down) {
        int width = window.width();
        int height = window.height();
        for (int y = 0; y < height; y++) {
            int row = Math.max(0, Math.min(height - 1, y - down)) * width;
            for (int x = 0; x < width; x++) {
                sum[y * width + x] += share * from[row + Math.max(0, Math.min(width - 1, x - right))];
            }
        }
    }

    /** Electrons at which a pixel is white. */
    public double saturationE() {
        return saturation;
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
        return development.rgb(electrons, window, saturation);
    }

    /** The same frame developed for another white balance. */
    public int[] rgb(double kelvin, double tint) {
        Shot.KELVIN.check(kelvin);
        Shot.Details.TINT.check(tint);
        return new Development(kelvin, tint).rgb(electrons, window, saturation);
    }

    /** Part of the sensor's pixels in which a colour is burnt, those of stars too that a reduced picture no longer shows. */
    public double burnt() {
        double count = burntByStars / (window.binned() * window.binned());
        for (int i = 0; i < electrons[1].length; i++) {
            count += burntAt(i) ? 1 : 0;
        }
        return Math.min(1, count / electrons[1].length);
    }

    /** Whether a colour is burnt in a pixel, counted row by row. */
    boolean burntAt(int pixel) {
        double most = Math.max(electrons[0][pixel], Math.max(electrons[1][pixel], electrons[2][pixel]));
        return most >= saturation * (1 - 1e-4);
    }

    /** Whether a pixel lies in the darkest part of the histogram. */
    boolean blackAt(int pixel) {
        return Tone.position(electrons[1][pixel] / saturation) * Histogram.BINS < 1;
    }

    /** For looking at, with what is burnt striped and what is black dotted. */
    public int[] rgbWithLimits() {
        return Limits.over(rgb(), this, true);
    }

    /** The same with what is burnt alone: at night most of a frame is black. */
    public int[] rgbWithBurnt() {
        return Limits.over(rgb(), this, false);
    }

    /** Of the green pixels, as they are here. */
    public Histogram histogram() {
        double[] bins = new double[Histogram.BINS];
        for (float e : electrons[1]) {
            double position = Tone.position(e / saturation);
            bins[Math.min(bins.length - 1, (int) (position * bins.length))] += 1.0 / electrons[1].length;
        }
        return new Histogram(bins);
    }
}
