package dev.halfdusk.core.glow;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SkyColourTest {

    private static SkyGlow.Parts light(double moon, double towns) {
        double natural = Luminance.of(21.9);
        return new SkyGlow.Parts(natural, towns * natural, 0, moon * natural, 0);
    }

    @ParameterizedTest
    @CsvSource({"40, #e2a878", "8, #e2a878", "-6, #5c3c58", "-18, #0d0d18", "-60, #0d0d18"})
    void colours_by_the_sun(double altitude, String colour) {
        assertThat(SkyColour.hex(SkyColour.of(altitude, light(0, 0)))).isEqualTo(colour);
    }

    @Test
    void moon_and_towns_lift_the_night_and_leave_the_day() {
        int dark = SkyColour.of(-30, light(0, 0));
        assertThat(SkyColour.difference(SkyColour.of(-30, light(25, 0)), dark)).isGreaterThan(40);
        assertThat(SkyColour.difference(SkyColour.of(-30, light(0, 25)), dark)).isGreaterThan(40);
        assertThat(SkyColour.difference(SkyColour.of(-30, light(0.05, 0)), dark))
                .isLessThan(8);
        assertThat(SkyColour.of(5, light(25, 25))).isEqualTo(SkyColour.of(5, light(0, 0)));
    }
}
