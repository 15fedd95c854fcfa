package dev.halfdusk.core.lighttable;

import static dev.halfdusk.core.lighttable.Readings.ROUND;
import static dev.halfdusk.core.lighttable.Readings.expecting;
import static dev.halfdusk.core.lighttable.Readings.line;
import static dev.halfdusk.core.lighttable.Readings.parts;
import static dev.halfdusk.core.lighttable.Readings.wide;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.optics.Support;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Findings by where lines lie, by single parts of a frame, and beside each other. */
class RarerFindingsTest extends Judged {

    private static Part part(double x, double y, StarShape shape) {
        return new Part(x, y, Optional.of(shape), Optional.of(new Part.Drift(0, 0)));
    }

    /** Lines of 4 px that are off the tangent about the frame's middle by so much. */
    private static List<Part> around(double offDeg) {
        return parts(ROUND, ROUND).stream()
                .map(p -> {
                    double tangent = Math.toDegrees(
                            Math.atan2((p.x() - 0.5) * Readings.WIDTH, -(p.y() - 0.5) * Readings.HEIGHT));
                    double angle = ((tangent + offDeg) % 180 + 180) % 180;
                    return part(p.x(), p.y(), line(4, angle));
                })
                .toList();
    }

    /** Within 25° of the tangent they lie around the middle; outwards from it they do not. */
    @ParameterizedTest
    @CsvSource({"0, ROTATION", "20, ROTATION", "-20, ROTATION", "30, TRACKING", "90, TRACKING"})
    void lines_around_the_middle(double offDeg, Cause cause) {
        r.known = r.known.on(new Support(Support.Kind.SIDEREAL, 60));
        r.parts = around(offDeg);
        assertThat(causes()).containsExactly(cause);
    }

    /** Level with the middle lines around it all stand upright: that is one way, and no turn. */
    @Test
    void one_way_is_no_turn() {
        r.known = r.known.on(new Support(Support.Kind.SIDEREAL, 60));
        StarShape upright = line(6, 90);
        r.parts = some(
                part(0.1, 0.5, upright), part(0.25, 0.5, upright), part(0.75, 0.5, upright), part(0.9, 0.5, upright));
        assertThat(causes()).containsExactly(Cause.TRACKING);
        // three parts off the middle are too few to tell
        List<Part> around = around(0);
        r.parts = some(around.get(0), around.get(1), around.get(2));
        assertThat(causes()).containsExactly(Cause.TRACKING);
        r.parts = some(around.get(0), around.get(1), around.get(2), around.get(3));
        assertThat(causes()).containsExactly(Cause.ROTATION);
    }

    /** The others of nine and four have no stars. */
    private static List<Part> some(Part... parts) {
        List<Part> all = new ArrayList<>(List.of(parts));
        while (all.size() < 13) {
            all.add(new Part(0.5, 0.5, Optional.empty(), Optional.empty()));
        }
        return all;
    }

    /** Without stars in the middle the first part that has some stands for it. */
    @Test
    void a_middle_without_stars() {
        List<Part> all = new ArrayList<>(parts(wide(6.6), wide(6.6)));
        all.set(4, new Part(0.5, 0.5, Optional.empty(), Optional.empty()));
        all.set(0, new Part(all.get(0).x(), all.get(0).y(), Optional.of(wide(4)), Optional.empty()));
        r.parts = all;
        assertThat(all())
                .singleElement()
                .asString()
                .startsWith("FOCUS 1.21: stars 4.0 px wide in the middle, 6.6 all over");
    }

    /** Who is out of focus is not told of his corners. */
    @Test
    void out_of_focus_corners_do_not_count() {
        r.parts = parts(wide(6.6), wide(30));
        assertThat(causes()).containsExactly(Cause.FOCUS);
    }

    @Test
    void corners_to_one_side() {
        corners(wide(2.5), wide(4), wide(2.5), wide(4));
        assertThat(all()).containsExactly("TILT 1.21: corners 2.5, 4.0, 2.5, 4.0 px, the middle 2.0");
        corners(wide(4), wide(4), wide(2.5), wide(2.5));
        assertThat(all()).containsExactly("TILT 1.21: corners 4.0, 4.0, 2.5, 2.5 px, the middle 2.0");
        // one of them without stars: no side can be told
        corners(wide(4), wide(4), wide(2.5), wide(2.5));
        List<Part> all = new ArrayList<>(r.parts);
        all.set(12, new Part(0.9, 0.9, Optional.empty(), Optional.empty()));
        r.parts = all;
        assertThat(causes()).containsExactly(Cause.CURVATURE);
        assertThat(found().get(0).evidence()).isEqualTo("corners 4.0, 4.0, 2.5, \u2013 px, the middle 2.0");
        assertThat(found().get(0).remedy()).isEqualTo("Or focus a third of the way out.");
    }

