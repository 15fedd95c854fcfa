package dev.halfdusk.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.LightPainting;
import dev.halfdusk.core.exposure.NightSceneKind;
import dev.halfdusk.core.exposure.PlannedBy;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Misread;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Values;
import dev.halfdusk.core.moon.LandBalance;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What a photographer decides is what the camera does, and is judged in the words of what is proposed. */
class DecisionTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final Rig WIDE = Rig.of(BODY, new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Circumstances JUNE = Circumstances.of(
            Night.of(LEDGE, LocalDate.of(2027, 6, 4), ZoneId.of("Europe/Lisbon"), NightRules.USUAL),
            Standpoint.at(LEDGE, Skyline.FLAT, SkyGlow.ofZenith(21.5)),
            List.of());

    private static Decision decided(PlannedBy rule, double seconds, double iso, double frames) {
        return Decision.of(rule, some(seconds), some(iso), some(frames), OptionalDouble.empty());
    }

    private static OptionalDouble some(double value) {
        return value > 0 ? OptionalDouble.of(value) : OptionalDouble.empty();
    }

    private static Program.Step first(Take take) {
        return take.plan(JUNE).program().apply(JUNE.night().best()).steps().get(0);
    }

    /** "I plan by 500, ISO 3200": 500 / 20 are 25 s, as the dial says it. */
    @ParameterizedTest
    @CsvSource({"N500, 25", "N400, 20", "N300, 15", "BY_FORMAT, 25"})
    void stars_are_planned_by_the_school_that_one_chooses(PlannedBy rule, String label) {
        Take take = Take.of("core", new MilkyWay(5), "A", WIDE).with(decided(rule, 0, 3200, 0));
        assertThat(BODY.label(first(take).settings().seconds())).isEqualTo(label);
        assertThat(first(take).settings().iso()).isEqualTo(3200);
        assertThat(take.setup(JUNE, JUNE.night().best()).proposal().reasons())
                .anyMatch(r -> r.what().startsWith("Planned by another school")
                        && r.formula().contains("px"));
    }

    /** 25 s at ISO 3200 against what is proposed, with its drift: a star on the equator goes 25.4 × 15.04 / 61.9 = 6.2 px in the middle, more in the corners. */
    @Test
    void what_is_decided_is_judged() {
        Take free = Take.of("field", new Stack(20, 0), "A", WIDE);
        Take take = free.with(decided(PlannedBy.DRIFT, 25, 3200, 7));
        Program.Step set = first(take);
        assertThat(set.frames()).isEqualTo(7);
        assertThat(BODY.label(set.settings().seconds())).isEqualTo("25");
        Program.Step ours = first(free);
        List<Reason> reasons = take.plan(JUNE).answer(JUNE.night().best()).reasons();
        double stops = Math.log(25.398
                        * 3200
                        / (ours.settings().seconds() * ours.settings().iso()))
                / Math.log(2);
        assertThat(reasons.get(0).value()).isCloseTo(stops, within(0.001));
        assertThat(reasons.get(1).what()).isEqualTo("Stars that matter drift by");
        assertThat(reasons.get(1).value()).isBetween(6.2, 12.0);
        assertThat(reasons.get(1).formula()).startsWith("more than the 3.0");
        assertThat(reasons.get(2).what()).isEqualTo("Peak of the sky");
    }

    /** Dark frames are as long as the light's, and come after it however long it now takes. */
    @Test
    void dark_frames_follow_what_is_decided() {
        Take take = Take.of("trails", new Trails(15, 30, 1, 5), "A", WIDE).with(decided(PlannedBy.DRIFT, 60, 400, 10));
        Plan plan = take.plan(JUNE);
        Program program = plan.program().apply(JUNE.night().best());
        Program.Step light = program.steps().get(0);
        Program.Step dark = program.steps().get(1);
        assertThat(light.frames()).isEqualTo(10);
        assertThat(dark.dark()).isTrue();
        assertThat(dark.settings()).isEqualTo(light.settings());
        assertThat(Duration.between(light.ends(), dark.begins())).isEqualTo(Duration.ofSeconds(60));
        assertThat(plan.lasts()).isGreaterThanOrEqualTo(program.total());
        assertThat(plan.answer(JUNE.night().best())
                                .test()
                                .orElseThrow()
                                .settings()
                                .seconds()
                        * plan.answer(JUNE.night().best())
                                .test()
                                .orElseThrow()
                                .settings()
                                .iso())
                .isCloseTo(light.settings().seconds() * 400, within(1e-6));
    }

    private static Decision of(Object... keysAndValues) {
        Values said = new Values();
        for (int i = 0; i < keysAndValues.length; i += 2) {
            said.put((String) keysAndValues[i], keysAndValues[i + 1]);
        }
        return Decision.SHAPE.of(said);
    }

    private static List<Program.Step> steps(Take take) {
        return take.plan(JUNE).program().apply(JUNE.night().best()).steps();
    }

    private static Reason reason(Take take, String begins) {
        return take.plan(JUNE).answer(JUNE.night().best()).reasons().stream()
                .filter(r -> r.what().startsWith(begins))
                .findFirst()
                .orElseThrow();
    }

    /** 500 / 20 mm are 25 s; never slower than 8. A drift of 3 px lets 7.6 s be in this frame or so, one of 9 about three times that. */
    @Test
    void stars_are_kept_to_a_slowest_shutter_and_to_a_drift_of_ones_own() {
        Take take = Take.of("core", new MilkyWay(5), "A", WIDE);
        Take slow = take.with(of("rule", "N500", "slowestSeconds", 8));
        assertThat(BODY.label(first(slow).settings().seconds())).isEqualTo("8");
        assertThat(reason(slow, "Never slower than").value()).isEqualTo(8);
        double usual = first(take).settings().seconds();
        double three = first(take.with(of("tolerancePx", 9))).settings().seconds();
        assertThat(three / usual).isBetween(2.3, 3.8);
    }

    /** 3200 lifted is 800, pulled 12800; with a quarter of the gain read noise is a larger part of the same sky. */
    @Test
    void noise_has_schools() {
        Take take = Take.of("core", new MilkyWay(5), "A", WIDE);
        double iso = first(take).settings().iso();
        Take lifted = take.with(of("noise", "LIFTED"));
        assertThat(first(lifted).settings().iso()).isEqualTo(iso / 4);
        assertThat(first(take.with(of("noise", "PULLED"))).settings().iso()).isEqualTo(iso * 4);
        Reason noise = reason(lifted, "Noise of the sky");
        double e = take.setup(JUNE, JUNE.night().best()).proposal().light().skyPerSecond()
                * first(take).settings().seconds();
        double read = BODY.response().readNoiseE(iso);
        double more = BODY.response().readNoiseE(iso / 4);
        assertThat(noise.value()).isCloseTo(Math.sqrt((e + more * more) / (e + read * read)), within(1e-9));
        assertThat(noise.value()).isGreaterThan(1);
    }

    /** Each of two frames at 0, \u22122 and +1 stops of 4 s: 4, 1, 8; two seconds between them to turn the dial. */
    @Test
    void a_bracket_has_the_order_and_steps_that_one_chooses() {
        Take take = Take.of("ground", new Ground(2, 60), "A", WIDE)
                .with(of("bracket", "0 \u22122, +1", "shutterSeconds", 4));
        List<Program.Step> steps = steps(take);
        assertThat(steps)
                .extracting(s -> BODY.label(s.settings().seconds()))
                .containsExactly("4", "1", "8", "4", "1", "8");
        assertThat(Duration.between(steps.get(0).ends(), steps.get(1).begins())).isEqualTo(Duration.ofSeconds(2));
        assertThat(take.plan(JUNE).lasts())
                .isGreaterThanOrEqualTo(
                        take.plan(JUNE).program().apply(JUNE.night().best()).total());
        assertThat(reason(take, "Bracket, as you decided").value()).isEqualTo(3);
    }

    /** A moon's bracket is by shutter as far as that goes and by ISO beyond; its pattern is one's own. */
    @Test
    void a_moon_and_a_street_are_bracketed_as_one_chooses() {
        Decision own = of("bracket", "0 +2 +4 -1");
        Take moon = Take.of("moon", new Moon(1, 2), "A", WIDE).with(own);
        List<Program.Step> steps = steps(moon);
        assertThat(steps).hasSize(8);
        double first =
                steps.get(0).settings().seconds() * steps.get(0).settings().iso();
        assertThat(steps.get(1).settings().seconds() * steps.get(1).settings().iso() / first)
                .isCloseTo(4, within(0.2));
        assertThat(steps.get(3).settings().seconds() * steps.get(3).settings().iso() / first)
                .isCloseTo(0.5, within(0.05));
        Take street = Take.of("street", new NightScene(100, 3, 3, 1, false, NightSceneKind.STREET), "A", WIDE)
                .with(own);
        assertThat(steps(street)).hasSize(4);
        // frames of a panorama belong together
        Take arch = Take.of("arch", Arch.KIND.usual(), "A", WIDE).with(own);
        assertThat(reason(arch, "A bracket is not taken here").formula()).contains("panorama");
        assertThat(steps(arch)).hasSize(1);
    }

    /** Half a second for the first of a street's bracket makes the others a stop to either side of that. */
    @Test
    void what_is_decided_of_a_bracket_moves_all_of_it() {
        Take street = Take.of("street", new NightScene(100, 3, 3, 1, false, NightSceneKind.STREET), "A", WIDE)
                .with(of("shutterSeconds", 0.5));
        assertThat(steps(street))
                .extracting(s -> BODY.label(s.settings().seconds()))
                .containsExactly("0.5", "1/4", "1");
    }

    @ParameterizedTest
    @ValueSource(strings = {"0 -1 x", "0 -7", "0 1 2 3 4 5 6 -1 -2 -3", "++1", "0-1"})
    void a_pattern_that_is_none_is_refused_by_its_field(String text) {
        assertThatThrownBy(() -> of("bracket", text))
                .isInstanceOfSatisfying(Misread.class, e -> assertThat(e.key()).isEqualTo("bracket"))
                .hasMessageContaining("\u22126 to +6");
        assertThat(of("bracket", " ")).isEqualTo(Decision.NONE);
        assertThat(of("bracket", "0 -1.5 +3").light().bracket().text()).isEqualTo("0 -1.5 +3");
    }

    /** A dark frame after each, as long as that: 20 frames of 10 s take 400 s and not 219; automatic from a second on. */
    @Test
    void noise_reduction_is_counted_in_the_pause() {
        Take take = Take.of("field", new Stack(20, 0), "A", WIDE);
        Take reduced = take.with(of("noiseReduction", "ON", "shutterSeconds", 10));
        Program.Step step = first(reduced);
        assertThat(step.pauseSeconds()).isEqualTo(step.settings().seconds());
        assertThat(reduced.plan(JUNE).lasts()).isGreaterThan(Duration.ofSeconds(390));
        assertThat(reason(reduced, "Noise reduction takes a dark frame").value())
                .isEqualTo(step.settings().seconds());
        assertThat(first(take.with(of("noiseReduction", "AUTOMATIC", "shutterSeconds", 0.5)))
                        .pauseSeconds())
                .isEqualTo(first(take).pauseSeconds());
        Take trails = Take.of("trails", new Trails(15, 30, 1, 5), "A", WIDE)
                .with(of("noiseReduction", "AUTOMATIC", "darkFrames", 0));
        assertThat(reason(trails, "Noise reduction takes a dark frame").formula())
                .contains("breaks every trail");
        assertThat(steps(trails)).hasSize(1);
        assertThat(reason(take.with(of("smoothing", true)), "Noise reduction of high ISO")
                        .formula())
                .contains("small stars");
    }

    /** At 5 m with 20 mm f/1.8 stars are spots of 400 / (1.8 × 4980) = 0.0446 mm, 7.4 pixels of 6 \u00b5m. */
    @Test
    void focus_is_where_one_decides_and_is_judged() {
        Take take = Take.of("core", new MilkyWay(5), "A", WIDE);
        Take near = take.with(of("focusM", 5));
        assertThat(near.plan(JUNE).answer(JUNE.night().best()).focus()).isEqualTo(new Focus(Focus.On.SCENE, 5));
        assertThat(reason(near, "Focused at 5.0 m").value()).isCloseTo(7.44, within(0.02));
        Take soft = Take.of("ground", new Ground(2, 60), "A", WIDE).with(of("focus", "STARS", "focusM", 3));
        assertThat(soft.plan(JUNE).answer(JUNE.night().best()).focus()).isEqualTo(Focus.STARS);
        // hyperfocal of 20 mm, f/1.8, 0.012 mm: 400 / 0.0216 mm are 18.5 m
        assertThat(reason(soft, "Focused far away").value()).isCloseTo(18.5, within(0.1));
    }

    /** Two stops below grey a quarter of the light; shared among five strokes; and of four frames each lights a quarter of the ground. */
    @Test
    void a_lamp_is_used_as_one_chooses() {
        LightPainting lamp = new LightPainting(100, 30, 5);
        double whole = lamp.secondsSwept(1.8, 800, 40);
        Take dim = Take.of("dim", new Painting(lamp, 40, 800, 4, 20, new Painting.Light(2, 5, false)), "A", WIDE);
        String sweep = dim.plan(JUNE).chores().get(0).what();
        assertThat(sweep)
                .contains(Numbers.text("5 strokes of %.1f s", whole / 4 / 5))
                .contains("right angle");
        Take parts = Take.of("parts", new Painting(lamp, 40, 800, 4, 20, new Painting.Light(0, 1, true)), "A", WIDE);
        assertThat(parts.plan(JUNE).chores().get(0).what()).contains("over 10 m\u00b2", "another part in each frame");
    }

    /** The person by a lamp in the hand, a minute to focus, then as many at what the sky wants. */
    @Test
    void a_portrait_may_have_frames_of_its_own_for_the_stars() {
        Take take = Take.of("friend", new People(3, 4, true), "A", WIDE);
        List<Program.Step> steps = steps(take);
        assertThat(steps).hasSize(2);
        assertThat(steps.get(0).what()).startsWith("hold still for ");
        assertThat(Duration.between(steps.get(0).ends(), steps.get(1).begins())).isEqualTo(Duration.ofSeconds(60));
        assertThat(steps.get(1).settings())
                .isEqualTo(take.setup(JUNE, JUNE.night().best()).proposal().settings());
        assertThat(steps(Take.of("friend", new People(3, 4), "A", WIDE))).hasSize(1);
    }

    /** After sunset the moon is brighter than the land: one frame gives it at most a stop; a frame for the land is as its light wants. */
    @Test
    void a_moon_is_taken_alone_with_the_land_or_blended() {
        Circumstances full = Circumstances.of(
                Night.of(LEDGE, LocalDate.of(2027, 6, 18), ZoneId.of("Europe/Lisbon"), NightRules.USUAL),
                Standpoint.at(LEDGE, Skyline.FLAT, SkyGlow.ofZenith(21.5)),
                List.of());
        Instant late = Instant.parse("2027-06-18T22:30:00Z");
        List<List<Program.Step>> ways = Stream.of(Moon.Land.values())
                .map(land -> Take.of("moon", new Moon(1, 1, 0.2, 0, 0, land), "A", WIDE)
                        .plan(full)
                        .program()
                        .apply(late)
                        .steps())
                .toList();
        assertThat(ways.get(0)).hasSize(3);
        double alone = light(ways.get(0).get(0));
        assertThat(light(ways.get(1).get(0)) / alone).isCloseTo(2, within(0.3));
        assertThat(ways.get(2)).hasSize(4);
        Program.Step land = ways.get(2).get(3);
        double ev = LandBalance.at(land.begins(), full.from(), 0.2).landEv100();
        double wanted = Math.pow(land.settings().aperture(), 2) / Math.pow(2, ev) * 100;
        assertThat(light(land) / wanted).isBetween(0.8, 1.25);
    }

    private static double light(Program.Step s) {
        return s.settings().seconds() * s.settings().iso();
    }

    /** A ladder that follows the shadow has numbers of its own. */
    @Test
    void an_eclipse_is_decided_in_its_own_numbers() {
        assertThat(EclipsedMoon.KIND.usual().decides()).isFalse();
        assertThat(MilkyWay.KIND.usual().decides()).isTrue();
        assertThat(Decision.SHAPE.of(new Values())).isEqualTo(Decision.NONE);
    }
}
