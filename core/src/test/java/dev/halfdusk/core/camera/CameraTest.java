package dev.halfdusk.core.camera;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.BodyTiming;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class CameraTest {

    private static final Instant NIGHT = Instant.parse("2027-06-08T22:00:00Z");
    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final Lens LENS = new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR);

    static Rig rig(double mb, int buffer, double speed) {
        return Rig.of(BODY.withFiles(new CameraBody.Files(mb, mb / 4, buffer, speed)), LENS);
    }

    private static Camera.Dials dials(double seconds) {
        return new Camera.Dials(Camera.Mode.BULB, new Settings(seconds, 2.8, 1600), FileFormat.RAW, false, 0, 1);
    }

    private static Camera camera(Rig rig, double seconds) {
        return new Camera(rig, dials(seconds), NIGHT, Duration.ZERO);
    }

    private static Program program(double seconds, int frames, double pause) {
        return Program.of(
                "trails",
                new Program.Step(NIGHT, new Settings(seconds, 2.8, 1600), frames, pause, FileFormat.RAW, "trails"));
    }

    /** What the planner reckons by the recursion of a queue the body does by its events: to the frame, over 500 programs. */
    @Test
    void planner_and_body_agree_to_the_frame() {
        SplittableRandom random = new SplittableRandom(2027);
        int trouble = 0;
        for (int i = 0; i < 500; i++) {
            double exposure = random.nextInt(4) == 0 ? 0.2 + random.nextDouble() : 1 + random.nextInt(60);
            Rig rig = rig(10 + random.nextInt(90), 1 + random.nextInt(20), 1 + random.nextInt(80));
            Camera.Dials set = new Camera.Dials(
                    Camera.Mode.BULB,
                    new Settings(exposure, 2.8, 1600),
                    random.nextBoolean() ? FileFormat.RAW : FileFormat.RAW_AND_JPEG,
                    random.nextInt(6) == 0,
                    random.nextInt(3) / 2.0,
                    1);
            int frames = 1 + random.nextInt(400);
            double step = exposure * (0.4 + random.nextDouble()) + random.nextInt(4);
            BodyTiming planned = new BodyTiming(
                    exposure,
                    set.noiseReduction(),
                    set.delaySeconds(),
                    set.format().megabytes(rig.body().files()),
                    rig.body().files().bufferFrames(),
                    rig.body().files().writeMbPerSecond());
            BodyTiming.Outcome outcome = planned.outcome(frames, step);
            Run run = Run.pressing(new Camera(rig, set, NIGHT, Duration.ZERO), NIGHT, frames, step);
            assertThat(run.taken()).as("taken, %s × %s", frames, planned).isEqualTo(outcome.taken());
            assertThat(run.late()).as("late, %s × %s", frames, planned).isEqualTo(outcome.late());
            assertThat(run.lost()).isEqualTo(outcome.lost());
            assertThat(run.seconds()).isCloseTo(outcome.seconds(), within(1e-6));
            assertThat(run.writtenMb()).isCloseTo(planned.fileMb() * outcome.taken(), within(1e-6));
            trouble += outcome.lost() > 0 ? 1 : 0;
        }
        assertThat(trouble).as("the programs were hard enough").isBetween(100, 400);
    }

    @Test
    void it_opens_closes_and_writes_in_order() {
        Camera camera = camera(rig(30, 5, 10), 10);
        camera.press();
        assertThat(camera.inBuffer()).isEqualTo(1);
        List<Event> events = camera.moveTo(NIGHT.plusSeconds(60));
        assertThat(events)
                .extracting(Event::kind)
                .containsExactly(Event.Kind.OPENED, Event.Kind.CLOSED, Event.Kind.WRITTEN);
        assertThat(events.get(1).when()).isEqualTo(NIGHT.plusSeconds(10));
        assertThat(events.get(2).when()).isEqualTo(NIGHT.plusMillis(13_100)); // 0.1 s afterwards, 3 s to write
        assertThat(camera.inBuffer()).isZero();
        assertThat(camera.writtenMb()).isEqualTo(30);
        assertThat(camera.moveTo(NIGHT.plusSeconds(61))).isEmpty();
        assertThatThrownBy(() -> camera.moveTo(NIGHT)).hasMessageContaining("back in time");
    }

    @Test
    void it_is_not_set_or_pressed_while_it_exposes() {
        Camera camera = camera(rig(30, 5, 100), 10);
        camera.press();
        camera.moveTo(NIGHT.plusSeconds(5));
        assertThat(camera.set(dials(2))).isFalse();
        camera.press();
        Event refused = camera.moveTo(NIGHT.plusSeconds(9)).get(0);
        assertThat(refused.kind()).isEqualTo(Event.Kind.REFUSED);
        assertThat(refused.because()).isEqualTo("the body is busy");
        camera.moveTo(NIGHT.plusMillis(10_100));
        assertThat(camera.set(dials(2))).isTrue();
    }

    @ParameterizedTest
    @EnumSource(Camera.Fault.class)
    void each_fault_loses_frames_until_it_is_mended(Camera.Fault fault) {
        Camera camera = camera(rig(30, 5, 100), 1);
        camera.fail(fault);
        camera.press();
        Event event = camera.moveTo(NIGHT.plusSeconds(5)).get(0);
        assertThat(event.kind()).isEqualTo(Event.Kind.REFUSED);
        assertThat(event.because()).isEqualTo(fault.words());
        camera.mend(fault);
        camera.press();
        assertThat(camera.moveTo(NIGHT.plusSeconds(9)).get(0).kind()).isEqualTo(Event.Kind.OPENED);
    }

    @Test
    void its_own_shutter_ends_at_thirty_seconds_and_automatic_is_refused() {
        Camera camera = camera(rig(30, 5, 100), 60);
        camera.set(dials(60).with(Camera.Mode.MANUAL));
        camera.press();
        assertThat(camera.moveTo(NIGHT.plusSeconds(1)).get(0).because()).contains("bulb");
        camera.set(dials(32).with(Camera.Mode.MANUAL)); // a dial's 30
        camera.press();
        assertThat(camera.moveTo(NIGHT.plusSeconds(2)).get(0).kind()).isEqualTo(Event.Kind.OPENED);
        Camera other = camera(rig(30, 5, 100), 1);
        other.set(dials(1).with(Camera.Mode.AUTOMATIC));
        other.press();
        assertThat(other.moveTo(NIGHT.plusSeconds(1)).get(0).because()).contains("automatic");
    }

    /** A card of half a gigabyte holds 16 files of 30 MB: the seventeenth is refused at its opening. */
    @Test
    void a_full_card_ends_it() {
        Camera camera = camera(rig(30, 5, 100), 1).insert(new Gear.Card(0.5, 200));
        Run run = Run.of(program(1, 20, 2), camera);
        assertThat(run.taken()).isEqualTo(16);
        assertThat(run.shots().get(16).because()).isEqualTo("the card is full");
        assertThat(run.writtenMb()).isEqualTo(480);
    }

    /** At 0 °C a battery of 500 frames or 100 minutes gives eight tenths: 80 minutes, 154 frames of 30 s every 31 s. */
    @Test
    void a_battery_lasts_as_long_as_the_planner_says() {
        Gear.Battery battery = new Gear.Battery(500, 100);
        Sequence s = new Sequence(300, 30, 1);
        Run run = Run.of(program(30, 300, 1), camera(rig(30, 30, 100), 30).insert(battery, 0));
        assertThat(Power.frames(battery, 0, s)).isEqualTo(154);
        assertThat(run.taken()).isEqualTo(154);
        assertThat(run.shots().get(154).because()).isEqualTo("the battery is flat");
        Run warm = Run.of(program(30, 100, 1), camera(rig(30, 30, 100), 30).insert(battery, 20));
        assertThat(warm.lost()).isZero();
        assertThat(warm.charge()).isCloseTo(1 - 3099 / 6000.0, within(1e-6));
    }

    /** Changed after 100 of 240 frames: two openings fall into the minute it takes (at 3100, 3131 s; 3162 s is later), and the charge is that of the second. */
    @Test
    void a_battery_is_changed_on_the_way() {
        Gear.Battery battery = new Gear.Battery(150, 500);
        Camera camera = camera(rig(30, 30, 100), 30).insert(battery, 20);
        Run run = Run.of(program(30, 240, 1), camera, List.of(100));
        assertThat(run.lost()).isEqualTo(2);
        assertThat(run.shots().get(100).because()).isEqualTo("the battery is being changed");
        assertThat(run.shots().get(101).fate()).isEqualTo(Run.Fate.LOST);
        assertThat(run.shots().get(102).fate()).isEqualTo(Run.Fate.TAKEN);
        assertThat(run.charge()).isCloseTo(1 - 138 / 150.0, within(1e-9));
        Run without = Run.of(program(30, 240, 1), camera(rig(30, 30, 100), 30).insert(battery, 20));
        assertThat(without.taken()).isEqualTo(150);
        assertThat(without.charge()).isCloseTo(0, within(1e-9));
    }

    @Test
    void nothing_taken_takes_no_time() {
        Camera camera = camera(rig(30, 5, 100), 1);
        camera.fail(Camera.Fault.FULL_CARD);
        Run run = Run.pressing(camera, NIGHT, 3, 2);
        assertThat(run.taken()).isZero();
        assertThat(run.seconds()).isZero();
    }

    @Test
    void one_controller_at_a_time_and_no_aperture_for_a_manual_lens() {
        Camera camera = camera(rig(30, 5, 100), 1);
        assertThat(camera.connect("script")).isTrue();
        assertThat(camera.connect("phone")).isFalse();
        Settings other = new Settings(2, 4, 400);
        assertThat(camera.send("phone", other)).isFalse();
        assertThat(camera.send("script", other)).isTrue();
        assertThat(camera.dials().settings()).isEqualTo(other);
        camera.disconnect("script");
        assertThat(camera.connect("phone")).isTrue();
        camera.fail(Camera.Fault.LOST_LINK);
        assertThat(camera.send("phone", other)).isFalse();

        Lens manual = new Lens(20, 20, 1.8, 1.8, 16, Projection.RECTILINEAR, 0.9, false, 500, OptionalDouble.empty());
        Camera old = camera(Rig.of(BODY, manual), 1);
        old.connect("script");
        assertThat(old.send("script", new Settings(2, 4, 400))).isFalse();
        assertThat(old.dials().settings().iso()).as("nothing of it is set").isEqualTo(1600);
        assertThat(old.send("script", new Settings(2, 2.8, 400))).isTrue();
    }

    @Test
    void its_clock_is_wrong_by_its_offset_and_a_burst_takes_several() {
        Camera.Dials burst =
                new Camera.Dials(Camera.Mode.BULB, new Settings(1, 2.8, 100), FileFormat.JPEG, false, 0.5, 3);
        Camera camera = new Camera(rig(30, 5, 1000), burst, NIGHT, Duration.ofSeconds(7));
        assertThat(camera.clock()).isEqualTo(NIGHT.plusSeconds(7));
        camera.press();
        List<Taken> taken = camera.moveTo(NIGHT.plusSeconds(60)).stream()
                .filter(e -> e.kind() == Event.Kind.OPENED)
                .map(e -> e.frame().orElseThrow())
                .toList();
        assertThat(taken)
                .extracting(Taken::opened)
                .containsExactly(NIGHT.plusMillis(500), NIGHT.plusMillis(2100), NIGHT.plusMillis(3700));
        assertThat(taken.get(0).stamped()).isEqualTo(NIGHT.plusMillis(7500));
    }

    /** What it took can be seen: the shot of the aimed rig with the body's settings. */
    @Test
    void a_frame_can_be_seen() {
        Rig rig = rig(30, 5, 100);
        Standpoint from = Standpoint.open(new Site(37.6, -8.8, 10), SkyGlow.natural());
        Setup setup = new Setup(rig, 20, 2.8, Pointing.level(new Direction(0, 40)), from, NIGHT, Demand.USUAL);
        Taken taken = new Taken(NIGHT, NIGHT, new Settings(13, 4, 800), FileFormat.RAW, false);
        assertThat(taken.shot(setup, 4000).settings()).isEqualTo(new Settings(13, 4, 800));
        assertThat(taken.shot(setup, 4000).kelvin()).isEqualTo(4000);
    }
}
