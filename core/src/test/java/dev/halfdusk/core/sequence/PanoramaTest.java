package dev.halfdusk.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.IsoChoice;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.exposure.ShutterAdvice;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
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

    /** Frames of 20 mm upright lie 40° apart on clicks of ten: four clicks on, all of a row back, and the second row by its tilt. */
    @Test
    void the_head_is_turned_by_whole_clicks() {
        Optics optics = new Optics(SENSOR, 35, Projection.RECTILINEAR).portrait();
        Panorama p = Panorama.of(new Panorama.Wanted(100, 220, -8, 70, 0.3, 5), optics);
        assertThat(p.rows()).isGreaterThan(1);
        assertThat(p.betweenClicks()).isFalse();
        List<Panorama.Turn> turns = p.turns();
        assertThat(turns).hasSameSizeAs(p.frames());
        int columns = (int) p.frames().stream().filter(f -> f.row() == 0).count();
        for (int i = 0; i < turns.size(); i++) {
            Panorama.Turn t = turns.get(i);
            assertThat(t.number()).isEqualTo(i + 1);
            assertThat(t.axis()).isEqualTo(p.frames().get(i).axis());
            assertThat(t.row()).isEqualTo(i / columns + 1);
            boolean first = i == 0;
            boolean back = !first && i % columns == 0;
            double expected = first ? 0 : back ? -(columns - 1) * p.stepDeg() : p.stepDeg();
            assertThat(t.azimuthStepDeg()).as("turn %d", i + 1).isCloseTo(expected, within(1e-9));
            assertThat(t.clicks()).hasValue((int) Math.round(expected / 5));
        }
    }

    /** On a head of coarse clicks it is stopped between them. */
    @Test
    void a_head_of_coarse_clicks_is_stopped_between_them() {
        Optics optics = new Optics(SENSOR, 85, Projection.RECTILINEAR);
        Panorama p = Panorama.of(new Panorama.Wanted(170, 200, -8, 20, 0.3, 90), optics);
        assertThat(p.betweenClicks()).isTrue();
        assertThat(p.turns()).allMatch(t -> t.clicks().isEmpty());
    }

    private static Setup asked(double zenith, Dial dial) {
        CameraBody body = CameraBody.generic(SENSOR, dial, 25_600);
        Rig rig = Rig.of(body, new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
        return new Setup(
                rig,
                20,
                1.8,
                new Pointing(new Direction(10, 5), 0, Orientation.PORTRAIT),
                Standpoint.open(new Site(37.6, -8.8, 20), SkyGlow.ofZenith(zenith)),
                Instant.parse("2027-05-06T01:30:00Z"),
                Demand.USUAL);
    }

    /** Wherever it is asked, it is set for the highest row, by the shortest of its frames' shutters, and for all frames alike. */
    @Test
    void one_setting_serves_all_frames() {
        Setup asked = asked(21.5, Dial.THIRD);
        Panorama p = Panorama.of(new Panorama.Wanted(0, 180, -8, 60, 0.3, 1), asked.optics());
        Settings set = p.settings(asked);
        double common = p.shutters(37.6, Demand.USUAL, Dial.THIRD)
                .common()
                .orElseThrow()
                .realSeconds();
        assertThat(set.seconds()).isEqualTo(common);
        assertThat(set.aperture()).isEqualTo(1.8);
        assertThat(asked.rig().body().isoSteps()).contains((int) set.iso());
        assertThat(p.settings(asked.pointing(Pointing.level(new Direction(200, 40)))))
                .as("its aim does not matter, how it is held is kept out of it here")
                .satisfies(other -> assertThat(other.seconds()).isEqualTo(common));
        double highest = p.tilts().get(p.tilts().size() - 1);
        List<Direction> top = p.frames().stream()
                .map(Panorama.Frame::axis)
                .filter(a -> a.altitudeDeg() == highest)
                .toList();
        Setup middle = asked.pointing(new Pointing(top.get(top.size() / 2), 0, Orientation.PORTRAIT));
        int iso = IsoChoice.recommended(
                        middle.proposal().light().during(common), asked.rig().body())
                .iso();
        assertThat(set.iso()).isEqualTo(iso);
    }

    /** Under a sky as bright as dusk the shutter ends where the sky burns. */
    @Test
    void no_frame_is_open_until_the_sky_burns() {
        Setup bright = asked(15.1, Dial.THIRD);
        Panorama p = Panorama.of(new Panorama.Wanted(0, 90, -8, 30, 0.3, 1), bright.optics());
        double common = p.shutters(37.6, Demand.USUAL, Dial.THIRD)
                .common()
                .orElseThrow()
                .realSeconds();
        Settings set = p.settings(bright);
        double unburnt = bright.pointing(
                        new Pointing(p.frames().get(p.frames().size() / 2).axis(), 0, Orientation.PORTRAIT))
                .proposal()
                .unburntSeconds();
        assertThat(set.seconds()).isLessThanOrEqualTo(Math.max(unburnt, 1 / 8000.0) * 1.2);
        assertThat(set.seconds()).isLessThanOrEqualTo(common);
    }

    /** What one row reaches is complete, and the sky above a tilt that ends is not. */
    @Test
    void it_says_whether_it_reaches_the_top() {
        Optics optics = new Optics(SENSOR, 200, Projection.RECTILINEAR);
        assertThat(Panorama.of(new Panorama.Wanted(0, 10, -8, 88, 0.3, 1), optics)
                        .complete())
                .as("so many rows are not taken")
                .isFalse();
        assertThat(Panorama.of(new Panorama.Wanted(0, 10, 0, 5, 0.3, 1), optics).complete())
                .isTrue();
    }
}
