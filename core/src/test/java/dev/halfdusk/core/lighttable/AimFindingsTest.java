package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.sky.Sidereal;
import dev.halfdusk.core.sky.Site;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where a frame looked, against where it was to look: aim, level and clock. */
class AimFindingsTest extends Judged {

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
}
