package dev.halfdusk.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.outing.NightProposal;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.MeteorShower;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class MeteorsTest {

    private static final Rig WIDE = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Sight RADIANT = Sight.of(MeteorShower.named("Perseids").orElseThrow());

    private static Circumstances c() {
        Site site = new Site(37.6, -8.8, 5);
        Standpoint from = Standpoint.at(site, Skyline.FLAT, SkyGlow.natural());
        Night night = Night.of(site, LocalDate.of(2027, 8, 12), ZoneId.of("Europe/Lisbon"), NightRules.USUAL);
        return Circumstances.of(night, from, List.of());
    }

    private static Take take(double minutes) {
        return Take.of("Perseids", new Meteors(minutes), "A", WIDE).with(Wish.highest(Asked.of(RADIANT)));
    }

    /** As long as it should, with nothing between the frames but what a camera needs. */
    @Test
    void it_runs_without_gaps() {
        Plan plan = take(90).plan(c());
        Instant t = plan.when().windows().get(0).from();
        Program program = plan.program().apply(t);
        Program.Step step = program.steps().get(0);
        assertThat(program.steps()).hasSize(1);
        assertThat(step.pauseSeconds()).isEqualTo(1);
        assertThat(program.total()).isBetween(Duration.ofMinutes(89), Duration.ofMinutes(90));
        assertThat(plan.lasts()).isLessThanOrEqualTo(Duration.ofMinutes(90));
        assertThat(new Meteors(90).lasting(Duration.ofMinutes(41), plan)).contains(new Meteors(41));
        assertThat(new Meteors(90).lasting(Duration.ofMinutes(1), plan)).contains(new Meteors(5));
    }

    /** Forty degrees beside the radiant, half way up; under it where it stands overhead. */
    @Test
    void the_camera_looks_beside_the_radiant() {
        Circumstances c = c();
        Take take = take(60);
        Instant t = c.night().at(900);
        Direction radiant = take.wish().showing(c).at(t);
        assertThat(radiant.altitudeDeg()).isBetween(20.0, 50.0);
        Direction axis = take.setup(c, t).pointing().axis();
        assertThat(axis.altitudeDeg()).isCloseTo(50, within(1e-6));
        assertThat(axis.vector().angleTo(radiant.vector())).isCloseTo(40, within(1e-6));
        Take any = Take.of("some", new Meteors(60), "A", WIDE);
        assertThat(any.setup(c, t).pointing().axis()).isEqualTo(c.night().aim(t).direction());
    }

    /** Of 60 an hour for an eye some two are bright enough and in the frame. */
    @Test
    void it_says_how_many_a_frame_may_hope_for() {
        Circumstances c = c();
        Plan plan = take(60).plan(c);
        Instant t = plan.when().best().orElseThrow();
        Reason first = plan.answer(t).reasons().get(0);
        assertThat(first.what()).contains("Bright meteors in this frame");
        assertThat(first.value()).isBetween(0.3, 2.5);
    }

    @Test
    void a_night_is_proposed_to_someone_who_comes_for_a_shower() {
        List<NightProposal.Proposed> all = NightProposal.ofRanked(
                c(),
                List.of(new NightProposal.Ranked(NamedCamera.of("A", WIDE), 0)),
                List.of(),
                1,
                0,
                Optional.of(Asked.of(RADIANT)));
        assertThat(all.get(0).take().subject()).isInstanceOf(Meteors.class);
        assertThat(all.get(0).take().wish().asked().sight().shower()).isPresent();
        assertThat(all.get(0).why()).matches(".*the Perseids is up: most, some \\d\\d an hour, at 0[45]:\\d\\d\\.");
    }
}
