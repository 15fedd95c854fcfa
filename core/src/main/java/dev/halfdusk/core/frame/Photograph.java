package dev.halfdusk.core.frame;

import dev.halfdusk.core.exposure.Tone;
import java.util.function.DoublePredicate;
import java.util.stream.IntStream;

/**
 * The picture that a camera would take: electrons counted in every pixel, with the noise of photons, dark current and
 * reading, clipped at saturation; then balanced and curved (sRGB) for looking at.
 *
 * <p>Sky by direction from {@code glow}, stars of the catalogue with their real flux, drift and spread, made-up faint ones,
 * moon, planets, skyline and marks. Left out: distortion, coma, flare, clouds. The same seed gives the same picture.
 */
public final class Photograph {

    private static final int BINS = 96;
    private static final double MARK_SHADE = 0.4;
    private static final double ROUGHNESS = 0.3;

    private final Window window;
    private final float[][] electrons;
    private final double saturation;
    private final Development development;

    private Photograph(Window window, float[][] electrons, double saturation, Development development) {
        this.window = window;
        this.electrons = electrons;
        this.saturation = saturation;
        this.development = development;
    }

    /** Loads what would make the first picture slow. */
    public static void prepare() {
        MadeUpStars.prepare();
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
        Shade.marks(scene, shot, window, canvas);
        IntStream.range(0, window.height())
                .parallel()
                .forEach(y -> row(y, backdrop, canvas, shot, window, degreesPerPixel, seed));
        Exposure exposure = new Exposure(scene, shot, window, trails, canvas, backdrop.perLuminance());
        scene.sources(stars == Stars.ALL && trails.frames() == 1).forEach(source -> source.paint(exposure));
        IntStream.range(0, window.height()).parallel().forEach(y -> read(y, canvas, shot, window, seed));
        return new Photograph(
                window,
                canvas.electrons,
                shot.response().saturationE(shot.settings().iso()),
                new Development(shot.kelvin(), shot.details().tint()));
    }

    private static void row(
            int y, Backdrop backdrop, Canvas canvas, Shot shot, Window window, double degreesPerPixel, long seed) {
        double roughness = ROUGHNESS / Math.sqrt(backdrop.steps());
        Backdrop.Line line = backdrop.line(y + 0.5);
        float[][] sky = new float[3][canvas.width];
        float[] open = new float[canvas.width];
        Soil soil = backdrop.soil();
        line.open(degreesPerPixel, open);
        line.sky(open, sky);
        for (int x = 0; x < canvas.width; x++) {
            int at = y * canvas.width + x;
            if (!shot.framing().draws(window.onSensor(x + 0.5, y + 0.5))) {
                continue; // black beyond what the lens draws
            }
            double marked = canvas.marked[at];
            double share = (1 - marked) * open[x];
            double ground = 0;
            boolean water = false;
            double patch = 1;
            canvas.open[at] = (float) share;
            if (share < 1) { // marks are darker than open ground; grass and rock are not even
                double azimuth = line.azimuthDeg(x + 0.5);
                ground = soil.towards(azimuth) * soil.patch(azimuth, line.altitudeDeg(x + 0.5));
                water = line.isSea(x + 0.5);
                patch = water ? 0.6 + 0.4 * soil.patch(azimuth, line.altitudeDeg(x + 0.5)) : 1;
                ground *= 1 - (1 - MARK_SHADE) * marked / (1 - share);
                double rough = (Noise.bits(seed, ((long) y / 3 << 20) + x / 3) >>> 40) / (double) (1 << 24);
                ground *= 1 - roughness / 2 + roughness * rough;
            }
            for (int c = 0; c < 3; c++) {
                double below = ground * Tint.SOIL[c];
                if (water) {
                    below = marked * below + (1 - marked) * line.sea(c, x + 0.5) * patch;
                }
                canvas.electrons[c][at] = (float) (shot.seconds() * (share * sky[c][x] + (1 - share) * below));
            }
        }
    }

    private static void read(int y, Canvas canvas, Shot shot, Window window, long seed) {
        double pixels = window.binned() * window.binned();
        double row = Sensing.row(window, y, shot, seed);
        double dark = Sensing.dark(shot);
        double noise = shot.response().readNoiseE(shot.settings().iso());
        double full = shot.response().saturationE(shot.settings().iso());
        for (int x = 0; x < canvas.width; x++) {
            int at = y * canvas.width + x;
            long bits = Noise.bits(seed, at);
            double hot = Sensing.hot(window, x, y, shot);
            for (int c = 0; c < 3; c++) {
                double expected = canvas.electrons[c][at] + dark + hot;
                double counted = Noise.counted(expected, noise, pixels, bits, c);
                canvas.electrons[c][at] =
                        (float) Math.min(full, counted - dark + row); // the camera takes the mean dark away
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

    /** Part of the pixels in which a colour is burnt. */
    public double burnt() {
        return share(most -> most >= saturation * (1 - 1e-4));
    }

    /** Part of the pixels that are black: less than a thousandth of white in every colour. */
    public double black() {
        return share(most -> most < saturation * 1e-3);
    }

    private double share(DoublePredicate ofTheBrightest) {
        int count = 0;
        for (int i = 0; i < electrons[1].length; i++) {
            if (ofTheBrightest.test(Math.max(electrons[0][i], Math.max(electrons[1][i], electrons[2][i])))) {
                count++;
            }
        }
        return (double) count / electrons[1].length;
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
