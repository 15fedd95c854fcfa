package dev.halfdusk.core.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.OutOfRange;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Nights come to their middle, each once; too few come to nothing. */
class LearnedTest {

    private static final LocalDate FIRST = LocalDate.parse("2027-01-05");

    private static Observation seen(Learnable what, int night, double value) {
        return new Observation(what, "3", FIRST.plusDays(night), value, OptionalDouble.empty(), true, "by a test");
    }

    private static List<Observation> darkness(double... values) {
        return IntStream.range(0, values.length)
                .mapToObj(i -> seen(Learnable.DARKNESS, i, values[i]))
                .toList();
    }

    @Test
    void one_odd_night_moves_nothing() {
        Learned l = Learned.of(darkness(21.3, 21.3, 18.1, 21.4, 21.3)).orElseThrow();
        assertThat(l.value()).isCloseTo(21.3, within(1e-9));
        assertThat(l.whose()).isEqualTo("3");
        assertThat(l.nights()).hasSize(5).startsWith(FIRST.plusDays(4));
        assertThat(l.last()).isEqualTo(FIRST.plusDays(4));
    }

    @Test
    void a_night_counts_once_however_much_it_was_looked_at() {
        List<Observation> all = new ArrayList<>(darkness(21.0, 21.5));
        for (int i = 0; i < 9; i++) {
            all.add(seen(Learnable.DARKNESS, 0, 21.0));
        }
        assertThat(Learned.of(all).orElseThrow().value()).isCloseTo(21.25, within(1e-9));
        assertThat(Learned.of(all).orElseThrow().nights()).hasSize(2);
    }

    /** 20, 24 and 31 lie 5, 1 and 6 about their mean of 25: a standard deviation of the root of 62 / 2. */
    @Test
    void the_spread_is_between_the_nights() {
        Learned l = Learned.of(List.of(
                        seen(Learnable.SET_UP, 0, 20), seen(Learnable.SET_UP, 1, 24), seen(Learnable.SET_UP, 2, 31)))
                .orElseThrow();
        assertThat(l.spread()).isCloseTo(Math.sqrt(31), within(1e-9));
        assertThat(l.value()).isEqualTo(24);
        assertThat(l.origin()).isEqualTo("from 3 nights of yours");
        // of two nights already, of one not
        assertThat(Learned.of(darkness(21, 21.4)).orElseThrow().spread()).isCloseTo(0.4 / Math.sqrt(2), within(1e-9));
        Learned one = Learned.of(List.of(seen(Learnable.INFINITY, 0, 0.7))).orElseThrow();
        assertThat(one.spread()).isZero();
        assertThat(one.origin()).isEqualTo("from a night of yours");
    }

    @Test
    void too_few_nights_come_to_nothing() {
        assertThat(Learned.of(darkness(21.3))).isEmpty();
        assertThat(Learned.of(List.of())).isEmpty();
        Observation out = new Observation(
                Learnable.DARKNESS, "3", FIRST.plusDays(1), 21.3, OptionalDouble.empty(), false, "not to count");
        assertThat(Learned.of(List.of(darkness(21.3).get(0), out))).isEmpty();
    }

    @Test
    void only_the_last_nights_count() {
        double[] values = new double[Learned.MOST_NIGHTS + 30];
        Arrays.fill(values, 0, 30, 20); // of long ago, before the lamps were changed
        Arrays.fill(values, 30, values.length, 21);
        Learned l = Learned.of(darkness(values)).orElseThrow();
        assertThat(l.value()).isEqualTo(21);
        assertThat(l.spread()).isZero();
        assertThat(l.nights()).hasSize(Learned.MOST_NIGHTS);
    }

