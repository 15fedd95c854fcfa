package dev.halfdusk.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.PlannedBy;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Values;
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
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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
        return new Decision(rule, some(seconds), some(iso), some(frames), OptionalDouble.empty());
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

    /** A ladder that follows the shadow has numbers of its own. */
    @Test
    void an_eclipse_is_decided_in_its_own_numbers() {
        assertThat(EclipsedMoon.KIND.usual().decides()).isFalse();
        assertThat(MilkyWay.KIND.usual().decides()).isTrue();
        assertThat(Decision.SHAPE.of(new Values())).isEqualTo(Decision.NONE);
    }
}
