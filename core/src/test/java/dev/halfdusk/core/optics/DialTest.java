package dev.halfdusk.core.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DialTest {
    /** "6" of a dial is open for 6.35 s, "1/60" for a 64th; a time that no click is called by is itself. */
    @ParameterizedTest
    @CsvSource({"6, 6.3496", "0.0166667, 0.015625", "30, 32", "7, 7", "45, 45"})
    void a_click_is_meant_by_its_name(double said, double open) {
        assertThat(Dial.THIRD.meant(said)).isCloseTo(open, within(1e-4));
    }
}
