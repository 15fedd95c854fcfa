package dev.halfdusk.core.fireworks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Geometry, delays and coverage against cases worked out by hand. */
class FireworksTest {

    private static final Sensor APS_C = new Sensor(23.5, 15.7, 3.77);
    private static final FiringPoint BARGE = new FiringPoint(640, 248, 0);

    private static Optics optics(double mm) {
        return new Optics(APS_C, mm, Projection.RECTILINEAR);
    }

    /** The table of typical shells; between two the middle, beyond the ends the same slope. */
    @ParameterizedTest
    @CsvSource({
        "75, 90, 50, 3, 1.5",
        "150, 190, 130, 4.5, 2",
        "175, 220, 160, 5, 2.1667",
        "300, 350, 300, 7, 3",
        "50, 60, 25, 2.5, 1.5",
        "350, 400, 360, 8, 3"
    })
    void a_shell_by_its_diameter(double mm, double height, double width, double flight, double show) {
        Shell s = Shell.of(mm);
        assertThat(s.heightM()).isCloseTo(height, within(1e-6));
        assertThat(s.widthM()).isCloseTo(width, within(1e-6));
        assertThat(s.flightSeconds()).isCloseTo(flight, within(1e-6));
        assertThat(s.showSeconds()).isCloseTo(show, within(1e-3));
    }

    @Test
    void a_willow_hangs_for_long_and_an_organiser_knows_better() {
        assertThat(Shell.of(150).willow().showSeconds()).isBetween(5.0, 8.0);
        Shell told = Shell.of(150).bursting(210, 90);
        assertThat(told.heightM()).isEqualTo(210);
        assertThat(told.widthM()).isEqualTo(90);
        assertThat(told.flightSeconds()).isEqualTo(4.5);
    }

    /** 21 m for each 25 mm. */
    @ParameterizedTest
    @CsvSource({"75, 63", "100, 84", "150, 126", "300, 252"})
    void the_usual_clear_distance(double mm, double metres) {
        assertThat(Shell.of(mm).clearDistanceM()).isCloseTo(metres, within(1e-9));
    }

    /** From 640 m a burst of 150 mm stands at atan(190 / 640), its top at atan(255 / 640); from a mole 20 m higher less. */
    @Test
    void elevations_by_their_tangents() {
        Shell s = Shell.of(150);
        assertThat(BARGE.elevationDeg(0)).isZero();
        assertThat(BARGE.elevationDeg(s.heightM())).isCloseTo(16.535, within(0.001));
        assertThat(BARGE.topDeg(s)).as("a sphere: asin(65 / 667.6) more").isCloseTo(22.123, within(0.002));
        FiringPoint below = new FiringPoint(640, 248, -20);
        assertThat(below.elevationDeg(0)).isCloseTo(-1.790, within(0.001));
        assertThat(below.elevationDeg(190)).isCloseTo(14.8757, within(0.001));
        assertThat(BARGE.towards(64, 0).azimuthDeg()).isCloseTo(253.711, within(0.001));
        assertThat(BARGE.slantM(s)).isCloseTo(667.6, within(0.1));
    }

    @ParameterizedTest
    @CsvSource({"0, 331.3", "20, 343.2", "-10, 325.2", "35, 351.9"})
    void the_speed_of_sound(double celsius, double metresPerSecond) {
        assertThat(Sound.speed(celsius)).isCloseTo(metresPerSecond, within(0.1));
    }

    /** 640 m at 20°: 1.865 s. Half of a climb of 4.5 s less the hand's 0.3 s: 669 m, from where on the boom is too late. */
    @Test
    void the_boom_comes_late() {
        assertThat(Sound.delaySeconds(640, 20)).isCloseTo(1.865, within(0.001));
        Shell s = Shell.of(150);
        assertThat(Sound.flashFromM(s, 20)).isCloseTo(669.3, within(0.3));
        assertThat(Sound.openOnFlash(BARGE, s, 20)).isFalse();
        assertThat(Sound.openOnFlash(new FiringPoint(670, 0, 0), s, 20)).isTrue();
        assertThat(Sound.climbLeft(BARGE, s, 20)).isCloseTo(1 - 2.165 / 4.5, within(0.001));
        assertThat(Sound.climbLeft(new FiringPoint(3000, 0, 0), s, 20)).isZero();
        assertThat(Sound.flashFromM(Shell.of(75), 20)).isLessThan(Sound.flashFromM(s, 20));
    }

