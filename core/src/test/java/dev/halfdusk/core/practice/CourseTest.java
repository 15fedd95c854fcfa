package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
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
