package dev.halfdusk.core.ground;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SkylineTextTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "10,5.5\n350,7",
                "10;5,5\n350;7",
                "10 5.5\r\n350 7\r\n",
                "10\t5,5\n\n350\t7",
                "azimuth,altitude\n10,5.5\n350,7",
                "\uFEFFAzimut;H\u00f6he\n10;5,5\n350;7"
            })
    void lines_in_every_usual_form(String text) {
        Skyline skyline = SkylineText.parse(text);
        assertThat(skyline.points()).containsExactly(new Skyline.Point(10, 5.5), new Skyline.Point(350, 7));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "10,5 20,91|Line 2: altitude 91",
                "10,5 20|Line 2",
                "10,5 400,5|Line 2: azimuth 400",
                "10,5 x,y|Line 2",
                "10,5 10,6|two altitudes",
                "1,2,3|Line 1"
            })
    void the_line_and_the_reason_are_named(String text, String words) {
        assertThatThrownBy(() -> SkylineText.parse(text.replace(' ', '\n')))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(words);
    }

    @Test
    void what_is_written_is_read_again() {
        Skyline skyline = SkylineText.parse("0,9\n40,14\n335,-1.25");
        assertThat(SkylineText.parse(SkylineText.write(skyline)))
                .isEqualTo(skyline)
                .hasSameHashCodeAs(skyline);
        assertThat(SkylineText.parse("")).isEqualTo(Skyline.FLAT);
    }

    @Test
    void endless_text_is_refused() {
        assertThatThrownBy(() -> SkylineText.parse("1,1\n".repeat(3000))).hasMessageContaining("at most 2000");
    }
}
