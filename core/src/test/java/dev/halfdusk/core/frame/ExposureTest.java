package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.glow.Air;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Diffusion;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.sky.FixedPoint;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What one light adds to a picture of 960 × 640 pixels at 6.25 to one, and where: electrons are counted, light behind a lens is known. */
class ExposureTest extends Painted {

    private static final Window WHOLE = Window.whole(SENSOR, 960);
    private static final double BINNED = 6.25 * 6.25;
    private static final double[] PINK = {2, 1, 0.5};

    /** A star of magnitude 0 sends as many through 20 mm at f/2.8. */
    private static final double AT_ZERO = SkyElectrons.ofStar(0, 20, 2.8, 0.45);

    /** One lux is magnitude −13.99: 2.54e-6 lux are a star of magnitude 0. */
    private static final double OF_A_LUX = AT_ZERO / 2.54e-6;

    ExposureTest() {
        super(960, 640);
    }

    private Exposure exposure(double focal, double seconds, Direction at, Window window) {
        return new Exposure(SCENE, shot(focal, at, seconds, 2.8, 0), window, TrailFrames.NONE, canvas, 1000);
    }

    private Exposure wide(Direction at) {
        return open(shot(20, at, 10, 2.8, 0), WHOLE, 1000);
    }

    /** Spots end where hardly any light is left. */
    private static void near(double found, double wanted) {
        assertThat(found).isCloseTo(wanted, within(0.015 * wanted));
    }

    @Test
    void a_lamp_that_glows() {
        Exposure e = wide(new Direction(180, 45));
        Vector ahead = new Direction(180, 45).vector();
        e.glow(ahead, 3, ahead, 5, 1e-6, PINK);
        canvas.finish();
        near(sum(1), 2 * 1e-6 * OF_A_LUX / BINNED);
        near(sum(0), 2 * sum(1));
        near(sum(2), sum(1) / 2);
        assertThat(middle()).containsExactly(new double[] {480, 320}, within(0.2));
    }

    /** A light of magnitude 2 for two seconds, of which the air at 45° takes its share. */
    @Test
    void a_light_on_its_way() {
        Exposure e = wide(new Direction(180, 45));
        e.line(new Direction(178, 45).vector(), 3, new Direction(182, 45).vector(), 5, 2, 5500);
        canvas.finish();
        double air = Air.transmission(SkyGlow.ofZenith(21.5).extinction(), Air.path(45));
        near(sum(1), 2 * AT_ZERO * Math.pow(10, -0.8) * air / BINNED);
        assertThat(middle()).containsExactly(new double[] {480, 320}, within(1.0));
    }

    /** A rectilinear lens draws 70° off its axis at 20 mm × tan 70° = 54.9 mm; 18 mm of them are on the sensor, 12 of 34.6 mm upwards to 60°. */
    @ParameterizedTest
    @CsvSource({"70, 0, 0.32757", "-70, 0, 0.32757", "0, 60, 0.34641", "0, -60, 0.34641"})
    void only_what_falls_on_the_sensor_is_drawn(double right, double up, double share) {
        Exposure e = wide(new Direction(180, 0));
        Vector ahead = new Direction(180, 0).vector();
        e.glow(ahead, 0, new Direction(180 + right, up).vector(), 1, 1e-4, PINK);
        canvas.finish();
        near(sum(1), share * 1e-4 * OF_A_LUX / BINNED);
    }

    /** A window of a house: 1000 electrons a second for each cd/m² in every pixel of it, ten seconds. */
    @Test
    void a_pane_is_as_bright_as_it_shines() {
        Exposure e = wide(new Direction(180, 0));
        Vector lower = new Direction(175, -2).vector();
        Vector upper = new Direction(183, 3).vector();
        e.pane(lower, upper, 0.5, PINK);
        Point a = e.at(lower, 0).orElseThrow();
        Point b = e.at(upper, 0).orElseThrow();
        near(sum(1), lens(175, -2) * 0.5 * 1000 * 10 * (b.x() - a.x()) * (a.y() - b.y()));
        near(sum(0), 2 * sum(1));
        near(sum(2), sum(1) / 2);
        // 20 mm × tan 8° of 37.5 µm pixels across, roughly
        assertThat(b.x() - a.x())
                .isCloseTo(20 * (Math.tan(Math.toRadians(5)) + Math.tan(Math.toRadians(3))) / 0.0375, within(1.0));
    }

