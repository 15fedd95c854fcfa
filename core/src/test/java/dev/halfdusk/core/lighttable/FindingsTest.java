package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Support;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is found in readings of frames that nobody took: cause, weight, evidence and which dials are turned, on either side of each limit. */
class FindingsTest extends Judged {

    @Test
    void a_good_moon_is_said_to_be_one() {
        moonOf(0.3, 0.02, 0.05, 4, 2);
        assertThat(all())
                .containsExactly("GOOD 0.00: lit ground at 0.30 of white, nothing burnt; its edge 4.0 px wide");
    }

    /** A stop over 0.3 is a stop darker; a middle that is white tells nothing, and three stops are tried. */
    @Test
    void a_burnt_moon_is_taken_darker_by_the_shutter() {
        moonOf(0.6, 0.1, 0.2, 2, 0);
        assertThat(all())
                .containsExactly(
                        "BURNT 2.20: 10 % of the lit ground and 20 % of its limb are white; its middle stands at 0.60 | SHUTTER 5.04");
        moonOf(0.95, 0.1, 0, 2, 0);
        assertThat(all()).singleElement().asString().startsWith("BURNT 2.00").endsWith("SHUTTER 1.26");
        moonOf(0.3, 0, 0.06, 2, 0);
        assertThat(all()).singleElement().asString().startsWith("BURNT 2.06").endsWith("SHUTTER 8");
    }

    /** log2(0.05 / 0.3) = −2.6: by the shutter until the moon has moved by two pixels, which takes 34 s, then by the ISO. */
    @Test
    void a_dark_moon_is_taken_brighter_as_long_as_it_stands_still() {
        moonOf(0.05, 0, 0, 2, 0);
        assertThat(all())
                .containsExactly(
                        "TOO_DARK 1.29: lit ground stands at 0.050 of white, 2.6 stops below 0.3 | SHUTTER 34.28, ISO 2500");
        moonOf(0.08, 0, 0, 2, 0);
        assertThat(causes()).containsExactly(Cause.GOOD);
    }

    /** 24 mm on pixels of 0.03 mm: 0.58 px in ten seconds, so that three are the hand's; behind 200 mm it is 4.9. */
    @Test
    void a_moon_that_is_drawn_out_moved_or_was_moved() {
        moonOf(0.3, 0, 0, 2, 3);
        assertThat(all())
                .containsExactly(
                        "SHAKE 1.50: its edge is drawn out by 3.0 px at 45\u00b0; it can have moved by 0.6 | SHUTTER 6.35, APERTURE 3.2");
        r.known = r.known.through(new Optics(Readings.SENSOR, 200, Projection.RECTILINEAR));
        assertThat(all()).singleElement().asString().startsWith("DRIFT 1.50").contains("moved by 4.9");
        assertThat(found().get(0).remedy()).isEmpty();
        r.known = r.known.on(new Support(Support.Kind.SIDEREAL, 60));
        assertThat(all()).singleElement().asString().startsWith("SHAKE").doesNotContain("can have moved");
    }

    @Test
    void a_soft_edge_is_focus_or_air() {
        moonOf(0.3, 0, 0, 5, 2);
        assertThat(all()).containsExactly("FOCUS 1.25: its edge is 5.0 px wide, the same all round");
    }

    private void bursts(int many, double burnt, double level, double smoke, double begins, double ends) {
        List<BurstReading.Burst> all = new ArrayList<>();
        for (int i = 0; i < many; i++) {
            all.add(new BurstReading.Burst(100 * i, 100, 80, begins, ends));
        }
        r.bursts = Optional.of(new BurstReading(all, burnt, level, smoke, 0.1));
    }

    @Test
    void good_bursts_are_counted() {
        bursts(3, 0.27, 0.5, 0.25, 0.1, 0.3);
        assertThat(all()).containsExactly("GOOD 0.00: 3 bursts, whole, streaks at 0.50, 27 % of them burnt");
        bursts(1, 0.1, 0.5, 0.1, 0.1, 0.3);
        assertThat(all()).containsExactly("GOOD 0.00: 1 burst, whole, streaks at 0.50, 10 % of them burnt");
    }

