package dev.halfdusk.core.lighttable;

import static dev.halfdusk.core.lighttable.Readings.ROUND;
import static dev.halfdusk.core.lighttable.Readings.expecting;
import static dev.halfdusk.core.lighttable.Readings.line;
import static dev.halfdusk.core.lighttable.Readings.parts;
import static dev.halfdusk.core.lighttable.Readings.wide;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Sidereal;
import dev.halfdusk.core.sky.Site;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is found in readings of frames that nobody took: cause, weight, evidence and which dials are turned, on either side of each limit. */
class FindingsTest {

    private static final Correction.Limits LIMITS =
            new Correction.Limits(Readings.BODY, Range.APERTURE.from(2.8).upTo(22), 30);

    private final Readings r = new Readings();

    private List<Finding> found() {
        return Judge.of(r.reading(), Optional.of(LIMITS));
    }

    /** "TOO_DARK 1.29: evidence | SHUTTER 5". */
    private static String said(Finding f) {
        String turns = f.change().turns().stream()
                .map(t -> t.dial() + " "
                        + switch (t.dial()) {
                            case SHUTTER -> Numbers.trimmed(t.to().seconds(), 2);
                            case APERTURE -> Numbers.trimmed(t.to().aperture(), 1);
                            case ISO -> Numbers.trimmed(t.to().iso(), 0);
                        })
                .collect(Collectors.joining(", "));
        return f.cause() + " " + Numbers.fixed(f.weight(), 2) + ": " + f.evidence()
                + (turns.isEmpty() ? "" : " | " + turns);
    }

    private List<String> all() {
        return found().stream().map(FindingsTest::said).toList();
    }

    private List<Cause> causes() {
        return found().stream().map(Finding::cause).toList();
    }

    // the moon

    private static MoonReading moon(double level, double burnt, double limb, double edge, double smear) {
        return new MoonReading(600, 400, 200, 0.5, level, burnt, limb, edge, smear, 45);
    }

    private void moonOf(double level, double burnt, double limb, double edge, double smear) {
        r.moon = Optional.of(moon(level, burnt, limb, edge, smear));
    }

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

    // fireworks

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

    // film, rulers, screens

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

    // land

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

    // light of the sky

    /** On the axis of the sRGB curve 0.1 is a hundredth of white and 0.15 a fiftieth: one stop. */
    @Test
    void a_sky_beside_its_limits_is_dark_or_bright() {
        r.peak = 0.1;
        r.middle = 0.05;
        assertThat(all())
                .containsExactly(
                        "TOO_DARK 1.38: the sky's peak stands at 0.10, wanted from 0.15: 1.0 stops too dark | SHUTTER 20.16");
        r.middle = 0.115;
        assertThat(all()).as("0.65 stops").singleElement().asString().startsWith("GOOD");
        r.peak = 0.1;
        r.middle = 0.5;
        assertThat(all())
                .containsExactly(
                        "TOO_BRIGHT 1.81: the sky in the middle stands at 0.50, wanted up to 0.33: 1.3 stops too bright | ISO 640");
        r.encoding = Encoding.CAMERA;
        assertThat(causes()).as("twice the slack").containsExactly(Cause.GOOD);
        r.middle = 0.6;
        assertThat(all())
                .singleElement()
                .asString()
                .startsWith("TOO_BRIGHT 1.31")
                .contains("(in a picture that the camera developed)");
        r.encoding = Encoding.LINEAR;
        r.middle = 0.3;
        r.peak = 0.28;
        r.known = r.known.planned(new Known.Planned(Readings.SHOT, 0.2, 3, 0));
        assertThat(all())
                .singleElement()
                .asString()
                .startsWith(
                        "TOO_BRIGHT 1.64: the sky in the middle stands at 0.30, planned 0.20: 1.1 stops too bright");
    }

