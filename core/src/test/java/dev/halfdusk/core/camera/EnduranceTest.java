package dev.halfdusk.core.camera;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.camera.Endurance.Kit;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Conflict;
import dev.halfdusk.core.sequence.Conflict.WayOut;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.sequence.Program;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is said to hold does hold on the simulated body, dark frames too; and each way out is one. */
class EnduranceTest {

    private static final Instant BEGINS = Instant.parse("2027-06-08T22:00:00Z");
    private static final Rig RIG = CameraTest.rig(40, 20, 100);
    private static final Gear.Card LARGE = new Gear.Card(512, 200);

    private static Kit kit(Gear.Battery battery, int count, double celsius, Gear.Card card) {
        Camera.Dials dials =
                new Camera.Dials(Camera.Mode.BULB, new Settings(30, 1.8, 1600), FileFormat.RAW, false, 0, 1);
        return new Kit(RIG, dials, Optional.of(battery), count, celsius, card);
    }

    private static Program program(Sequence s, int darks) {
        return Program.of(
                        "trails",
                        new Program.Step(
                                BEGINS,
                                new Settings(s.exposureSeconds(), 1.8, 1600),
                                s.frames(),
                                s.pauseSeconds(),
                                FileFormat.RAW,
                                "trails"))
                .withDarks(darks);
    }

    private static List<Conflict> conflicts(Kit kit, Sequence s, int darks) {
        Program whole = program(s, darks);
        return Endurance.conflicts(Endurance.of(whole, kit), kit, s, n -> n == s.frames() ? whole : whole.lit(n));
    }

    /** A tenth is kept when it is mild, a quarter at \u221215 \u00b0C, half-way between 17.5 %: 90 of 100 frames are enough, 91 are not. */
    @ParameterizedTest
    @CsvSource({"20, 90, false", "20, 91, true", "20, 100, true"})
    void a_reserve_is_kept(double celsius, int frames, boolean said) {
        Kit kit = kit(new Gear.Battery(100, 5000), 1, celsius, LARGE);
        Sequence s = new Sequence(frames, 30, 1);
        Optional<Conflict> reserve = Endurance.reserve(Endurance.of(program(s, 0), kit), kit, s, BEGINS);
        assertThat(reserve.isPresent()).isEqualTo(said);
        reserve.ifPresent(c -> {
            assertThat(c.kind()).isEqualTo(Conflict.Kind.RESERVE);
            assertThat(c.ways().get(0).batteries()).hasValue(2);
        });
        assertThat(Power.reserve(20)).isEqualTo(0.1);
        assertThat(Power.reserve(-2.5)).isCloseTo(0.175, within(1e-9));
        assertThat(Power.reserve(-40)).isEqualTo(0.25);
    }

    /** 100 frames × 0.8 at 0 °C, and 60 s for a change, in which two frames of 31 s are missed: 160 are taken of 162 that are asked. */
    @Test
    void scarce_batteries_are_changed_at_the_end_of_a_charge() {
        Kit two = kit(new Gear.Battery(100, 500), 2, 0, LARGE);
        Endurance e = Endurance.of(program(new Sequence(240, 30, 1), 0), two);
        assertThat(e.swaps()).containsExactly(80);
        assertThat(e.holds()).isFalse();
        assertThat(e.run().taken()).isEqualTo(160);
        Conflict c = conflicts(two, new Sequence(240, 30, 1), 0).get(0);
        assertThat(c.kind()).isEqualTo(Conflict.Kind.BATTERY);
        assertThat(c.words()).contains("2 batteries last for 160 of 240 frames: it takes 3");
        assertThat(c.ways()).extracting(WayOut::words).containsExactly("take three batteries", "stop at 162 frames");
        assertThat(c.ways().get(0).batteries()).hasValue(3);
    }

    @Test
    void with_enough_of_them_they_are_changed_early() {
        Kit two = kit(new Gear.Battery(100, 500), 2, 20, LARGE);
        Endurance e = Endurance.of(program(new Sequence(120, 30, 1), 0), two);
        assertThat(e.swaps()).containsExactly(20);
        assertThat(e.holds()).isTrue();
        assertThat(e.run().lost()).as("missed in the change").isEqualTo(2);
    }

