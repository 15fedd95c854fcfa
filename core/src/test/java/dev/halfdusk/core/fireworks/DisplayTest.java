package dev.halfdusk.core.fireworks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.OutOfRange;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DisplayTest {

    private static Display of(FiringPoint... points) {
        return new Display(List.of(points), Show.TOWN, Shell.of(150));
    }

    /** 400 m ahead a front of 600 m ends 300 m to either side: 500 m off, 36.87° from the middle. */
    @Test
    void a_front_lies_across_the_line_of_sight() {
        List<FiringPoint> front = new FiringPoint(400, 10, -5).front(600);
        assertThat(front).hasSize(3);
        assertThat(front.get(0).distanceM()).isCloseTo(500, within(1e-9));
        assertThat(front.get(0).bearingDeg()).isCloseTo(333.13, within(0.01)); // to the left, across north
        assertThat(front.get(1).distanceM()).isCloseTo(400, within(1e-9));
        assertThat(front.get(2).bearingDeg()).isCloseTo(46.87, within(0.01));
        assertThat(front.get(2).heightM()).isEqualTo(-5);
        assertThat(new FiringPoint(400, 10, 0).front(0)).hasSize(1);
        assertThatThrownBy(() -> new FiringPoint(400, 10, 0).front(-1)).isInstanceOf(OutOfRange.class);
    }

    /** 600 m off at 45° and 135°: across the line of sight to 90° the two lie 2 × 600 sin 45° = 848.5 m apart. */
    @Test
    void several_points_are_a_front() {
        Display d = of(new FiringPoint(600, 45, 2), new FiringPoint(600, 135, 6), new FiringPoint(900, 90, 4));
        assertThat(d.frontM()).isCloseTo(848.53, within(0.01));
        assertThat(d.middle().bearingDeg()).isCloseTo(90, within(1e-9));
        assertThat(d.middle().distanceM()).isCloseTo((900 + 2 * 424.2641) / 3, within(1e-4));
        assertThat(d.middle().heightM()).isCloseTo(4, within(1e-9));
        assertThat(d.nearestM()).isEqualTo(600);
        assertThat(of(new FiringPoint(300, 350, 0), new FiringPoint(300, 20, 0))
                        .middle()
                        .bearingDeg())
                .isCloseTo(5, within(1e-9));
        assertThat(of(new FiringPoint(300, 20, 0)).frontM()).isCloseTo(0, within(1e-9));
    }

    /** Kept as middle and width and laid again, as often as one likes, it stays where it is. */
    @Test
    void a_front_is_laid_again_where_it_was() {
        Display d = new Display(new FiringPoint(400, 355, -5).front(600), Show.TOWN, Shell.of(150));
        assertThat(d.middle().distanceM()).isCloseTo(400, within(1e-9));
        assertThat(d.middle().bearingDeg()).isCloseTo(355, within(1e-9));
        assertThat(d.frontM()).isCloseTo(600, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"125.9, true", "126, false"})
    void the_nearest_point_decides_about_the_clear_distance(double metres, boolean near) {
        assertThat(of(new FiringPoint(900, 0, 0), new FiringPoint(metres, 5, 0)).near())
                .isEqualTo(near);
    }

    @Test
    void there_are_one_to_six_points() {
        FiringPoint p = new FiringPoint(600, 45, 2);
        assertThat(of(Collections.nCopies(6, p).toArray(new FiringPoint[0])).points())
                .hasSize(6);
        assertThatThrownBy(() -> of()).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> of(Collections.nCopies(7, p).toArray(new FiringPoint[0])))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** A town's show breaks a shell every 1.6 s: in 8 s some five, from each point in turn, the largest among them; before the opening those that smoke. */
    @Test
    void a_frame_has_the_shells_that_break_in_it() {
        FiringPoint left = new FiringPoint(600, 240, 0);
        FiringPoint right = new FiringPoint(600, 260, 0);
        List<Fired> fired = of(left, right).during(8);
        assertThat(fired.stream().filter(f -> f.breaksSeconds() >= 0 && f.breaksSeconds() < 8))
                .hasSizeBetween(4, 6);
        assertThat(fired.stream().filter(f -> f.breaksSeconds() < 0)).hasSizeBetween(1, 3);
        assertThat(fired).anyMatch(f -> f.shell().mm() == 150 && f.asideM() == 0);
        assertThat(fired.get(0).from()).isEqualTo(left);
        assertThat(fired.get(1).from()).isEqualTo(right);
        assertThat(fired.stream().map(Fired::seed).distinct()).hasSize(fired.size());
        for (int i = 0; i < fired.size(); i++) {
            Fired f = fired.get(i);
            if (i % 3 == 1) {
                assertThat(f.shell().mm()).isEqualTo(150);
                assertThat(f.asideM()).isZero();
            } else {
                assertThat(f.shell().mm()).isIn(75.0, 100.0, 125.0, 150.0);
                assertThat(Math.abs(f.asideM())).isBetween(0.01, 0.7 * 130);
            }
            // one every 1.6 s, by a fifth of that earlier or later, the third about the opening
            assertThat(f.breaksSeconds()).isCloseTo((i - 2.2) * 1.6, within(0.33));
            assertThat(f.launchSeconds())
                    .isCloseTo(f.breaksSeconds() - f.shell().flightSeconds(), within(1e-9));
        }
        assertThat(fired.stream().map(Fired::colour).distinct()).hasSizeGreaterThan(3);
        assertThat(of(left, right).during(8)).isEqualTo(fired);
        assertThat(of(left).during(3600)).hasSize(60);
    }

    @ParameterizedTest
    @CsvSource({"80, VILLAGE", "100, VILLAGE", "101, TOWN", "150, TOWN", "200, LARGE", "400, LARGE"})
    void a_shell_is_of_the_smallest_show_that_has_it(double mm, Show show) {
        assertThat(Show.upTo(Shell.of(mm))).isEqualTo(show);
    }

    @ParameterizedTest
    @CsvSource({"0.04, BLACK", "0.05, FAIR", "0.35, FAIR", "0.36, BRIGHT"})
    void the_sky_behind_is_judged_by_its_place_in_the_histogram(double at, FireworkSettings.Background judged) {
        assertThat(FireworkSettings.Background.at(at)).isEqualTo(judged);
        assertThat(judged.words().isEmpty()).isEqualTo(judged == FireworkSettings.Background.FAIR);
    }

    /** f/11 for 4 s at ISO 100 is EV log2(121 / 4) = 4.92: a skyline of EV 1 stands 3.92 stops below grey, in 8 s a stop less, at ISO 200 another. */
    @ParameterizedTest
    @CsvSource({"4, 11, 100, -3.919", "8, 11, 100, -2.919", "8, 11, 200, -1.919", "4, 16, 100, -5"})
    void a_skyline_follows_the_shutter(double seconds, double aperture, double iso, double stops) {
        FireworkSettings s = new FireworkSettings(new dev.halfdusk.core.optics.Settings(seconds, aperture, iso));
        assertThat(s.backgroundStops(1)).isCloseTo(stops, within(0.001));
    }

    /**
     * A near point to the left needs as much room as one to the right. Seen from a tilted camera its burst, a sphere of 65 m and a tenth 300 m away and
     * 190 m up, ends where an upright plane through the camera touches it: sin(θ − a) = 71.5 / r, where a = atan(x / z), r² = x² + z², x to the side and z ahead.
     */
    @ParameterizedTest
    @CsvSource({"350, 10", "10, 350"})
    void both_sides_count(double near, double far) {
        var level = new dev.halfdusk.core.optics.Optics(
                new dev.halfdusk.core.optics.Sensor(36, 24, 5), 20, dev.halfdusk.core.optics.Projection.RECTILINEAR);
        BurstFit fit = BurstFit.of(
                level,
                dev.halfdusk.core.optics.Orientation.PORTRAIT,
                List.of(new FiringPoint(300, near, 0), new FiringPoint(900, far, 0)),
                Shell.of(150));
        assertThat(fit.sideways()).isTrue();
        double tilt = Math.toRadians(fit.axis().altitudeDeg());
        double x = 300 * Math.sin(Math.toRadians(10));
        double z = 300 * Math.cos(Math.toRadians(10)) * Math.cos(tilt) + 190 * Math.sin(tilt);
        double aside = Math.atan(x / z) + Math.asin(71.5 / Math.hypot(x, z));
        double expected = Math.toDegrees(Math.atan(12.0 / 20) - aside);
        assertThat(fit.spareDeg()).isCloseTo(expected, within(0.05));
    }

    /** Six letters of 0.4 m at a second each: 8 s, 1.8 m wide; a hand of 40 letters' worth burns out. */
    @Test
    void writing_by_hand() {
        LightWriting name = new LightWriting(6, 0.4, 1);
        assertThat(name.seconds()).isEqualTo(8);
        assertThat(name.widthM()).isCloseTo(1.8, within(1e-9));
        assertThat(name.burnsLongEnough()).isTrue();
        assertThat(new LightWriting(19, 0.4, 2).burnsLongEnough()).isTrue(); // 40 s
        assertThat(new LightWriting(20, 0.4, 2).burnsLongEnough()).isFalse(); // 42 s
        // 64 / 8 s is EV 3 at ISO 100, four stops below it −1; at ISO 400 two stops less
        assertThat(name.brightestEv(8, 100)).isCloseTo(-1, within(1e-9));
        assertThat(name.brightestEv(8, 400)).isCloseTo(-3, within(1e-9));
        assertThatThrownBy(() -> new LightWriting(0, 0.4, 1)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new LightWriting(6, 0.1, 1)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new LightWriting(6, 0.4, 6)).isInstanceOf(OutOfRange.class);
    }

    /** Through 35 mm on 36 × 24: someone 2.2 m tall fills 70 % of the height at 4.58 m; a long word of 6 m needs 8.33 m; never nearer than 2 m. */
    @ParameterizedTest
    @CsvSource({"6, 0.4, 35, 4.583", "8, 1, 35, 8.333", "1, 0.2, 10, 2"})
    void the_writer_stands_so_that_it_fits(int letters, double metres, double focal, double distance) {
        var optics = new dev.halfdusk.core.optics.Optics(
                new dev.halfdusk.core.optics.Sensor(36, 24, 5), focal, dev.halfdusk.core.optics.Projection.RECTILINEAR);
        assertThat(new LightWriting(letters, metres, 1).distanceM(optics)).isCloseTo(distance, within(0.001));
    }
}