    @Test
    void burnt_stars_tints_and_bands() {
        r.burntStars = 0.3;
        r.magenta = 0.2;
        r.banding = 0.03;
        assertThat(causes()).as("a raw file has no balance").containsExactly(Cause.GOOD);
        r.burntStars = 0.6;
        assertThat(all()).containsExactly("BURNT 1.00: 60 % of the brighter stars are white | ISO 800");
        r.burntStars = 0;
        r.banding = 0.06;
        assertThat(all()).containsExactly("BANDING 0.80: lines differ from those beside them by 6.0 % of the sky");
        r.banding = 0;
        r.encoding = Encoding.CAMERA;
        assertThat(all())
                .containsExactly("TINT 0.53: the sky is purple by 20 %; cool or coppery is a taste, this is a mistake");
        r.magenta = -0.3;
        assertThat(all())
                .containsExactly("TINT 0.80: the sky is green by 30 %; cool or coppery is a taste, this is a mistake");
        r.magenta = 0.15;
        assertThat(causes()).containsExactly(Cause.GOOD);
    }

    // how stars are drawn

    @Test
    void round_stars_are_good() {
        assertThat(all())
                .containsExactly("GOOD 0.00: stars 2.0 px wide and drawn out by 0.0, 3.0 tolerated; peak at 0.28");
    }

    @Test
    void lines_along_the_expected_drift_are_drift() {
        r.parts = expecting(parts(line(6, 30), line(6, 30)), 5.5, 40);
        assertThat(all())
                .containsExactly(
                        "DRIFT 2.00: stars 6.0 px long, along the expected drift of 5.5 in 9 of 9 parts; 3.0 tolerated"
                                + " | SHUTTER 4, APERTURE 2.8, ISO 2000");
        // a tenth more than is tolerated is let pass
        r.parts = expecting(parts(line(3.3, 30), line(3.3, 30)), 3.3, 30);
        assertThat(causes()).containsExactly(Cause.GOOD);
        r.parts = expecting(parts(line(3.4, 30), line(3.4, 30)), 3.4, 30);
        assertThat(causes()).containsExactly(Cause.DRIFT);
        r.known = r.known.planned(new Known.Planned(Readings.SHOT, 0.28, 4, 0));
        assertThat(causes()).as("four were tolerated").containsExactly(Cause.GOOD);
        r.known = r.known.planned(new Known.Planned(Readings.SHOT.withSeconds(20), 0.28, 1, 0));
        assertThat(causes()).as("a shutter of twice as long was decided").containsExactly(Cause.GOOD);
    }

    @ParameterizedTest
    @CsvSource({
        "6, 30, 6, 30, DRIFT",
        "6, 30, 6, 46, SHAKE",
        "6, 170, 6, 4, DRIFT",
        "6, 30, 4.33, 30, DRIFT",
        "6, 30, 4.3, 30, SHAKE",
        "6, 30, 8.79, 30, DRIFT",
        "6, 30, 8.81, 30, SHAKE",
        "6, 30, 0.5, 90, SHAKE"
    })
    void lines_that_are_not_as_expected_are_the_cameras(
            double length, double angle, double expected, double at, Cause cause) {
        r.parts = expecting(parts(line(length, angle), line(length, angle)), expected, at);
        assertThat(causes()).containsExactly(cause);
        assertThat(found().get(0).weight()).isEqualTo(length / 3);
    }

    /** Where place and time are not known: 24 mm on 0.03 mm move by 0.58 px in ten seconds, by 5.8 in a hundred. */
    @Test
    void of_what_is_not_known_the_most_likely_is_said() {
        r.parts = parts(line(6, 30), line(6, 30));
        assertThat(all()).containsExactly("SHAKE 2.00: stars 6.0 px long at 30\u00b0 all over; the sky moved by 0.6");
        r.known = r.known.taken(Readings.SHOT.withSeconds(100), r.known.opened().orElseThrow());
        assertThat(all())
                .singleElement()
                .asString()
                .startsWith("DRIFT 2.00: stars 6.0 px long; the sky can have moved by 5.8: drift, as it seems");
        r.known = Known.NOTHING;
        assertThat(all())
                .singleElement()
                .asString()
                .startsWith("DRIFT 2.00: stars 6.0 px long; without lens, sensor and time of the frame")
                .doesNotContain("|");
    }

