package dev.halfdusk.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TrailPlanTest {

    private static final Instant NIGHT = Instant.parse("2027-06-04T23:10:00Z");
    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 200, 1.8, 1.8, Projection.RECTILINEAR));

    private static TrailPlan plan(double latitude, Direction at, double focal, double zenith, Sequence s) {
        Standpoint from = Standpoint.open(new Site(latitude, -8.8, 10), SkyGlow.ofZenith(zenith));
        return TrailPlan.of(new Setup(RIG, focal, 1.8, Pointing.level(at), from, NIGHT, Demand.USUAL), s);
    }

    /**
     * Towards the equator on the meridian a star goes straight across: 600 s turn 2.507°. Through a rectilinear 200 mm lens that
     * is 200 mm × tan from the centre, 2 × 200 × tan 1.2534° apart at the most: 8.756 mm, 1459 px. At declination ±60° half
     * of the angle.
     */
    @ParameterizedTest
    @CsvSource({"40, 180, 50, 1459", "-40, 0, 50, 1459", "40, 0, 70, 729", "-40, 180, 70, 729"})
    void arcs_at_the_centre_follow_the_declination(double latitude, double azimuth, double altitude, double px) {
        TrailPlan plan = plan(latitude, new Direction(azimuth, altitude), 200, 21.5, new Sequence(1, 600, 0));
        assertThat(plan.arcs().get(0).px()).isCloseTo(px, within(0.01 * px));
        assertThat(plan.arcs().get(0).where()).isEqualTo("centre");
        assertThat(plan.arcs().get(1).px()).isGreaterThan(0.9 * px);
    }

    /** Round the pole the centre stands still, and a corner 47.2° off it (20 mm) draws a circle: 21.63 mm × 15.04° an hour. */
    @ParameterizedTest
    @CsvSource({"37.6, 0, 37.6", "-37.6, 180, 37.6"})
    void circles_close_round_the_pole_that_is_up(double latitude, double azimuth, double altitude) {
        TrailPlan plan = plan(latitude, new Direction(azimuth, altitude), 20, 21.5, new Sequence(116, 30, 1));
        assertThat(plan.pole()).isPresent();
        assertThat(plan.pole().orElseThrow().x()).isCloseTo(0, within(1e-6));
        assertThat(plan.arcs().get(0).px()).isLessThan(1);
        double radians = Math.toRadians(15.0411 / 3600 * 3595);
        assertThat(plan.arcs().get(1).px()).isCloseTo(21.633 / 0.006 * radians, within(12.0));
        TrailPlan away = plan(latitude, new Direction(azimuth == 0 ? 180 : 0, 40), 20, 21.5, new Sequence(9, 30, 1));
        assertThat(away.pole()).isEmpty();
    }

    /** Beyond six hours a star on the meridian is behind the camera: its arc is as long as it was seen. */
    @Test
    void an_arc_ends_where_the_lens_sees_it_no_longer() {
        Direction south = new Direction(180, 50);
        double four = plan(40, south, 20, 21.5, new Sequence(465, 30, 1))
                .arcs()
                .get(0)
                .px();
        double nine = plan(40, south, 20, 21.5, new Sequence(1045, 30, 1))
                .arcs()
                .get(0)
                .px();
        assertThat(four).isCloseTo(20 * Math.tan(Math.toRadians(60.2)) / 0.006, within(60.0));
        assertThat(nine).isGreaterThan(four).isFinite();
    }

    /** 1 s at 20 mm on 6 µm: 15.04″ / 61.88″ = 0.243 px on the equator; on a print of 60 cm 0.024 mm, on a screen a third of it. */
    @Test
    void gaps_are_judged_where_they_are_seen() {
        TrailPlan plan = plan(40, new Direction(180, 50), 20, 21.5, new Sequence(100, 30, 1));
        assertThat(plan.arcs().get(0).gapPx()).isCloseTo(0.2431, within(0.001));
        double widest = plan.gapPx();
        assertThat(widest).isBetween(0.3, 0.7); // the corners of a wide lens are stretched
        assertThat(plan.gapOnPrintMm(60)).isCloseTo(widest * 600 / 6000, within(1e-9));
        assertThat(plan.gapOnScreenPx()).isCloseTo(widest * 0.32, within(1e-9));
        assertThatThrownBy(() -> plan.gapOnPrintMm(1)).hasMessageContaining("5 to 500 cm");
    }

    /** F / v whatever the shutter: 30 s and 120 s leave trails as bright, and four times as much sky. */
    @Test
    void the_shutter_only_decides_how_grey_the_sky_is() {
        TrailPlan shorter = plan(40, new Direction(180, 50), 50, 21.5, new Sequence(100, 30, 1));
        TrailPlan longer = shorter.with(new Sequence(25, 120, 1));
        assertThat(longer.trailE(3)).isCloseTo(shorter.trailE(3), within(0.02 * shorter.trailE(3)));
        assertThat(longer.light().skyE()).isCloseTo(4 * shorter.light().skyE(), within(1e-6));
        assertThat(longer.faintest(800)).isLessThan(shorter.faintest(800));
        // 8.8e5 photons of magnitude 0 through 2.778 cm and 0.45: by hand, in a drift of 15.04″ / 24.75″ a second
        double perSecond = 8.8e5 * Math.PI / 4 * Math.pow(5 / 1.8, 2) * RIG.efficiency();
        assertThat(shorter.trailE(0)).isCloseTo(perSecond / 0.6077 / 2.4, within(0.02 * perSecond));
    }

    /** Of a hundred normal numbers the largest lies some three σ up: √(2 ln 100) = 3.03. */
    @Test
    void laying_lighter_pixels_over_each_other_lifts_the_sky() {
        TrailPlan plan = plan(40, new Direction(180, 50), 20, 21.5, new Sequence(100, 30, 1));
        double read = plan.light().response().readNoiseE(1600);
        double sigma = Math.sqrt(plan.light().skyE() + plan.light().darkE() + read * read);
        assertThat(plan.stackedSkyE(1600) - plan.light().skyE()).isCloseTo(3.035 * sigma, within(0.01 * sigma));
        assertThat(plan.with(Sequence.single(30)).stackedSkyE(1600))
                .isEqualTo(plan.light().skyE());
    }

    /** Five σ over the stack's sky, which lies √(2 ln 100) σ over that of a frame: 8.035 σ. */
    @Test
    void the_faintest_trail_stands_out_of_the_noise() {
        TrailPlan plan = plan(40, new Direction(180, 50), 50, 21.5, new Sequence(100, 30, 1));
        double read = plan.light().response().readNoiseE(800);
        double sigma = Math.sqrt(plan.light().skyE() + plan.light().darkE() + read * read);
        double wanted = 2.5 * Math.log10(plan.trailE(0) / (8.035 * sigma));
        assertThat(plan.faintest(800)).isCloseTo(wanted, within(0.001));
        assertThat(plan.trailE(plan.faintest(800))).isCloseTo(8.035 * sigma, within(0.01 * sigma));
    }

    /** In half a second a star at 20 mm stays within an eighth of a pixel: all its light falls there. */
    @Test
    void a_star_that_hardly_moves_leaves_what_it_sent() {
        TrailPlan plan = plan(40, new Direction(180, 50), 20, 21.5, new Sequence(10, 0.5, 1));
        double perSecond = 8.8e5 * Math.PI / 4 * Math.pow(2 / 1.8, 2) * RIG.efficiency();
        assertThat(plan.trailE(0)).isCloseTo(perSecond * 0.5 / 2.4, within(0.001 * perSecond));
    }

    @Test
    void iso_keeps_the_stack_from_turning_grey() {
        TrailPlan dark = plan(40, new Direction(180, 50), 20, 21.9, new Sequence(100, 10, 1));
        TrailPlan town = plan(40, new Direction(180, 50), 20, 18.5, new Sequence(100, 10, 1));
        assertThat(dark.light().peak(dark.iso())).isLessThanOrEqualTo(TrailPlan.GREY);
        assertThat(town.iso()).isLessThan(dark.iso());
        assertThat(dark.iso()).isLessThanOrEqualTo(RIG.body().comfortableIso());
        TrailPlan day = plan(40, new Direction(180, 50), 20, 15, new Sequence(100, 30, 1));
        assertThat(day.iso()).isEqualTo(100);
    }

    @Test
    void the_schools_reach_the_same_arc_in_their_ways() {
        TrailPlan plan = plan(40, new Direction(0, 46), 20, 20.5, new Sequence(116, 30, 1));
        var schools = plan.schools();
        assertThat(schools).extracting(s -> s.sequence().frames()).containsExactly(224, 28, 1);
        assertThat(schools)
                .allMatch(s -> s.sequence().seconds() <= 3595 && s.sequence().seconds() > 3400);
        assertThat(schools.get(1).gapPx()).isCloseTo(5 * plan.gapPx(), within(0.05 * plan.gapPx()));
        assertThat(schools.get(2).gapPx()).isZero();
        assertThat(schools.get(2).burnt()).as("an hour under a village's sky").isTrue();
        assertThat(schools.get(2).hotE()).isCloseTo(RIG.body().response().darkEPerSecond() * 3595, within(1e-6));
    }

    @Test
    void the_program_ends_with_dark_frames() {
        TrailPlan plan = plan(40, new Direction(0, 46), 20, 20.5, new Sequence(116, 30, 1));
        Program program = plan.program(NIGHT, 800, FileFormat.RAW, TrailPlan.DARKS);
        assertThat(program.frames()).isEqualTo(121);
        assertThat(program.steps().get(1).begins()).isEqualTo(NIGHT.plusSeconds(3595 + 60));
        assertThat(program.steps().get(0).settings().iso()).isEqualTo(800);
        assertThat(plan.program(NIGHT, 800, FileFormat.RAW, 0).frames()).isEqualTo(116);
    }
}
