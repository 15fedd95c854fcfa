package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.lighttable.Cause;
import dev.halfdusk.core.lighttable.Finding;
import dev.halfdusk.core.moon.MoonLight;
import dev.halfdusk.core.sky.Moment;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** What is measured on frames that are taken: some of each kind, against what they were taken with. */
class MeasuresTest {

    private final Course course = Course.of(Courses.files("lessons"), Courses.files("scenes"));

    private Exposed take(String lesson, Map<String, String> set) {
        Lesson l = course.find(lesson).orElseThrow();
        return Exposed.take(course.stage(l), l.begin(l.outfit()).with(set), 0, OptionalDouble.empty());
    }

    private Lesson.Tried school(String lesson, int number) {
        return course.find(lesson).orElseThrow().schools().get(number);
    }

    private List<Exposed> play(String lesson, Lesson.Tried tried) {
        return Play.exposures(course, course.find(lesson).orElseThrow(), tried);
    }

    private static double mean(Exposed frame) {
        double sum = 0;
        for (float e : frame.whole().electrons(1)) {
            sum += Math.max(0, e);
        }
        return sum / frame.whole().electrons(1).length / frame.whole().saturationE();
    }

    /** f/11 and 1/60 against 1/4, four stops more: over by as much more, brighter, and white. */
    @Test
    void a_moon_well_exposed_and_burnt() {
        Exposed good = take("half-moon", Map.of("aperture", "11", "shutter", "1/60", "iso", "100"));
        Exposed burnt = take("half-moon", Map.of("aperture", "11", "shutter", "1/4", "iso", "100"));
        double proposed = MoonLight.at(
                        Moment.at(good.from().stage().when(0)),
                        good.from().stage().from().observer(),
                        MoonLight.USUAL_EXTINCTION)
                .proposedEv100();
        assertThat(Measure.OVER.of(good)).isCloseTo(proposed - SceneLight.ev(good.settings()), within(1e-6));
        assertThat(Measure.OVER.of(burnt) - Measure.OVER.of(good)).isCloseTo(4, within(0.1));
        assertThat(Measure.LEVEL.of(good)).isBetween(0.05, 0.4);
        assertThat(Measure.LEVEL.of(burnt)).isGreaterThan(2 * Measure.LEVEL.of(good));
        assertThat(Measure.BURNT.of(good)).isLessThan(5);
        assertThat(Measure.BURNT.of(burnt)).isBetween(30.0, 100.0);
        assertThat(Measure.BRIGHTNESS.of(good)).isCloseTo(Math.log(mean(good) / 0.09) / Math.log(2), within(1e-6));
        assertThat(good.findings(false)).extracting(Finding::cause).doesNotContain(Cause.BURNT);
        assertThat(burnt.findings(false)).extracting(Finding::cause).contains(Cause.BURNT);
    }

    /** Half a millimetre beside infinity its edge is wide; at 1/30 the gusts of the scene draw it out. */
    @Test
    void a_moon_s_edge() {
        Map<String, String> still = Map.of("shutter", "1/250", "iso", "100", "timer", "2 s");
        Exposed sharp = take("wind", still);
        Lesson l = course.find("wind").orElseThrow();
        Dials turned = l.begin(l.outfit()).with(still).with(Map.of("focus", "1"));
        Exposed soft = Exposed.take(course.stage(l), turned, 0, OptionalDouble.empty());
        assertThat(Measure.EDGE.of(sharp)).isBetween(0.5, 2.0);
        assertThat(Measure.EDGE.of(soft)).isGreaterThan(2 * Measure.EDGE.of(sharp));
        assertThat(Measure.SMEAR.of(sharp)).isLessThan(2.5);
        assertThat(Measure.SMEAR.of(take("wind", Map.of()))).isBetween(2.5, 12.0);
    }

