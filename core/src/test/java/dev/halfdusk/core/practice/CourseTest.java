package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Every lesson, as schools pass it and as people fail it. */
@Execution(ExecutionMode.CONCURRENT) // frames are most of it
class CourseTest {

    private static final int SCHOOLS = 2;
    private static final int MISTAKES = 3;

    static Stream<String> lessons() {
        return Courses.ALL.lessons().stream().map(Lesson::key);
    }

    @ParameterizedTest
    @MethodSource("lessons")
    void schools_pass_and_mistakes_get_their_hint(String key) {
        Lesson lesson = Courses.lesson(key);
        assertThat(lesson.schools()).hasSizeGreaterThanOrEqualTo(SCHOOLS);
        assertThat(lesson.mistakes()).hasSizeGreaterThanOrEqualTo(MISTAKES);
        for (Lesson.Tried school : lesson.schools()) {
            Verdict v = lesson.judge(Play.frames(Courses.ALL, lesson, school));
            assertThat(v.passed())
                    .as("%s: %s %s", school.name(), v.said(), v.hint())
                    .isTrue();
            assertThat(v.hint()).isEmpty();
        }
        for (Lesson.Tried mistake : lesson.mistakes()) {
            Verdict v = lesson.judge(Play.frames(Courses.ALL, lesson, mistake));
            assertThat(v.passed()).as(mistake.name()).isFalse();
            assertThat(v.hint())
                    .as("%s: %s", mistake.name(), v.said())
                    .isEqualTo(lesson.wants().get(mistake.hint()).hint())
                    .isNotBlank();
        }
    }

    @Test
    void there_are_some_forty_in_the_order_of_the_craft() {
        List<Lesson> all = Courses.ALL.lessons();
        assertThat(all).hasSizeGreaterThanOrEqualTo(40);
        assertThat(all.get(0).key()).isEqualTo("needle-by-shutter");
        assertThat(all.stream().map(Lesson::key).distinct()).hasSameSizeAs(all);
        assertThat(all.stream().map(Lesson::title).distinct()).hasSameSizeAs(all);
        assertThat(Courses.ALL.number(Courses.lesson("half-moon"))).isEqualTo(11);
        assertThat(Courses.ALL.parts()).startsWith("The camera", "The meter", "Stars");
        Set<String> used = new HashSet<>();
        all.forEach(l -> used.add(l.stage()));
        assertThat(Courses.ALL.stages().keySet()).isEqualTo(used);
    }

    /** What schools and mistakes turn can be turned by whoever learns, and nothing is won by turning what is locked. */
    @Test
    void what_is_turned_may_be_turned() {
        for (Lesson l : Courses.ALL.lessons()) {
            Stream.concat(l.schools().stream(), l.mistakes().stream())
                    .flatMap(t -> t.sets().stream())
                    .flatMap(set -> set.keySet().stream())
                    .forEach(key -> assertThat(l.turned().stream().map(Control::key))
                            .as("%s turns %s", l.key(), key)
                            .contains(key));
        }
        Lesson first = Courses.lesson("needle-by-shutter");
        Dials forced = first.begin(first.outfit()).with(Map.of("shutter", "5", "iso", "51200"));
        Dials allowed = first.allowed(forced);
        assertThat(allowed.label(Control.SHUTTER)).isEqualTo("5");
        assertThat(allowed.label(Control.ISO)).isEqualTo("400");
    }

    /** One more is one file; what is wrong in it is said with its name. */
    @Test
    void a_file_more_is_a_lesson_more_and_a_wrong_one_says_where() {
        String good = Courses.files("lessons").get("20-longest-14.yaml");
        Map<String, String> scenes = Courses.files("scenes");
        Course one = Course.of(Map.of("7-wide.yaml", good), scenes);
        assertThat(one.lessons()).extracting(Lesson::key).containsExactly("wide");
        refused(good.replace("scene: dark-field", "scene: nowhere"), "7-wide.yaml", "nowhere");
        refused(good.replace("of: streak", "of: strength"), "wide", "strength");
        refused(good.replace("turn: [shutter, iso]", "turn: [shutter, gears]"), "wide", "gears");
        refused(good.replace("most: 3.6", "most: much"), "wide", "much");
        refused(good.replace("most: 3.6, ", ""), "wide", "anything will do");
        refused(good.replace("title:", "tilte:"), "wide", "title is missing");
        refused("nothing", "wide", "describes nothing");
    }

    private static void refused(String text, String... words) {
        assertThatThrownBy(() -> Course.of(Map.of("7-wide.yaml", text), Courses.files("scenes")))
                .isInstanceOf(IllegalStateException.class)
                .hasMessageContainingAll(words);
    }

    /** A hint before all frames are there only for what one frame can show. */
    @Test
    void frames_that_belong_together_are_judged_together() {
        Lesson three = Courses.lesson("three-ways");
        List<Measured> all = Play.frames(Courses.ALL, three, three.schools().get(0));
        Verdict first = three.judge(all.subList(0, 1));
        assertThat(first.passed()).isFalse();
        assertThat(first.hint()).isEmpty();
        assertThat(first.more()).isEqualTo(2);
        Lesson.Tried byIso = three.mistakes().get(2);
        Verdict early = three.judge(Play.frames(Courses.ALL, three, byIso).subList(0, 1));
        assertThat(early.hint()).as("the ISO of one frame is wrong already").contains("ISO stays");
        assertThat(three.judge(List.of())).isEqualTo(Verdict.NOTHING);
        // a fourth frame: the last three count
        List<Measured> wrongFirst = new java.util.ArrayList<>(Play.frames(Courses.ALL, three, byIso));
        wrongFirst.addAll(all);
        assertThat(three.judge(wrongFirst).passed()).isTrue();
    }
}
