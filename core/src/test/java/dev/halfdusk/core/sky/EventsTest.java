package dev.halfdusk.core.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Interval;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EventsTest {

    private static final Instant START = Instant.parse("2027-03-01T00:00:00Z");
    private static final Instant END = START.plus(Duration.ofDays(1));

    private static double hours(Moment moment) {
        return (moment.days() - TimeScale.days(START)) * 24;
    }

    @Test
    void finds_roots_of_a_known_curve_to_a_millisecond() {
        Fact wave = m -> Math.sin(Math.PI * hours(m) / 6.0 + 0.3);
        List<Crossing> found = Events.find(wave, START, END, Duration.ofMinutes(15));
        assertThat(found).hasSize(4);
        for (int k = 0; k < 4; k++) {
            double hour = (Math.PI * (k + 1) - 0.3) * 6 / Math.PI;
            Instant expected = START.plusNanos((long) (hour * 3.6e12));
            assertThat(found.get(k).when()).isCloseTo(expected, within(1, ChronoUnit.MILLIS));
            assertThat(found.get(k).rising()).isEqualTo(k % 2 == 1);
        }
    }

    @Test
    void a_graze_between_two_samples_is_not_missed() {
        Fact graze = m -> 1e-4 - Math.pow(hours(m) - 10.1, 2);
        assertThat(Events.find(graze, START, END, Duration.ofMinutes(60)))
                .extracting(Crossing::rising)
                .containsExactly(true, false);
        assertThat(Events.find(graze.above(2e-4), START, END, Duration.ofMinutes(60)))
                .isEmpty();
    }

    @Test
    void a_jump_of_a_whole_turn_is_no_event() {
        Fact azimuth = m -> (hours(m) * 30 % 360) - 180;
        assertThat(Events.find(azimuth, START, END, Duration.ofMinutes(15)))
                .allMatch(Crossing::rising)
                .hasSize(2);
    }

    @Test
    void a_jump_of_any_size_is_no_event() {
        Fact step = m -> hours(m) < 7.3 ? -5 : 5;
        assertThat(Events.find(step, START, END, Duration.ofMinutes(15))).isEmpty();
    }

    /** Zeroes every six hours, at the very start, the very end, or a second beside them. */
    @ParameterizedTest
    @CsvSource({"0, 4", "1, 4", "-1, 4"})
    void the_start_counts_and_the_end_does_not(int seconds, int count) {
        double shift = seconds / 3600.0;
        Fact wave = m -> Math.sin(Math.PI * (hours(m) - shift) / 6);
        List<Crossing> found = Events.find(wave, START, END, Duration.ofMinutes(15));
        assertThat(found).hasSize(count);
        Duration first = Duration.between(START, found.get(0).when());
        assertThat(first)
                .isBetween(
                        Duration.ofSeconds(seconds < 0 ? 6 * 3600 - 1 : seconds).minusMillis(seconds == 0 ? 0 : 1),
                        Duration.ofSeconds(seconds < 0 ? 6 * 3600 - 1 : seconds).plusMillis(1));
        assertThat(found).allMatch(c -> !c.when().isBefore(START) && c.when().isBefore(END));
    }

    @Test
    void extremes_of_a_parabola() {
        Fact hill = m -> 40 - Math.pow(hours(m) - 13.37, 2);
        List<Extreme> found = Events.over(START, END, Duration.ofMinutes(15)).extremes(hill);
        assertThat(found).hasSize(1);
        assertThat(found.get(0).value()).isCloseTo(40, within(1e-6));
        assertThat(found.get(0).when())
                .isCloseTo(START.plusNanos((long) (13.37 * 3.6e12)), within(1, ChronoUnit.SECONDS));
    }

    @Test
    void stretches_above_zero_begin_and_end_with_the_search() {
        Fact dip = m -> Math.abs(hours(m) - 12) - 3;
        List<Interval> above = Events.over(START, END, Duration.ofMinutes(15)).above(dip);
        assertThat(above).hasSize(2);
        assertThat(above.get(0).from()).isEqualTo(START);
        assertThat(above.get(1).to()).isEqualTo(END);
        assertThat(Interval.total(above).toMinutes()).isEqualTo(18 * 60);
    }

    @Test
    void endless_and_backward_searches_are_refused() {
        assertThatThrownBy(() -> Events.over(END, START, Duration.ofMinutes(1)))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Events.over(START, END, Duration.ZERO)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Events.over(START, END.plus(Duration.ofDays(9000)), Duration.ofMinutes(1)))
                .hasMessageContaining("too long");
    }

    @Test
    void contacts_of_a_solar_eclipse_come_out_of_the_same_search() {
        // 2 August 2027 at 25.69 N, 32.64 E: totality 10:02:07.8 to 10:08:28.5 by an independent library
        Observer bank = Observer.at(new Site(25.69, 32.64, 80));
        double moonRadiusKm = 0.272281 * 6378.137;
        Fact inner = m -> {
            double sun = m.observed(Body.SUN, bank).semidiameterDeg();
            double moon = Math.toDegrees(
                    Math.asin(moonRadiusKm / m.observed(Body.MOON, bank).distanceKm()));
            return moon - sun - Facts.separation(Body.SUN, Body.MOON, bank).at(m);
        };
        List<Crossing> contacts = Events.find(
                inner,
                Instant.parse("2027-08-02T08:00:00Z"),
                Instant.parse("2027-08-02T12:00:00Z"),
                Duration.ofMinutes(2));
        assertThat(contacts).hasSize(2);
        assertThat(contacts.get(0).when())
                .isCloseTo(Instant.parse("2027-08-02T10:02:07.8Z"), within(1, ChronoUnit.SECONDS));
        assertThat(contacts.get(1).when())
                .isCloseTo(Instant.parse("2027-08-02T10:08:28.5Z"), within(1, ChronoUnit.SECONDS));
    }
}
