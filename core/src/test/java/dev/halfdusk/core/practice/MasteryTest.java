package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.practice.Mastery.Round;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class MasteryTest {

    private static final Instant FIRST = Instant.parse("2027-03-01T20:00:00Z");

    private static Instant day(double days) {
        return FIRST.plus(Duration.ofSeconds(Math.round(days * 86_400)));
    }

    private static Round easy(double days) {
        return new Round(day(days), 0, true);
    }

    @Test
    void what_was_easy_comes_back_later_each_time() {
        assertThat(Mastery.of(List.of(easy(0)), FIRST).due()).contains(day(3));
        assertThat(Mastery.of(List.of(easy(0), easy(3)), FIRST).due()).contains(day(3 + 7.5));
        assertThat(Mastery.of(List.of(easy(0), easy(3), easy(10.5)), FIRST).due())
                .contains(day(10.5 + 18.75));
    }

    @Test
    void what_was_not_comes_back_soon() {
        assertThat(Mastery.of(List.of(new Round(FIRST, 3, true)), FIRST).due()).contains(day(1));
        assertThat(Mastery.of(List.of(new Round(FIRST, 2, true)), FIRST).due())
                .as("two to spare")
                .contains(day(3));
        Round givenUp = new Round(day(3), 0, false);
        assertThat(Mastery.of(List.of(easy(0), givenUp), FIRST).due()).contains(day(4));
        assertThat(Mastery.of(List.of(easy(0), new Round(day(3), 9, true)), FIRST)
                        .due())
                .contains(day(3 + 3.9));
    }

    @Test
    void without_a_pass_there_is_nothing_to_be_sure_of() {
        assertThat(Mastery.of(List.of(), FIRST)).isEqualTo(Mastery.NONE);
        assertThat(Mastery.of(List.of(new Round(FIRST, 0, false)), FIRST)).isEqualTo(Mastery.NONE);
    }

    @Test
    void sureness_fades_to_four_fifths_on_the_day_it_is_due() {
        List<Round> once = List.of(easy(0));
        double fresh = Mastery.of(once, day(0)).sure();
        assertThat(fresh).isCloseTo(3 / 7.0, within(1e-9));
        assertThat(Mastery.of(once, day(3)).sure()).isCloseTo(0.8 * fresh, within(1e-6));
        assertThat(Mastery.of(once, day(6)).sure()).isCloseTo(0.64 * fresh, within(1e-6));
        assertThat(Mastery.of(once, day(3)).due(day(3))).isTrue();
        assertThat(Mastery.of(once, day(3)).due(day(2.99))).isFalse();
        assertThat(Mastery.of(List.of(easy(0), easy(3), easy(10.5)), day(10.5)).sure())
                .isGreaterThan(Mastery.of(List.of(easy(0), easy(3)), day(3)).sure());
        // a clock that went backwards does not make one surer than sure
        assertThat(Mastery.of(once, day(-10)).sure()).isEqualTo(fresh);
    }

    @Test
    void it_is_never_put_off_for_longer_than_half_a_year() {
        List<Round> many = java.util.stream.IntStream.range(0, 20)
                .mapToObj(i -> easy(i * 200.0))
                .toList();
        assertThat(Mastery.of(many, FIRST).due()).contains(day(19 * 200 + 180));
    }
}
