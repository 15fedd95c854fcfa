package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.frame.CameraCurve;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import java.time.Instant;
import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A sky made of numbers, 640 × 480 pixels without a star, against what was put into it. */
class SkyFormulasTest {

    private static final int W = 640;
    private static final int H = 480;
    private static final double RED = 0.04;
    private static final double GREEN = 0.05;
    private static final double BLUE = 0.03;

    /** How much brighter a place is than the middle, in stops, as shares of width and height from there. */
    private interface Shape {
        double stops(double u, double v);
    }

    private static Pixels pixels(Shape shape, double noise, double[] rows, double[] columns) {
        Random random = new Random(6);
        float[] off = new float[W * H];
        for (int i = 0; i < off.length; i++) {
            off[i] = (float) (noise * random.nextGaussian() + rows[i / W] + columns[i % W]);
        }
        return Pixels.read(W, H, 16, Encoding.LINEAR, (y, red, green, blue) -> {
            for (int x = 0; x < W; x++) {
                double by = Math.pow(2, shape.stops((x + 0.5) / W - 0.5, (y + 0.5) / H - 0.5));
                red[x] = number(by * RED + off[y * W + x]);
                green[x] = number(by * GREEN + off[y * W + x]);
                blue[x] = number(by * BLUE + off[y * W + x]);
            }
        });
    }

    private static int number(double light) {
        return (int) Math.round(65_535 * Math.max(0, Math.min(1, light)));
    }

    private static Pixels pixels(Shape shape, double noise) {
        return pixels(shape, noise, new double[H], new double[W]);
    }

    private static SkyReading read(Pixels pixels, Known known) {
        return SkyReading.of(pixels, SpotFinder.in(pixels).noise(), Encoding.LINEAR, known, Optional.empty());
    }

    /** Peaks where the colours' light lies on the axis of sRGB, the tint by green against the mean of red and blue, a pixel's noise against the sky. */
    @Test
    void an_even_sky() {
        SkyReading sky = read(pixels((u, v) -> 0, 0.002), Known.NOTHING);
        assertThat(sky.peaks()[0]).isCloseTo(Tone.position(RED), within(0.006));
        assertThat(sky.peaks()[1])
                .isCloseTo(Tone.position(GREEN), within(0.006))
                .isEqualTo(sky.peak());
        assertThat(sky.peaks()[2]).isCloseTo(Tone.position(BLUE), within(0.006));
        assertThat(sky.middle()).isCloseTo(Tone.position(GREEN), within(0.003));
        assertThat(sky.magenta()).isCloseTo((0.035 - 0.05) / ((0.035 + 0.05) / 2), within(0.005));
        assertThat(sky.noise()).isCloseTo(0.002 / 0.0425, within(0.006));
        assertThat(sky.gradientStops()).isLessThan(0.02);
        assertThat(sky.fallOffStops()).isCloseTo(0, within(0.02));
        assertThat(sky.banding()).isLessThan(0.003);
        assertThat(sky.clippedLow()).isZero();
        assertThat(sky.clippedHigh()).isZero();
        assertThat(sky.magnitude()).isEmpty();
        assertThat(sky.contrast()).isEmpty();
        for (double[] histogram : sky.histograms()) {
            double sum = 0;
            for (double bin : histogram) {
                sum += bin;
            }
            assertThat(sum).isCloseTo(1, within(1e-6));
            assertThat(histogram).hasSize(SkyReading.BINS);
        }
        // the first two of a thousand pixels lie 2.88 sigmas below
        assertThat(sky.gap()).isCloseTo(Tone.position(GREEN - 2.88 * 0.002), within(0.012));
        assertThat(sky.magnitudeError()).isCloseTo(0.35, within(1e-9));
    }

    /** Brighter by so many stops to one side, and darker outwards by a bowl of 2 k (u² + v²) stops, which is k in the corners. */
    @ParameterizedTest(name = "{0} stops towards {1}\u00b0, {2} darker in the corners")
    @CsvSource({"1, 0, 0", "0.7, 90, 0", "0.8, 210, 0.6", "0, 0, 1.2", "0.5, 315, 0.9"})
    void a_gradient_and_a_bowl(double stops, double towards, double bowl) {
        double a = Math.toRadians(towards);
        SkyReading sky = read(
                pixels((u, v) -> stops * (u * Math.cos(a) + v * Math.sin(a)) - 2 * bowl * (u * u + v * v), 0.001),
                Known.NOTHING);
        assertThat(sky.gradientStops()).isCloseTo(stops, within(0.02));
        if (stops > 0) {
            assertThat(Math.abs(Math.IEEEremainder(sky.gradientDeg() - towards, 360)))
                    .isLessThan(2);
        }
        assertThat(sky.fallOffStops()).isCloseTo(bowl, within(0.03));
    }

