package dev.halfdusk.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.ShutterAdvice;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PanoramaTest {

    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);

    private static int seeing(Panorama p, double azimuth, double altitude) {
        int count = 0;
        for (Panorama.Frame f : p.frames()) {
            Framing framing = Framing.of(p.optics(), f.axis(), 0);
            if (framing.project(new Direction(azimuth, altitude).vector())
                    .filter(framing::holds)
                    .isPresent()) {
                count++;
            }
        }
        return count;
    }

    @ParameterizedTest(name = "{0} mm, upright {1}, {2}° to {3}°, up to {4}°, overlap {5}")
    @CsvSource({
        "20, true, 90, 270, 30, 0.3",
        "20, false, 80, 260, 35, 0.3",
        "35, true, 300, 120, 55, 0.4",
        "35, false, 350, 40, 20, 0.25",
        "50, true, 0, 0, 25, 0.3",
        "14, true, 100, 280, 75, 0.35",
        "85, false, 170, 200, 30, 0.2"
    })
    void every_wanted_direction_is_seen_and_neighbours_overlap(
            double focal, boolean upright, double from, double to, double top, double overlap) {
        Optics level = new Optics(SENSOR, focal, Projection.RECTILINEAR);
        Optics optics = upright ? level.portrait() : level;
        Panorama p = Panorama.of(new Panorama.Wanted(from, to, -8, top, overlap, 1), optics);
        assertThat(p.complete()).isTrue();
        double width = p.wanted().widthDeg();
        for (double a = 0; a <= width; a += width / 60) {
            for (double h = -8; h <= top; h += (top + 8) / 25) {
                assertThat(seeing(p, from + a, h))
                        .as("%.1f°, %.1f°", from + a, h)
                        .isPositive();
            }
        }
        // neighbours in a row: at the tilt's own altitude the shared part is at least the promised share of a frame
        if (p.frames().size() > 1 && p.frames().get(1).row() == 0) {
            Framing one = Framing.of(optics, new Direction(0, p.tilts().get(0)), 0);
            double half = Math.abs(Math.toDegrees(Math.atan2(
                    one.see(new Framing.Point(optics.sensor().widthMm() / 2, 0)).x(),
                    one.see(new Framing.Point(optics.sensor().widthMm() / 2, 0)).y())));
            assertThat(2 * half - p.stepDeg()).isGreaterThanOrEqualTo(overlap * 2 * half - 1e-6);
        }
        assertThat(p.frames())
                .allMatch(f -> f.axis().altitudeDeg() == Math.rint(f.axis().altitudeDeg()));
        assertThat(p.stepDeg()).isEqualTo(Math.rint(p.stepDeg()));
    }

    @Test
    void a_low_arch_takes_one_row_and_a_high_one_more() {
        Optics upright = new Optics(SENSOR, 20, Projection.RECTILINEAR).portrait();
        Galaxy.Arch low = new Galaxy.Arch(20, true, 60, 240, 35, 150);
        Galaxy.Arch high = new Galaxy.Arch(70, true, 20, 200, 85, 110);
        Panorama one = Panorama.of(Panorama.arch(low, 15, 0.3, 5), upright);
        Panorama more = Panorama.of(Panorama.arch(high, 15, 0.3, 5), upright);
        assertThat(one.rows()).isEqualTo(1);
        assertThat(more.rows()).isGreaterThan(1);
        assertThat(one.wanted().fromAzimuthDeg()).isEqualTo(45);
        assertThat(one.wanted().toAzimuthDeg()).isEqualTo(255);
        assertThat(one.frames().size()).isBetween(5, 9);
        assertThat(one.stepDeg() % 5).isZero();
    }

    @Test
    void time_and_turn_of_the_sky() {
        Panorama p = Panorama.of(
                new Panorama.Wanted(90, 270, 0, 30, 0.3, 5), new Optics(SENSOR, 20, Projection.RECTILINEAR).portrait());
        int n = p.frames().size();
        assertThat(p.seconds(10, 5)).isEqualTo(n * 10 + (n - 1) * 5.0);
        assertThat(p.turnDeg(10, 5)).isCloseTo((n * 10 + (n - 1) * 5) * 15.0411 / 3600, within(1e-5));
    }

    /** On the axis a row begins below the top of the row under it by the promised share of a frame. */
    @ParameterizedTest
    @CsvSource({"35, 0.3", "35, 0.5", "50, 0.2", "50, 0.4", "85, 0.3"})
    void rows_overlap_as_promised(double focal, double overlap) {
        Optics optics = new Optics(SENSOR, focal, Projection.RECTILINEAR);
        Panorama p = Panorama.of(new Panorama.Wanted(120, 240, -8, 60, overlap, 1), optics);
        assertThat(p.rows()).isGreaterThan(1);
        double height = 2 * Math.toDegrees(Math.atan(12 / focal));
        for (int row = 1; row < p.rows(); row++) {
            double shared = height - (p.tilts().get(row) - p.tilts().get(row - 1));
            assertThat(shared).as("row %s", row).isGreaterThanOrEqualTo(overlap * height - 0.01);
        }
    }

    /** Upright at 14 mm a frame is 104° high: tilted to 40° it reaches beyond the zenith, and one row does. */
    @ParameterizedTest
    @CsvSource({"14, 85, 1", "14, 89, 1", "20, 89, 2", "24, 88, 2"})
    void a_frame_that_holds_the_zenith_reaches_every_top(double focal, double top, int rows) {
        Optics upright = new Optics(SENSOR, focal, Projection.RECTILINEAR).portrait();
        Panorama p = Panorama.of(new Panorama.Wanted(90, 270, -8, top, 0.3, 5), upright);
        assertThat(p.complete()).isTrue();
        assertThat(p.rows()).isEqualTo(rows);
    }

    @Test
    void an_arch_is_framed_with_its_margins() {
        Panorama.Wanted low = Panorama.arch(new Galaxy.Arch(20, true, 60, 240, 35, 150), 10, 0.3, 5);
        assertThat(low).isEqualTo(new Panorama.Wanted(50, 250, -8, 45, 0.3, 5));
        Panorama.Wanted wide = Panorama.arch(new Galaxy.Arch(20, true, 60, 240, 60, 150), 40, 0.3, 5);
        assertThat(wide.topAltitudeDeg()).isEqualTo(75);
        assertThat(Panorama.arch(new Galaxy.Arch(80, true, 60, 240, 85, 150), 40, 0.3, 5)
                        .topAltitudeDeg())
                .isEqualTo(89);
        assertThat(Panorama.between(350, 20, 40, 0.3, 5)).isEqualTo(new Panorama.Wanted(350, 20, -8, 40, 0.3, 5));
        assertThat(new Panorama.Wanted(10, 10, 0, 20, 0.3, 5).widthDeg()).isEqualTo(360);
        assertThat(new Panorama.Wanted(350, 20, 0, 20, 0.3, 5).widthDeg()).isEqualTo(30);
    }

    /** In the south stars run faster than towards the pole: the shutter of the south holds for all. */
    @Test
    void the_common_shutter_is_the_shortest() {
        Optics optics = new Optics(SENSOR, 35, Projection.RECTILINEAR);
        Panorama round = Panorama.of(new Panorama.Wanted(0, 0, 20, 30, 0.3, 5), optics);
        Panorama.Shutters shutters = round.shutters(50, Demand.USUAL, Dial.THIRD);
        double least = Double.POSITIVE_INFINITY;
        double most = 0;
        for (int i = 0; i < round.frames().size(); i++) {
            double own = shutters.each().get(i).orElseThrow().realSeconds();
            double limit = ShutterAdvice.of(
                            Framing.of(optics, round.frames().get(i).axis(), 0), 50, Demand.USUAL, Dial.THIRD)
                    .limitSeconds();
            assertThat(own).isLessThanOrEqualTo(limit).isGreaterThan(limit / 1.3);
            least = Math.min(least, own);
            most = Math.max(most, own);
        }
        assertThat(most).isGreaterThan(least);
        assertThat(shutters.common().orElseThrow().realSeconds()).isEqualTo(least);
    }

    /** Whatever the clicks of the head, neighbours share what was promised. */
    @ParameterizedTest
    @CsvSource({"20, 5, false", "50, 15, false", "50, 60, true", "135, 15, true", "400, 5, true"})
    void clicks_never_eat_the_overlap(double focal, double click, boolean between) {
        Optics optics = new Optics(SENSOR, focal, Projection.RECTILINEAR);
        Panorama p = Panorama.of(new Panorama.Wanted(100, 200, 0, 10, 0.3, click), optics);
        assertThat(p.betweenClicks()).isEqualTo(between);
        assertThat(p.stepDeg())
                .isLessThanOrEqualTo(optics.widthDeg() * 0.7 * 1.35); // higher up a frame sees more azimuth
        if (!between) {
            assertThat(p.stepDeg() / click).isCloseTo(Math.rint(p.stepDeg() / click), within(1e-9));
        }
        Framing left = Framing.of(optics, new Direction(0, p.tilts().get(0)), 0);
        // the right edge of the left frame, seen from its neighbour: at least 30 % into it at the height of its axis
        Vector edge = left.see(new Framing.Point(SENSOR.widthMm() / 2 * 0.4, 0));
        Framing right = Framing.of(optics, new Direction(p.stepDeg(), p.tilts().get(0)), 0);
        assertThat(right.project(edge).orElseThrow().x()).isGreaterThan(-SENSOR.widthMm() / 2 - 0.35);
    }

    @Test
    void the_default_minute_needs_the_fewest_rows() {
        Night night = Night.of(
                new Site(37.6, -8.8, 0), LocalDate.of(2027, 6, 8), ZoneId.of("Europe/Lisbon"), NightRules.USUAL);
        Optics optics = new Optics(SENSOR, 20, Projection.RECTILINEAR).portrait();
        Interval window = night.window().orElseThrow();
        Function<Instant, Panorama.Wanted> arch = t -> Panorama.arch(night.arch(t), 15, 0.3, 5);
        Instant chosen = Panorama.fewestRows(window, night.best(), arch, optics);
        int rows = Panorama.of(arch.apply(chosen), optics).rows();
        int most = 0;
        for (Instant t = window.from(); t.isBefore(window.to()); t = t.plusSeconds(300)) {
            int other = Panorama.of(arch.apply(t), optics).rows();
            most = Math.max(most, other);
            assertThat(rows).isLessThanOrEqualTo(other);
            // none of the minutes that need as few is nearer to the best
            if (other == rows) {
                assertThat(Duration.between(night.best(), t).abs())
                        .isGreaterThanOrEqualTo(
                                Duration.between(night.best(), chosen).abs().minusMinutes(10));
            }
        }
        assertThat(most).as("it makes a difference on this night").isGreaterThan(rows);
        assertThat(window.contains(chosen)).isTrue();
    }
}