    @Test
    void a_tracker_is_told_by_its_lines() {
        r.known = r.known.on(new Support(Support.Kind.SIDEREAL, 60));
        r.parts = expecting(parts(line(6, 30), line(6, 30)), 0, 0);
        assertThat(all())
                .singleElement()
                .asString()
                .startsWith(
                        "TRACKING 2.00: stars 6.0 px long all one way (30\u00b0), where the tracker should hold them");
        List<Part> around = new ArrayList<>();
        for (Part p : parts(ROUND, ROUND)) {
            double x = (p.x() - 0.5) * Readings.WIDTH;
            double y = (p.y() - 0.5) * Readings.HEIGHT;
            double out = Math.hypot(x, y);
            double tangent = (Math.toDegrees(Math.atan2(x, -y)) + 360) % 180;
            around.add(new Part(p.x(), p.y(), Optional.of(line(out / 60, tangent)), Optional.of(new Part.Drift(0, 0))));
        }
        r.parts = around;
        assertThat(all())
                .singleElement()
                .asString()
                .startsWith("ROTATION")
                .contains("lie around the middle, longer outwards");
    }

    @Test
    void stars_that_stand_twice_were_knocked() {
        StarShape two = new StarShape(20, 2, 6, 30, 0.1, true, 0.1);
        r.parts = parts(two, two);
        assertThat(all()).containsExactly("KNOCK 2.00: two positions 6.0 px apart in 9 of 9 parts");
        r.twins = Optional.of(new Twins(12, 40, 0.6));
        assertThat(all()).containsExactly("KNOCK 4.00: 60 % of the stars stand twice, 12 px apart at 40\u00b0");
    }

    /** A length that is less than three times its uncertainty is none. */
    @Test
    void an_uncertain_length_is_none() {
        StarShape vague = new StarShape(5, 2, 6, 30, 2.1, false, 0.1);
        r.parts = expecting(parts(vague, vague), 6, 30);
        assertThat(causes()).containsExactly(Cause.GOOD);
        StarShape sure = new StarShape(5, 2, 6, 30, 1.9, false, 0.1);
        r.parts = expecting(parts(sure, sure), 6, 30);
        assertThat(causes()).containsExactly(Cause.DRIFT);
    }

    @Test
    void wide_stars_are_out_of_focus() {
        r.parts = parts(wide(3.3), wide(3.3));
        assertThat(causes()).containsExactly(Cause.GOOD);
        r.parts = parts(wide(6.6), wide(6.6));
        assertThat(all())
                .containsExactly(
                        "FOCUS 2.00: stars 6.6 px wide in the middle, 6.6 all over, across any line they make; up to 3.3 is sharp");
        List<Part> some = new ArrayList<>(parts(wide(6.6), wide(6.6)));
        some.set(0, new Part(some.get(0).x(), some.get(0).y(), Optional.of(wide(3)), Optional.empty()));
        r.parts = some;
        assertThat(all()).singleElement().asString().endsWith("up to 3.3 is sharp, 3.0 where they are smallest");
    }

    private void corners(StarShape... four) {
        List<Part> all = new ArrayList<>(parts(ROUND, ROUND));
        for (int i = 0; i < 4; i++) {
            Part p = all.get(9 + i);
            all.set(9 + i, new Part(p.x(), p.y(), Optional.of(four[i]), Optional.empty()));
        }
        r.parts = all;
    }

    /** Wider than one and a half times the middle and 0.3 px: 3.3 px; drawn outwards they have wings. */
    @Test
    void corners_are_curved_winged_or_tilted() {
        corners(wide(3.2), wide(3.2), wide(3.2), wide(3.2));
        assertThat(causes()).containsExactly(Cause.GOOD);
        corners(wide(3.96), wide(3.96), wide(3.96), wide(3.96));
        assertThat(all())
                .containsExactly(
                        "CURVATURE 1.20: corners 4.0, 4.0, 4.0, 4.0 px, the middle 2.0 | APERTURE 5.6, SHUTTER 20.16");
        double out = Math.toDegrees(Math.atan2(0.4 * Readings.HEIGHT, 0.4 * Readings.WIDTH));
        StarShape falling = new StarShape(20, 4, 2, out, 0.1, false, 0.1);
        StarShape rising = new StarShape(20, 4, 2, 180 - out, 0.1, false, 0.1);
        corners(falling, rising, rising, falling);
        assertThat(causes()).containsExactly(Cause.COMA);
        corners(wide(4), rising, wide(4), wide(4));
        assertThat(causes()).as("one of them is not").containsExactly(Cause.CURVATURE);
        corners(wide(4), wide(2.5), wide(4), wide(2.5));
        assertThat(all()).containsExactly("TILT 1.21: corners 4.0, 2.5, 4.0, 2.5 px, the middle 2.0");
        corners(wide(2.5), wide(2.5), wide(4), wide(4));
        assertThat(causes()).containsExactly(Cause.TILT);
    }

