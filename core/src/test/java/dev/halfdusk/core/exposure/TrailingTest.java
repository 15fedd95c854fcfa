package dev.halfdusk.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Sidereal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TrailingTest {

    private static final Demand EVERY_STAR = new Demand(3, Sharp.ALL, 10);

    private static TrailingRule.Case full(double focal, double aperture, double pitch, double declination) {
        return new TrailingRule.Case(
                new Optics(new Sensor(36, 24, pitch), focal, Projection.RECTILINEAR), aperture, declination);
    }

    private static double seconds(String key, TrailingRule.Case c) {
        return TrailingRule.ALL.stream()
                .filter(r -> r.key().equals(key))
                .findFirst()
                .orElseThrow()
                .seconds(c);
    }

    @ParameterizedTest
    @CsvSource({
        "20, 1.8, 5.94, 500, 25.0",
        "20, 1.8, 5.94, npf-1, 5.69",
        "20, 1.8, 5.94, npf-3, 17.07",
        "20, 1.8, 5.94, npf-short, 12.06",
        "20, 1.8, 5.94, drift-3, 12.22",
        "35, 2, 4.0, 500, 14.3",
        "35, 2, 4.0, npf-1, 2.63",
        "35, 2, 4.0, npf-short, 5.43",
        "35, 2, 4.0, drift-3, 4.70"
    })
    void published_examples(double focal, double aperture, double pitch, String rule, double expected) {
        assertThat(seconds(rule, full(focal, aperture, pitch, 0)))
                .isCloseTo(expected, within(expected > 10 ? 0.05 : 0.006));
    }

    @Test
    void twenty_seconds_at_the_equator_drift_by_4_91_pixels() {
        assertThat(TrailingRule.driftPx(full(20, 1.8, 5.94, 0), 20)).isCloseTo(4.91, within(0.005));
    }

    @Test
    void at_the_pole_pixel_rules_set_no_limit_and_drift_is_none() {
        TrailingRule.Case pole = full(20, 1.8, 5.94, -90);
        assertThat(seconds("npf-1", pole)).isInfinite();
        assertThat(seconds("drift-3", pole)).isInfinite();
        assertThat(TrailingRule.driftPx(pole, 3600)).isZero();
    }

    @ParameterizedTest
    @CsvSource({"36,24,25", "23.5,15.7,15", "17.3,13,12.5", "43.8,32.9,25"})
    void number_by_format(double width, double height, double expected) {
        Optics optics = new Optics(new Sensor(width, height, 4), 20, Projection.RECTILINEAR);
        assertThat(seconds("by-format", new TrailingRule.Case(optics, 2, 0))).isEqualTo(expected);
    }

    @Test
    void on_the_axis_the_drift_over_the_frame_is_the_textbook_drift() {
        // a tiny sensor towards the equator on the meridian: no stretching anywhere
        Optics narrow = new Optics(new Sensor(3.6, 2.4, 4), 400, Projection.RECTILINEAR);
        Framing framing = Framing.of(narrow, new Direction(180, 52.4), 0);
        DriftField field = DriftField.of(framing, 37.6, 10);
        double expected = 15.0411 * 10 / (206.265 * 4 / 400);
        assertThat(field.worst().px()).isCloseTo(expected, within(expected * 0.001));
        assertThat(field.medianPx()).isCloseTo(expected, within(expected * 0.001));
    }

    @Test
    void towards_the_pole_the_centre_stands_still_and_stars_circle_anticlockwise() {
        Framing framing =
                Framing.of(new Optics(new Sensor(36, 24, 5), 20, Projection.RECTILINEAR), new Direction(0, 50), 0);
        DriftField field = DriftField.of(framing, 50, 60);
        DriftField.Drift centre = field.drifts().stream()
                .filter(d -> Math.hypot(d.from().x(), d.from().y()) < 1e-9)
                .findFirst()
                .orElseThrow();
        assertThat(centre.px()).isLessThan(1e-6);
        DriftField.Drift right = field.drifts().stream()
                .filter(d -> Math.abs(d.from().y()) < 1e-9 && d.from().x() > 5)
                .findFirst()
                .orElseThrow();
        assertThat(right.to().y()).isLessThan(right.from().y()); // up, on the right of the pole
    }

    @Test
    void in_the_south_stars_circle_the_other_way() {
        Framing framing =
                Framing.of(new Optics(new Sensor(36, 24, 5), 20, Projection.RECTILINEAR), new Direction(180, 34), 0);
        DriftField.Drift right = DriftField.of(framing, -34, 60).drifts().stream()
                .filter(d -> Math.abs(d.from().y()) < 1e-9 && d.from().x() > 5)
                .findFirst()
                .orElseThrow();
        assertThat(right.to().y()).isGreaterThan(right.from().y());
    }

    @ParameterizedTest
    @CsvSource({
        "180,20,37.6,20,RECTILINEAR",
        "90,40,-33,14,RECTILINEAR",
        "0,60,65,12,FISHEYE",
        "200,5,0,200,RECTILINEAR"
    })
    void the_longest_shutter_just_fills_the_tolerance(
            double azimuth, double altitude, double latitude, double focal, Projection projection) {
        Framing framing =
                Framing.of(new Optics(new Sensor(36, 24, 5), focal, projection), new Direction(azimuth, altitude), 0);
        double limit = DriftField.longestSeconds(framing, latitude, 3, Sharp.ALL);
        assertThat(DriftField.of(framing, latitude, limit).worst().px()).isCloseTo(3, within(0.005));
        ShutterAdvice advice = ShutterAdvice.of(framing, latitude, EVERY_STAR, Dial.THIRD);
        assertThat(advice.dial().orElseThrow().realSeconds()).isLessThanOrEqualTo(limit);
        assertThat(advice.field().worst().px()).isLessThanOrEqualTo(3);
        assertThat(advice.reasons())
                .hasSize(5)
                .allSatisfy(r -> assertThat(r.source()).isNotBlank());
    }

    /** Where the horizon cuts nothing off, the axis, the middle and nine tenths by a count of random points of the frame. */
    @ParameterizedTest
    @CsvSource({"180, 45, 37.6, 20", "0, 45, -33, 24", "90, 50, 60, 35"})
    void the_limit_follows_who_must_stay_sharp(double azimuth, double altitude, double latitude, double focal) {
        Optics optics = new Optics(new Sensor(36, 24, 5), focal, Projection.RECTILINEAR);
        Framing framing = Framing.of(optics, new Direction(azimuth, altitude), 0);
        Vector pole = new Direction(0, latitude).vector();
        Random random = new Random(5);
        double[] ways = new double[4000];
        for (int i = 0; i < ways.length; i++) {
            ways[i] = way(framing, pole, (random.nextDouble() - 0.5) * 36, (random.nextDouble() - 0.5) * 24);
        }
        Arrays.sort(ways);
        double fieldPx = DriftField.of(framing, latitude, 10).px(Sharp.MOST);
        assertThat(fieldPx).isCloseTo(ways[3600], within(ways[3600] * 0.03));
        DriftField field = DriftField.of(framing, latitude, 10);
        assertThat(field.px(Sharp.HALF)).isCloseTo(ways[2000], within(ways[2000] * 0.03));
        assertThat(field.px(Sharp.AIM)).isCloseTo(way(framing, pole, 0, 0), within(1e-9));
        assertThat(field.px(Sharp.ALL)).isGreaterThanOrEqualTo(ways[3999]);
        for (Sharp who : Sharp.values()) {
            double limit = DriftField.longestSeconds(framing, latitude, 3, who);
            assertThat(DriftField.of(framing, latitude, limit).px(who)).isCloseTo(3, within(0.005));
            assertThat(ShutterAdvice.of(framing, latitude, new Demand(3, who, 10), Dial.THIRD)
                            .limitSeconds())
                    .isEqualTo(limit);
        }
    }

    /** Ten seconds of a star in pixels of 5 µm. */
    private static double way(Framing framing, Vector pole, double x, double y) {
        Framing.Point from = new Framing.Point(x, y);
        Framing.Point to =
                framing.project(Sidereal.later(framing.see(from), pole, 10)).orElseThrow();
        return Math.hypot(to.x() - x, to.y() - y) * 200;
    }

    @Test
    void ground_in_the_frame_does_not_count_as_sky() {
        Framing low =
                Framing.of(new Optics(new Sensor(36, 24, 5), 20, Projection.RECTILINEAR), new Direction(180, 5), 0);
        assertThat(DriftField.of(low, 37.6, 10).drifts()).hasSizeLessThan(13 * 9);
        Framing ground =
                Framing.of(new Optics(new Sensor(36, 24, 5), 200, Projection.RECTILINEAR), new Direction(180, -40), 0);
        assertThat(DriftField.of(ground, 37.6, 10).drifts()).hasSize(13 * 9);
    }

    @Test
    void a_test_frame_keeps_the_brightness() {
        assertThat(test(25, 2.8, 10_000)).isCloseTo(4, within(1e-9));
        assertThat(test(10, 1.4, 1600)).isCloseTo(2.5, within(1e-9));
    }

    private static double test(double seconds, double aperture, double iso) {
        return CompositionFrame.of(new Settings(seconds, 2.8, 1600), aperture, iso, Dial.THIRD)
                .settings()
                .seconds();
    }

    @Test
    void an_absurd_demand_is_refused() {
        assertThatThrownBy(() -> new Demand(0, Sharp.ALL, 10)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new Demand(3, Sharp.ALL, 0)).isInstanceOf(OutOfRange.class);
    }

    /** On a smaller sensor rules by focal length shorten by its crop, those by pixel do not. */
    @ParameterizedTest
    @CsvSource({"500, 16.33", "200, 6.53", "npf-short, 8.8"})
    void the_crop_shortens_rules_by_focal_length(String rule, double expected) {
        var crop = new TrailingRule.Case(new Optics(Sensor.of(23.5, 15.7, 6240), 20, Projection.RECTILINEAR), 1.8, 0);
        // 43.27 mm over the diagonal of 28.26 mm is 1.531
        assertThat(seconds(rule, crop)).isCloseTo(expected, within(expected * 0.01));
    }

    /** Shares of the frame are those of a grid forty times as fine, to a percent, wherever one points. */
    @ParameterizedTest
    @CsvSource({
        "180, 20, 37.6, 14",
        "90, 40, -45, 20",
        "0, 37.6, 37.6, 24",
        "300, 10, 55, 35",
        "180, 70, 0, 10",
        "200, 5, 68, 16"
    })
    void shares_of_the_frame_are_told_closely(double azimuth, double altitude, double latitude, double focal) {
        Optics optics = new Optics(new Sensor(36, 24, 5), focal, Projection.RECTILINEAR);
        Framing framing = Framing.of(optics, new Direction(azimuth, altitude), 0);
        DriftField field = DriftField.of(framing, latitude, 10);
        Vector pole = new Direction(0, latitude).vector();
        List<Double> all = new ArrayList<>();
        for (int i = 0; i < 160; i++) {
            for (int j = 0; j < 108; j++) { // middles of even cells
                Framing.Point from = new Framing.Point(36 * ((i + 0.5) / 160 - 0.5), 24 * ((j + 0.5) / 108 - 0.5));
                Vector star = framing.see(from);
                if (star.z() >= 0) {
                    framing.project(Sidereal.later(star, pole, 10))
                            .ifPresent(to -> all.add(Math.hypot(to.x() - from.x(), to.y() - from.y()) * 200));
                }
            }
        }
        all.sort(Comparator.naturalOrder());
        double most = all.get((int) (0.9 * all.size()));
        double half = all.get(all.size() / 2);
        assertThat(field.px(Sharp.MOST)).isCloseTo(most, within(0.01 * most));
        assertThat(field.px(Sharp.HALF)).isCloseTo(half, within(0.01 * half));
    }
}