    /** Smoke of half a degree: 0.175 mm on the sensor's axis, 4.65 pixels; far larger it is painted coarsely and no less bright. */
    @ParameterizedTest
    @CsvSource({"0.5, 4.654", "2, 18.62", "0.01, 1"})
    void a_puff_keeps_its_light_and_size(double sigmaDeg, double sigmaPx) {
        Exposure e = wide(new Direction(180, 10));
        e.puff(new Direction(180, 10).vector(), sigmaDeg, 1e-6, PINK);
        canvas.finish();
        near(sum(1), 1e-6 * OF_A_LUX / BINNED);
        double squares = 0;
        for (int at = 0; at < canvas.electrons[1].length; at++) {
            squares += canvas.electrons[1][at] * Math.pow(at % 960 + 0.5 - 480, 2);
        }
        assertThat(Math.sqrt(squares / sum(1))).isCloseTo(sigmaPx, within(0.06 * sigmaPx));
    }

    /** Forty degrees off the axis the lens leaves 45 % of it. */
    @Test
    void a_puff_in_the_corner_is_darker() {
        Exposure e = wide(new Direction(180, 0));
        e.puff(new Direction(215, 20).vector(), 0.3, 1e-6, PINK);
        canvas.finish();
        near(sum(1), lens(215, 20) * 1e-6 * OF_A_LUX / BINNED);
        assertThat(lens(215, 20)).isCloseTo(0.456, within(0.01));
    }

    @Test
    void what_is_beside_the_picture_is_left_out() {
        Exposure e = wide(new Direction(180, 10));
        e.puff(new Direction(290, 10).vector(), 0.5, 1e-6, PINK);
        e.puff(new Direction(180, 85).vector(), 0.5, 1e-6, PINK);
        e.glow(new Direction(0, 10).vector(), 0, new Direction(1, 10).vector(), 1, 1e-6, PINK);
        canvas.finish();
        assertThat(sum(1)).isZero();
    }

    /** Wide open a lens leaves the cube of the cosine. */
    private static double lens(double azimuth, double altitude) {
        return Math.pow(new Direction(180, 0).vector().dot(new Direction(azimuth, altitude).vector()), 3);
    }

    /** As far below the horizon as the light is above, in waves: all of it, a twentieth of the picture up or down. */
    @Test
    void water_mirrors_a_light_that_moves() {
        Exposure e = exposure(20, 10, new Direction(180, 0), WHOLE);
        e.mirrored(new Direction(174, 8).vector(), 1, new Direction(178, 8).vector(), 4, 1e-4, PINK);
        near(sum(1), lens(174, -8) * 3 * 1e-4 * OF_A_LUX / BINNED);
        Point a = e.at(new Direction(174, -8).vector(), 0).orElseThrow();
        Point b = e.at(new Direction(178, -8).vector(), 0).orElseThrow();
        assertThat(middle()[0]).isCloseTo((a.x() + b.x()) / 2, within(1.5));
        assertThat(middle()[1]).isCloseTo((a.y() + b.y()) / 2, within(16.0));
        assertThat(middle()[1]).isGreaterThan(360);
    }

    /** A glint lies where it is put, to parts of a pixel, on what is no sky and no mark. */
    @Test
    void a_glint_lies_where_it_is_put() {
        canvas.glint(40.3, 30.7, 1.5, 1000, PINK);
        assertThat(middle()).containsExactly(new double[] {40.3, 30.7}, within(0.03));
        near(sum(1), 1000);
        assertThat(spread(true)).isCloseTo(1.45, within(0.07));
        double all = sum(1);
        Arrays.fill(canvas.electrons[1], 0);
        Arrays.fill(canvas.open, 0.5f);
        Arrays.fill(canvas.marked, 0.2f);
        canvas.glint(40.3, 30.7, 1.5, 1000, PINK);
        assertThat(sum(1)).isCloseTo(0.4 * all, within(1.0));
    }