    /**
     * 24 mm on 23.5 × 15.7 mm from 640 m, all from the mortar to a top at 16.535° + asin(71.5 / 667.6) = 22.683° with the margin: across 36.22° high, so
     * 6.77° spare above and below; upright the sides are tighter, 18.11° less asin(sin 6.148° / cos 5.19°) = 6.17°.
     */
    @Test
    void what_a_lens_holds() {
        BurstFit across = BurstFit.of(optics(24), Orientation.LANDSCAPE, List.of(BARGE), Shell.of(150));
        assertThat(across.axis().altitudeDeg()).isCloseTo(11.34, within(0.02));
        assertThat(across.axis().azimuthDeg()).isCloseTo(248, within(1e-6));
        assertThat(across.spareDeg()).isCloseTo(6.77, within(0.02));
        assertThat(across.sideways()).isFalse();
        BurstFit upright = BurstFit.of(optics(24), Orientation.PORTRAIT, List.of(BARGE), Shell.of(150));
        assertThat(upright.spareDeg()).isCloseTo(11.94, within(0.03));
        assertThat(upright.sideways()).isTrue();
        BurstFit cut = BurstFit.of(optics(50), Orientation.LANDSCAPE, List.of(BARGE), Shell.of(150));
        assertThat(cut.holds()).isFalse();
        assertThat(cut.spareDeg()).isCloseTo(Math.toDegrees(Math.atan(7.85 / 50)) - 11.34, within(0.05));
    }

    /**
     * Upright half of 23.5 mm must hold tan 11.34°: 58.6 mm; across 15.7 mm: 39.1. A large shell close by fits no lens, a far one a very
     * long one: from 20 km 300 m and the margin reach 1.475°, half of that is 0.737°, and 12 mm hold it to 932 mm.
     */
    @Test
    void the_longest_lens_that_holds_it() {
        assertThat(BurstFit.longestMm(APS_C, Orientation.PORTRAIT, List.of(BARGE), Shell.of(150)))
                .contains(58);
        assertThat(BurstFit.longestMm(APS_C, Orientation.LANDSCAPE, List.of(BARGE), Shell.of(150)))
                .contains(39);
        assertThat(BurstFit.longestMm(
                        new Sensor(13.2, 8.8, 2.4),
                        Orientation.LANDSCAPE,
                        List.of(new FiringPoint(20, 0, 0)),
                        Shell.of(300)))
                .isEmpty();
        assertThat(BurstFit.longestMm(
                        new Sensor(36, 24, 5),
                        Orientation.LANDSCAPE,
                        List.of(new FiringPoint(20_000, 0, 0)),
                        Shell.of(300)))
                .hasValueSatisfying(mm -> assertThat(mm).isBetween(915, 945));
    }

    /** From 252 m a 300 mm shell reaches 74.6°, from 500 m one of 150 mm 27.8°; inside of the burst it is all round. */
    @Test
    void a_burst_is_a_sphere() {
        assertThat(new FiringPoint(252, 0, 0).topDeg(Shell.of(300))).isCloseTo(74.6, within(0.05));
        assertThat(new FiringPoint(500, 0, 0).topDeg(Shell.of(150))).isCloseTo(27.8, within(0.05));
        assertThat(new FiringPoint(20, 0, 300).reachDeg(Shell.of(300).bursting(10, 800), 1))
                .isEqualTo(90);
    }

