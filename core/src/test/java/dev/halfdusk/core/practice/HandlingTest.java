package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.frame.Photograph.Stood;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** Fingers, stabilisers, wind, kicks and dew. */
class HandlingTest {

    private static final Outfit LONG = Outfit.of(Outfit.SensorSize.FULL, 135, 135, 2);
    private static final double ARCSEC = 9;

    private static List<Stood> stood(Map<String, String> set, double seconds, double wind) {
        return Handling.of(Dials.of(LONG).with(set), seconds, wind, ARCSEC);
    }

    @Test
    void a_finger_matters_at_a_second_and_neither_at_a_thousandth_nor_at_minutes() {
        assertThat(stood(Map.of("timer", "2 s"), 1, 0)).hasSize(1);
        List<Stood> touched = stood(Map.of(), 1, 0);
        assertThat(touched).hasSize(2);
        assertThat(touched.get(1).share()).isBetween(0.3, 0.5);
        assertThat(Math.hypot(touched.get(1).rightPx(), touched.get(1).downPx()))
                .as("90 arcseconds and a little aside, on pixels of nine")
                .isCloseTo(10.8, within(0.2));
        assertThat(stood(Map.of(), 1 / 1000.0, 0)).hasSize(1);
        assertThat(stood(Map.of(), 120, 0)).hasSize(1);
    }

    @Test
    void shares_of_the_time_are_all_of_it() {
        for (Map<String, String> set : List.of(
                Map.<String, String>of(), Map.of("stabiliser", "on"), Map.of("stabiliser", "on", "timer", "2 s"))) {
            for (double wind : new double[] {0, 12}) {
                assertThat(stood(set, 1, wind).stream()
                                .mapToDouble(Stood::share)
                                .sum())
                        .isCloseTo(1, within(1e-9));
            }
        }
    }

    /** Between a five-hundredth and a sixtieth a finger comes in; after 0.8 s its knock is over, and its share of the time falls. */
    @Test
    void how_much_of_the_time_a_finger_moved_it() {
        double at125 = (1 / 125.0 - 1 / 500.0) * 60 / 2;
        assertThat(stood(Map.of(), 1 / 125.0, 0)).containsExactly(new Stood(1 - at125, 0, 0), new Stood(at125, 4, 10));
        assertThat(stood(Map.of(), 2, 0)).containsExactly(new Stood(0.8, 0, 0), new Stood(0.2, 4, 10));
    }

    /** Back and forth and a third as much up and down; the sixth of a second that a swing takes is not all seen at an eighth. */
    @Test
    void a_swing_is_longest_at_its_ends() {
        assertThat(stood(Map.of("timer", "2 s"), 1 / 8.0, 12))
                .containsExactly(
                        new Stood(0.32, -4, 0.3 * 4),
                        new Stood(0.18, -0.3 * 4, 0.1 * 4),
                        new Stood(0.18, 0.3 * 4, -0.1 * 4),
                        new Stood(0.32, 4, -0.3 * 4));
        assertThat(widest(stood(Map.of("timer", "2 s", "stabiliser", "on"), 1, 0)))
                .isCloseTo(70 / 9.0, within(1e-9));
        assertThat(widest(stood(Map.of("timer", "2 s", "stabiliser", "on"), 1, 12)))
                .as("the stronger of both")
                .isCloseTo(8, within(1e-9));
    }

    @Test
    void wind_grows_with_its_speed_and_a_fast_shutter_sees_little_of_it() {
        double slow = widest(stood(Map.of("timer", "2 s"), 1, 12));
        assertThat(slow)
                .as("8 m/s above calm, 9 arcseconds each, on pixels of nine")
                .isCloseTo(8, within(1e-9));
        assertThat(widest(stood(Map.of("timer", "2 s"), 1, 20))).isCloseTo(16, within(1e-9));
        assertThat(stood(Map.of("timer", "2 s"), 1 / 500.0, 12)).hasSize(1);
        assertThat(stood(Map.of("timer", "2 s"), 1, 3)).hasSize(1);
        assertThat(stood(Map.of("timer", "2 s", "stabiliser", "on"), 1 / 60.0, 0))
                .hasSize(1);
        assertThat(stood(Map.of("timer", "2 s", "stabiliser", "on"), 1, 0)).hasSize(4);
    }