    @Test
    void what_is_learned_can_be_set() {
        assertThat(Learned.of(darkness(21.337, 21.341)).orElseThrow().value()).isCloseTo(21.35, within(1e-9));
        assertThat(Learned.of(List.of(seen(Learnable.OFFSET, 0, 0.61), seen(Learnable.OFFSET, 1, 0.7)))
                        .orElseThrow()
                        .value())
                .isCloseTo(2 / 3.0, within(1e-9));
    }

    /** What was said and what came on the same side of a clear night, at 40 % cloud. */
    @Test
    void a_forecast_came_true_where_it_told_clear_from_cloudy() {
        LocalDate night = LocalDate.of(2027, 6, 5);
        assertThat(Observing.forecast(night, "1", 3, 10, 25).value()).isEqualTo(1);
        assertThat(Observing.forecast(night, "1", 3, 80, 60).value()).isEqualTo(1);
        assertThat(Observing.forecast(night, "1", 3, 39, 40).value()).isZero();
        assertThat(Observing.forecast(night, "1", 3, 60, 0).value()).isZero();
        assertThat(Observing.forecast(night, "1", 3, 60, 0).how())
                .isEqualTo("3 days before: 60 % cloud; it came clear");
    }

    /** Of forecasts it is the share, not the middle, that counts: two of three came true. */
    @Test
    void forecasts_are_counted() {
        Learned l = Learned.of(List.of(
                        seen(Learnable.FORECAST, 0, 1), seen(Learnable.FORECAST, 1, 1), seen(Learnable.FORECAST, 2, 0)))
                .orElseThrow();
        assertThat(l.value()).isCloseTo(0.67, within(1e-9));
        assertThat(Learnable.FORECAST.used()).isFalse();
    }

    @Test
    void an_observation_is_possible() {
        assertThatThrownBy(() -> seen(Learnable.DARKNESS, 0, 30)).isInstanceOf(OutOfRange.class);
    }

    @ParameterizedTest
    @EnumSource
    void is_found_by_its_key_and_said_in_words(Learnable what) {
        assertThat(Learnable.of(what.key())).contains(what);
        assertThat(what.words()).isNotBlank();
        assertThat(what.words(what.range().nearest(1))).isNotBlank().doesNotContain("NaN");
        assertThat(what.settable(what.range().max())).isEqualTo(what.range().max());
        assertThat(what.settable(what.range().min())).isEqualTo(what.range().min());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "DARKNESS | 21.349 | 21.35 mag/arcsec²",
                "DRIFT | 3.44 | 3.4 px",
                "ISO | 6400 | ISO 6400",
                "BATTERY | 131.6 | 132 min",
                "SHARPEST | 2.8 | f/2.8",
                "SHARPEST | 4 | f/4",
                "INFINITY | 0 | at the stop",
                "INFINITY | 0.7 | 0.7 mm before the stop",
                "OFFSET | 0.04 | as proposed",
                "OFFSET | 0.05 | 0.1 stop brighter",
                "OFFSET | 1 | 1 stop brighter",
                "OFFSET | -0.667 | 0.7 stop darker",
                "DANJON | 2.5 | L = 2.5",
                "FORECAST | 0.67 | 67 %"
            })
    void a_value_in_words(Learnable what, double value, String words) {
        assertThat(what.words(value)).isEqualTo(words);
    }

    @ParameterizedTest
    @EnumSource
    void what_is_said_of_a_frame_is_found_by_its_key(Said said) {
        assertThat(Said.of(said.key())).contains(said);
        assertThat(said.words()).isNotBlank();
        assertThat(said.key().isEmpty()).isEqualTo(said == Said.NOTHING);
        assertThat(Said.of("neither")).isEmpty();
    }

    @Test
    void each_is_learned_of_what_it_belongs_to() {
        assertThat(Learnable.DARKNESS.whose()).isEqualTo(Learnable.Whose.PLACE);
        assertThat(Learnable.ISO.whose()).isEqualTo(Learnable.Whose.BODY);
        assertThat(Learnable.INFINITY.whose()).isEqualTo(Learnable.Whose.LENS);
    }
}