    // where it looked

    private static final Site SITE = new Site(37.6, -8.8, 20);
    private static final Direction PLANNED = new Direction(180, 30);

    private void looked(Direction axis, double rollDeg) {
        r.known = r.known.from(SITE, PLANNED);
        r.aim = Optional.of(new Aim(axis, rollDeg, 24, 0, 40, 0.5, Framing.of(Readings.LENS, axis, rollDeg)));
    }

    /** A fiftieth of the frame's 73.7° may be missed, 1.5°. */
    @Test
    void the_aim_is_told_in_degrees_to_turn() {
        looked(new Direction(180, 31.4), 1);
        assertThat(causes()).containsExactly(Cause.GOOD);
        looked(new Direction(180, 31.6), 0);
        assertThat(all()).containsExactly("AIM 0.65: the frame's middle is 1.6\u00b0 above the plan's, by 40 stars");
        assertThat(found().get(0).remedy()).isEqualTo("Aim 1.6\u00b0 lower; then focus again.");
        looked(new Direction(178, 30), 0);
        assertThat(found().get(0).evidence()).contains("middle is 1.7\u00b0 left of the plan's");
        assertThat(found().get(0).remedy()).contains("1.7\u00b0 to the right;");
        looked(new Direction(182, 28.5), 0);
        assertThat(found().get(0).evidence()).contains("1.7\u00b0 right of and 1.5\u00b0 below the plan's");
        assertThat(found().get(0).remedy()).isEqualTo("Aim 1.5\u00b0 higher, 1.7\u00b0 to the left; then focus again.");
        // behind a long lens no less than its share of half a degree
        r.known = r.known.through(new Optics(Readings.SENSOR, 200, Projection.RECTILINEAR));
        Direction near = new Direction(180, 30.25);
        r.aim = Optional.of(
                new Aim(near, 0, 200, 0, 40, 0.5, Framing.of(r.known.lens().orElseThrow(), near, 0)));
        assertThat(all()).singleElement().asString().startsWith("AIM 0.73");
    }

    @Test
    void a_camera_that_is_turned_is_not_level_but_one_held_upright_is() {
        looked(PLANNED, 1.5);
        assertThat(all()).containsExactly("LEVEL 0.75: the camera is turned 1.5\u00b0 clockwise");
        assertThat(found().get(0).remedy()).isEqualTo("Turn it 1.5\u00b0 anticlockwise, seen from behind.");
        looked(PLANNED, -2);
        assertThat(all()).containsExactly("LEVEL 1.00: the camera is turned 2.0\u00b0 anticlockwise");
        assertThat(found().get(0).remedy()).isEqualTo("Turn it 2.0\u00b0 clockwise, seen from behind.");
        looked(PLANNED, 90);
        assertThat(causes()).containsExactly(Cause.GOOD);
        looked(PLANNED, 10);
        r.known = r.known.planned(new Known.Planned(Readings.SHOT, 0.28, 3, 10));
        assertThat(causes()).as("planned so").containsExactly(Cause.GOOD);
    }

