package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/** Blind drill, and one change to a frame. */
class DrillsTest {

    private static final Outfit O = Outfit.of(Outfit.SensorSize.FULL, 20, 20, 1.8);

    @Test
    void a_drill_is_six_changes_that_dials_have_the_same_for_the_same_seed() {
        for (long seed = 0; seed < 300; seed++) {
            BlindDrill drill = BlindDrill.of(O, seed);
            assertThat(drill).isEqualTo(BlindDrill.of(O, seed));
            assertThat(drill.tasks()).hasSize(6);
            Dials now = drill.tasks().get(0).from();
            for (BlindDrill.Task t : drill.tasks()) {
                assertThat(t.from()).isEqualTo(now);
                assertThat(t.to()).isNotEqualTo(t.from());
                assertThat(t.to().autoIso()).isFalse();
                now = t.to();
            }
        }
        assertThat(LongStream.range(0, 50)
                        .mapToObj(s -> BlindDrill.of(O, s).tasks().get(0).words())
                        .distinct()
                        .count())
                .isGreaterThan(5);
    }

    @Test
    void it_is_scored_in_stops_and_seconds() {
        Dials from = Dials.of(O).with(Map.of("shutter", "20", "iso", "3200", "aperture", "2.8"));
        BlindDrill.Task task = new BlindDrill.Task(from, from.with(Map.of("shutter", "13", "iso", "6400")));
        assertThat(task.words()).isEqualTo("shutter 20 \u2192 13, ISO 3200 \u2192 6400");
        BlindDrill.Score right = BlindDrill.score(task, task.to(), 4.25);
        assertThat(right.right()).isTrue();
        assertThat(right.seconds()).isEqualTo(4.25);
        // a click too short and two stops too much, and an aperture that was knocked by a stop
        Dials wrong = from.with(Map.of("shutter", "10", "iso", "25600", "aperture", "4"));
        assertThat(BlindDrill.score(task, wrong, 1).stopsOff()).isCloseTo(1 / 3.0 + 2 + 1, within(0.04));
        assertThat(BlindDrill.score(task, wrong, 1).right()).isFalse();
        assertThat(BlindDrill.score(task, task.to().with(Map.of("timer", "2 s")), 1)
                        .stopsOff())
                .as("a switch that stands wrong")
                .isEqualTo(1);
        assertThat(BlindDrill.score(task, task.to().with(Map.of("iso", "auto")), 1)
                        .right())
                .isFalse();
        assertThat(BlindDrill.score(task, task.to(), 900).seconds()).isEqualTo(BlindDrill.LONGEST_S);
        assertThat(BlindDrill.score(task, task.to(), -3).seconds()).isZero();
    }

    /** Whatever frame comes, one of the changes mends it, and turning the dial the other way does not. */
    @Test
    void of_the_changes_to_a_frame_one_mends_it() {
        for (long n = 1; n <= 12; n++) {
            OneChange change = OneChange.of(Courses.ALL, n);
            assertThat(change).isEqualTo(OneChange.of(Courses.ALL, n));
            assertThat(change.options())
                    .as("%s", change.mistake())
                    .hasSizeBetween(3, 5)
                    .doesNotHaveDuplicates();
            List<OneChange.Answer> answers = change.options().stream()
                    .map(o -> change.answer(Courses.ALL, o))
                    .toList();
            assertThat(answers.stream().filter(OneChange.Answer::right).count())
                    .as("%s of %s: %s", change.mistake().name(), change.lesson().key(), answers)
                    .isBetween(1L, (long) answers.size() - 1);
        }
    }
}
