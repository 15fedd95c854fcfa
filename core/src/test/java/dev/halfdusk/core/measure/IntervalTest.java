package dev.halfdusk.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class IntervalTest {

    private static Interval hours(int from, int to) {
        Instant day = Instant.parse("2027-01-01T00:00:00Z");
        return new Interval(day.plus(Duration.ofHours(from)), day.plus(Duration.ofHours(to)));
    }

    @Test
    void common_and_without() {
        List<Interval> a = List.of(hours(0, 5), hours(8, 12));
        assertThat(Interval.common(a, List.of(hours(4, 9)))).containsExactly(hours(4, 5), hours(8, 9));
        assertThat(Interval.common(a, List.of(hours(5, 8)))).isEmpty();
        assertThat(Interval.without(hours(0, 24), a)).containsExactly(hours(5, 8), hours(12, 24));
        assertThat(Interval.without(hours(0, 5), List.of(hours(0, 5)))).isEmpty();
        assertThat(Interval.without(hours(0, 5), List.of())).containsExactly(hours(0, 5));
        assertThat(Interval.without(hours(0, 5), List.of(hours(7, 9)))).containsExactly(hours(0, 5));
        assertThat(Interval.without(hours(6, 9), List.of(hours(0, 5), hours(8, 12))))
                .containsExactly(hours(6, 8));
        assertThat(Interval.total(a)).isEqualTo(Duration.ofHours(9));
        assertThat(Interval.longest(List.of(hours(0, 2), hours(3, 6), hours(7, 10))))
                .contains(hours(3, 6));
        assertThat(Interval.longest(List.of())).isEmpty();
        assertThat(hours(2, 6).middle()).isEqualTo(hours(4, 5).from());
        assertThat(hours(2, 6).nearest(hours(1, 4).from()))
                .isEqualTo(hours(2, 6).from());
        assertThat(hours(2, 6).nearest(hours(1, 4).to())).isEqualTo(hours(1, 4).to());
        assertThat(hours(2, 6).nearest(hours(1, 7).to())).isEqualTo(hours(2, 6).to());
        assertThat(hours(2, 6).length()).isEqualTo(Duration.ofHours(4));
    }

    @Test
    void the_end_is_outside() {
        assertThat(hours(1, 2).contains(hours(1, 2).to())).isFalse();
        assertThat(hours(1, 2).contains(hours(1, 2).from())).isTrue();
        assertThatThrownBy(() -> hours(2, 1)).isInstanceOf(IllegalArgumentException.class);
    }
}