    @Test
    void streaks_are_made_darker_and_brighter_by_the_aperture() {
        bursts(2, 0.54, 0.6, 0, 0.1, 0.3);
        assertThat(all())
                .containsExactly(
                        "BURNT 3.00: 54 % of the streaks are white, up to 27 are usual; their middle stands at 0.60 | APERTURE 5.6");
        bursts(2, 0, 0.77, 0, 0.1, 0.3);
        assertThat(all()).singleElement().asString().startsWith("BURNT 1.70").endsWith("APERTURE 5.6");
        // twelve times the usual share would be more than three stops: two at most
        bursts(2, 1, 0.97, 0, 0.1, 0.3);
        assertThat(all()).singleElement().asString().endsWith("APERTURE 8");
        bursts(2, 0, 0.39, 0, 0.1, 0.3);
        assertThat(all()).containsExactly("TOO_DARK 1.38: streaks stand at 0.39, 0.8 stops below 0.5 | APERTURE 3.2");
        bursts(2, 0, 0.4, 0, 0.1, 0.3);
        assertThat(causes()).containsExactly(Cause.GOOD);
    }

    @Test
    void smoke_and_too_many_bursts_are_said() {
        bursts(2, 0, 0.5, 0.5, 0.1, 0.3);
        assertThat(all()).containsExactly("SMOKE 2.00: 50 % of the light lies between the streaks");
        bursts(10, 0, 0.5, 0, 0.1, 0.3);
        assertThat(all())
                .singleElement()
                .asString()
                .startsWith("CROWDED")
                .contains("10 bursts in one frame; up to 3 stand apart");
        assertThat(found().get(0).change().turns().get(0).to().seconds()).isCloseTo(3.17, within(0.01));
    }

    @Test
    void a_shutter_that_opened_late_or_closed_early_is_told_by_the_ends_of_the_streaks() {
        bursts(3, 0, 0.5, 0, 0.5, 0.3);
        assertThat(causes()).containsExactly(Cause.LATE);
        assertThat(found().get(0).evidence())
                .isEqualTo("of 3 of 3 bursts the streaks begin at 50 % of the radius: their inner part was over");
        bursts(3, 0, 0.5, 0, 0.1, 1);
        assertThat(causes()).containsExactly(Cause.EARLY);
        assertThat(found().get(0).evidence())
                .isEqualTo("the streaks of 3 of 3 bursts end at once, where they should hang, fall or fade");
        assertThat(said(found().get(0))).endsWith("SHUTTER 16");
    }

