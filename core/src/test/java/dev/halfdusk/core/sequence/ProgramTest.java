package dev.halfdusk.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Stacking;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

class ProgramTest {

    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Instant BEGINS = Instant.parse("2027-10-31T00:59:00Z");
    private static final Settings SET = new Settings(30, 1.8, 1600);

    private static Program.Step step(Instant begins, int frames, FileFormat format) {
        return new Program.Step(begins, SET, frames, 1, format, "star trails");
    }

    @Test
    void shots_are_counted_through_and_open_in_time() {
        Program program =
                Program.of("two", step(BEGINS, 3, FileFormat.RAW), step(BEGINS.plusSeconds(100), 2, FileFormat.JPEG));
        assertThat(program.frames()).isEqualTo(5);
        assertThat(program.shots()).extracting(Program.Shot::number).containsExactly(1, 2, 3, 4, 5);
        assertThat(program.shots().get(2).opens()).isEqualTo(BEGINS.plusSeconds(62));
        assertThat(program.shots().get(4).opens()).isEqualTo(BEGINS.plusSeconds(131));
        assertThat(program.total()).isEqualTo(Duration.ofSeconds(161));
        assertThat(program.megabytes(new CameraBody.Files(40, 10, 5, 100))).isEqualTo(140);
    }

    /** In the night in which clocks go back the clock shows three minutes, and the total stays an hour more. */
    @Test
    void the_text_has_the_clock_of_the_place() {
        Program program = Program.of("Trails", step(BEGINS, 121, FileFormat.RAW));
        assertThat(program.text(ZoneId.of("Europe/Lisbon"), RIG))
                .isEqualTo(
                        "Trails\n01:59:00  121 \u00d7 30 s, pause 1 s, f/1.8, ISO 1600, raw: star trails\n02:01:30  end\n");
        assertThat(program.total()).isEqualTo(Duration.ofSeconds(3750));
    }

    /** A script that sends an aperture to such a lens stops: it is said once, and shutters are as people set them. */
    @Test
    void a_lens_that_is_set_by_hand_is_sent_no_aperture() {
        Lens ring = new Lens(14, 14, 2.8, 2.8, 22, Projection.RECTILINEAR, 0.9, false, 500, OptionalDouble.empty());
        Program fast = Program.of(
                "Fast",
                new Program.Step(BEGINS, new Settings(1 / 1290.159, 8, 100), 2, 1, FileFormat.RAW, "rings"),
                new Program.Step(BEGINS.plusSeconds(5), new Settings(0.000775, 8, 100), 1, 1, FileFormat.RAW, "one"));
        assertThat(fast.text(ZoneId.of("UTC"), Rig.of(RIG.body(), ring)).lines())
                .contains("set the lens to f/8 by hand")
                .anyMatch(l -> l.endsWith("2 \u00d7 1/1250 s, pause 1 s, ISO 100, raw: rings"))
                .anyMatch(l -> l.contains("1 \u00d7 1/1290 s"));
        assertThat(fast.text(ZoneId.of("UTC"), RIG)).contains("f/8").doesNotContain("by hand");
    }

    @Test
    void steps_may_not_overlap_and_there_must_be_one() {
        assertThatThrownBy(() -> Program.of(
                        "x", step(BEGINS, 3, FileFormat.RAW), step(BEGINS.plusSeconds(91), 2, FileFormat.RAW)))
                .hasMessageContaining("before the one before it ends");
        assertThatThrownBy(() -> new Program("x", List.of())).hasMessageContaining("at least one step");
    }

    @Test
    void a_stack_ends_with_dark_frames_at_its_own_exposure() {
        Program stack = Programs.stack(new Stacking(12, 8), SET, BEGINS, FileFormat.RAW, 5);
        assertThat(stack.frames()).isEqualTo(17);
        assertThat(stack.steps().get(1).settings().seconds()).isEqualTo(8);
        assertThat(stack.steps().get(1).begins()).isEqualTo(BEGINS.plusSeconds(12 * 8 + 11 + 60));
        assertThat(Programs.stack(new Stacking(12, 8), SET, BEGINS, FileFormat.RAW, 0)
                        .steps())
                .hasSize(1);
    }

