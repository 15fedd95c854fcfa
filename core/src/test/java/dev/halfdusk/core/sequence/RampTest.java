package dev.halfdusk.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class RampTest {

    private static final Instant SUNSET = Instant.parse("2027-06-08T19:55:00Z");
    private static final Setup SETUP = new Setup(
            Rig.of(
                    CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
                    new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR)),
            20,
            2.8,
            Pointing.level(new Direction(250, 20)),
            Standpoint.open(new Site(37.6, -8.8, 10), SkyGlow.ofZenith(21.6)),
            SUNSET,
            Demand.USUAL);

    private static Ramp dusk(double interval, double longest, int iso) {
        return Ramp.of(SETUP, new Interval(SUNSET, SUNSET.plusSeconds(8400)), interval, longest, iso);
    }

    @Test
    void neighbours_differ_by_a_step_of_the_dial_and_the_sky_stays_where_it_should() {
        List<Ramp.Line> lines = dusk(20, 18, 3200).lines();
        assertThat(lines.size()).isGreaterThan(30);
        for (int i = 1; i < lines.size(); i++) {
            assertThat(lines.get(i).stops()).as("%s", lines.get(i)).isCloseTo(1 / 3.0, within(0.03));
            assertThat(lines.get(i).from()).isAfter(lines.get(i - 1).from());
            if (i < lines.size() - 2) {
                // a third of a stop to either side of 0.3 on the sRGB axis: light × 1.122 is 0.316
                assertThat(lines.get(i).peak()).isBetween(0.28, 0.325);
            }
        }
    }

    @Test
    void the_shutter_grows_first_and_then_iso() {
        List<Ramp.Line> lines = dusk(20, 18, 3200).lines();
        for (Ramp.Line line : lines) {
            assertThat(line.settings().seconds()).isLessThanOrEqualTo(18);
            assertThat(line.settings().iso()).isLessThanOrEqualTo(3200);
            if (line.settings().iso() > 100) {
                assertThat(line.label()).isEqualTo("15");
            }
        }
        assertThat(lines.get(0).settings().iso()).isEqualTo(100);
        assertThat(lines.get(lines.size() - 1).settings().iso()).isEqualTo(3200);
    }

    @Test
    void dawn_goes_the_other_way() {
        Instant dawn = Instant.parse("2027-06-09T03:30:00Z");
        List<Ramp.Line> lines = Ramp.of(SETUP, new Interval(dawn, dawn.plusSeconds(6000)), 20, 18, 3200)
                .lines();
        assertThat(lines.size()).isGreaterThan(20);
        assertThat(lines.stream().skip(1)).allMatch(l -> l.stops() < 0);
    }

    /** 8400 s every 20 s: 420 openings, at an even pace over all changes. */
    @Test
    void its_program_keeps_the_interval() {
        Program program = dusk(20, 18, 3200).program(FileFormat.RAW);
        List<Program.Shot> shots = program.shots();
        assertThat(shots).hasSize(420);
        for (int i = 1; i < shots.size(); i++) {
            assertThat(shots.get(i).opens()).isEqualTo(SUNSET.plusSeconds(20L * i));
        }
    }

    @Test
    void an_interval_without_room_is_refused() {
        assertThatThrownBy(() -> dusk(1, 1e-5, 3200)).hasMessageContaining("no time for a shutter");
    }
}