    /** Noise and the steps of the curve count where the middle of the frame is, which is darker and less noisy than what surrounds it. */
    @Test
    void noise_is_that_of_the_middle() {
        Random random = new Random(8);
        float[] off = new float[W * H];
        for (int i = 0; i < off.length; i++) {
            boolean middle = Math.abs(i % W - W / 2) < 110 && Math.abs(i / W - H / 2) < 110;
            off[i] = (float) ((middle ? 0.001 : 0.004) * random.nextGaussian());
        }
        Pixels p = Pixels.read(W, H, 16, Encoding.LINEAR, (y, red, green, blue) -> {
            for (int x = 0; x < W; x++) {
                red[x] = number(RED + off[y * W + x]);
                green[x] = number(GREEN + off[y * W + x]);
                blue[x] = number(BLUE + off[y * W + x]);
            }
        });
        assertThat(read(p, Known.NOTHING).noise()).isCloseTo(0.001 / 0.0425, within(0.1 * 0.001 / 0.0425));
    }

    /** Land, darker than two fifths of what is usual, does not tilt the sky above it. */
    @Test
    void land_is_left_out() {
        SkyReading sky = read(pixels((u, v) -> v > 0.25 ? -4 : u, 0.0005), Known.NOTHING);
        assertThat(sky.gradientStops()).isCloseTo(1, within(0.03));
        assertThat(Math.abs(Math.IEEEremainder(sky.gradientDeg(), 360))).isLessThan(3);
    }

    /** A twelfth of it black and a sixth burnt. */
    @Test
    void shares_that_are_black_and_burnt() {
        SkyReading sky =
                read(pixels((u, v) -> u < -0.5 + 1 / 12.0 ? -20 : u > 0.5 - 1 / 6.0 ? 20 : 0, 0), Known.NOTHING);
        assertThat(sky.clippedLow()).isCloseTo(1 / 12.0, within(0.002));
        assertThat(sky.clippedHigh()).isCloseTo(1 / 6.0, within(0.002));
    }

    /** Each row, or each column, off by chance: by so much of the sky's brightness, beside noise that is larger. */
    @ParameterizedTest
    @CsvSource({"0.001, true", "0.001, false", "0.0004, true"})
    void lines_that_are_off(double by, boolean rows) {
        Random random = new Random(11);
        double[] off = new double[rows ? H : W];
        for (int i = 0; i < off.length; i++) {
            off[i] = by * random.nextGaussian();
        }
        Pixels p = pixels((u, v) -> 0, 0.003, rows ? off : new double[H], rows ? new double[W] : off);
        assertThat(read(p, Known.NOTHING).banding()).isCloseTo(by / 0.0425, within(0.2 * by / 0.0425));
    }

    /** Counted from 5 % of white of a known camera in ten seconds. */
    @Test
    void its_magnitude() {
        Optics lens = new Optics(Sensor.of(36, 24, 6000), 24, Projection.RECTILINEAR);
        Settings settings = new Settings(10, 2, 800);
        Known known = Known.NOTHING
                .taken(settings, Instant.parse("2027-06-08T01:00:00Z"))
                .through(lens);
        Response response = known.response().orElseThrow();
        double perSecond = GREEN * response.saturationE(800) / 10;
        double wanted =
                2.5 * Math.log10(SkyElectrons.perSecond(0, 2, known.pitchUm(lens), known.efficiency()) / perSecond);
        SkyReading sky = read(pixels((u, v) -> 0, 0.001), known);
        assertThat(sky.magnitude().orElseThrow()).isCloseTo(wanted, within(0.02));
        assertThat(wanted).isBetween(17.0, 22.0);
    }

    /** A camera's curve took a black point off, a third of its darkest, which is put back: peak and middle lie where the light was. */
    @Test
    void a_camera_s_black_point_is_put_back() {
        double black = 0.005;
        Pixels p = Pixels.read(W, H, 8, Encoding.CAMERA, true, (y, red, green, blue) -> {
            for (int x = 0; x < W; x++) {
                double light = y % 2 == 0 ? GREEN : 0.0156; // two fifths and more stay below
                int number = (int) Math.round(255 * CameraCurve.position((light - black) / (1 - black))) * 257;
                red[x] = number;
                green[x] = number;
                blue[x] = number;
            }
        });
        double[] light = new double[W * H / 64];
        Arrays.fill(light, p.coarse(1)[0]);
        double found = CameraCurve.blackBefore(
                Arrays.stream(light).map(Encoding.CAMERA::light).toArray());
        SkyReading sky = SkyReading.of(p, SpotFinder.in(p).noise(), Encoding.CAMERA, Known.NOTHING, Optional.empty());
        double middle = Encoding.CAMERA.light(p.coarse(1)[0]);
        assertThat(found).isGreaterThan(0.001);
        assertThat(sky.middle()).isCloseTo(Tone.position(middle + found * (1 - middle)), within(1e-3));
        assertThat(sky.magnitudeError()).isCloseTo(Math.hypot(0.35, 0.4), within(1e-9));
    }
}