    /** A path of glints from the shore to twice as far below it as the lamp's image, narrow above and wider below. */
    @Test
    void a_lamp_glitters_on_water() {
        Exposure e = exposure(20, 10, new Direction(180, 0), WHOLE);
        Vector lamp = new Direction(172, 6).vector();
        e.glitter(lamp, 10, 1e-4, PINK);
        near(sum(1), lens(172, -6) * 10 * 1e-4 * OF_A_LUX / BINNED);
        Point shore = e.at(new Direction(172, 0).vector(), 0).orElseThrow();
        Point image = e.at(new Direction(172, -6).vector(), 0).orElseThrow();
        double down = image.y() - shore.y();
        assertThat(down).isBetween(54.0, 60.0); // 20 mm × tan 6° in pixels of 37.5 µm, somewhat more off the axis
        assertThat(middle()[1]).isCloseTo(image.y(), within(0.15 * down));
        assertThat(middle()[0]).isCloseTo(image.x(), within(0.05 * down));
        double[] wide = new double[2];
        double[] light = new double[2];
        for (int at = 0; at < canvas.electrons[1].length; at++) {
            double y = at / 960 + 0.5 - shore.y();
            if (canvas.electrons[1][at] > 0) {
                assertThat(y).isBetween(-5.0, 2 * down + 5);
                assertThat(Math.abs(at % 960 + 0.5 - image.x())).isLessThan(0.06 * 2.5 * down + 5);
            }
            int half = y < down ? 0 : 1;
            wide[half] += canvas.electrons[1][at] * Math.pow(at % 960 + 0.5 - image.x(), 2);
            light[half] += canvas.electrons[1][at];
        }
        assertThat(wide[1] / light[1]).isGreaterThan(1.2 * wide[0] / light[0]);
    }

    /** 61.88″ a sensor pixel at 20 mm, 0.10743° one of the picture: at the celestial equator the sky turns by 2.3335 of them in a minute. */
    @Test
    void how_much_of_the_sky_is_in_it() {
        Direction equator = new Direction(180, 90 - LEDGE.latitudeDeg());
        Exposure minute = exposure(20, 60, equator, WHOLE);
        assertThat(minute.pathPx()).isCloseTo(2.3335, within(0.001));
        assertThat(minute.squareDegrees()).isCloseTo(7090.9, within(1.5));
        assertThat(minute.sweptSquareDegrees() - minute.squareDegrees()).isCloseTo(25.86, within(0.05));
        assertThat(exposure(4, 60, equator, WHOLE).squareDegrees()).isEqualTo(41_253);
        assertThat(exposure(4, 60, equator, WHOLE).sweptSquareDegrees()).isEqualTo(41_253);
        // 60° from the pole by the root of three quarters
        Direction nearer = new Direction(180, 90 - LEDGE.latitudeDeg() + 30);
        assertThat(exposure(20, 60, nearer, WHOLE).pathPx()).isCloseTo(2.3335 * 0.8660, within(0.001));
        // upright: its long side is swept
        Window tall = new Window(SENSOR, 320, 640, 2000, 0, 6.25);
        Exposure upright = exposure(20, 60, equator, tall);
        assertThat(upright.sweptSquareDegrees() - upright.squareDegrees()).isCloseTo(17.24, within(0.05));
    }

