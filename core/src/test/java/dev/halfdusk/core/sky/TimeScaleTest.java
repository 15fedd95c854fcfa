package dev.halfdusk.core.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import org.jastronomy.jsofa.JSOFA;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TimeScaleTest {

    @Test
    void leap_seconds_agree_with_the_sofa_table_every_month() throws Exception {
        for (LocalDate d = LocalDate.of(2000, 1, 1); d.getYear() < 2030; d = d.plusMonths(1)) {
            double expected = JSOFA.jauDat(d.getYear(), d.getMonthValue(), 1, 0) + 32.184;
            Instant start = d.atStartOfDay().toInstant(ZoneOffset.UTC);
            assertThat(TimeScale.ttMinusUtc(start)).as("%s", d).isCloseTo(expected, within(1e-9));
        }
    }

    @Test
    void j2000_is_the_origin() {
        assertThat(TimeScale.days(Instant.parse("2000-01-01T11:58:55.816Z"))).isCloseTo(0, within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "2000-01-01T00:00:00Z",
                "2016-12-31T23:59:59Z",
                "2017-01-01T00:00:00Z",
                "2028-02-29T12:34:56.789Z",
                "2059-12-31T23:59:59.999Z"
            })
    void there_and_back_to_a_microsecond(String text) {
        Instant instant = Instant.parse(text);
        assertThat(TimeScale.instant(TimeScale.days(instant)))
                .isCloseTo(instant, within(1, java.time.temporal.ChronoUnit.MICROS));
    }

    @ParameterizedTest
    @ValueSource(strings = {"1850-06-01T00:00:00Z", "1999-12-31T23:59:59Z", "2070-01-01T00:00:00Z"})
    void other_years_are_refused_by_naming_those_that_work(String text) {
        assertThatThrownBy(() -> Moment.at(Instant.parse(text)))
                .isInstanceOf(DateOutOfRange.class)
                .hasMessageContaining("2000\u20132059");
    }
}
