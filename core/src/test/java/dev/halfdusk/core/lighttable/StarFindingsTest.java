package dev.halfdusk.core.lighttable;

import static dev.halfdusk.core.lighttable.Readings.ROUND;
import static dev.halfdusk.core.lighttable.Readings.expecting;
import static dev.halfdusk.core.lighttable.Readings.line;
import static dev.halfdusk.core.lighttable.Readings.parts;
import static dev.halfdusk.core.lighttable.Readings.wide;
import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.optics.Support;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How light the sky is and how stars are drawn, on either side of each limit; and the six questions of what is soft. */
class StarFindingsTest extends Judged {

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

    /** Without the camera's own dials: with what its file says. */
    @Test
    void of_a_camera_that_is_not_known_the_dials_are_the_usual() {
        r.peak = 0.1;
        r.middle = 0.05;
        assertThat(Judge.of(r.reading()).stream().map(Judged::said))
                .singleElement()
                .asString()
                .endsWith("| SHUTTER 20.16");
        r.known = Known.NOTHING;
        assertThat(Judge.of(r.reading()).stream().map(Judged::said))
                .containsExactly("TOO_DARK 1.38: the sky's peak stands at 0.10, wanted from 0.15: 1.0 stops too dark");
    }
}