    private static double widest(List<Stood> all) {
        return all.stream().mapToDouble(s -> Math.abs(s.rightPx())).max().orElseThrow();
    }

    /** Ten minutes of dew take an eighth of the light and draw stars wider; the heater keeps both. */
    @Test
    void dew_dims_and_softens_until_the_heater_is_on() {
        Stage dewy = Courses.stage("dewy-night");
        Outfit o = Courses.lesson("dew").outfit();
        Map<String, String> set =
                Map.of("aperture", "2", "shutter", "8", "iso", "3200", "timer", "2 s", "focus", "0.5");
        Exposed dry = Exposed.take(dewy, Dials.of(o).with(set), 0, OptionalDouble.empty());
        Exposed wet = Exposed.take(dewy, Dials.of(o).with(set), 1200, OptionalDouble.empty());
        Exposed heated =
                Exposed.take(dewy, Dials.of(o).with(set).with(Map.of("heater", "on")), 1200, OptionalDouble.empty());
        assertThat(wet.from().shot(wet.settings()).efficiency())
                .as("a quarter of an hour of it")
                .isCloseTo(0.82 * dry.from().shot(dry.settings()).efficiency(), within(1e-3));
        assertThat(Measure.WIDTH.of(wet)).isGreaterThan(Measure.WIDTH.of(dry) + 1.5);
        assertThat(Measure.WIDTH.of(heated)).isCloseTo(Measure.WIDTH.of(dry), within(0.4));
    }

    /** A kick between two frames leaves the aim elsewhere; one within a frame shows every star twice or as a line. */
    @Test
    void a_kick_leaves_the_camera_elsewhere() {
        Stage kicked = Courses.stage("kicked");
        Dials d = Dials.of(Courses.lesson("tripod-kicked").outfit()).with(Map.of("timer", "2 s"));
        Viewfinder before = Viewfinder.at(kicked, d, 449);
        Viewfinder after = Viewfinder.at(kicked, d, 451);
        assertThat(before.aim()).isEqualTo(before.begun());
        double off =
                Math.toDegrees(Math.acos(after.aim().vector().dot(after.begun().vector())));
        assertThat(off).isCloseTo(3 * Math.sqrt(2), within(0.15));
    }

    /** A person stands for six seconds and sways after. */
    @Test
    void nobody_stands_still_for_ten_seconds() {
        Stage portrait = Courses.stage("portrait");
        Outfit o = Courses.lesson("someone-under-the-stars").outfit();
        Map<String, String> set =
                Map.of("aperture", "1.8", "iso", "1600", "timer", "2 s", "focus", "0.5", "strokes", "3");
        Exposed six =
                Exposed.take(portrait, Dials.of(o).with(set).with(Map.of("shutter", "6")), 0, OptionalDouble.empty());
        Exposed ten =
                Exposed.take(portrait, Dials.of(o).with(set).with(Map.of("shutter", "10")), 0, OptionalDouble.empty());
        assertThat(edges(ten)).isLessThan(edges(six));
    }

    /** How steep the steepest edges of the frame's lower half are, against its light. */
    private static double edges(Exposed frame) {
        float[] green = frame.whole().electrons(1);
        int width = frame.whole().window().width();
        double most = 0;
        double sum = 0;
        for (int i = green.length / 2; i < green.length - 4; i++) {
            if (i % width < width - 4) {
                most = Math.max(most, Math.abs(green[i + 4] - green[i]));
                sum += green[i];
            }
        }
        return most / (sum / (green.length / 2.0));
    }
}
