package dev.halfdusk.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Sequence;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class IntervalTimerTest {

    /** Held by the timer: opening, from opening to opening, pause, times. */
    @ParameterizedTest
    @CsvSource({
        "121, 30, 1, 30, 31, 1, 121",
        "20, 120, 5, 120, 125, 5, 20",
        "5, 30, 0.2, 30, 31, 1, 5",
        "400, 30, 1, 30, 31, 1, 0"
    })
    void whole_seconds_are_held_by_the_timer(
            int frames, double exposure, double pause, int open, int step, int between, int times) {
        IntervalTimer.Card card = IntervalTimer.card(new Sequence(frames, exposure, pause), 5, Dial.THIRD);
        assertThat(card.bulb()).isTrue();
        assertThat(card.waitSeconds()).isEqualTo(5);
        assertThat(card.openSeconds()).isEqualTo(open);
        assertThat(card.stepSeconds()).isEqualTo(step);
        assertThat(card.pauseSeconds()).isEqualTo(between);
        assertThat(card.times()).isEqualTo(times);
    }

    /** A third-stop click of 12.7 s: the body times it, the timer only presses, at the next whole second after 13.2 s. */
    @Test
    void other_exposures_are_those_of_the_dial() {
        IntervalTimer.Card card = IntervalTimer.card(new Sequence(10, 12.7, 0.5), 0, Dial.THIRD);
        assertThat(card.bulb()).isFalse();
        assertThat(card.openSeconds()).isEqualTo(1);
        assertThat(card.stepSeconds()).isEqualTo(14);
        assertThat(card.pauseSeconds()).isEqualTo(13);
        assertThat(card.remarks()).anyMatch(r -> r.contains("dial to 13 s"));
        assertThat(card.remarks()).anyMatch(r -> r.contains("1.3 s instead of 0.5"));
    }

    /** Every 12.5 s a dial that changes: press each 13 s, the timer's own press of a second with it. */
    @Test
    void where_settings_change_it_only_presses() {
        IntervalTimer.Card card = IntervalTimer.presses(750, 12.5, 5);
        assertThat(card.bulb()).isFalse();
        assertThat(card.stepSeconds()).isEqualTo(13);
        assertThat(card.pauseSeconds()).isEqualTo(12);
        assertThat(card.times()).isZero();
        assertThat(card.remarks()).anyMatch(r -> r.contains("table")).anyMatch(r -> r.contains("endless"));
    }

    @Test
    void what_a_timer_cannot_do_is_said() {
        assertThat(IntervalTimer.card(new Sequence(400, 30, 1), 0, Dial.THIRD).remarks())
                .anyMatch(r -> r.contains("endless"));
        assertThat(IntervalTimer.card(new Sequence(399, 30, 1), 0, Dial.THIRD).remarks())
                .noneMatch(r -> r.contains("endless"));
        assertThat(IntervalTimer.card(new Sequence(9, 45.5, 2), 0, Dial.THIRD).openSeconds())
                .isEqualTo(45);
        assertThat(IntervalTimer.card(new Sequence(9, 60, 2), 0, Dial.THIRD).remarks())
                .anyMatch(r -> r.contains("set it to bulb"));
        // the dial's 30 is open for 32 s: whoever uses it must count that
        assertThat(IntervalTimer.card(new Sequence(9, 30, 2), 0, Dial.THIRD).remarks())
                .anyMatch(r -> r.contains("open 32 s"));
        // never faster than it can press
        IntervalTimer.Card fast = IntervalTimer.card(new Sequence(9, 0.5, 0), 0, Dial.THIRD);
        assertThat(fast.stepSeconds()).isEqualTo(2);
        assertThat(fast.pauseSeconds()).isEqualTo(1);
    }

    /** Only where it is so: a part of a second beyond the dial, the whole 30 s, a single frame, a pause that fits. */
    @Test
    void remarks_are_made_only_where_they_hold() {
        assertThat(IntervalTimer.card(new Sequence(9, 45.5, 1.5), 0, Dial.THIRD).remarks())
                .containsExactly(
                        "A timer counts whole seconds: it opens for 0:00:45.",
                        "Longer than the 30 s of a body's own shutter: set it to bulb.",
                        "Pauses of 2 s instead of 1.5: a timer counts whole seconds.");
        assertThat(IntervalTimer.card(new Sequence(9, 30, 1), 0, Dial.THIRD).remarks())
                .containsExactly("Set the body to bulb. With its dial at 30 the shutter is open 32 s: count that.");
        assertThat(IntervalTimer.card(new Sequence(9, 31, 1), 0, Dial.THIRD).remarks())
                .containsExactly("Longer than the 30 s of a body's own shutter: set it to bulb.");
        assertThat(IntervalTimer.card(new Sequence(1, 12.7, 0.5), 0, Dial.THIRD).remarks())
                .containsExactly("Set the body's dial to 13 s; the timer only presses.");
        IntervalTimer.Card second = IntervalTimer.card(new Sequence(9, 1, 2), 0, Dial.THIRD);
        assertThat(second.bulb()).as("a whole second is the shortest it holds").isTrue();
        assertThat(second.openSeconds()).isEqualTo(1);
        assertThat(IntervalTimer.presses(9, 0.4, 0).stepSeconds()).isEqualTo(2);
        assertThat(IntervalTimer.presses(9, 13, 0).stepSeconds()).isEqualTo(13);
    }

    @ParameterizedTest
    @CsvSource({"0, 0:00:00", "31, 0:00:31", "3661, 1:01:01", "359999, 99:59:59"})
    void times_are_written_as_on_a_timer(int seconds, String text) {
        assertThat(IntervalTimer.text(seconds)).isEqualTo(text);
    }
}
