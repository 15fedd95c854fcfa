package dev.halfdusk.core.glow;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SkyColourTest {

    @ParameterizedTest
    @CsvSource({"40, #e2a878", "8, #e2a878", "-6, #5c3c58", "-18, #0d0d18", "-60, #0d0d18"})
    void colours_by_the_sun(double altitude, String colour) {
        assertThat(SkyColour.hex(SkyColour.of(altitude, 0))).isEqualTo(colour);
    }

    @Test
    void the_moon_lifts_the_night_and_leaves_the_day() {
        assertThat(SkyColour.difference(SkyColour.of(-30, 1), SkyColour.of(-30, 0)))
                .isGreaterThan(40);
        assertThat(SkyColour.of(5, 1)).isEqualTo(SkyColour.of(5, 0));
        assertThat(SkyColour.moonlight(-1, 0)).isZero();
        assertThat(SkyColour.moonlight(60, 0))
                .isGreaterThan(SkyColour.moonlight(60, 90))
                .isLessThanOrEqualTo(1);
    }
}
