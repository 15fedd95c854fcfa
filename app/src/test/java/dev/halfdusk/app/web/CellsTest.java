package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class CellsTest {

    /** What a spreadsheet would reckon with is no formula in the file, and the same words after reading. */
    @ParameterizedTest
    @ValueSource(strings = {"=1+1", "+44 bridge", "-Reef-", "@home", "\tx", "'quoted", "'=1", "''"})
    void words_that_look_like_formulas_are_defused(String words) {
        assertThat(Cells.safe(words)).isEqualTo("'" + words);
        assertThat(Cells.read(Cells.safe(words))).isEqualTo(words);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "Reef", "-8.8", "+1", "-3", "37.6", "Owner's gate", "1-2"})
    void numbers_and_plain_words_stay(String words) {
        assertThat(Cells.safe(words)).isEqualTo(words);
        assertThat(Cells.read(words)).isEqualTo(words);
    }

    /** Greenwich in winter has an offset too, and an hour that summer time repeats is told apart by it. */
    @ParameterizedTest
    @CsvSource({
        "2027-01-08T00:10:42.0009Z, Europe/London, 2027-01-08T00:10:42.000Z, 2027-01-08T00:10:42+00:00",
        "2027-10-31T00:30:00.5Z, Europe/Lisbon, 2027-10-31T00:30:00.500Z, 2027-10-31T01:30:00+01:00",
        "2027-10-31T01:30:00Z, Europe/Lisbon, 2027-10-31T01:30:00.000Z, 2027-10-31T01:30:00+00:00",
        "2027-06-01T12:00:00.120Z, Pacific/Chatham, 2027-06-01T12:00:00.120Z, 2027-06-02T00:45:00+12:45"
    })
    void times_have_one_form(Instant t, ZoneId zone, String utc, String local) {
        assertThat(Cells.utc(t)).isEqualTo(utc);
        assertThat(Cells.local(t, zone)).isEqualTo(local);
    }

    @Test
    void what_was_not_written_here_is_read_as_it_is() {
        assertThat(Cells.read("'tis dark")).isEqualTo("'tis dark");
    }
}
