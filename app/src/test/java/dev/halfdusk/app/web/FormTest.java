package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.sky.DateOutOfRange;
import java.time.LocalDate;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FormTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"37.6|37.6", " 37,6 |37.6", "\u221233.86|-33.86", "-90|-90", "1e1|10"})
    void numbers_as_people_type_them(String typed, double value) {
        Form form = Form.of(Map.of("latitude", typed));
        assertThat(form.number("latitude", Range.LATITUDE)).hasValue(value);
        assertThat(form.hasErrors()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"95", "-90.01", "north", "NaN", "Infinity", "", "37.6.1", "1,000,000"})
    void other_entries_are_kept_and_answered_with_the_range(String typed) {
        Form form = Form.of(Map.of("latitude", typed));
        assertThat(form.number("latitude", Range.LATITUDE)).isEmpty();
        assertThat(form.error("latitude")).contains("\u221290 to 90\u00b0");
        assertThat(form.value("latitude")).isEqualTo(typed);
    }

    @ParameterizedTest
    @ValueSource(strings = {"1850-01-01", "2070-01-01", "1999-12-31", "2060-01-01", "+12027-01-01"})
    void nights_outside_the_ephemeris_name_its_years(String typed) {
        Form form = Form.of(Map.of("night", typed));
        assertThat(form.night("night")).isNull();
        assertThat(form.error("night")).contains("2000-01-02 to 2059-12-29");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "tomorrow", "2027-02-30", "08.06.2027"})
    void entries_that_are_no_dates_say_how_a_date_looks(String typed) {
        Form form = Form.of(Map.of("night", typed));
        assertThat(form.night("night")).isNull();
        assertThat(form.error("night")).contains("2027-06-08").contains("2000-01-02 to 2059-12-29");
    }

    @Test
    void the_first_and_last_nights_count() {
        assertThat(Form.nightIn("2000-01-02")).hasValue(LocalDate.of(2000, 1, 2));
        assertThat(Form.nightIn("2059-12-29")).hasValue(LocalDate.of(2059, 12, 29));
        assertThatThrownBy(() -> Form.nightIn("2059-12-30")).isInstanceOf(DateOutOfRange.class);
        assertThat(Form.nightIn("soon")).isEmpty();
    }

    @Test
    void zones_whole_numbers_and_texts() {
        Form form = Form.of(Map.of("zone", "Nowhere/Nothing", "iso", "3200.5", "title", "x".repeat(501)));
        assertThat(form.zone("zone")).isNull();
        assertThat(form.whole("iso", Range.ISO)).isEmpty();
        assertThat(form.text("title", "a title")).isNull();
        assertThat(form.errors()).hasSize(3);
        assertThat(form.copy().hasErrors()).isFalse();
    }

    private enum Colour {
        DEEP_RED,
        BLUE
    }

    @Test
    void choices_are_named_as_addresses_name_them() {
        for (String typed : new String[] {"deep-red", "DEEP_RED", "Deep-Red"}) {
            assertThat(new Form().put("c", typed).oneOf("c", Colour.BLUE)).contains(Colour.DEEP_RED);
        }
        assertThat(new Form().oneOf("c", Colour.BLUE)).contains(Colour.BLUE);
        Form bad = new Form().put("c", "deep red");
        assertThat(bad.oneOf("c", Colour.BLUE)).isEmpty();
        assertThat(bad.error("c")).isEqualTo("Choose one of the list.");
    }

    @Test
    void clocks_are_read_or_answered() {
        assertThat(new Form().put("t", "23:05").clock("t")).contains(java.time.LocalTime.of(23, 5));
        Form empty = new Form();
        assertThat(empty.clock("t")).isEmpty();
        assertThat(empty.hasErrors()).isFalse();
        Form bad = new Form().put("t", "24:61");
        assertThat(bad.clock("t")).isEmpty();
        assertThat(bad.error("t")).contains("hours and minutes");
        assertThat(bad.value("t")).isEqualTo("24:61");
    }
}
