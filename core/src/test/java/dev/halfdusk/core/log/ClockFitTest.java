package dev.halfdusk.core.log;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.measure.Interval;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Frames find their takes, whatever the camera's clock says. */
class ClockFitTest {

    private static final Instant AT = Instant.parse("2027-06-05T22:00:00Z");

    private static Interval take(int minute, int minutes) {
        return new Interval(AT.plusSeconds(60L * minute), AT.plusSeconds(60L * (minute + minutes)));
    }

    private static final List<Interval> TAKES = List.of(take(0, 20), take(100, 30), take(290, 10));

    private static List<Instant> frames(Duration ahead) {
        return IntStream.of(1, 5, 19, 101, 115, 129, 291, 295, 299)
                .mapToObj(m -> AT.plusSeconds(60L * m).plus(ahead))
                .toList();
    }

    @ParameterizedTest
    @CsvSource({
        "PT0S, right",
        "PT1H, 1 h ahead",
        "PT-1H, 1 h behind",
        "PT5H30M, 5 h 30 min ahead",
        "PT12H, 12 h ahead",
        "P365D, a year ahead",
        "P-366D, a year behind",
        "P-365DT-2H, a year 2 h behind",
        "P1D, a day ahead"
    })
    void a_wrong_clock_is_found_out(Duration ahead, String words) {
        ClockFit fit = ClockFit.of(frames(ahead), TAKES);
        assertThat(fit.ahead()).isEqualTo(ahead);
        assertThat(fit.fits()).isEqualTo(9);
        assertThat(fit.words()).isEqualTo(words);
    }

    /** A take that lasts all night is met by many clocks: then the clock is believed. */
    @Test
    void of_shifts_that_serve_alike_none_is_the_best() {
        ClockFit fit = ClockFit.of(frames(Duration.ofMinutes(40)), List.of(take(-60, 600)));
        assertThat(fit.ahead()).isEqualTo(Duration.ZERO);
    }

    @Test
    void frames_of_another_night_do_not_move_the_clock() {
        List<Instant> others = IntStream.range(0, 9)
                .mapToObj(i -> AT.plus(Duration.ofDays(20)).plusSeconds(4000L * i))
                .toList();
        assertThat(ClockFit.of(others, TAKES).ahead()).isEqualTo(Duration.ZERO);
        assertThat(ClockFit.of(List.of(), TAKES).ahead()).isEqualTo(Duration.ZERO);
        assertThat(ClockFit.of(frames(Duration.ofHours(1)), List.of()).ahead()).isEqualTo(Duration.ZERO);
    }

    @Test
    void a_single_frame_beside_the_takes_is_no_reason() {
        List<Instant> most = frames(Duration.ZERO);
        List<Instant> all = IntStream.range(0, 10)
                .mapToObj(i -> i < 9 ? most.get(i) : AT.plusSeconds(60L * 200))
                .toList();
        assertThat(ClockFit.of(all, TAKES).ahead()).isEqualTo(Duration.ZERO);
        assertThat(ClockFit.of(all, TAKES).fits()).isEqualTo(9);
    }

    private static Belonging.Ran ran(int minute, int minutes, double focal) {
        return new Belonging.Ran(take(minute, minutes), focal == 0 ? OptionalDouble.empty() : OptionalDouble.of(focal));
    }

    private static OptionalInt of(int minute, double focal, Belonging.Ran... takes) {
        return Belonging.of(
                AT.plusSeconds(60L * minute),
                focal == 0 ? OptionalDouble.empty() : OptionalDouble.of(focal),
                List.of(takes));
    }

    @Test
    void a_frame_belongs_to_the_take_that_ran() {
        assertThat(of(5, 20, ran(0, 20, 20), ran(100, 30, 20))).hasValue(0);
        assertThat(of(110, 20, ran(0, 20, 20), ran(100, 30, 20))).hasValue(1);
        assertThat(of(60, 20, ran(0, 20, 20), ran(100, 30, 20))).isEmpty();
        // a test before it begins
        assertThat(of(-10, 20, ran(0, 20, 20))).hasValue(0);
        assertThat(of(-20, 20, ran(0, 20, 20))).isEmpty();
    }

    @Test
    void of_two_cameras_that_ran_together_it_is_the_one_with_that_lens() {
        assertThat(of(5, 12, ran(0, 20, 20), ran(0, 60, 12))).hasValue(1);
        assertThat(of(5, 20.1, ran(0, 20, 20), ran(0, 60, 12))).hasValue(0);
        // a lens that neither had: of none of them
        assertThat(of(5, 50, ran(0, 20, 20), ran(0, 60, 12))).isEmpty();
        // which is not known: the one that it fits best in time
        assertThat(of(30, 0, ran(0, 20, 20), ran(25, 60, 12))).hasValue(1);
    }
}