    /** 80 frames at 0 °C: the light would fit, the dark frames after it do not, and count. */
    @Test
    void dark_frames_need_power_and_card_too() {
        Kit one = kit(new Gear.Battery(100, 500), 1, 0, LARGE);
        assertThat(conflicts(one, new Sequence(78, 30, 1), 0)).isEmpty();
        Conflict c = conflicts(one, new Sequence(78, 30, 1), 5).get(0);
        assertThat(c.words()).contains("for 80 of 83 frames (5 of them dark): it takes 2");
        assertThat(c.ways().get(1).sequence().frames()).isEqualTo(75);
        double each = RIG.body().files().rawMb();
        Gear.Card small = new Gear.Card(80 * each / 1000, 200);
        Kit full = kit(new Gear.Battery(1000, 900), 1, 20, small);
        assertThat(conflicts(full, new Sequence(78, 30, 1), 0)).isEmpty();
        assertThat(conflicts(full, new Sequence(78, 30, 1), 5))
                .extracting(Conflict::kind)
                .containsExactly(Conflict.Kind.CARD);
    }

    /** A supply for 50 minutes: 96 frames of 31 s, and nobody says to take three of it. */
    @Test
    void a_supply_cannot_be_changed() {
        Kit tank = kit(new Gear.Battery(20_000, 50, true), 1, 20, LARGE);
        Conflict c = conflicts(tank, new Sequence(240, 30, 1), 0).get(0);
        assertThat(c.words()).contains("the supply lasts for 96 of 240 frames: it takes a larger one, or less on it");
        assertThat(c.ways()).extracting(WayOut::words).containsExactly("stop at 96 frames");
    }

    @Test
    void one_that_does_not_last_for_a_frame() {
        Kit weak = kit(new Gear.Battery(1000, 10), 3, -20, LARGE);
        Conflict c = conflicts(weak, new Sequence(5, 3600, 1), 0).get(0);
        assertThat(c.words()).contains("not last for a single frame");
        assertThat(c.ways()).isEmpty();
    }

    /** Five hundred plans of chance: where nothing is said nothing is lost, and whoever takes a way out loses nothing. */
    @Test
    void what_holds_holds() {
        SplittableRandom random = new SplittableRandom(14);
        int held = 0;
        int ended = 0;
        for (int i = 0; i < 500; i++) {
            Gear.Battery battery = new Gear.Battery(random.nextInt(30, 400), random.nextInt(20, 300));
            Kit kit = kit(
                    battery,
                    random.nextInt(1, 5),
                    random.nextDouble(-20, 30),
                    new Gear.Card(random.nextDouble(2, 40), 200));
            Sequence s = new Sequence(random.nextInt(1, 400), random.nextDouble(2, 240), random.nextInt(1, 6));
            int darks = random.nextInt(0, 8);
            List<Conflict> found = conflicts(kit, s, darks);
            Run run = Endurance.of(program(s, darks), kit).run();
            long lost = run.shots().stream()
                    .filter(r -> r.fate() == Run.Fate.LOST && !r.because().contains("being changed"))
                    .count();
            assertThat(found.isEmpty()).as("%s, %s, %s darks", kit, s, darks).isEqualTo(lost == 0);
            held += found.isEmpty() ? 1 : 0;
            for (Conflict c : found) {
                ended++;
                for (WayOut way : c.ways()) {
                    Kit other = new Kit(
                            kit.rig(),
                            kit.dials(),
                            kit.battery(),
                            way.batteries().orElse(kit.batteries()),
                            kit.celsius(),
                            kit.card());
                    assertThat(conflicts(other, way.sequence(), darks))
                            .as(way.words())
                            .noneMatch(left -> left.kind() == c.kind());
                }
            }
        }
        assertThat(held).isGreaterThan(50);
        assertThat(ended).isGreaterThan(100);
    }
}