    /** What a line is longer than drift widens a corner: 2 px wide and 3 long, of which 1 is drift, are 4. */
    @Test
    void corners_are_drawn_out_beyond_drift() {
        r.parts = expecting(parts(ROUND, line(3, 170)), 1, 170);
        assertThat(found().get(0).evidence()).isEqualTo("corners 4.0, 4.0, 4.0, 4.0 px, the middle 2.0");
        r.parts = parts(ROUND, line(3, 170));
        assertThat(causes()).as("all of it may be drift").containsExactly(Cause.GOOD);
    }

    /** Odder than twice the middle, which is a tenth: wings. */
    @Test
    void odd_corners_have_wings() {
        StarShape odd = new StarShape(20, 4, 0, 0, 0.1, false, 0.21);
        corners(odd, odd, odd, odd);
        assertThat(causes()).containsExactly(Cause.COMA);
        assertThat(found().get(0).remedy()).isEmpty();
        StarShape less = new StarShape(20, 4, 0, 0, 0.1, false, 0.19);
        corners(less, less, less, less);
        assertThat(causes()).containsExactly(Cause.CURVATURE);
    }

    @Test
    void the_worst_comes_first() {
        r.parts = expecting(parts(line(3.6, 30), line(3.6, 30)), 3.6, 30);
        r.peak = 0.02;
        r.middle = 0.02;
        List<Finding> found = found();
        assertThat(found).extracting(Finding::cause).containsExactly(Cause.TOO_DARK, Cause.DRIFT);
        assertThat(found.get(0).weight()).isGreaterThan(found.get(1).weight());
    }

    /** Twelve stars are enough, and where they stand twice no part need have a shape. */
    @Test
    void too_few_stars_are_not_judged() {
        r.stars = 11;
        assertThat(causes()).containsExactly(Cause.CANNOT_JUDGE);
        r.stars = 12;
        assertThat(causes()).containsExactly(Cause.GOOD);
        r.parts = List.of();
        assertThat(causes()).containsExactly(Cause.CANNOT_JUDGE);
        r.twins = Optional.of(new Twins(12, 40, 0.6));
        assertThat(causes()).containsExactly(Cause.KNOCK);
    }

    private void bursts(int many, double burnt, double level, double ends) {
        r.bursts = Optional.of(new BurstReading(
                IntStream.range(0, many)
                        .mapToObj(i -> new BurstReading.Burst(100 * i, 100, 80, 0.1, ends))
                        .toList(),
                burnt,
                level,
                0,
                0.1));
    }

    /** 0.97 against 0.65 is 1.35 stops of light: from f/4 to f/6.3 of thirds. */
    @Test
    void streaks_that_stand_too_high() {
        bursts(2, 0, 0.97, 0.3);
        assertThat(all()).singleElement().asString().startsWith("BURNT 1.70").endsWith("APERTURE 6.3");
    }

    /** Half as long again are 0.58 stops more; three of ten bursts are 1.74 fewer, and weigh 1.3 for each third that is too many. */
    @Test
    void shutters_are_changed_by_stops() {
        bursts(3, 0, 0.5, 1);
        assertThat(found().get(0).change().turns().get(0).stops()).isCloseTo(0.67, within(0.02));
        bursts(10, 0, 0.5, 0.3);
        assertThat(found().get(0).weight()).isCloseTo(4.333, within(0.001));
        assertThat(found().get(0).change().turns().get(0).stops()).isCloseTo(-1.667, within(0.02));
    }

    /** Edges softer than stars by 2.2 times are depth; where the frame is of the ground, it is not out of focus as well. */
    @Test
    void soft_ground_is_depth_once() {
        r.ground = Optional.of(new GroundReading(0.5, 0.2, 8, 0));
        assertThat(all()).containsExactly("DEPTH 1.28: edges on the ground are 8.0 px wide, stars 2.0");
        r.known = r.known.of(Motif.GROUND);
        assertThat(causes()).containsExactly(Cause.DEPTH);
        r.parts = List.of();
        assertThat(all()).containsExactly("FOCUS 1.60: edges on the ground are 8.0 px wide, up to 5 is sharp");
    }

    /** A burnt line in the lower half, where half of the frame is ground. */
    @Test
    void lamps_that_pass_on_the_ground() {
        r.ground = Optional.of(new GroundReading(0.5, 0.2, 3, 0));
        Line above = new Line(600, 399, 300, 0, 0, false, true);
        Line below = new Line(600, 401, 300, 0, 0, false, true);
        Line faint = new Line(600, 600, 300, 0, 0, false, false);
        r.lines = List.of(above, faint);
        assertThat(causes()).doesNotContain(Cause.STRAY);
        r.lines = List.of(above, below, faint);
        assertThat(all()).contains("STRAY 0.70: 1 burnt line below the horizon");
        r.lines = List.of(below, below);
        assertThat(all()).contains("STRAY 0.70: 2 burnt lines below the horizon");
    }

    /** Edges on the ground that cannot be measured say nothing of depth. */
    @Test
    void ground_without_an_edge_is_no_cause_of_softness() {
        r.ground = Optional.of(new GroundReading(0.5, 0.2, 0, 0));
        assertThat(SoftCause.of(r.reading()).get(0).evidence())
                .isEqualTo("all that is measured is as far as the stars");
    }
}
