package dev.halfdusk.core.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.measure.Vector;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class OpticsTest {

    private static final Sensor FULL = new Sensor(36, 24, 5.94);

    @Test
    void a_20_mm_lens_on_full_frame_sees_84_by_62_degrees() {
        Optics optics = new Optics(FULL, 20, Projection.RECTILINEAR);
        assertThat(optics.widthDeg()).isCloseTo(83.97, within(0.01));
        assertThat(optics.heightDeg()).isCloseTo(61.93, within(0.01));
        assertThat(optics.portrait().widthDeg()).isEqualTo(optics.heightDeg());
        assertThat(optics.plateScaleArcsec()).isCloseTo(61.26, within(0.01));
        assertThat(optics.driftPx(15.0411, 20)).isCloseTo(4.91, within(0.005));
    }

    @Test
    void a_fisheye_spreads_angles_evenly() {
        Optics fisheye = new Optics(FULL, 12, Projection.FISHEYE);
        assertThat(fisheye.widthDeg()).isCloseTo(Math.toDegrees(36 / 12.0), within(1e-9));
        assertThat(fisheye.diagonalDeg()).as("no farther than its circle").isEqualTo(180);
    }

    @ParameterizedTest
    @CsvSource({"36,24,1.0", "23.5,15.7,1.53", "17.3,13,2.0", "13.2,8.8,2.73"})
    void crop_factors(double width, double height, double crop) {
        assertThat(new Sensor(width, height, 4).crop()).isCloseTo(crop, within(0.005));
    }

    @Test
    void absurd_optics_are_refused() {
        assertThatThrownBy(() -> new Optics(FULL, 0, Projection.RECTILINEAR)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new Sensor(36, 24, 0)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> Sensor.of(36, 24, 0)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new Lens(50, 20, 2.8, 2.8, Projection.RECTILINEAR))
                .hasMessageContaining("zoom");
    }

    @Test
    void a_zoom_closes_down_towards_its_long_end() {
        Lens zoom = new Lens(18, 55, 3.5, 5.6, Projection.RECTILINEAR);
        assertThat(zoom.widestAt(18)).isEqualTo(3.5);
        assertThat(zoom.widestAt(55)).isEqualTo(5.6);
        assertThat(zoom.widestAt(31)).isBetween(4.2, 4.6);
        assertThatThrownBy(() -> zoom.widestAt(70)).hasMessageContaining("18 to 55 mm");
    }

    @ParameterizedTest
    @EnumSource(Projection.class)
    void what_a_point_sees_falls_back_on_it(Projection projection) {
        Random random = new Random(3);
        Optics optics = new Optics(FULL, 14, projection);
        for (int i = 0; i < 300; i++) {
            Framing framing = Framing.of(
                    optics,
                    new Direction(random.nextDouble() * 360, random.nextDouble() * 180 - 90),
                    random.nextDouble() * 360);
            Framing.Point p = new Framing.Point(random.nextDouble() * 36 - 18, random.nextDouble() * 24 - 12);
            Framing.Point back = framing.project(framing.see(p)).orElseThrow();
            assertThat(back.x()).isCloseTo(p.x(), within(1e-9));
            assertThat(back.y()).isCloseTo(p.y(), within(1e-9));
            assertThat(framing.holds(p)).isTrue();
            assertThat(framing.holds(new Framing.Point(p.x() + 36 * Math.signum(p.x()), p.y())))
                    .isFalse();
            assertThat(framing.holds(new Framing.Point(p.x(), p.y() + 24 * Math.signum(p.y()))))
                    .isFalse();
        }
    }

    @Test
    void the_gnomonic_formulas_of_the_textbook_give_the_same_point() {
        Random random = new Random(5);
        double az0 = Math.toRadians(172);
        double alt0 = Math.toRadians(21);
        Framing framing = Framing.of(new Optics(FULL, 20, Projection.RECTILINEAR), new Direction(172, 21), 0);
        for (int i = 0; i < 200; i++) {
            double az = az0 + (random.nextDouble() - 0.5) * 1.2;
            double alt = alt0 + (random.nextDouble() - 0.5) * 0.8;
            double cosC = Math.sin(alt0) * Math.sin(alt) + Math.cos(alt0) * Math.cos(alt) * Math.cos(az - az0);
            double x = 20 * Math.cos(alt) * Math.sin(az - az0) / cosC;
            double y =
                    -20 * (Math.cos(alt0) * Math.sin(alt) - Math.sin(alt0) * Math.cos(alt) * Math.cos(az - az0)) / cosC;
            Framing.Point p = framing.project(new Direction(Math.toDegrees(az), Math.toDegrees(alt)).vector())
                    .orElseThrow();
            assertThat(p.x()).isCloseTo(x, within(1e-9));
            assertThat(p.y()).isCloseTo(y, within(1e-9));
        }
    }

    @Test
    void roll_turns_the_camera_clockwise_so_the_picture_turns_the_other_way() {
        Framing rolled = Framing.of(new Optics(FULL, 20, Projection.RECTILINEAR), new Direction(90, 0), 90);
        Framing.Point zenithward =
                rolled.project(new Direction(90, 10).vector()).orElseThrow();
        assertThat(zenithward.x()).isNegative();
        assertThat(zenithward.y()).isCloseTo(0, within(1e-9));
    }

    @Test
    void nothing_behind_a_rectilinear_lens_is_drawn() {
        Framing framing = Framing.of(new Optics(FULL, 20, Projection.RECTILINEAR), new Direction(0, 0), 0);
        assertThat(framing.project(new Vector(0, -1, 0))).isEmpty();
        assertThat(framing.project(new Vector(1, 0, 0))).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(Dial.class)
    void a_limit_is_never_exceeded_by_label_or_by_truth(Dial dial) {
        Random random = new Random(1);
        for (int i = 0; i < 5000; i++) {
            double limit = Math.pow(10, random.nextDouble() * 6 - 4);
            dial.atMost(limit).ifPresent(stop -> {
                assertThat(stop.realSeconds()).isLessThanOrEqualTo(limit * 1.000001);
                assertThat(stop.nominalSeconds()).isLessThanOrEqualTo(limit * 1.000001);
            });
        }
        assertThat(dial.atMost(1 / 9000.0)).isEmpty();
        assertThat(dial.atMost(Double.POSITIVE_INFINITY).orElseThrow().label()).isEqualTo("30");
    }

    @ParameterizedTest
    @EnumSource(Dial.class)
    void labels_stay_near_the_truth_and_fall_by_equal_steps(Dial dial) {
        for (int i = 0; i < dial.shutters().size(); i++) {
            Dial.Stop stop = dial.shutters().get(i);
            assertThat(Math.abs(Math.log(stop.nominalSeconds() / stop.realSeconds())) / Math.log(2))
                    .isLessThan(0.2);
            assertThat(dial.nearest(stop.realSeconds())).isEqualTo(stop);
        }
    }

    @ParameterizedTest
    @CsvSource({"16,15", "15.9,13", "8.2,8", "11.4,10", "5.69,5", "32,30", "31.9,25", "0.00019,1/6400"})
    void third_stops(double limit, String label) {
        assertThat(Dial.THIRD.atMost(limit).orElseThrow().label()).isEqualTo(label);
    }

    @ParameterizedTest
    @ValueSource(doubles = {1, 2, 4, 8})
    void whole_stops_are_on_every_dial(double seconds) {
        for (Dial dial : Dial.values()) {
            assertThat(dial.atMost(seconds).orElseThrow().realSeconds()).isEqualTo(seconds);
        }
    }

    /** A fisheye draws 180° unless its maker says otherwise: 8 mm on full frame leaves black corners, not 258°. */
    @ParameterizedTest
    @CsvSource({
        "8, 36, 24, , 180, 171.887", // 2 × 12 mm / 8 mm is 171.9° high; the width ends at the circle
        "8, 36, 24, 20, 143.24, 143.24", // a circle of 20 mm: 20 / 8 of a radian
        "15, 36, 24, , 137.51, 91.67", // 36 / 15 of a radian: the sensor is smaller than the circle
        "4, 23.5, 15.7, , 180, 180"
    })
    void a_fisheye_ends_at_its_image_circle(
            double focal, double width, double height, Double circle, double wide, double high) {
        OptionalDouble given = circle == null ? OptionalDouble.empty() : OptionalDouble.of(circle);
        Lens lens = new Lens(focal, focal, 2.8, 2.8, 22, Projection.FISHEYE, 0.9, true, 300, given);
        Optics optics = lens.optics(new Sensor(width, height, 5), focal, 1);
        assertThat(optics.widthDeg()).isCloseTo(wide, within(0.01));
        assertThat(optics.heightDeg()).isCloseTo(high, within(0.01));
        assertThat(optics.portrait().widthDeg()).isCloseTo(high, within(0.01));
    }

    @Test
    void beyond_the_circle_nothing_is_drawn() {
        Lens lens = new Lens(8, 8, 2.8, 2.8, 22, Projection.FISHEYE, 0.9, true, 300, OptionalDouble.of(20));
        Framing framing = Framing.of(lens.optics(new Sensor(36, 24, 5), 8, 1), new Direction(180, 30), 0);
        assertThat(framing.draws(new Framing.Point(9.9, 0))).isTrue();
        assertThat(framing.draws(new Framing.Point(10.1, 0))).isFalse();
        assertThat(framing.holds(new Framing.Point(7.2, 7.2))).isFalse();
        assertThat(framing.see(new Framing.Point(15, 0)).angleTo(framing.see(new Framing.Point(10, 0))))
                .as("the edge stands for all beyond it")
                .isCloseTo(0, within(1e-9));
        // a converter enlarges the picture with its circle
        assertThat(lens.optics(new Sensor(36, 24, 5), 8, 1.5).circleMm()).isCloseTo(30, within(1e-12));
        assertThat(new Optics(new Sensor(36, 24, 5), 20, Projection.RECTILINEAR).draws(1000, 0))
                .isTrue();
        assertThatThrownBy(() -> new Lens(8, 8, 2.8, 2.8, 22, Projection.FISHEYE, 0.9, true, 300, OptionalDouble.of(2)))
                .isInstanceOf(OutOfRange.class);
    }
}