    /** Eight frames of light and four dark ones: cut to six and to five, the dark ones follow what is left, once the cap is on. */
    @Test
    void what_is_cut_keeps_its_dark_frames() {
        Program whole = Program.of("first", step(BEGINS, 5, FileFormat.RAW))
                .then(Program.of("then", step(BEGINS.plusSeconds(200), 3, FileFormat.JPEG)))
                .withDarks(4);
        assertThat(whole.what()).isEqualTo("first");
        assertThat(whole.frames()).isEqualTo(12);
        assertThat(whole.darks()).isEqualTo(4);
        assertThat(whole.light().from()).isEqualTo(BEGINS);
        assertThat(whole.light().to()).isEqualTo(BEGINS.plusSeconds(200 + 3 * 31 - 1));

        Program six = whole.lit(6);
        assertThat(six.steps()).extracting(Program.Step::frames).containsExactly(5, 1, 4);
        assertThat(six.steps()).extracting(Program.Step::dark).containsExactly(false, false, true);
        assertThat(six.light().to()).isEqualTo(BEGINS.plusSeconds(230));
        assertThat(six.steps().get(2).begins()).isEqualTo(BEGINS.plusSeconds(230 + 60));
        assertThat(six.steps().get(2).format()).isEqualTo(FileFormat.JPEG);

        Program five = whole.lit(5);
        assertThat(five.steps()).extracting(Program.Step::frames).containsExactly(5, 4);
        assertThat(five.steps().get(1).begins()).isEqualTo(BEGINS.plusSeconds(5 * 31 - 1 + 60));
        assertThat(whole.lit(8)).isEqualTo(whole);
        assertThat(whole.lit(99)).isEqualTo(whole);
    }

    @Test
    void a_step_is_said_as_dialled_and_as_it_is_open() {
        Program.Step third = new Program.Step(BEGINS, new Settings(1 / 3.0, 1.8, 1600), 116, 1, FileFormat.RAW, "x");
        CameraBody body = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
        assertThat(third.words()).isEqualTo("116 \u00d7 0.33 s, f/1.8, ISO 1600");
        assertThat(third.words(body)).isEqualTo("116 \u00d7 " + body.label(1 / 3.0) + " s, f/1.8, ISO 1600");
    }

    @Test
    void a_panorama_goes_frame_by_frame() {
        Optics optics = new Optics(Sensor.of(36, 24, 6000), 20, Projection.RECTILINEAR);
        Panorama panorama = Panorama.of(Panorama.between(90, 270, 45, 0.3, 15), optics);
        Program program = Programs.panorama(panorama, SET.withSeconds(8), 5, BEGINS, FileFormat.RAW);
        assertThat(program.frames()).isEqualTo(panorama.frames().size());
        assertThat(program.total().toSeconds()).isEqualTo(Math.round(panorama.seconds(8, 5)));
    }

    /** 1 s by whole stops: 1, ½, 2, ¼, 4 s, with two seconds between them. */
    @Test
    void a_bracket_goes_to_both_sides() {
        Program bracket = Programs.bracket(SET.withSeconds(1), 5, 1, 2, BEGINS, FileFormat.RAW);
        assertThat(bracket.shots()).extracting(s -> s.settings().seconds()).containsExactly(1.0, 0.5, 2.0, 0.25, 4.0);
        assertThat(bracket.total().toMillis() / 1000.0).isCloseTo(7.75 + 8, within(1e-9));
        assertThat(Programs.bracket(SET.withSeconds(1), 5, 2, 2, BEGINS, FileFormat.RAW)
                        .shots())
                .extracting(s -> s.settings().seconds())
                .containsExactly(1.0, 0.25, 4.0, 0.0625, 16.0);
        assertThatThrownBy(() -> Programs.bracket(SET, 4, 1, 2, BEGINS, FileFormat.RAW))
                .hasMessageContaining("odd");
        assertThatThrownBy(() -> Programs.bracket(SET, 1, 1, 2, BEGINS, FileFormat.RAW))
                .hasMessageContaining("3 to 9");
    }

    @Test
    void a_filter_that_comes_off_or_goes_on_makes_it_filtered() {
        Program.Step open = step(BEGINS, 3, FileFormat.RAW);
        Program.Step filter = new Program.Step(
                BEGINS.plusSeconds(200), SET, 1, 1, FileFormat.RAW, "through the filter", Front.FILTER);
        assertThat(Program.of("open", open).filtered()).isFalse();
        assertThat(Program.of("both", open, filter).filtered()).isTrue();
    }

    @Test
    void a_step_may_begin_at_another_time() {
        Program.Step step = step(BEGINS, 3, FileFormat.JPEG);
        assertThat(step.at(BEGINS.plusSeconds(60)))
                .isEqualTo(new Program.Step(BEGINS.plusSeconds(60), SET, 3, 1, FileFormat.JPEG, "star trails"));
    }
}
