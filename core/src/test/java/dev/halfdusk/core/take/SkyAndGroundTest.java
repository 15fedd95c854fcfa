package dev.halfdusk.core.take;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Instants;
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
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

/** A pair is the Milky Way and then the ground, as each would be taken by itself at its time. */
class SkyAndGroundTest {

    private static final Site COAST = new Site(37.6, -8.8, 0);
    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Circumstances C = Circumstances.of(
            Night.of(COAST, LocalDate.parse("2027-06-04"), ZoneId.of("Europe/Lisbon"), NightRules.USUAL),
            Standpoint.at(COAST, Skyline.FLAT, SkyGlow.ofZenith(21.5)),
            List.of());
    private static final Instant AT = Instant.parse("2027-06-05T00:20:00Z");

    private static Program program(Subject subject, Decision decision, Instant at) {
        return Take.of("T", subject, "A", RIG).with(decision).plan(C).program().apply(at);
    }

    @Test
    void each_half_is_exposed_as_by_itself() {
        Program pair = program(new SkyAndGround(2, 240, 3), Decision.NONE, AT);
        Program sky = program(new MilkyWay(3), Decision.NONE, AT);
        assertThat(pair.steps().subList(0, sky.steps().size())).isEqualTo(sky.steps());
        assertThat(pair.steps()).hasSize(sky.steps().size() + 1);
        Program.Step last = pair.steps().get(sky.steps().size());
        Instant then = last.begins();
        assertThat(Instants.seconds(sky.span().to(), then)).isEqualTo(20);
        // aimed where the sky was, which the ground alone is not
        Take aimed = Take.of("T", new Ground(2, 240), "A", RIG);
        Program ground = aimed.plan(C).program().apply(then);
        assertThat(last.frames()).isEqualTo(2);
        assertThat(last.settings()).isEqualTo(ground.steps().get(0).settings());
        assertThat(last.settings().seconds())
                .isGreaterThan(4 * sky.steps().get(0).settings().seconds());
    }

    /** Fewer frames of the sky: the ground's follow sooner, and are what they were. */
    @Test
    void what_is_decided_holds_for_the_sky() {
        Program proposed = program(new SkyAndGround(2, 240, 3), Decision.NONE, AT);
        Decision decision = Decision.SHAPE.of(new Values()
                .put("iso", 3200.0)
                .put("shutterSeconds", 4.0)
                .put("frames", 6.0)
                .put("darkFrames", 0.0));
        Program decided = program(new SkyAndGround(2, 240, 3), decision, AT);
        assertThat(decided.steps()).hasSize(2);
        Program.Step sky = decided.steps().get(0);
        assertThat(sky.settings().seconds()).isEqualTo(4);
        assertThat(sky.settings().iso()).isEqualTo(3200);
        assertThat(sky.frames()).isEqualTo(6);
        Program.Step ground = decided.steps().get(1);
        Program.Step before = proposed.steps().get(proposed.steps().size() - 1);
        assertThat(ground.begins()).isEqualTo(Instants.after(sky.ends(), 20)).isBefore(before.begins());
        assertThat(ground.settings()).isEqualTo(before.settings());
        assertThat(ground.frames()).isEqualTo(2);
    }

    /** Two exposures of each frame of the sky; the ground stays as it is. */
    @Test
    void a_bracket_is_one_of_the_sky() {
        Decision decision = Decision.SHAPE.of(
                new Values().put("bracket", "0 +1").put("frames", 2.0).put("darkFrames", 0.0));
        Program bracketed = program(new SkyAndGround(2, 240, 3), decision, AT);
        assertThat(bracketed.steps()).hasSize(2 * 2 + 1);
        assertThat(bracketed.steps().get(1).settings().seconds())
                .isCloseTo(2 * bracketed.steps().get(0).settings().seconds(), Offset.offset(0.5));
        assertThat(bracketed.steps().get(4).frames()).isEqualTo(2);
        assertThat(new SkyAndGround(2, 240, 3).starsAsPoints()).isTrue();
        assertThat(SkyAndGround.KIND.of(List.of(2.0, 240.0, 3.0))).isEqualTo(new SkyAndGround(2, 240, 3));
        assertThat(new SkyAndGround(2, 240, 3).values()).containsExactly(2.0, 240.0, 3.0);
    }

    @Test
    void it_says_why_of_both_and_lasts_as_long_as_both() {
        Plan plan = Take.of("T", new SkyAndGround(2, 240, 3), "A", RIG).plan(C);
        assertThat(plan.answer(AT).reasons())
                .extracting(Reason::what)
                .contains("light on the ground")
                .hasSizeGreaterThan(4);
        assertThat(plan.lasts()).isGreaterThanOrEqualTo(plan.program().apply(AT).total());
        assertThat(plan.hands()).isTrue();
    }
}
