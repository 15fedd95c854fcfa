package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Galaxy;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PartsOfAPhotographTest {

    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);

    private static double[] meanAndVariance(double expected, double read) {
        int n = 400_000;
        double sum = 0;
        double squares = 0;
        for (int i = 0; i < n; i++) {
            double v = Noise.counted(expected, read, Noise.bits(11, i), i % 3);
            sum += v;
            squares += v * v;
        }
        double mean = sum / n;
        return new double[] {mean, squares / n - mean * mean};
    }

    @ParameterizedTest(name = "{0} electrons, read noise {1}")
    @CsvSource({"0.4, 0", "3, 1.6", "23, 2", "25, 2", "5000, 3"})
    void counts_have_the_mean_and_variance_of_poisson_and_reading(double expected, double read) {
        double[] found = meanAndVariance(expected, read);
        double variance = expected + read * read;
        assertThat(found[0]).isCloseTo(expected, within(0.006 * expected + 0.01));
        assertThat(found[1]).isCloseTo(variance, within(0.015 * variance));
    }

    @Test
    void faint_counts_are_whole_electrons_and_never_negative() {
        for (int i = 0; i < 10_000; i++) {
            double v = Noise.counted(2, 0, Noise.bits(3, i), 1);
            assertThat(v).isGreaterThanOrEqualTo(0).isEqualTo(Math.rint(v));
        }
    }

    @Test
    void neighbouring_pixels_are_independent() {
        int n = 200_000;
        double product = 0;
        for (int i = 0; i < n; i++) {
            product += (Noise.counted(100, 2, Noise.bits(5, i), 0) - 100)
                    * (Noise.counted(100, 2, Noise.bits(5, i + 1), 0) - 100);
        }
        assertThat(product / n / 104).isCloseTo(0, within(0.01));
    }

    @ParameterizedTest
    @ValueSource(doubles = {2700, 4000, 5500, 9000})
    void balancing_for_a_lamp_makes_it_grey(double kelvin) {
        double[] tint = Tint.of(kelvin);
        double[] gain = Tint.balance(kelvin);
        for (int c = 0; c < 3; c++) {
            assertThat(tint[c] * gain[c]).isCloseTo(1, within(1e-9));
        }
    }

    @Test
    void cold_lamps_are_red_and_hot_ones_blue() {
        assertThat(Tint.of(5500)).containsExactly(new double[] {1, 1, 1}, within(1e-9));
        assertThat(Tint.of(2700)[0]).isGreaterThan(1.5);
        assertThat(Tint.of(2700)[2]).isLessThan(0.5);
        assertThat(Tint.of(12_000)[2]).isGreaterThan(1.2);
    }

    @Test
    void windows_go_to_the_sensor_and_back() {
        Window whole = Window.whole(SENSOR, 960);
        assertThat(whole.height()).isEqualTo(640);
        assertThat(whole.binned()).isCloseTo(6.25, within(1e-9));
        Window crop = Window.crop(SENSOR, 5, -3, 600, 400);
        for (Window w : new Window[] {whole, crop}) {
            Framing.Point mm = w.onSensor(123.25, 77.5);
            Framing.Point back = w.inPicture(mm);
            assertThat(back.x()).isCloseTo(123.25, within(1e-9));
            assertThat(back.y()).isCloseTo(77.5, within(1e-9));
        }
        assertThat(crop.onSensor(300, 200).x()).isCloseTo(5, within(0.001));
        assertThat(crop.onSensor(300, 200).y()).isCloseTo(-3, within(0.001));
    }

    @Test
    void a_crop_stays_inside_the_frame() {
        Window corner = Window.crop(SENSOR, -18, 12, 600, 400);
        assertThat(corner.leftPx()).isZero();
        assertThat(corner.topPx()).isCloseTo(3600, within(1e-6));
        assertThatThrownBy(() -> Window.whole(SENSOR, 5)).isInstanceOf(OutOfRange.class);
    }

    /** Counts of the whole sky: 10^5.53 to V 10 less 10^5.08 to V 9, and what the catalogue lacks from 8 to 9. */
    @Test
    void made_up_stars_are_as_many_as_there_are_and_follow_the_light() {
        int[] layers = new int[12];
        int[] places = new int[2];
        new MadeUpStars().visit(0, 1, new Vector(1, 0, 0), 180, 10, (x, y, z, magnitude, kelvin) -> {
            Vector v = new Vector(x, y, z);
            layers[(int) magnitude]++;
            places[0] += v.angleTo(Galaxy.icrs(2, -4)) < 4 ? 1 : 0; // the brightest clouds
            places[1] += v.angleTo(Galaxy.icrs(2, 80)) < 4 ? 1 : 0; // near the pole
            assertThat(kelvin).isBetween(3900.0, 9400.0);
        });
        assertThat((double) layers[9]).isCloseTo(338_800 - 120_200, within(5000.0));
        assertThat((double) layers[8]).isCloseTo(0.32 * 29_100 + 0.57 * 49_400, within(2500.0));
        assertThat(places[0]).isGreaterThan(5 * places[1]);
        int[] within = new int[1];
        new MadeUpStars().visit(0, 1, Galaxy.icrs(30, 0), 5, 10, (x, y, z, magnitude, kelvin) -> {
            assertThat(new Vector(x, y, z).angleTo(Galaxy.icrs(30, 0))).isLessThan(7);
            within[0]++;
        });
        assertThat(within[0]).isPositive();
        assertThat(MadeUpStars.limit(41_253, 400_000)).isEqualTo(10);
        assertThat(MadeUpStars.limit(1, 45_000)).isEqualTo(14);
    }

    /**
     * Evenly over each square degree; of those from V 9 to 9.5 43.4 % brighter than 9.25, since their number grows from 10^5.08 to 10^5.31; 3900 K
     * and on average a quarter of 5500 K more. By latitude 0.25 + 0.45 e^(−b/18°) where the Milky Way has no light.
     */
    @Test
    void made_up_stars_are_spread_as_stars_are() {
        int[] count = new int[4];
        double[] sum = new double[5];
        int[] band = new int[180];
        new MadeUpStars().visit(0, 1, new Vector(1, 0, 0), 180, 11, (x, y, z, magnitude, kelvin) -> {
            Vector v = new Vector(x, y, z);
            double b = Galaxy.latitudeDeg(v);
            double l = Galaxy.longitudeDeg(v);
            band[(int) (b + 90)]++;
            count[0]++;
            sum[0] += b - Math.floor(b);
            sum[1] += l - Math.floor(l);
            sum[2] += Math.pow(b - Math.floor(b) - 0.5, 2);
            sum[3] += Math.pow(l - Math.floor(l) - 0.5, 2);
            sum[4] += kelvin;
            count[1] += magnitude >= 9 && magnitude < 9.5 ? 1 : 0;
            count[2] += magnitude >= 9 && magnitude < 9.25 ? 1 : 0;
            count[3] += Math.abs(v.length() - 1) > 1e-6 ? 1 : 0;
        });
        assertThat(count[3]).isZero();
        for (int i = 0; i < 2; i++) {
            assertThat(sum[i] / count[0]).isCloseTo(0.5, within(0.005));
            assertThat(sum[2 + i] / count[0]).isCloseTo(1 / 12.0, within(0.002));
        }
        assertThat(sum[4] / count[0]).isCloseTo(3900 + 5500 / 4.0, within(10.0));
        assertThat((double) count[2] / count[1]).isCloseTo(0.4342, within(0.005));
        double near = 0.25 + 0.45 * Math.exp(-62.5 / 18);
        double far = 0.25 + 0.45 * Math.exp(-77.5 / 18);
        double nearArea = Math.sin(Math.toRadians(65)) - Math.sin(Math.toRadians(60));
        double farArea = Math.sin(Math.toRadians(85)) - Math.sin(Math.toRadians(70));
        double north = 0;
        double south = 0;
        double poles = 0;
        for (int i = 0; i < 180; i++) {
            north += i >= 150 && i < 155 ? band[i] : 0;
            south += i >= 25 && i < 30 ? band[i] : 0;
            poles += i >= 160 && i < 175 || i >= 5 && i < 20 ? band[i] : 0;
        }
        assertThat(north / south).isCloseTo(1, within(0.02));
        assertThat((north + south) / poles).isCloseTo(near * nearArea / (far * farArea), within(0.01));
        double plain = 0; // without the clouds of the Milky Way the plane would have 2.7 times as many
        for (int i = 85; i < 95; i++) {
            plain += band[i];
        }
        double planeArea = 2 * Math.sin(Math.toRadians(5));
        assertThat(plain / planeArea / (poles / (2 * farArea))).isGreaterThan(0.65 / far);
    }

    private static Shot shot(Projection projection, double aperture, double widest) {
        Optics optics = new Optics(SENSOR, 20, projection);
        Response response = Response.generic(6);
        return new Shot(
                Framing.of(optics, new Direction(0, 45), 0),
                response,
                0.45,
                new Settings(10, aperture, 1600),
                widest,
                0,
                5000,
                Support.TRIPOD);
    }

    @Test
    void light_falls_off_to_the_corners_less_when_stopped_down() {
        Framing.Point corner = new Framing.Point(18, 12);
        double theta = Math.atan(Math.hypot(18, 12) / 20);
        double open = Backdrop.fallOff(shot(Projection.RECTILINEAR, 1.8, 1.8), corner);
        assertThat(open).isCloseTo(Math.pow(Math.cos(theta), 3), within(1e-9));
        assertThat(Backdrop.fallOff(shot(Projection.RECTILINEAR, 3.6, 1.8), corner))
                .isCloseTo(Math.sqrt(open), within(1e-9));
        assertThat(Backdrop.fallOff(shot(Projection.FISHEYE, 2.8, 2.8), corner)).isGreaterThan(open);
        assertThat(Backdrop.fallOff(shot(Projection.RECTILINEAR, 1.8, 1.8), new Framing.Point(0, 0)))
                .isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"0.5, 1000", "1.3, 1000", "6, 250", "8, 250", "9, 250"})
    void a_spot_keeps_its_light_whatever_its_size(double sigma, double sum) {
        Canvas canvas = new Canvas(120, 100);
        java.util.Arrays.fill(canvas.open, 1);
        canvas.spot(60.3, 49.8, sigma, sum, new double[] {1.2, 1, 0.8});
        canvas.finish();
        double green = 0;
        double red = 0;
        for (int i = 0; i < 120 * 100; i++) {
            green += canvas.electrons[1][i];
            red += canvas.electrons[0][i];
        }
        assertThat(green).isCloseTo(sum, within(sum * 1e-4));
        assertThat(red).isCloseTo(1.2 * sum, within(sum * 1e-3));
    }

    @Test
    void spots_beside_the_picture_and_behind_the_ground_add_nothing() {
        Canvas canvas = new Canvas(40, 30);
        canvas.spot(-50, 10, 2, 100, new double[] {1, 1, 1});
        canvas.spot(20, 15, 2, 100, new double[] {1, 1, 1}); // all ground
        for (float e : canvas.electrons[1]) {
            assertThat(e).isZero();
        }
    }

    @ParameterizedTest
    @CsvSource({"0, 1", "3000, 0", "2, 700"})
    void trails_have_limits(int frames, double pause) {
        assertThatThrownBy(() -> new TrailFrames(frames, pause)).isInstanceOf(OutOfRange.class);
    }

    @Test
    void shots_have_limits() {
        Framing framing = Framing.of(new Optics(SENSOR, 20, Projection.RECTILINEAR), new Direction(0, 45), 0);
        Response response = Response.generic(6);
        assertThatThrownBy(
                        () -> new Shot(framing, response, 0.4, new Settings(0, 1.8, 100), 1.8, 0, 5000, Support.TRIPOD))
                .hasMessageContaining("shutter");
        assertThatThrownBy(
                        () -> new Shot(framing, response, 0.4, new Settings(1, 1.8, 100), 1.8, 0, 900, Support.TRIPOD))
                .hasMessageContaining("white balance 900");
    }
}
