package dev.halfdusk.core.fireworks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Settings;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The way of a shell: 150 mm bursts 190 m high and 130 m wide after 4.5 s and shows for 2. */
class FiredTest {

    private static Fired shell(double asideM) {
        return new Fired(new FiringPoint(640, 248, 10), Shell.of(150), 3, asideM, Fired.Colour.RED, 1);
    }

    private static Direction seen(Vector v) {
        return Direction.of(v);
    }

    @Test
    void times_count_from_its_launch() {
        assertThat(shell(0).breaksSeconds()).isEqualTo(7.5);
        assertThat(shell(0).fadesSeconds()).isEqualTo(9.5);
        assertThat(shell(0).left(0)).isEqualTo(1);
        assertThat(shell(0).left(0.5)).isEqualTo(0.75);
        assertThat(shell(0).left(2)).isZero();
        assertThat(shell(0).left(2.1)).isZero();
        assertThat(shell(0).left(-0.1)).isZero();
    }

    /** It slows down as it climbs: three quarters of the height at half of the time, all of it at the break and no more later. */
    @Test
    void it_climbs_more_slowly_towards_its_break() {
        Fired f = shell(80);
        assertThat(seen(f.climbing(0)).altitudeDeg()).isCloseTo(Math.toDegrees(Math.atan(10 / 640.0)), within(1e-6));
        assertThat(seen(f.climbing(0)).azimuthDeg()).isCloseTo(248, within(1e-6));
        Direction half = seen(f.climbing(2.25));
        assertThat(half.azimuthDeg()).isCloseTo(248 + Math.toDegrees(Math.atan(40 / 640.0)), within(1e-6));
        assertThat(half.altitudeDeg()).isCloseTo(Math.toDegrees(Math.atan(152.5 / Math.hypot(640, 40))), within(1e-6));
        Direction top = seen(f.climbing(4.5));
        assertThat(top.altitudeDeg()).isCloseTo(Math.toDegrees(Math.atan(200 / Math.hypot(640, 80))), within(1e-6));
        assertThat(seen(f.climbing(9))).isEqualTo(top);
    }

    /** After 0.4 s a star is 1 − 1/e of 65 m out, and 1.6 × 0.16 m lower; away from the camera it is as far off as it is. */
    @Test
    void stars_fly_apart_and_fall() {
        Fired f = shell(0);
        double reach = 65 * (1 - Math.exp(-1));
        Direction right = seen(f.falling(new Vector(1, 0, 0), 0.4));
        assertThat(right.azimuthDeg()).isCloseTo(248 + Math.toDegrees(Math.atan(reach / 640)), within(1e-6));
        assertThat(right.altitudeDeg())
                .isCloseTo(Math.toDegrees(Math.atan((200 - 0.256) / Math.hypot(640, reach))), within(1e-6));
        Direction up = seen(f.falling(new Vector(0, 0, 1), 0.4));
        assertThat(up.altitudeDeg()).isCloseTo(Math.toDegrees(Math.atan((200 + reach - 0.256) / 640)), within(1e-6));
        Direction away = seen(f.falling(new Vector(0, 1, 0), 0.4));
        assertThat(away.azimuthDeg()).isCloseTo(248, within(1e-6));
        assertThat(away.altitudeDeg())
                .isCloseTo(Math.toDegrees(Math.atan((200 - 0.256) / (640 + reach))), within(1e-6));
    }

    /** A willow's stars are heavier, 2.6 t²; none falls into the ground. */
    @Test
    void willows_hang_down_to_the_ground() {
        Fired willow = new Fired(new FiringPoint(640, 248, 0), Shell.of(150).willow(), 0, 0, Fired.Colour.GOLD, 1);
        Direction down = seen(willow.falling(new Vector(0, 1, 0), 5));
        double away = 640 + 65 * (1 - Math.exp(-12.5));
        assertThat(down.altitudeDeg()).isCloseTo(Math.toDegrees(Math.atan((190 - 65) / away)), within(1e-6));
        assertThat(seen(willow.falling(new Vector(0, 1, 0), 60)).altitudeDeg()).isCloseTo(0, within(1e-9));
    }

    @Test
    void a_show_has_its_shells() {
        assertThat(Show.TOWN.largest().mm()).isEqualTo(150);
        assertThat(Show.LARGE.largest().mm()).isEqualTo(250);
        assertThat(Show.VILLAGE.shells()).extracting(Shell::mm).containsExactly(75.0, 100.0);
        assertThat(Show.TOWN.key()).isEqualTo("town");
        assertThat(Show.LARGE.words()).isEqualTo("large show");
        assertThat(Trainer.Verdict.CUT.words()).contains("cut");
    }

    /** Shells of a garden: 20 mm between 15 and 30, a third of the way; they ask for 17 m of clear ground. */
    @Test
    void a_garden_has_small_shells() {
        Shell small = Shell.of(20);
        assertThat(small.heightM()).isCloseTo(25, within(1e-9));
        assertThat(small.widthM()).isCloseTo(10, within(1e-9));
        assertThat(small.clearDistanceM()).isCloseTo(16.8, within(1e-9));
        assertThat(Shell.of(15).showSeconds()).isEqualTo(1.5);
        assertThat(Show.upTo(small)).isEqualTo(Show.GARDEN);
        assertThat(Show.upTo(Shell.of(75))).isEqualTo(Show.VILLAGE);
        for (double mm = 15; mm < 390; mm += 5) {
            assertThat(Shell.of(mm + 5).heightM()).isGreaterThan(Shell.of(mm).heightM());
            assertThat(Shell.of(mm + 5).widthM()).isGreaterThan(Shell.of(mm).widthM());
        }
    }

    /** A town's body, a burst each 1.6 s: 4 s hold 2.5, more than 4.8 s are crowded; twelve bursts are five frames, of 2 s six in the finale's third. */
    @Test
    void frames_are_crowded_by_the_pace_of_the_show() {
        FireworkSettings four = new FireworkSettings(new Settings(4, 11, 100));
        assertThat(four.bursts(1.6)).isCloseTo(2.5, within(1e-9));
        assertThat(four.uncrowdedSeconds(1.6)).isCloseTo(4.8, within(1e-9));
        assertThat(four.compositeFrames(1.6)).isEqualTo(5);
        assertThat(new FireworkSettings(new Settings(2, 11, 100)).compositeFrames(2.5))
                .isEqualTo(12);
    }

    /** Across a wind from the west one stands north or south of the firing point. */
    @Test
    void where_one_stands_across_the_wind() {
        assertThat(Smoke.standDeg(270)).isEqualTo(0);
        assertThat(Smoke.standDeg(200)).isEqualTo(290);
        assertThat(Smoke.Way.TOWARDS.words()).contains("upwind");
        assertThat(new FiringPoint(300, 0, 210).slantM(Shell.of(150))).isEqualTo(500);
    }

    /** Who opens for five seconds already changes nothing for the body. */
    @Test
    void nothing_is_changed_without_need() {
        List<FireworkSettings.Stage> stages = new FireworkSettings(new Settings(5, 11, 100)).stages();
        assertThat(stages.get(1).settings()).isEqualTo(stages.get(0).settings());
        assertThat(stages.get(1).changes()).isEqualTo("nothing to change");
        assertThat(new FireworkSettings(new Settings(4, 11, 100))
                        .stages()
                        .get(1)
                        .changes())
                .contains("shutter");
    }
}
