package dev.halfdusk.core.camera;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.camera.Rehearsal.Happening;
import dev.halfdusk.core.camera.Rehearsal.Kind;
import dev.halfdusk.core.camera.Rehearsal.Part;
import dev.halfdusk.core.camera.Rehearsal.Standing;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.BufferFill;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RehearsalTest {

    private static final Instant DAY = Instant.parse("2027-08-02T08:45:00Z");
    private static final Instant ON = DAY.minusSeconds(60);

    private static Rig rig(boolean electronic, int buffer, double speed) {
        CameraBody body = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 25_600)
                .withFiles(new CameraBody.Files(40, 10, buffer, speed));
        return Rig.of(
                body,
                new Lens(
                        400, 400, 5.6, 5.6, 22, Projection.RECTILINEAR, 0.9, electronic, 1000, OptionalDouble.empty()));
    }

    /** A frame each ten seconds. */
    private static Program program(int frames, FileFormat format) {
        return Program.of("test", new Program.Step(DAY, new Settings(0.5, 8, 200), frames, 9.5, format, "corona"));
    }

    private static Part part(Rig rig, Program program) {
        return new Part(
                "a",
                rig,
                Optional.of(program),
                0,
                8,
                Optional.of(new Gear.Battery(1000, 200)),
                Optional.of(new Gear.Card(64, 100)),
                31);
    }

    private static Standing run(Rig rig, Program program, Instant now, Happening... happenings) {
        return new Rehearsal(List.of(part(rig, program)), ON, List.of(happenings))
                .at(now)
                .get(0);
    }

    private static Happening at(int seconds, Kind kind) {
        return new Happening(DAY.plusSeconds(seconds), 0, kind);
    }

    @Test
    void all_goes_well_when_nothing_happens() {
        Standing s = run(rig(true, 30, 150), program(20, FileFormat.RAW), DAY.plusSeconds(600));
        assertThat(s.log()).hasSize(20).allMatch(r -> r.fate() == Run.Fate.TAKEN);
        assertThat(s.log()).allMatch(r -> r.opened().equals(r.shot().opens()));
        assertThat(s.writtenMb()).isCloseTo(800, within(1e-6));
        assertThat(s.cardLeftGb().orElseThrow()).isCloseTo(63.2, within(1e-6));
        assertThat(s.charge()).isBetween(0.9, 0.95); // eleven of 200 minutes
        assertThat(s.held()).isEqualTo(Duration.ofSeconds(660));
        assertThat(s.linked()).isTrue();
        assertThat(s.lost()).isZero();
        assertThat(s.taken()).isEqualTo(20);
    }

    @Test
    void only_what_has_happened_is_told() {
        Rig rig = rig(true, 30, 150);
        assertThat(run(rig, program(20, FileFormat.RAW), DAY.minusMillis(1)).log())
                .isEmpty();
        assertThat(run(rig, program(20, FileFormat.RAW), DAY).log()).hasSize(1);
        assertThat(run(rig, program(20, FileFormat.RAW), DAY.plusMillis(95_000)).log())
                .hasSize(10);
        assertThat(run(rig, program(20, FileFormat.RAW), ON.minusSeconds(900)).log())
                .isEmpty();
    }

    /** From 25 s on something is wrong until 65 s: shots 4 to 7 are lost and say why. */
    @ParameterizedTest
    @CsvSource({
        "FLAT_BATTERY, the battery is flat",
        "FULL_CARD, the card is full",
        "WRONG_MODE, the mode dial stands at automatic",
        "UNPLUGGED, the link is lost",
        "TAKEN_OVER, another controller holds it",
        "COPYING, the body is busy"
    })
    void what_breaks_loses_shots_until_it_is_mended(Kind broken, String because) {
        Kind mended = switch (broken) {
            case FLAT_BATTERY -> Kind.FRESH_BATTERY;
            case FULL_CARD -> Kind.EMPTY_CARD;
            case WRONG_MODE -> Kind.MANUAL;
            case UNPLUGGED -> Kind.PLUGGED;
            default -> Kind.GIVEN_BACK;
        };
        Standing s = run(
                rig(true, 30, 150), program(20, FileFormat.RAW), DAY.plusSeconds(600), at(25, broken), at(65, mended));
        List<Integer> lost = s.log().stream()
                .filter(r -> r.fate() == Run.Fate.LOST)
                .map(r -> r.shot().number())
                .toList();
        // a fresh battery takes a minute to put in; copying ends by itself after three quarters of one
        List<Integer> expected =
                broken == Kind.FLAT_BATTERY ? List.of(4, 5, 6, 7, 8, 9, 10, 11, 12, 13) : List.of(4, 5, 6, 7);
        assertThat(lost).isEqualTo(expected);
        assertThat(s.log().get(3).because()).isEqualTo(because);
        assertThat(s.taken()).isEqualTo(20 - expected.size());
    }

    /** On a lens without electronics the script stops for good; on another it sets the aperture back. */
    @Test
    void a_turned_ring_stops_a_manual_lens() {
        Standing manual =
                run(rig(false, 30, 150), program(10, FileFormat.RAW), DAY.plusSeconds(600), at(25, Kind.RING_TURNED));
        assertThat(manual.lost()).isEqualTo(7);
        assertThat(manual.log().get(3).because()).contains("without a word");
        assertThat(manual.log().get(9).because()).isEqualTo("the script has stopped");
        Standing electronic =
                run(rig(true, 30, 150), program(10, FileFormat.RAW), DAY.plusSeconds(600), at(25, Kind.RING_TURNED));
        assertThat(electronic.lost()).isZero();
    }

    /** A ring is turned a stop narrower, or wider where it ends, here at 22: a script for the turned aperture goes on, any other stops. */
    @ParameterizedTest
    @CsvSource({"8, 1", "15.7, 1", "15.8, -1", "22, -1"})
    void a_ring_is_turned_by_a_stop(double from, int narrower) {
        double turned = narrower > 0 ? from * 1.4 : from / 1.4;
        assertThat(lostAfterTurning(from, turned)).isZero();
        assertThat(lostAfterTurning(from, from)).isEqualTo(10);
    }

    private static int lostAfterTurning(double from, double wanted) {
        Part manual = new Part(
                "a",
                rig(false, 30, 150),
                Optional.of(Program.of(
                        "test",
                        new Program.Step(DAY, new Settings(0.5, wanted, 200), 10, 9.5, FileFormat.RAW, "corona"))),
                0,
                from,
                Optional.empty(),
                Optional.empty(),
                20);
        return new Rehearsal(List.of(manual), ON, List.of(at(-30, Kind.RING_TURNED)))
                .at(DAY.plusSeconds(600))
                .get(0)
                .lost();
    }

    /** A battery's own end, and the longest that one was in use. */
    @Test
    void a_battery_ends_by_itself_and_another_goes_on() {
        Part weak = new Part(
                "a",
                rig(true, 30, 150),
                Optional.of(program(30, FileFormat.RAW)),
                0,
                8,
                Optional.of(new Gear.Battery(1000, 3)),
                Optional.empty(),
                20);
        Standing s = new Rehearsal(List.of(weak), ON, List.of())
                .at(DAY.plusSeconds(600))
                .get(0);
        assertThat(s.taken()).isEqualTo(12); // 180 s of which 60 had gone
        assertThat(s.charge()).isZero();
        assertThat(s.cardLeftGb()).isEmpty();
        Standing changed = new Rehearsal(List.of(weak), ON, List.of(at(65, Kind.FRESH_BATTERY)))
                .at(DAY.plusSeconds(200))
                .get(0);
        assertThat(changed.lost()).isEqualTo(6);
        assertThat(changed.held()).isEqualTo(Duration.ofSeconds(125));
    }

    /** Told an instant at once or step by step, whatever happens: the same log, and one that only grows. */
    @Test
    void it_is_the_same_however_often_one_looks() {
        SplittableRandom random = new SplittableRandom(8);
        for (int n = 0; n < 60; n++) {
            List<Happening> happenings = new ArrayList<>();
            for (int k = random.nextInt(6); k > 0; k--) {
                happenings.add(at(random.nextInt(300), Kind.values()[random.nextInt(Kind.values().length)]));
            }
            Rehearsal r = new Rehearsal(
                    List.of(part(rig(random.nextBoolean(), 4, 8), program(30, FileFormat.RAW_AND_JPEG))),
                    ON,
                    happenings);
            List<Run.Result> whole = r.at(DAY.plusSeconds(900)).get(0).log();
            for (int seconds = 0; seconds < 320; seconds += 40) {
                List<Run.Result> part = r.at(DAY.plusSeconds(seconds)).get(0).log();
                assertThat(part).isEqualTo(whole.subList(0, part.size()));
            }
            assertThat(whole).hasSize(30);
        }
    }

    /** The planner's buffer and the body's: shot by shot the same, over programs of chance. */
    @Test
    void the_filling_of_the_buffer_is_that_of_the_body() {
        SplittableRandom random = new SplittableRandom(5);
        int late = 0;
        int lost = 0;
        for (int n = 0; n < 200; n++) {
            Rig rig = rig(true, random.nextInt(1, 8), random.nextDouble(5, 200));
            List<Program.Step> steps = new ArrayList<>();
            Instant t = DAY;
            for (int k = 0; k < 6; k++) {
                Program.Step step = new Program.Step(
                        t,
                        new Settings(random.nextDouble(0.001, 2), 8, 200),
                        random.nextInt(1, 12),
                        random.nextDouble(0, 0.6),
                        random.nextBoolean() ? FileFormat.RAW : FileFormat.RAW_AND_JPEG,
                        "x");
                steps.add(step);
                t = step.ends().plusMillis(random.nextInt(2000));
            }
            Program program = new Program("x", steps);
            Standing s = new Rehearsal(
                            List.of(new Part(
                                    "a", rig, Optional.of(program), 0, 8, Optional.empty(), Optional.empty(), 20)),
                            ON,
                            List.of())
                    .at(t.plusSeconds(900))
                    .get(0);
            BufferFill filling = BufferFill.of(program.shots(), rig.body(), Optional.empty());
            for (int i = 0; i < s.log().size(); i++) {
                Run.Result r = s.log().get(i);
                BufferFill.Level level = filling.levels().get(i);
                assertThat(r.fate() == Run.Fate.LOST).as("%d of %d", i, n).isEqualTo(level.lost());
                if (!level.lost()) {
                    assertThat(Instants.seconds(r.shot().opens(), r.opened()))
                            .isCloseTo(level.lateSeconds(), within(1e-6));
                }
            }
            late += s.late();
            lost += s.lost();
        }
        assertThat(late).isGreaterThan(100);
        assertThat(lost).isGreaterThan(100);
    }

    @Test
    void the_report_counts_and_corrects() {
        Program both = Program.of(
                "test",
                new Program.Step(DAY, new Settings(0.1, 8, 200), 30, 0.4, FileFormat.RAW_AND_JPEG, "corona"),
                new Program.Step(DAY.plusSeconds(300), new Settings(0.1, 8, 200), 1, 0, FileFormat.RAW, "partial"));
        Rehearsal r = new Rehearsal(
                List.of(part(rig(true, 4, 20), both), part(rig(true, 30, 150), program(10, FileFormat.RAW))),
                ON,
                List.of(
                        new Happening(DAY.plusSeconds(25), 1, Kind.UNPLUGGED),
                        new Happening(DAY.plusSeconds(45), 1, Kind.PLUGGED)));
        RehearsalReport report = RehearsalReport.of(r.at(DAY.plusSeconds(600)));
        RehearsalReport.OfCamera slow = report.cameras().get(0);
        assertThat(slow.planned()).isEqualTo(31);
        assertThat(slow.standing().late() + slow.standing().lost())
                .isEqualTo(slow.because().values().stream().mapToInt(i -> i).sum())
                .isGreaterThan(10);
        assertThat(slow.standing().fullest()).isEqualTo(4);
        assertThat(report.cameras().get(1).because()).containsEntry("the link is lost", 2);
        assertThat(report.corrections())
                .anyMatch(c -> c.part() == 0 && c.change() == RehearsalReport.Change.RAW_ALONE)
                .anyMatch(c -> c.part() == 1 && c.words().contains("Tape the cable"))
                .noneMatch(c -> c.part() == 1 && c.change() == RehearsalReport.Change.RAW_ALONE);
        assertThat(report.free().get(0).length()).isBetween(Duration.ofSeconds(195), Duration.ofSeconds(210));
    }

    @Test
    void a_rehearsal_without_faults_has_nothing_to_correct() {
        Rehearsal r = new Rehearsal(List.of(part(rig(true, 30, 150), program(20, FileFormat.RAW))), ON, List.of());
        assertThat(RehearsalReport.of(r.at(DAY.plusSeconds(600))).corrections()).isEmpty();
    }

    @Test
    void a_clock_that_is_hours_off_is_refused() {
        assertThatThrownBy(() -> new Part(
                        "a", rig(true, 30, 150), Optional.empty(), 3600, 8, Optional.empty(), Optional.empty(), 20))
                .isInstanceOf(OutOfRange.class)
                .hasMessageContaining("clock offset");
    }

    @Test
    void what_happens_to_one_camera_happens_to_it_alone() {
        Rehearsal r = new Rehearsal(
                List.of(
                        part(rig(true, 30, 150), program(20, FileFormat.RAW)),
                        part(rig(true, 30, 150), program(20, FileFormat.RAW))),
                ON,
                List.of(new Happening(DAY.plusSeconds(25), 0, Kind.UNPLUGGED)));
        List<Standing> both = r.at(DAY.plusSeconds(600));
        assertThat(both.get(0).lost()).isEqualTo(17);
        assertThat(both.get(0).linked()).isFalse();
        assertThat(both.get(1).lost()).isZero();
        assertThat(both.get(0).last().orElseThrow().because()).isEqualTo("the link is lost");
        assertThat(both.get(0).last().orElseThrow().shot().number()).isEqualTo(20);
    }

    /** Half a gigabyte holds twelve frames of 40 MB; an empty one is put in after the fifteenth. */
    @Test
    void a_card_fills_and_another_goes_on() {
        Part small = new Part(
                "a",
                rig(true, 30, 150),
                Optional.of(program(20, FileFormat.RAW)),
                0,
                8,
                Optional.empty(),
                Optional.of(new Gear.Card(0.5, 100)),
                20);
        Standing s = new Rehearsal(List.of(small), ON, List.of(at(145, Kind.EMPTY_CARD)))
                .at(DAY.plusSeconds(600))
                .get(0);
        assertThat(s.log().stream()
                        .filter(r -> r.fate() == Run.Fate.LOST)
                        .map(r -> r.shot().number()))
                .containsExactly(13, 14, 15);
        assertThat(s.writtenMb()).isCloseTo(5 * 40, within(1e-6));
        assertThat(s.cardLeftGb().orElseThrow()).isCloseTo(0.3, within(1e-6));
    }

    /** After the last shot too: the dial, and a battery that is gone is not held any more. */
    @Test
    void what_happens_after_the_last_shot_is_seen() {
        Standing s = run(
                rig(true, 30, 150),
                program(5, FileFormat.RAW),
                DAY.plusSeconds(600),
                at(100, Kind.WRONG_MODE),
                at(200, Kind.FLAT_BATTERY));
        assertThat(s.mode()).isEqualTo(Camera.Mode.AUTOMATIC);
        assertThat(s.held()).isEqualTo(Duration.ofSeconds(260));
        assertThat(run(rig(true, 30, 150), program(5, FileFormat.RAW), DAY.plusSeconds(90), at(100, Kind.WRONG_MODE))
                        .mode())
                .isEqualTo(Camera.Mode.MANUAL);
    }

    @ParameterizedTest
    @CsvSource({
        "FLAT_BATTERY, BY_HAND, Change its battery before totality",
        "FULL_CARD, BY_HAND, Put in an empty card",
        "WRONG_MODE, BY_HAND, Tape the mode dial",
        "UNPLUGGED, BY_HAND, Tape the cable",
        "TAKEN_OVER, BY_HAND, One controller at a time",
        "COPYING, LEAVE_OUT, copy no files near them",
        "RING_TURNED, BY_HAND, Tape the aperture ring"
    })
    void each_fault_has_its_remedy_and_no_other(Kind broken, RehearsalReport.Change change, String words) {
        Rehearsal r = new Rehearsal(
                List.of(part(rig(false, 30, 150), program(20, FileFormat.RAW))), ON, List.of(at(25, broken)));
        assertThat(RehearsalReport.of(r.at(DAY.plusSeconds(600))).corrections())
                .singleElement()
                .satisfies(c -> {
                    assertThat(c.change()).isEqualTo(change);
                    assertThat(c.words()).contains(words);
                });
        assertThat(broken.key())
                .isEqualTo(broken.name().toLowerCase(Locale.ROOT).replace('_', '-'));
        assertThat(broken.words()).isNotBlank();
    }

    /** A card with less than a seventh left: raw alone where JPEGs were written, a larger one where not. */
    @ParameterizedTest
    @CsvSource({"RAW_AND_JPEG, RAW_ALONE", "RAW, BY_HAND"})
    void a_card_that_is_nearly_full_is_said(FileFormat format, RehearsalReport.Change change) {
        double gigabytes = format == FileFormat.RAW ? 0.9 : 1.1;
        Part small = new Part(
                "a",
                rig(true, 30, 150),
                Optional.of(program(20, format)),
                0,
                8,
                Optional.empty(),
                Optional.of(new Gear.Card(gigabytes, 100)),
                20);
        Rehearsal r = new Rehearsal(List.of(small), ON, List.of());
        assertThat(r.at(DAY.plusSeconds(600)).get(0).lost()).isZero();
        assertThat(RehearsalReport.of(r.at(DAY.plusSeconds(600))).corrections())
                .singleElement()
                .satisfies(c -> assertThat(c.change()).isEqualTo(change));
    }

    /** Forty-five frames of 40 MB leave a tenth of 2 GB, a seventh of 2.1, and enough of 2.2. */
    @ParameterizedTest
    @CsvSource({"2, true", "2.1, true", "2.2, false"})
    void what_is_left_of_a_card_is_a_share_of_it(double gigabytes, boolean said) {
        Part part = new Part(
                "a",
                rig(true, 30, 150),
                Optional.of(program(45, FileFormat.RAW)),
                0,
                8,
                Optional.empty(),
                Optional.of(new Gear.Card(gigabytes, 100)),
                20);
        RehearsalReport report =
                RehearsalReport.of(new Rehearsal(List.of(part), ON, List.of()).at(DAY.plusSeconds(900)));
        assertThat(report.corrections().stream().anyMatch(c -> c.words().contains("larger card")))
                .isEqualTo(said);
    }

    /** A body too slow for raw files alone can only be asked for fewer. */
    @Test
    void late_raw_frames_are_left_out() {
        Program fast =
                Program.of("test", new Program.Step(DAY, new Settings(0.1, 8, 200), 30, 0.4, FileFormat.RAW, "corona"));
        Rehearsal r = new Rehearsal(List.of(part(rig(true, 4, 20), fast)), ON, List.of());
        Standing s = r.at(DAY.plusSeconds(600)).get(0);
        assertThat(s.late() + s.lost()).isPositive();
        assertThat(RehearsalReport.of(List.of(s)).corrections())
                .extracting(RehearsalReport.Correction::change)
                .containsExactly(RehearsalReport.Change.LEAVE_OUT);
    }
}
