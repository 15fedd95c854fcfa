package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The files of all lessons, without a frame. */
class CourseFilesTest {

    private final Course course = Course.of(Courses.files("lessons"), Courses.files("scenes"));

    @Test
    void there_are_some_forty_in_the_order_of_the_craft() {
        List<Lesson> all = course.lessons();
        assertThat(all).hasSizeGreaterThanOrEqualTo(40);
        assertThat(all.get(0).key()).isEqualTo("needle-by-shutter");
        assertThat(all.stream().map(Lesson::key).distinct()).hasSameSizeAs(all);
        assertThat(all.stream().map(Lesson::title).distinct()).hasSameSizeAs(all);
        assertThat(course.number(course.find("half-moon").orElseThrow())).isEqualTo(11);
        assertThat(course.parts()).startsWith("The camera", "The meter", "Stars");
        Set<String> used = new HashSet<>();
        all.forEach(l -> used.add(l.stage()));
        assertThat(course.stages().keySet()).isEqualTo(used);
    }

    /** What schools and mistakes turn can be turned by whoever learns, and nothing is won by turning what is locked. */
    @Test
    void what_is_turned_may_be_turned() {
        for (Lesson l : course.lessons()) {
            Stream.concat(l.schools().stream(), l.mistakes().stream())
                    .flatMap(t -> t.sets().stream())
                    .flatMap(set -> set.keySet().stream())
                    .forEach(key -> assertThat(l.turned().stream().map(Control::key))
                            .as("%s turns %s", l.key(), key)
                            .contains(key));
        }
        Lesson first = course.find("needle-by-shutter").orElseThrow();
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
}