    /** It stays three pixels, 77.14 s, in a pixel of 2.33 a minute, so that ten minutes show no fainter stars than those; each 2.512 times fainter is a magnitude. */
    @Test
    void how_faint_a_star_may_be() {
        Direction equator = new Direction(180, 90 - LEDGE.latitudeDeg());
        double minute = exposure(20, 60, equator, WHOLE).faintest();
        double ten = exposure(20, 600, equator, WHOLE).faintest();
        assertThat(ten - minute).isCloseTo(2.5 * Math.log10(77.14 / 60), within(0.002));
        assertThat(exposure(20, 1000, equator, WHOLE).faintest()).isCloseTo(ten, within(1e-6));
        // twice the focal length: four times the light, in half the time of passing
        double longer = exposure(40, 600, equator, WHOLE).faintest();
        assertThat(longer - ten).isCloseTo(2.5 * Math.log10(4 / 2.0), within(0.002));
        double least = LensDrawing.LEAST_SIGMA_PX;
        double peak = AT_ZERO * 60 / (2 * Math.PI * least * least * 6.25);
        assertThat(minute).isCloseTo(2.5 * Math.log10(peak / 4.5), within(0.002));
    }

    /** 200 mm sees 6.2° to its corner; in 20 minutes the sky turns by 5.01°: stars come in from the east, none from the north. */
    @Test
    void stars_that_come_in_meanwhile() {
        double up = 90 - LEDGE.latitudeDeg();
        Exposure e = exposure(200, 1200, new Direction(180, up), WHOLE);
        assertThat(e.withinDeg()).isCloseTo(1.03 * 6.17 + 0.1 + 5.014, within(0.05));
        assertThat(e.near(new Direction(180, up).vector())).isTrue();
        assertThat(e.near(new Direction(180, up + 8).vector())).isFalse();
        assertThat(e.near(new Direction(180, up - 8).vector())).isFalse();
        // due east along the equator by 8°
        Vector pole = new Direction(0, LEDGE.latitudeDeg()).vector();
        Vector south = new Direction(180, up).vector();
        Vector east = pole.cross(south);
        double a = Math.toRadians(8);
        assertThat(e.near(south.times(Math.cos(a)).plus(east.times(Math.sin(a)))))
                .isTrue();
        double b = Math.toRadians(13);
        assertThat(e.near(south.times(Math.cos(b)).plus(east.times(Math.sin(b)))))
                .isFalse();
        // for a moment nobody asks of circles, and little beyond the corner counts
        Exposure still = exposure(200, 1, new Direction(180, up), WHOLE);
        assertThat(still.near(new Direction(180, up + 6).vector())).isTrue();
        assertThat(still.near(new Direction(180, up + 7).vector())).isFalse();
    }

    /** By the ephemeris' own way to a fixed place: precession, nutation and aberration, to a tenth of a second of arc. */
    @ParameterizedTest
    @CsvSource({"0, 0", "85, 45", "266, -29", "201, -11", "14, 61", "310, -60", "120, 89"})
    void stars_stand_where_the_ephemeris_has_them(double raDeg, double decDeg) {
        Exposure e = wide(new Direction(180, 45));
        Vector icrs = Vector.towards(raDeg, decDeg);
        Vector found = e.local(icrs.x(), icrs.y(), icrs.z());
        Vector wanted = e.scene()
                .moment()
                .local(new FixedPoint(raDeg, decDeg), e.scene().observer());
        assertThat(found.angleTo(wanted.unit()) * 3600).isLessThan(0.1);
        assertThat(found.length()).isCloseTo(1, within(2e-4));
    }

    private Exposure trails(int frames, double pause, double seconds, Direction at) {
        Arrays.fill(canvas.open, 1);
        Exposure one = exposure(20, seconds, at, WHOLE);
        return new Exposure(one.scene(), one.shot(), WHOLE, new TrailFrames(frames, pause), canvas, 1000);
    }

    /** Length of an even line, square root of twelve times the variance of its light. */
    private double length() {
        double[] middle = middle();
        double squares = 0;
        for (int at = 0; at < canvas.electrons[1].length; at++) {
            squares += canvas.electrons[1][at]
                    * (Math.pow(at % 960 + 0.5 - middle[0], 2) + Math.pow(at / 960 + 0.5 - middle[1], 2));
        }
        return Math.sqrt(12 * squares / sum(1));
    }

