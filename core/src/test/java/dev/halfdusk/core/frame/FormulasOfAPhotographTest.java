package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Blades;
import dev.halfdusk.core.optics.Diffusion;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Site;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Small formulas by themselves, by values worked out beside them. */
class FormulasOfAPhotographTest {

    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final double AU_KM = 149_597_870.7;

    private static Shot shot(double seconds, double sensorC, Support support) {
        Framing framing = Framing.of(new Optics(SENSOR, 20, Projection.RECTILINEAR), new Direction(0, 45), 0);
        Response response = new Response(50_000, 100, 10, 0, 0.05, 0.5);
        return new Shot(framing, response, 0.45, new Settings(seconds, 2.8, 100), 1.8, 0, 5000, support)
                .withDetails(new Shot.Details(0, Diffusion.NONE, false, sensorC, 0, (int) Blades.COUNT.min()));
    }

    /** sRGB of 2.2 s / (1 + 1.2 s), bent by 0.7 v (1 − v) (v − 1/4): worked out apart. */
    @ParameterizedTest
    @CsvSource({
        "0, 0",
        "0.001, 0.0241109163",
        "0.05, 0.3723930983",
        "0.18, 0.6655593574",
        "0.5, 0.9015598689",
        "0.9, 0.9892608923",
        "1, 1",
        "2, 1"
    })
    void the_camera_s_curve_goes_there_and_back(double share, double position) {
        assertThat(CameraCurve.position(share)).isCloseTo(position, within(1e-9));
        assertThat(CameraCurve.share(position)).isCloseTo(Math.min(1, share), within(1e-7));
    }

    /** A third of what two fifths of the picture stay below, at most a fiftieth of white; found again from a picture that was set so. */
    @ParameterizedTest
    @CsvSource({"0.01, 0.0032", "0.05, 0.016", "0.3, 0.02"})
    void a_black_point_is_found_again(double dark, double black) {
        double[] light = new double[100];
        Arrays.fill(light, 0, 40, dark / 10);
        Arrays.fill(light, 40, 41, dark);
        Arrays.fill(light, 41, 100, 0.9);
        assertThat(CameraCurve.black(light)).isCloseTo(black, within(1e-12));
        double[] seen = Arrays.stream(light).map(l -> (l - black) / (1 - black)).toArray();
        assertThat(CameraCurve.blackBefore(seen)).isCloseTo(black, within(1e-12));
    }

    /** Middle of 6000 × 4000 pixels: as wide as is asked for, but neither enlarged nor beyond the sensor. */
    @ParameterizedTest
    @CsvSource({
        "3000, 600, 400, 1500, 1000, 5",
        "300, 600, 400, 2700, 1800, 1",
        "9000, 600, 300, 0, 500, 10",
        "9000, 400, 500, 1400, 0, 8"
    })
    void a_window_in_the_middle(double across, int width, int height, double left, double top, double binned) {
        Window w = Window.middle(SENSOR, across, width, height);
        assertThat(w.leftPx()).isCloseTo(left, within(1e-6));
        assertThat(w.topPx()).isCloseTo(top, within(1e-6));
        assertThat(w.binned()).isCloseTo(binned, within(1e-9));
        assertThat(w.onSensor(width / 2.0, height / 2.0).x()).isCloseTo(0, within(1e-9));
    }

    /** Sun, planet and observer an astronomical unit from each other: a phase angle of 60°, and no distance to count. */
    @ParameterizedTest
    @CsvSource({
        "VENUS, -3.626", // −4.40 + 0.054 + 0.8604 − 0.1404
        "MARS, -0.56", // −1.52 + 0.96
        "JUPITER, -9.10", // −9.40 + 0.30
        "SATURN, -6.79" // −8.88 − 0.55 + 2.64
    })
    void planets_dim_with_their_phase(Body body, double magnitude) {
        Vector sun = new Vector(AU_KM, 0, 0);
        Vector planet = new Vector(AU_KM / 2, AU_KM * Math.sqrt(3) / 2, 0);
        assertThat(Planets.magnitude(body, planet, sun)).isCloseTo(magnitude, within(1e-9));
        // opposite to the sun, 2 units from it and 1 from here: no phase, 5 log 2 = 1.505 fainter
        double there = Planets.magnitude(body, new Vector(-AU_KM, 0, 0), sun);
        double full = body == Body.VENUS ? -4.40 : body == Body.MARS ? -1.52 : body == Body.JUPITER ? -9.40 : -9.43;
        assertThat(there).isCloseTo(full + 1.505150, within(1e-6));
    }

