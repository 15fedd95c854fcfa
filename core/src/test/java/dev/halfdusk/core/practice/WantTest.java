package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.lighttable.Cause;
import dev.halfdusk.core.practice.Want.Over;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What lessons ask of what was measured, and what they say: of numbers, without a frame. */
class WantTest {

    private static Measured measured(String key, double value, Cause... causes) {
        return new Measured(
                Map.of("shutter", "1/30", "iso", "400"), Map.of(key, value), List.of(causes), "round stars", 0);
    }

    private static List<Measured> frames(String key, double... values) {
        return Arrays.stream(values).mapToObj(v -> measured(key, v)).toList();
    }

    private static Want want(String of, Over over, Double least, Double most) {
        return new Want(of, over, optional(least), optional(most), List.of(), "hint");
    }

    private static OptionalDouble optional(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    /** Limits count as within, to a billionth; of the last frame, each, any, the largest less the smallest, the last less the first. */
    @ParameterizedTest
    @CsvSource({
        "LAST, 2, 4, '9 9 3', true",
        "LAST, 2, 4, '3 3 5', false",
        "LAST, 2, 4, '2', true",
        "LAST, 2, 4, '4', true",
        "LAST, 2, 4, '1.999999', false",
        "LAST, 2, 4, '4.000001', false",
        "LAST, , 4, '-50', true",
        "LAST, 2, , '5000', true",
        "EACH, 2, 4, '2 3 4', true",
        "EACH, 2, 4, '5 3 4', false",
        "ANY, 2, 4, '9 3 9', true",
        "ANY, 2, 4, '9 5 9', false",
        "SPREAD, , 1, '5 5.5 4.5', true",
        "SPREAD, , 1, '5.6 5 4.5', false",
        "SPREAD, 2, , '7 5 6', true",
        "CHANGE, 1.5, 2.5, '3 9 5', true",
        "CHANGE, 1.5, 2.5, '5 9 3', false",
        "CHANGE, -2.5, -1.5, '5 9 3', true"
    })
    void frames_are_taken_together(Over over, Double least, Double most, String values, boolean holds) {
        double[] numbers = Arrays.stream(values.split(" "))
                .mapToDouble(Double::parseDouble)
                .toArray();
        assertThat(want("streak", over, least, most).holds(frames("streak", numbers)))
                .isEqualTo(holds);
        assertThat(want("streak", over, least, most).single()).isEqualTo(over == Over.LAST || over == Over.EACH);
    }

    /** 1/30 to 1/8 are two stops less a click of rounding, f/2.8 to f/5.6 two, ISO 400 to 1600 two. */
    @ParameterizedTest
    @CsvSource({"shutter, 0.03125, 0.125", "iso, 400, 1600", "aperture, 2.8, 5.6"})
    void dials_differ_by_stops(String dial, double one, double other) {
        assertThat(want(dial, Over.SPREAD, 1.99, 2.01).holds(frames(dial, one, other)))
                .isTrue();
        assertThat(want(dial, Over.SPREAD, 1.99, 2.01).holds(frames(dial, other, one)))
                .isTrue();
        assertThat(want(dial, Over.SPREAD, 2.01, null).holds(frames(dial, one, other)))
                .isFalse();
        assertThat(want(dial, Over.CHANGE, 1.99, 2.01).holds(frames(dial, one, other)))
                .isTrue();
        assertThat(want("focus", Over.SPREAD, 2.99, 3.01).holds(frames("focus", 4, 1)))
                .isTrue();
    }

    @Test
    void a_cause_must_not_be_found() {
        Cause one = Cause.values()[0];
        Cause other = Cause.values()[1];
        Measured clean = measured("streak", 1);
        Measured spoilt = measured("streak", 1, other, one);
        Want last = new Want(Want.CAUSE, Over.LAST, OptionalDouble.empty(), OptionalDouble.empty(), List.of(one), "h");
        Want each = new Want(Want.CAUSE, Over.EACH, OptionalDouble.empty(), OptionalDouble.empty(), List.of(one), "h");
        assertThat(last.holds(List.of(spoilt, clean))).isTrue();
        assertThat(last.holds(List.of(clean, spoilt))).isFalse();
        assertThat(each.holds(List.of(spoilt, clean))).isFalse();
        assertThat(each.holds(List.of(clean, measured("streak", 1, other)))).isTrue();
        assertThat(last.said(List.of(clean))).isEqualTo("round stars");
    }

    @Test
    void what_was_measured_is_said_with_what_is_wanted() {
        List<Measured> two = frames("streak", 7, 5.2);
        assertThat(want("streak", Over.LAST, null, 3.6).said(two))
                .isEqualTo("The stars' streaks 5.2 px, wanted up to 3.6 px");
        assertThat(want("streak", Over.EACH, 2.0, null).said(two))
                .isEqualTo("The stars' streaks 5.2 px, wanted from 2 px");
        assertThat(want("streak", Over.CHANGE, 1.0, 2.0).said(two))
                .isEqualTo("The stars' streaks changed by \u22121.8 px, wanted from 1 px to 2 px");
        assertThat(want("streak", Over.SPREAD, null, 1.0).said(two))
                .isEqualTo("The stars' streaks 1.8 px apart, wanted up to 1 px");
        assertThat(want("shutter", Over.LAST, null, 1.0).said(two)).isEqualTo("Shutter 1/30");
        assertThat(want("iso", Over.SPREAD, null, 1.0).said(two)).isEqualTo("ISO 400");
    }

    private static final String THREE = """
            title: Three
            part: Stars
            scene: dark-field
            kit: {sensor: full, mm: 14, widest: 2.8}
            frames: 3
            task: Take three.
            why: So.
            wants:
              - {of: streak, most: 3, hint: "Shorter."}
              - {of: open, over: spread, least: 2, hint: "Further apart."}
              - {of: noise, over: each, most: 20, hint: "Less noise."}
            """;

    private static Measured frame(double streak, double open, double noise) {
        return new Measured(Map.of(), Map.of("streak", streak, "open", open, "noise", noise), List.of(), "", 0);
    }

    /** The first thing that is amiss, as soon as it can be told; what takes several frames only when there are as many; the last ones count. */
    @Test
    void one_hint_at_a_time() {
        Lesson lesson = Lesson.read("three", THREE);
        assertThat(lesson.judge(List.of())).isEqualTo(Verdict.NOTHING);
        assertThat(lesson.judge(List.of(frame(2, 1, 10))))
                .isEqualTo(new Verdict(false, -1, "The stars' streaks 2 px, wanted up to 3 px", "", 2));
        assertThat(lesson.judge(List.of(frame(4, 1, 30))))
                .isEqualTo(new Verdict(false, 0, "The stars' streaks 4 px, wanted up to 3 px", "Shorter.", 2));
        assertThat(lesson.judge(List.of(frame(2, 1, 30))))
                .isEqualTo(new Verdict(false, 2, "Noise of the sky 30 %, wanted up to 20 %", "Less noise.", 2));
        List<Measured> near = List.of(frame(2, 1, 10), frame(2, 1.5, 10), frame(2, 2, 10));
        assertThat(lesson.judge(near))
                .isEqualTo(new Verdict(false, 1, "Open 1 s apart, wanted from 2 s", "Further apart.", 0));
        assertThat(lesson.judge(near.subList(0, 2)).hint()).isEmpty();
        assertThat(lesson.judge(near.subList(0, 2)).more()).isEqualTo(1);
        List<Measured> apart = List.of(frame(2, 1, 99), frame(2, 1, 10), frame(2, 4, 10), frame(2, 2, 10));
        assertThat(lesson.judge(apart))
                .isEqualTo(new Verdict(true, -1, "The stars' streaks 2 px, wanted up to 3 px", "", 0));
        assertThat(lesson.good(frame(2, 0, 10))).isTrue();
        assertThat(lesson.good(frame(4, 0, 10))).isFalse();
        assertThat(lesson.good(frame(2, 0, 21))).isFalse();
        assertThat(lesson.said(frame(2, 0, 21))).isEqualTo("Noise of the sky 21 %, wanted up to 20 %");
        assertThat(lesson.said(frame(2, 0, 10))).startsWith("The stars' streaks 2 px");
        assertThat(lesson.begin(lesson.outfit()).label(Control.SHUTTER)).isNotEmpty();
    }
}