    /** A star on the equator, at the middle after half of the time, draws 2.3335 pixels a minute while the shutter is open; pauses draw none but take their time. */
    @ParameterizedTest
    @CsvSource({"1, 0, 3600, 3600", "20, 0, 180, 3600", "60, 0.1, 60, 3605.9", "10, 120, 240, 3480", "4, 600, 450, 3600"
    })
    void frames_draw_a_trail(int frames, double pause, double seconds, double whole) {
        Direction equator = new Direction(180, 90 - LEDGE.latitudeDeg());
        Exposure e = trails(frames, pause, seconds, equator);
        Vector pole = new Direction(0, LEDGE.latitudeDeg()).vector();
        double half = Math.toRadians(whole / 2 * 15.0411 / 3600);
        Vector begins = equator.vector()
                .times(Math.cos(half))
                .plus(pole.cross(equator.vector()).times(Math.sin(half)));
        e.point(begins, 4, 5500);
        canvas.finish();
        double air = Air.transmission(
                SkyGlow.ofZenith(21.5).extinction(),
                Air.path(Direction.of(begins).altitudeDeg()));
        // the lens takes some of the light of what is off the axis, where the line begins
        double all = frames * seconds * AT_ZERO * Math.pow(10, -1.6) * air / BINNED;
        assertThat(sum(1) / all).isBetween(0.93, 1.01);
        assertThat(middle()).containsExactly(new double[] {480, 320}, within(3.0));
        // variance of the middles of frames so far apart, and of each frame
        double apart = seconds + pause;
        double spread = Math.sqrt(apart * apart * (frames * frames - 1) + seconds * seconds);
        assertThat(length()).isCloseTo(2.3335 * spread / 60, within(2.0));
    }

    @Test
    void what_has_set_is_not_drawn() {
        Exposure e = wide(new Direction(270, 0));
        e.point(new Direction(270, -5).vector(), 0, 5500);
        canvas.finish();
        assertThat(sum(1)).isZero();
        e.point(new Direction(270, 3).vector(), 0, 5500);
        canvas.finish();
        assertThat(sum(1)).isPositive();
    }

    private static final Window CORNER = Window.crop(SENSOR, 16, 10, 600, 400);

    /**
     * Wide open a corner's star has a tail of 30 µm, five pixels of 6 µm, times the cube of its distance as a share of half the diagonal: 62, 22, 10 and 6 %
     * of its light at 0, 1, 2 and 3 thirds of it, which moves its middle outwards by a fifth of the tail, and no more to one side than to the other.
     */
    @Test
    void coma_draws_a_corner_s_star_outwards() {
        Canvas own = new Canvas(600, 400);
        Arrays.fill(own.open, 1);
        Direction at = new Direction(180, 45);
        Exposure plain = exposure(20, 1, at, CORNER);
        Exposure e = new Exposure(plain.scene(), plain.shot(), CORNER, TrailFrames.NONE, own, 1000);
        Vector towards = e.shot().framing().see(new Point(16, 10));
        e.glow(towards, 0, towards, 1, 1e-8, PINK); // too faint for stray light
        double sum = 0;
        double x = 0;
        double y = 0;
        for (int i = 0; i < own.electrons[1].length; i++) {
            sum += own.electrons[1][i];
            x += own.electrons[1][i] * (i % 600 + 0.5);
            y += own.electrons[1][i] * (i / 600 + 0.5);
        }
        Point middle = CORNER.inPicture(new Point(16, 10));
        double radius = Math.hypot(16, 10);
        double tail = 5 * Math.pow(radius / Math.hypot(18, 12), 3);
        double moved = tail * (0.22 + 2 * 0.10 + 3 * 0.06) / 3;
        assertThat(x / sum - middle.x()).isCloseTo(moved * 16 / radius, within(0.03));
        assertThat(y / sum - middle.y()).isCloseTo(moved * 10 / radius, within(0.03));
        double across = 0;
        double along = 0;
        for (int i = 0; i < own.electrons[1].length; i++) {
            double dx = i % 600 + 0.5 - x / sum;
            double dy = i / 600 + 0.5 - y / sum;
            along += own.electrons[1][i] / sum * Math.pow((dx * 16 + dy * 10) / radius, 2);
            across += own.electrons[1][i] / sum * Math.pow((dy * 16 - dx * 10) / radius, 2);
        }
        LensDrawing drawing = new LensDrawing(e.shot(), SENSOR);
        double sigma = drawing.sigmaPx(radius);
        double[] share = {0.62, 0.22, 0.10, 0.06};
        double wantedAcross = 0;
        double wantedAlong = -moved * moved;
        for (int i = 0; i < 4; i++) {
            double by = tail * i / 3;
            double wide = sigma + 0.35 * by;
            wantedAcross += share[i] * (wide * wide + Math.pow(0.2 * (tail - by), 2));
            wantedAlong += share[i] * (wide * wide + by * by);
        }
        assertThat(across).isCloseTo(wantedAcross, within(0.04 * wantedAcross));
        assertThat(along).isCloseTo(wantedAlong, within(0.04 * wantedAlong));
        double lost = drawing.fallOff(radius);
        assertThat(sum).isCloseTo(lost * 1e-8 * OF_A_LUX, within(0.03 * lost * 1e-8 * OF_A_LUX));
    }

