package dev.halfdusk.core.glow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SkyGlowTest {

    private static SunAndMoon sun(double altitude) {
        return new SunAndMoon(altitude, 270, -30, 0, 90);
    }

    private static final SunAndMoon DARK = sun(-40);

    @ParameterizedTest
    @CsvSource({"-6, 13.30", "-9, 17.00", "-12, 19.67", "-15, 21.32"})
    void twilight_at_the_zenith_as_measured(double sun, double magnitude) {
        assertThat(SkyGlow.natural().zenith(sun(sun)).magnitude()).isCloseTo(magnitude, within(0.005));
    }

    @Test
    void twilight_fades_steadily_and_ends_at_eighteen_degrees() {
        double last = Double.MAX_VALUE;
        for (double altitude = 40; altitude >= -20; altitude -= 0.05) {
            double light = SkyGlow.natural().zenith(sun(altitude)).total();
            assertThat(light).as("sun at %s", altitude).isLessThanOrEqualTo(last * 1.0000001);
            last = light;
        }
        assertThat(SkyGlow.natural().zenith(sun(-18)).twilight()).isZero();
        assertThat(SkyGlow.natural().zenith(sun(-18.5)).magnitude()).isCloseTo(21.9, within(1e-4));
    }

    @Test
    void twilight_is_brightest_low_towards_the_sun() {
        SkyGlow glow = SkyGlow.natural();
        double towards = glow.towards(new Direction(270, 10), 90, 80, sun(-12)).twilight();
        double away = glow.towards(new Direction(90, 10), 90, 80, sun(-12)).twilight();
        assertThat(towards).isGreaterThan(5 * away);
        assertThat(glow.towards(new Direction(270, 90), 90, 80, sun(-12)).twilight())
                .isCloseTo(glow.zenith(sun(-12)).twilight(), within(1e-9));
    }

    /** Published checks of the moonlight model: nanolamberts and the sky with a dark zenith of 79 nL, k = 0.172. */
    @ParameterizedTest
    @CsvSource({"30, 60, 45, 20, 606.0, 19.24", "90, 90, 60, 10, 73.1, 20.87", "0, 45, 30, 30, 1868.4, 18.10"})
    void moonlight(double phase, double separation, double moonZenith, double zenith, double nanolamberts, double sky) {
        double light = Moonlight.nanolamberts(phase, separation, 90 - moonZenith, 90 - zenith, 0.172);
        assertThat(light).isCloseTo(nanolamberts, within(0.05));
        double mass = Air.mass(90 - zenith);
        double dark = 79 * mass * Air.transmission(0.172, mass - 1);
        double magnitude = (20.7233 - Math.log((light + dark) / 34.08)) / 0.92104;
        assertThat(magnitude).isCloseTo(sky, within(0.006));
        assertThat(Luminance.magnitude((light + dark) * 1e-5 / Math.PI)).isCloseTo(magnitude, within(0.01));
    }

    @Test
    void a_moon_under_the_horizon_gives_no_light_and_a_rising_one_no_jump() {
        assertThat(Moonlight.nanolamberts(0, 90, 0, 90, 0.17)).isZero();
        assertThat(Moonlight.nanolamberts(0, 90, 0.01, 90, 0.17)).isLessThan(1);
        assertThat(Moonlight.zenithBrightening(new SunAndMoon(-40, 0, 45, 0, 0)))
                .isBetween(2.5, 4.0);
        assertThat(Moonlight.zenithBrightening(new SunAndMoon(-40, 0, 20, 0, 150)))
                .isLessThan(0.1);
    }

    @Test
    void brightness_adds_in_linear_units() {
        SkyGlow.Parts two = new SkyGlow.Parts(Luminance.of(21), Luminance.of(21), 0, 0, 0);
        assertThat(two.magnitude()).isCloseTo(21 - 2.5 * Math.log10(2), within(1e-4));
        assertThat(Luminance.magnitude(Luminance.of(19.3))).isCloseTo(19.3, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"1,21.9", "4,20.9", "5,20.0", "9,17.5"})
    void darkness_classes(int darknessClass, double magnitude) {
        assertThat(Luminance.ofClass(darknessClass)).isEqualTo(magnitude);
    }

    @Test
    void absurd_skies_are_refused() {
        assertThatThrownBy(() -> Luminance.ofClass(0)).hasMessageContaining("1 to 9");
        assertThatThrownBy(() -> SkyGlow.ofZenith(30)).hasMessageContaining("15 to 22.5");
        assertThatThrownBy(() -> new Dome("x", 0, -1, 5)).hasMessageContaining("0 to 500 km");
    }
}