    /** On average a third of 60 electrons a second at 20 °C, twice that six degrees warmer, one pixel in 30 000. */
    @Test
    void hot_pixels_stay_where_they_are_and_warm_up() {
        Window all = new Window(SENSOR, 6000, 4000, 0, 0, 1);
        Window part = new Window(SENSOR, 1000, 1000, 2000, 1500, 1);
        Shot ten = shot(10, 20, Support.TRIPOD);
        Shot warm = shot(20, 26, Support.TRIPOD);
        double sum = 0;
        int hot = 0;
        for (int y = 0; y < 2000; y++) {
            for (int x = 0; x < 6000; x++) {
                double e = Sensing.hot(all, x, y, ten);
                if (e > 0) {
                    sum += e;
                    hot++;
                    assertThat(Sensing.hot(part, x - 2000, y - 1500, ten)).isEqualTo(e);
                    assertThat(Sensing.hot(all, x, y, warm)).isCloseTo(4 * e, within(1e-9));
                }
            }
        }
        assertThat(Sensing.dark(warm)).as("0.05 a second, of 20 s, doubled").isCloseTo(2, within(1e-9));
        assertThat(hot).isBetween(340, 460);
        assertThat(sum / hot).isCloseTo(200, within(25.0));
        assertThat(Sensing.hot(new Window(SENSOR, 960, 640, 0, 0, 6.25), 5, 5, ten))
                .isZero();
    }

    /** By an eighth of the read noise, 0.12 of 10 electrons; a row of the sensor is off by as much in a part of it. */
    @Test
    void rows_are_off_by_little() {
        Window all = new Window(SENSOR, 6000, 4000, 0, 0, 1);
        Window part = new Window(SENSOR, 600, 400, 300, 1000, 1);
        Shot shot = shot(1, 20, Support.TRIPOD);
        double squares = 0;
        for (int y = 0; y < 4000; y++) {
            squares += Math.pow(Sensing.row(all, y, shot, 8), 2) / 4000;
        }
        assertThat(Math.sqrt(squares)).isCloseTo(1.2, within(0.05));
        assertThat(Sensing.row(part, 7, shot, 8)).isEqualTo(Sensing.row(all, 1007, shot, 8));
        assertThat(Sensing.row(all, 7, shot, 2)).isNotEqualTo(Sensing.row(all, 7, shot, 8));
    }

    /** Ground seen through a turning camera: as many moments as it passes pixels, in the middle of each; back is the other way. */
    @Test
    void ground_passes_in_steps_of_a_pixel() {
        Site site = new Site(37.6, -8.8, 31);
        Support tracker = new Support(Support.Kind.SIDEREAL, 0);
        Smear whole = Smear.of(shot(60, 20, tracker), site, new Window(SENSOR, 6000, 4000, 0, 0, 1));
        Smear reduced = Smear.of(shot(60, 20, tracker), site, new Window(SENSOR, 960, 640, 0, 0, 6.25));
        // 15.04″ a second for 60 s are 0.2507°, at 20 mm 0.0875 mm or 14.6 pixels of 6 µm
        assertThat(whole.steps()).isEqualTo(15);
        assertThat(reduced.steps()).isEqualTo(3);
        assertThat(reduced.seconds()).isCloseTo(20, within(0.01));
        Vector v = new Direction(120, 30).vector();
        for (int step = 0; step < 3; step++) {
            Vector after = reduced.after(v, step);
            assertThat(reduced.before(after, step).angleTo(v)).isCloseTo(0, within(1e-6));
            double arc = (20 * step + 10) * 15.041 / 3600 * Math.sin(Math.toRadians(v.angleTo(reduced.pole())));
            assertThat(after.angleTo(v)).isCloseTo(arc, within(1e-4));
        }
    }