    /** What was aimed right is elsewhere by a clock that is wrong: with the sky, axis and horizon of the frame are turned about the pole. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1    | taken 1 h earlier  | Set the camera's clock back by 1 h;",
                "1.25 | taken 1 h 15 min earlier | Set the camera's clock back by 1 h 15 min;",
                "0.25 | taken 15 min earlier | Set the camera's clock back by 15 min;",
                "-2   | taken 2 h later | Set the camera's clock forward by 2 h;"
            })
    void a_clock_that_is_wrong_is_told_from_an_aim_that_is(double hoursAhead, String evidence, String remedy) {
        Vector pole = Sidereal.northPole(SITE);
        Framing planned = Framing.of(Readings.LENS, PLANNED, 0);
        Vector axis = Sidereal.later(planned.see(new Framing.Point(0, 0)), pole, 3600 * hoursAhead);
        Vector above = Sidereal.later(planned.see(new Framing.Point(0, -1)), pole, 3600 * hoursAhead);
        double roll = 0;
        double least = 9;
        for (double at = -60; at <= 60; at += 0.05) {
            double off = Framing.of(Readings.LENS, Direction.of(axis), at)
                    .see(new Framing.Point(0, -1))
                    .angleTo(above);
            if (off < least) {
                least = off;
                roll = at;
            }
        }
        looked(Direction.of(axis), roll);
        assertThat(causes()).containsExactly(Cause.CLOCK);
        assertThat(found().get(0).evidence()).contains(evidence);
        assertThat(found().get(0).remedy()).startsWith(remedy);
        looked(Direction.of(axis), roll + 3);
        assertThat(causes())
                .as("the sky would not be turned so")
                .contains(Cause.AIM)
                .doesNotContain(Cause.CLOCK);
    }

    // six questions of what is soft

    private List<String> soft() {
        return SoftCause.of(r.reading()).stream()
                .map(s -> s.number() + " " + s.sign() + " " + s.evidence())
                .toList();
    }

    @Test
    void six_causes_of_softness_are_asked_in_their_order() {
        assertThat(soft())
                .containsExactly(
                        "1 AGAINST all that is measured is as far as the stars",
                        "2 AGAINST drawn out by 0.0 px one way, 3.0 tolerated, in 10 s",
                        "3 AGAINST a pixel differs by 10 % of the sky at ISO 1600",
                        "4 AGAINST 2.0 px wide, up to 3.3 is sharp",
                        "5 ASK Touched? Windy? Stabiliser on, on a tripod? Take three: what changes is the air.",
                        "6 AGAINST widest corner 2.0 px, the middle 2.0");
        r.ground = Optional.of(new GroundReading(0.4, 0.1, 4.5, 7));
        r.noise = 0.31;
        r.parts = parts(line(4, 30), wide(3.1));
        r.known = Known.NOTHING;
        assertThat(soft())
                .containsExactly(
                        "1 FOR ground 4.5 px, stars 2.0",
                        "2 FOR drawn out by 4.0 px one way, 3.0 tolerated",
                        "3 FOR a pixel differs by 31 % of the sky",
                        "4 AGAINST 2.0 px wide, up to 3.3 is sharp",
                        "5 FOR the ground stands twice",
                        "6 FOR widest corner 3.1 px, the middle 2.0");
        r.ground = Optional.of(new GroundReading(0.4, 0.1, 4, 0));
        r.twins = Optional.of(new Twins(12, 40, 0.6));
        r.parts = List.of();
        r.moon = Optional.of(moon(0.3, 0, 0, 4.1, 3.5));
        assertThat(soft())
                .containsExactly(
                        "1 AGAINST ground 4.0 px, stars 4.1",
                        "2 FOR drawn out by 3.5 px one way, 3.0 tolerated",
                        "3 ASK Grain at full size, with its edges still there?",
                        "4 FOR 4.1 px wide, up to 4.0 is sharp",
                        "5 FOR stars stand twice, 12 px apart",
                        "6 ASK Only with this lens, and always?");
        r.moon = Optional.empty();
        r.twins = Optional.empty();
        assertThat(soft())
                .containsExactly(
                        "1 ASK Is something near soft while what is far is sharp, or the other way round?",
                        "2 ASK Was it longer than 1/focal length in the hand?",
                        "3 FOR a pixel differs by 31 % of the sky",
                        "4 ASK Is anything in it sharp, at another distance?",
                        "5 ASK Touched? Windy? Stabiliser on, on a tripod? Take three: what changes is the air.",
                        "6 ASK Only with this lens, and always?");
    }

    @Test
    void what_moved_that_the_sky_did_not_is_technique() {
        r.parts = expecting(parts(line(6, 30), ROUND), 0, 0);
        assertThat(soft().get(4)).isEqualTo("5 FOR drawn out one way that the sky did not move");
    }

    /** Without the camera's own dials: with what its file says, and no wider than it was. */
    @Test
    void of_a_camera_that_is_not_known_the_dials_are_the_usual() {
        r.peak = 0.1;
        r.middle = 0.05;
        assertThat(Judge.of(r.reading()).stream().map(FindingsTest::said))
                .singleElement()
                .asString()
                .endsWith("| SHUTTER 20.16");
        r.known = Known.NOTHING;
        assertThat(Judge.of(r.reading()).stream().map(FindingsTest::said))
                .containsExactly("TOO_DARK 1.38: the sky's peak stands at 0.10, wanted from 0.15: 1.0 stops too dark");
    }
}