    /** 14.7″ a second near the equator: streaks as long as the shutter is open; three times the light lifts the sky's peak. */
    @Test
    void stars_and_their_sky() {
        Exposed ten = take("longest-24", Map.of("shutter", "10", "iso", "1600", "aperture", "2.8"));
        Exposed forty = take("longest-24", Map.of("shutter", "30", "iso", "1600", "aperture", "2.8"));
        double openly = Measure.OPEN.of(forty) / Measure.OPEN.of(ten);
        double both = Measure.STREAK.of(forty) / Measure.STREAK.of(ten);
        assertThat(both).isCloseTo(openly, within(0.35 * openly));
        assertThat(Measure.STARS.of(ten)).isGreaterThan(5);
        assertThat(Measure.WIDTH.of(ten)).isBetween(1.0, 6.0);
        assertThat(Measure.PEAK.of(forty)).isGreaterThan(Measure.PEAK.of(ten) + 0.05);
        assertThat(Measure.BRIGHTNESS.of(forty) - Measure.BRIGHTNESS.of(ten)).isCloseTo(1.5, within(0.35));
        assertThat(Measure.OVER.of(ten)).as("no moon: by the frame").isEqualTo(Measure.BRIGHTNESS.of(ten));
        assertThat(Measure.NOISE.of(ten)).isGreaterThan(1.1 * Measure.NOISE.of(forty));
        Exposed dark = take("longest-24", Map.of("shutter", "1/125", "iso", "100", "aperture", "16"));
        assertThat(Measure.BLACK.of(dark)).isGreaterThan(50);
        assertThat(Measure.BLACK.of(forty)).isLessThan(5);
        assertThat(Measure.BURNT.of(forty)).isLessThan(3);
        assertThat(Measure.LEVEL.of(dark)).as("it shows no subject").isZero();
    }

    @Test
    void a_horizon_tilts_as_the_camera() {
        assertThat(Measure.TILT.of(take("level", Map.of("roll", "4")))).isCloseTo(4, within(0.5));
        assertThat(Measure.TILT.of(take("level", Map.of("roll", "-3")))).isCloseTo(3, within(0.5));
        Exposed dark = take("level", Map.of("shutter", "1/125", "iso", "100"));
        assertThat(Measure.TILT.of(dark)).as("no star tells").isEqualTo(90);
        assertThat(Measure.AIMED.of(dark)).isEqualTo(90);
    }

    /** Its top lies where the aim says: the arch is 39° high, of a frame that looks up to 12° and is 104° high held upright. */
    @Test
    void an_arch_s_top() {
        Lesson l = course.find("arch-tilt").orElseThrow();
        Exposed upright = play("arch-tilt", school("arch-tilt", 0)).get(0);
        Exposed higher = take("arch-tilt", Map.of("height", "6"));
        assertThat(Measure.ARCH.of(upright)).isBetween(8.0, 34.0);
        assertThat(Measure.ARCH.of(higher)).isGreaterThan(Measure.ARCH.of(upright) + 5);
        assertThat(l.judge(List.of(l.measure(upright))).passed()).isTrue();
        Exposed dark = take("arch-tilt", Map.of("shutter", "1/125", "iso", "100"));
        assertThat(Measure.ARCH.of(dark)).as("no star tells").isEqualTo(-100);
    }

    /** Kicked by 3° to the right and down, after the second frame; the third looks where it did when it is turned back. */
    @Test
    void a_kicked_tripod_looks_elsewhere() {
        List<Exposed> back = play("tripod-kicked", school("tripod-kicked", 0));
        assertThat(back).hasSize(3);
        Lesson l = course.find("tripod-kicked").orElseThrow();
        double apart = course.stage(l).apartSeconds();
        for (int i = 0; i < 3; i++) {
            assertThat(back.get(i).opens()).isEqualTo(i * apart);
        }
        assertThat(Measure.AIMED.of(back.get(2))).isLessThan(1.2);
        List<Exposed> left = play("tripod-kicked", l.mistakes().get(0));
        assertThat(Measure.AIMED.of(left.get(2))).isCloseTo(3 * Math.sqrt(2), within(0.3));
        assertThat(Measure.AIMED.of(left.get(0))).isLessThan(0.3);
    }

