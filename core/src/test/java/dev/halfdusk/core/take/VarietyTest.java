package dev.halfdusk.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import org.junit.jupiter.api.Test;

class VarietyTest {

    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final Rig WIDE = Rig.of(BODY, new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));

    /** Of 8 s and ISO 1600: 4, 8 and 16 s at 800, 1600 and 3200, the proposed one first and once. */
    @Test
    void every_shutter_meets_every_iso() {
        List<Settings> all = new Variety(3, 3).all(new Settings(8, 2.8, 1600), BODY);
        assertThat(all).hasSize(9).doesNotHaveDuplicates();
        assertThat(all.get(0)).isEqualTo(new Settings(8, 2.8, 1600));
        for (double iso : new double[] {800, 1600, 3200}) {
            for (double seconds : new double[] {4, 8, 16}) {
                assertThat(all)
                        .anyMatch(s -> s.iso() == iso
                                && Math.abs(s.seconds() - seconds) < 0.1 * seconds
                                && s.aperture() == 2.8);
            }
        }
        assertThat(new Variety(1, 1).all(new Settings(8, 2.8, 1600), BODY)).hasSize(1);
    }

    /** One after the other, with time to turn a dial; nothing beyond what the body can. */
    @Test
    void frames_follow_each_other_with_time_to_set_them() {
        Site site = new Site(37.6, -8.8, 5);
        Night night = Night.of(site, LocalDate.of(2027, 6, 4), ZoneId.of("Europe/Lisbon"), NightRules.USUAL);
        Circumstances c = Circumstances.of(night, Standpoint.at(site, Skyline.FLAT, SkyGlow.natural()), List.of());
        Plan plan = Take.of("compare", new Variety(3, 7), "A", WIDE).plan(c);
        Instant t = plan.when().windows().get(0).from();
        Program program = plan.program().apply(t);
        assertThat(plan.hands()).isTrue();
        for (int i = 1; i < program.steps().size(); i++) {
            Program.Step before = program.steps().get(i - 1);
            Program.Step step = program.steps().get(i);
            double gap = Duration.between(before.begins(), step.begins()).toMillis() / 1000.0;
            assertThat(gap).isCloseTo(before.settings().seconds() + 10, within(0.01));
            assertThat(step.settings().iso()).isBetween(100.0, 51_200.0);
        }
        assertThat(plan.lasts()).isGreaterThanOrEqualTo(program.total());
    }
}