    /** Two barges on either side of north: the middle is north, and their distance across counts. */
    @Test
    void several_points_are_held_together() {
        List<FiringPoint> two = List.of(new FiringPoint(640, 350, 0), new FiringPoint(640, 14, 0));
        BurstFit fit = BurstFit.of(optics(24), Orientation.PORTRAIT, two, Shell.of(150));
        assertThat(fit.axis().azimuthDeg()).isCloseTo(2, within(1e-6));
        BurstFit one = BurstFit.of(optics(24), Orientation.PORTRAIT, two.subList(0, 1), Shell.of(150));
        assertThat(fit.spareDeg()).isLessThan(one.spareDeg() - 8);
    }

    @Test
    void what_cannot_be_is_refused() {
        assertThatThrownBy(() -> new FiringPoint(0, 0, 0))
                .isInstanceOf(OutOfRange.class)
                .hasMessageContaining("20 to 20000");
        assertThatThrownBy(() -> Shell.of(5000)).isInstanceOf(OutOfRange.class).hasMessageContaining("15 to 400");
        assertThatThrownBy(() -> Sound.speed(-300)).isInstanceOf(OutOfRange.class);
    }

    /** Looking west: a wind from the south blows to the right, from the east away, from the west towards the camera. */
    @ParameterizedTest
    @CsvSource({"180, RIGHT", "0, LEFT", "90, AWAY", "270, TOWARDS", "200, RIGHT"})
    void smoke_goes_with_the_wind(double from, Smoke.Way way) {
        assertThat(Smoke.of(3, from, 270).way()).isEqualTo(way);
        assertThat(Smoke.of(0.5, from, 270).way()).isEqualTo(Smoke.Way.HANGS);
        assertThat(Math.hypot(
                        Smoke.of(3, from, 270).rightMs(), Smoke.of(3, from, 270).awayMs()))
                .isCloseTo(3, within(1e-9));
    }

    /** From f/11 at ISO 100: f/8 brighter by 2 log2(11/8), f/16 darker, ISO 200 a stop; whatever the shutter. */
    @Test
    void the_aperture_sets_the_streak_and_the_shutter_how_much_of_it() {
        FireworkSettings usual = new FireworkSettings(new Settings(4, 11, 100));
        assertThat(usual.streakStops()).isZero();
        assertThat(new FireworkSettings(new Settings(4, 8, 100)).streakStops()).isCloseTo(0.919, within(0.001));
        assertThat(new FireworkSettings(new Settings(2, 16, 100)).streakStops()).isCloseTo(-1.081, within(0.001));
        assertThat(new FireworkSettings(new Settings(5, 11, 200)).streakStops()).isCloseTo(1, within(1e-9));
        assertThat(usual.drawn(Shell.of(150))).isCloseTo(4 / 6.5, within(1e-6));
        assertThat(new FireworkSettings(new Settings(20, 11, 100)).drawn(Shell.of(150)))
                .isEqualTo(1);
        assertThat(usual.bursts(Show.TOWN.everySeconds())).isCloseTo(2.5, within(1e-9));
        assertThat(FireworkSettings.neutralStops(32)).isCloseTo(3, within(1e-9));
        assertThat(FireworkSettings.neutralStops(2)).isZero();
    }

    @Test
    void stages_change_one_thing_after_the_other() {
        List<FireworkSettings.Stage> stages = new FireworkSettings(new Settings(4, 11, 100)).stages();
        assertThat(stages).extracting(FireworkSettings.Stage::name).containsExactly("opening", "body", "finale");
        assertThat(stages.get(1).settings()).isEqualTo(new Settings(5, 11, 100));
        assertThat(stages.get(2).settings().seconds()).isEqualTo(2);
        assertThat(stages.get(2).settings().aperture()).isEqualTo(16);
    }

    /** By hand: 0.4 m in 4 m is 5.711°, 0.2 m below is 2.862° under the level, 0.15 m taller 7.829°. */
    @Test
    void heads_stand_above_a_low_tripod_and_below_a_high_one() {
        assertThat(Crowd.headsDeg(1.3, 0)).isCloseTo(5.711, within(0.001));
        assertThat(Crowd.headsDeg(1.9, 0)).isCloseTo(-2.862, within(0.001));
        assertThat(Crowd.headsDeg(1.3, 0.15)).isCloseTo(7.829, within(0.001));
    }
}