    /** Half of the time before the kick and half after: every star twice. */
    @Test
    void a_kick_within_a_frame_shows_in_it() {
        Lesson l = course.find("tripod-kicked").orElseThrow();
        Dials d = l.begin(l.outfit());
        double kick = course.stage(l).trouble().kickAfter().orElseThrow();
        Exposed during = Exposed.take(course.stage(l), d, kick - 4, OptionalDouble.empty());
        Exposed before = Exposed.take(course.stage(l), d, kick - 60, OptionalDouble.empty());
        assertThat(mean(during)).isCloseTo(mean(before), within(0.15 * mean(before)));
        float[] one = before.whole().electrons(1);
        float[] both = during.whole().electrons(1);
        float most = 0;
        float mostOfBoth = 0;
        for (int i = 0; i < one.length; i++) {
            most = Math.max(most, one[i]);
            mostOfBoth = Math.max(mostOfBoth, both[i]);
        }
        assertThat(mostOfBoth).isLessThan(0.8f * most);
    }

    /** From the launch to the fade there is the one burst; held from before it, as long as it lasts. */
    @Test
    void a_burst_from_launch_to_fade() {
        Exposed held = play("flash-to-fade", school("flash-to-fade", 0)).get(0);
        assertThat(Measure.BURSTS.of(held)).isEqualTo(1);
        Stage stage = held.from().stage();
        var launch = stage.shells().orElseThrow().round().launches().get(0);
        assertThat(held.opens()).isCloseTo(launch.fires() - 0.2, within(1e-9));
        assertThat(Measure.OPEN.of(held)).isCloseTo(launch.fades() - launch.fires() + 0.4, within(1e-9));
        assertThat(Measure.LEVEL.of(held)).isBetween(0.05, 0.98);
        Lesson.Tried wide =
                course.find("flash-to-fade").orElseThrow().mistakes().get(2);
        Exposed over = play("flash-to-fade", wide).get(0);
        assertThat(Measure.BURNT.of(over)).isGreaterThan(Measure.BURNT.of(held) + 5);
    }

    /** Ground is read below the horizon: with three strokes of a lamp it is brighter than with one. */
    @Test
    void painted_ground() {
        Exposed three = take("painting", Map.of("strokes", "3"));
        Exposed dark = take("painting", Map.of("strokes", "0"));
        assertThat(Measure.LEVEL.of(three)).isBetween(0.12, 0.45);
        assertThat(Measure.LEVEL.of(dark)).isLessThan(0.1);
        assertThat(Measure.EDGE.of(three)).isBetween(0.3, 15.0);
        assertThat(Measure.TWICE.of(three)).isZero();
    }

    /** After the second contact by five seconds, before the third by ten; nothing is off where that leaves no time. */
    @Test
    void a_filter_off_within_totality() {
        Lesson.Tried open = school("filter", 0);
        Exposed f = play("filter", open).get(0);
        double[] may = f.from().stage().filterOff().orElseThrow();
        double[] margins = open.open().orElseThrow();
        assertThat(Measure.UNFILTERED.of(f)).isCloseTo(may[1] - may[0] - margins[0] - margins[1], within(1e-6));
        assertThat(Measure.DANGER.of(f)).isZero();
        assertThat(f.opens()).isCloseTo((may[0] + may[1]) / 2, within(1e-9));
        Lesson.Tried never = new Lesson.Tried(
                "never", open.sets(), open.held(), Optional.of(new double[] {may[1] - may[0], 1}), open.hint());
        assertThat(Measure.UNFILTERED.of(play("filter", never).get(0))).isZero();
    }
}