    /** Bands: over 7° of altitude they change by more than over as many of azimuth, by some percent in all. */
    @Test
    void airglow_lies_along_the_horizon() {
        double up = 0;
        double aside = 0;
        double sum = 0;
        int n = 0;
        for (double azimuth = 0; azimuth < 350; azimuth += 3) {
            for (double altitude = 0; altitude < 60; altitude += 3) {
                double here = Airglow.factor(new Direction(azimuth, altitude));
                assertThat(here).isBetween(0.955, 1.045);
                up += Math.abs(Airglow.factor(new Direction(azimuth, altitude + 4)) - here);
                aside += Math.abs(Airglow.factor(new Direction(azimuth + 4, altitude)) - here);
                sum += here;
                n++;
            }
        }
        assertThat(up).isGreaterThan(2 * aside);
        assertThat(up / n).isBetween(0.005, 0.02);
        assertThat(aside / n).isBetween(0.0005, 0.006);
        assertThat(sum / n).isCloseTo(1, within(0.01));
    }

    @Test
    void a_lens_is_asked_by_a_table() {
        Shot wide = shot(1, 20, Support.TRIPOD);
        LensDrawing drawing = new LensDrawing(wide, SENSOR);
        for (double r = 0; r < 21.6; r += 0.37) {
            assertThat(drawing.fallOff(r)).isCloseTo(Backdrop.fallOff(wide, new Point(r, 0)), within(2e-4));
        }
        assertThat(drawing.sigmaPx(18.03)).isCloseTo((drawing.sigmaPx(18) + drawing.sigmaPx(18.06)) / 2, within(1e-3));
        assertThat(drawing.sigmaPx(21)).isGreaterThan(drawing.sigmaPx(10));
    }

    private static int[] developed(float[] light, double tint) {
        float[][] electrons = {light.clone(), light.clone(), light.clone()};
        Window window = new Window(SENSOR, 20, light.length / 20, 0, 0, 2);
        return new Development(5500, tint).rgb(electrons, window, 1000);
    }

    /** Half of the picture 30, half 5 thousandths of white: black is a third of the 5, wherever they lie. */
    @Test
    void black_is_taken_from_the_darker_part() {
        float[] light = new float[400];
        Arrays.fill(light, 0, 200, 30);
        Arrays.fill(light, 200, 400, 5);
        int[] found = developed(light, 0);
        double black = 0.32 * 0.005;
        int bright = (int) Math.round(255 * CameraCurve.position((0.03 - black) / (1 - black)));
        int dark = (int) Math.round(255 * CameraCurve.position((0.005 - black) / (1 - black)));
        assertThat(found[10] & 0xff).isCloseTo(bright, within(2));
        assertThat(found[390] & 0xff).isCloseTo(dark, within(2));
        assertThat(found[390] >> 16).isEqualTo(found[390] & 0xff).isEqualTo(found[390] >> 8 & 0xff);
    }

    /** A quarter less green: red and blue a third brighter than it, and that drawn apart by 1.6 about their grey. */
    @Test
    void a_tint_takes_green_away() {
        float[] light = new float[400];
        Arrays.fill(light, 100);
        int found = developed(light, 25)[210];
        double black = 0.02; // 0.32 of 0.1 would be more
        double red = (0.1 * 4 / 3 - black) / (1 - black);
        double green = (0.1 - black) / (1 - black);
        double grey = (red + green) / 2;
        int magenta = (int) Math.round(255 * CameraCurve.position(grey + 1.6 * (red - grey)));
        int less = (int) Math.round(255 * CameraCurve.position(grey + 1.6 * (green - grey)));
        assertThat(found >> 16 & 0xff).isCloseTo(magenta, within(2));
        assertThat(found & 0xff).isEqualTo(found >> 16 & 0xff);
        assertThat(found >> 8 & 0xff).isCloseTo(less, within(2));
    }
}
