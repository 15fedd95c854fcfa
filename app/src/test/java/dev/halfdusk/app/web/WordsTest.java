package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.sky.Illumination;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordsTest {

    @Test
    void a_night_names_both_of_its_days() {
        assertThat(Words.night(LocalDate.of(2027, 6, 8))).isEqualTo("Tue 8 to Wed 9 June 2027");
        assertThat(Words.night(LocalDate.of(2027, 6, 30))).isEqualTo("Wed 30 June to Thu 1 July 2027");
        assertThat(Words.night(LocalDate.of(2027, 12, 31))).isEqualTo("Fri 31 December 2027 to Sat 1 January 2028");
    }

    @ParameterizedTest
    @CsvSource({"PT3H26M,3 h 26 min", "PT2H,2 h", "PT59M40S,1 h", "PT26M,26 min", "PT0S,0 min"})
    void spans(Duration span, String words) {
        assertThat(Words.span(span)).isEqualTo(words);
    }

    @Test
    void clocks_round_and_follow_the_zone_through_daylight_saving() {
        ZoneId lisbon = ZoneId.of("Europe/Lisbon");
        assertThat(Words.clock(Instant.parse("2027-03-28T00:59:31Z"), lisbon)).isEqualTo("02:00");
        assertThat(Words.clockSeconds(Instant.parse("2027-03-28T00:59:31.4Z"), lisbon))
                .isEqualTo("00:59:31");
    }

    @ParameterizedTest
    @CsvSource({
        "0.01,20,new",
        "0.3,60,waxing crescent",
        "0.5,90,first quarter",
        "0.8,250,waning gibbous",
        "0.99,181,full"
    })
    void phases(double fraction, double elongation, String words) {
        assertThat(Words.phase(new Illumination(fraction, 0, elongation, 0))).isEqualTo(words);
    }

    @ParameterizedTest
    @CsvSource({"1.8,1.8", "20,20", "3.456,3.46", "-4.5,\u22124.5"})
    void numbers_without_needless_decimals(double value, String text) {
        assertThat(Words.trimmed(value)).isEqualTo(text);
    }

    @ParameterizedTest
    @CsvSource({
        "2027-06-08,tonight",
        "2027-06-09,tomorrow",
        "2027-06-07,last night",
        "2027-06-20,in 12 days",
        "2027-05-27,12 days ago"
    })
    void how_far_away(LocalDate date, String words) {
        assertThat(Words.away(LocalDate.of(2027, 6, 8), date)).isEqualTo(words);
    }

    @ParameterizedTest
    @CsvSource({
        "0.008, 1/125 s",
        "0.25, 1/4 s",
        "0.5, 0.50 s",
        "8, 8.0 s",
        "25.4, 25 s",
        "150, 2.5 min",
        "7200, 120 min"
    })
    void exposures_are_written_as_on_a_camera(double seconds, String words) {
        assertThat(Words.exposure(seconds)).isEqualTo(words);
    }
}