    @Test
    void thin_shadows_dense_lights_and_rings_of_film() {
        r.film = Optional.of(new FilmReading(0.02, 0.07, 0.4, 0.12, 0.25));
        assertThat(all()).containsExactly("GOOD 0.00: shadows at 0.07, the middle at 0.40, 12 % burnt");
        r.film = Optional.of(new FilmReading(0.02, 0.05, 0.4, 0.5, 0.5));
        assertThat(all())
                .containsExactly(
                        "TOO_DARK 2.07: the darker fifth stays below 0.05: thin shadows, about 2.1 stops short | SHUTTER 44.18",
                        "HALATION 1.00: beside lamps red is 50 % stronger than elsewhere");
        r.film = Optional.of(new FilmReading(0.02, 0.2, 0.4, 0.24, 0));
        assertThat(all()).containsExactly("TOO_BRIGHT 2.00: 24 % is white, 12 % would be lamps | SHUTTER 5.04");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0.1  | 5  | 0.2 | GOOD 0.00: sharpest 5.0 marks from the middle",
                "0.11 | 5  | 0.2 | BEHIND 1.10: sharpest 5.0 marks behind the middle, 11 % of the height; sharp over 20 %",
                "-0.2 | -9 | 0.1 | BEFORE 4.00: sharpest 9.0 marks before the middle, 20 % of the height; sharp over 10 %",
                "0.02 | 1  | 0   | GOOD 0.00: sharpest 1.0 marks from the middle"
            })
    void a_ruler_tells_where_the_focus_lay(double offset, double marks, double depth, String said) {
        r.known = r.known.of(Motif.RULER);
        r.ruler = Optional.of(new RulerReading(offset, marks, depth));
        assertThat(all()).containsExactly(said);
    }

    @Test
    void what_cannot_be_judged_says_why() {
        r.screen = true;
        assertThat(all()).singleElement().asString().startsWith("CANNOT_JUDGE 1.00: a bright rectangle");
        r.screen = false;
        r.known = r.known.of(Motif.RULER);
        assertThat(all()).singleElement().asString().startsWith("CANNOT_JUDGE 1.00: no row of marks");
        r.known = r.known.of(Motif.FIREWORKS);
        assertThat(all()).singleElement().asString().startsWith("CANNOT_JUDGE 1.00: no burst is in it");
        r.known = r.known.of(Motif.STARS);
        assertThat(causes()).containsExactly(Cause.GOOD);
        r.stars = 12;
        assertThat(causes()).containsExactly(Cause.GOOD);
        r.stars = 11;
        assertThat(all())
                .containsExactly(
                        "CANNOT_JUDGE 1.00: 11 stars stand out of it: cloud, far out of focus, or not the sky");
        r.clippedLow = 0.99;
        assertThat(all())
                .containsExactly("CANNOT_JUDGE 1.00: 99 % of it is black: the cap is on, or far too little light");
        r.clippedLow = 0;
        r.clippedHigh = 0.6;
        assertThat(all())
                .containsExactly(
                        "CANNOT_JUDGE 1.00: the peak stands at 0.28 and 60 % is burnt: daylight, or far too much light");
        r.clippedHigh = 0;
        r.peak = 0.76;
        assertThat(all()).singleElement().asString().contains("daylight");
    }

    /** A moon in a frame of stars, and stars in a frame of land, are judged as what somebody says it is. */
    @Test
    void what_it_is_of_decides_which_judge_looks() {
        moonOf(0.05, 0, 0, 2, 0);
        r.known = r.known.of(Motif.STARS);
        assertThat(causes()).containsExactly(Cause.GOOD);
        r.known = r.known.of(Motif.MOON);
        assertThat(causes()).containsExactly(Cause.TOO_DARK);
        r.moon = Optional.empty();
        r.ground = Optional.of(new GroundReading(0.5, 0.02, 3, 0));
        r.known = r.known.of(Motif.STARS);
        assertThat(causes()).containsExactly(Cause.GOOD);
        r.known = r.known.of(Motif.GROUND);
        assertThat(causes()).containsExactly(Cause.TOO_DARK);
    }

    private void ground(double level, double edge, double twice) {
        r.ground = Optional.of(new GroundReading(0.4, level, edge, twice));
        r.known = r.known.of(Motif.GROUND);
        r.parts = List.of();
    }

    @Test
    void land_is_dark_soft_or_moved() {
        ground(0.06, 5, 0);
        assertThat(all()).containsExactly("GOOD 0.00: ground at 0.06, its edges 5.0 px wide");
        ground(0.03, 5, 0);
        assertThat(all())
                .singleElement()
                .asString()
                .startsWith("TOO_DARK 2.27: the ground stands at 0.03, 2.5 stops below 0.12")
                .endsWith("| ISO 10000");
        ground(0.1, 6, 0);
        assertThat(all()).containsExactly("FOCUS 1.20: edges on the ground are 6.0 px wide, up to 5 is sharp");
        ground(0.1, 4, 12);
        assertThat(all()).containsExactly("MOVED 1.20: edges on the ground stand again 12 px beside themselves");
        r.twins = Optional.of(new Twins(12, 0, 0.5));
        assertThat(causes()).as("stars stand twice as well: the camera did").containsExactly(Cause.GOOD);
    }

    /** Soft beside sharp stars is depth, and not focus as well; only what lies below the horizon is a car. */
    @Test
    void land_below_a_sky() {
        r.ground = Optional.of(new GroundReading(0.4, 0.02, 6, 0));
        assertThat(all()).containsExactly("DEPTH 0.96: edges on the ground are 6.0 px wide, stars 2.0");
        r.known = r.known.of(Motif.GROUND);
        r.ground = Optional.of(new GroundReading(0.4, 0.1, 6, 0));
        assertThat(causes()).containsExactly(Cause.DEPTH);
        r.ground = Optional.of(new GroundReading(0.4, 0.1, 4.4, 0));
        r.lines = List.of(
                new Line(600, 481, 300, 0, 0, false, true),
                new Line(600, 479, 300, 0, 0, false, true),
                new Line(600, 700, 300, 0, 0, false, false));
        assertThat(all()).containsExactly("STRAY 0.70: 1 burnt line below the horizon");
        r.lines = List.of(new Line(600, 481, 300, 0, 0, false, true), new Line(600, 700, 300, 0, 0, false, true));
        assertThat(all()).containsExactly("STRAY 0.70: 2 burnt lines below the horizon");
    }
}