    /** A filter that spreads light takes from the point what it lays round it: all is there, and much of it far off. */
    @ParameterizedTest
    @CsvSource({"NONE, 0.01", "LIGHT, 0.2", "STRONG, 0.5"})
    void a_diffusing_filter_takes_no_light(Diffusion filter, double mostFarOff) {
        Arrays.fill(canvas.open, 1);
        Exposure plain = exposure(20, 1, new Direction(180, 45), WHOLE);
        Shot through = plain.shot().withDetails(Shot.Details.USUAL.with(filter));
        Exposure e = new Exposure(plain.scene(), through, WHOLE, TrailFrames.NONE, canvas, 1000);
        Vector ahead = new Direction(180, 45).vector();
        e.glow(ahead, 0, ahead, 1, 2e-6, PINK);
        canvas.finish();
        assertThat(sum(1)).isCloseTo(2e-6 * OF_A_LUX / BINNED, within(0.05 * 2e-6 * OF_A_LUX / BINNED));
        double far = 0;
        for (int at = 0; at < canvas.electrons[1].length; at++) {
            far += Math.hypot(at % 960 + 0.5 - 480, at / 960 + 0.5 - 320) > 5 ? canvas.electrons[1][at] : 0;
        }
        assertThat(far / sum(1)).isBetween(filter == Diffusion.NONE ? 0 : 0.02, mostFarOff);
    }

    /** A spot of 4·10^7 electrons with a sigma of s burns where it has more than half a million: within s times the root of 2 ln (peak / full). */
    @Test
    void what_burns_is_counted_and_lost() {
        Exposure e = wide(new Direction(180, 45));
        Vector ahead = new Direction(180, 45).vector();
        double electrons = 4e7;
        e.glow(ahead, 0, ahead, 1, electrons / OF_A_LUX, PINK);
        canvas.finish();
        double sigma = new LensDrawing(e.shot(), SENSOR).sigmaPx(0);
        double peak = electrons / (2 * Math.PI * sigma * sigma);
        double radius = sigma * Math.sqrt(2 * Math.log(peak / 500_000));
        assertThat(canvas.burntByStars()).isCloseTo(Math.PI * radius * radius, within(0.1 * Math.PI * radius * radius));
        double kept =
                Math.PI * radius * radius * 500_000 + electrons * Math.exp(-radius * radius / (2 * sigma * sigma));
        double stray = 0.05 + 0.02 + 0.006 + 0.0015 + 0.001; // in the glass, before anything burns
        near(sum(1), (kept * (1 - stray) + electrons * stray) / BINNED);
    }
}
