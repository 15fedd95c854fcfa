package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
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

    /** One dial at a time to begin with, then more; each by six clicks at most, both ways. */
    @Test
    void each_task_turns_its_dials_by_a_few_clicks() {
        List<Set<Control>> turned = List.of(
                Set.of(Control.SHUTTER),
                Set.of(Control.ISO),
                Set.of(Control.APERTURE),
                Set.of(Control.SHUTTER, Control.ISO),
                Set.of(Control.TIMER, Control.ISO),
                Set.of(Control.SHUTTER, Control.APERTURE, Control.ISO));
        Set<Integer> clicks = new TreeSet<>();
        for (long seed = 0; seed < 300; seed++) {
            BlindDrill drill = BlindDrill.of(O, seed);
            Dials begin = drill.tasks().get(0).from();
            assertThat(List.of(begin.label(Control.SHUTTER), begin.label(Control.ISO), begin.label(Control.APERTURE)))
                    .containsExactly("20", "3200", "2.8");
            for (int i = 0; i < turned.size(); i++) {
                BlindDrill.Task t = drill.tasks().get(i);
                assertThat(t.to().differing(t.from()).keySet()).isEqualTo(turned.get(i));
                if (i < 3) {
                    Control c = turned.get(i).iterator().next();
                    clicks.add(t.to().position(c) - t.from().position(c));
                }
            }
        }
        assertThat(clicks).containsExactly(-6, -5, -4, -3, -2, -1, 1, 2, 3, 4, 5, 6);
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

    /** The dial that mends it by as much as a school has it, others by a stop, no dial twice the same way. */
    @Test
    void changes_are_a_stop_up_or_down_of_what_one_thinks_of() {
        Set<String> lessons = new HashSet<>();
        for (long n = 0; n < 400; n++) {
            OneChange change = OneChange.of(Courses.ALL, n);
            Lesson lesson = change.lesson();
            lessons.add(lesson.key());
            assertThat(lesson.frames()).isEqualTo(1);
            assertThat(lesson.hand()).isEqualTo(Lesson.Hand.PRESS);
            assertThat(lesson.mistakes()).contains(change.mistake());
            Dials wrong =
                    lesson.begin(lesson.outfit()).with(change.mistake().sets().get(0));
            List<Dials> right = lesson.schools().stream()
                    .map(s -> lesson.begin(lesson.outfit()).with(s.sets().get(0)))
                    .toList();
            Set<String> ways = new HashSet<>();
            int mends = 0;
            for (OneChange.Option o : change.options()) {
                assertThat(o.from()).isEqualTo(wrong.label(o.control()));
                Dials changed = wrong.with(Map.of(o.control().key(), o.to()));
                int clicks = changed.position(o.control()) - wrong.position(o.control());
                assertThat(clicks).isNotZero();
                assertThat(ways.add(o.control() + (clicks > 0 ? " up" : " down")))
                        .as("%s", change.options())
                        .isTrue();
                boolean mended = right.stream().anyMatch(changed::equals);
                mends += mended ? 1 : 0;
                Wheel wheel = lesson.outfit().wheel(o.control());
                int room = clicks > 0
                        ? wheel.positions().size() - 1 - wrong.position(o.control())
                        : wrong.position(o.control());
                assertThat(mended || o.control().round() || Math.abs(clicks) == Math.min(3, room))
                        .as("%s of %s", o.words(), lesson.key())
                        .isTrue();
            }
            assertThat(mends).as("%s", change).isPositive();
        }
        assertThat(lessons).hasSizeGreaterThan(10);
        assertThat(new OneChange.Option(Control.ISO, "800", "1600").words()).isEqualTo("ISO 800 \u2192 1600");
    }
}
