package dev.halfdusk.core.glow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import java.util.List;
import java.util.OptionalDouble;
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

    /** Walker's law at 45° altitude. */
    @ParameterizedTest
    @CsvSource({"50000, 20, 0.28", "300000, 40, 0.30"})
    void light_domes(double people, double distance, double share) {
        Dome dome = new Dome("town", 120, distance, people);
        assertThat(dome.shareAt45()).isCloseTo(share, within(0.005));
        assertThat(dome.share(120, 45)).isCloseTo(dome.shareAt45(), within(1e-9));
        assertThat(dome.share(120, 10)).isGreaterThan(dome.share(120, 45));
        assertThat(dome.share(300, 45)).isLessThan(0.05 * dome.share(120, 45));
        assertThat(dome.share(0, 90)).isCloseTo(dome.share(200, 90), within(1e-12));
    }

    @Test
    void domes_add_to_the_natural_sky_and_a_reading_overrides_their_sum() {
        List<Dome> towns = List.of(new Dome("north", 0, 10, 100_000));
        SkyGlow estimated = SkyGlow.of(OptionalDouble.empty(), 0.17, towns);
        SkyGlow measured = SkyGlow.of(OptionalDouble.of(20.9), 0.17, towns);
        assertThat(estimated.zenith(DARK).magnitude()).isLessThan(21.9);
        assertThat(measured.zenith(DARK).magnitude()).isCloseTo(20.9, within(1e-4));
        double ratio = measured.towards(new Direction(0, 30), 90, 80, DARK).towns()
                / estimated.towards(new Direction(0, 30), 90, 80, DARK).towns();
        double ratioSouth = measured.towards(new Direction(180, 30), 90, 80, DARK)
                        .towns()
                / estimated.towards(new Direction(180, 30), 90, 80, DARK).towns();
        assertThat(ratio).isCloseTo(ratioSouth, within(1e-9));
    }

    @Test
    void brightness_adds_in_linear_units() {
        SkyGlow.Parts two = new SkyGlow.Parts(Luminance.of(21), Luminance.of(21), 0, 0, 0);
        assertThat(two.magnitude()).isCloseTo(21 - 2.5 * Math.log10(2), within(1e-4));
        assertThat(Luminance.magnitude(Luminance.of(19.3))).isCloseTo(19.3, within(1e-9));
    }

    @Test
    void the_core_stands_out_in_the_dark_and_drowns_in_moonlight_and_towns() {
        SkyGlow wild = SkyGlow.natural();
        double dark = wild.coreContrastPercent(new Direction(180, 24), DARK);
        SunAndMoon full = new SunAndMoon(-40, 300, 40, 200, 5);
        assertThat(dark).isBetween(70.0, 180.0);
        assertThat(wild.coreContrastPercent(new Direction(180, 24), full)).isLessThan(0.15 * dark);
        assertThat(SkyGlow.ofZenith(Luminance.ofClass(8)).coreContrastPercent(new Direction(180, 24), DARK))
                .isLessThan(0.1 * dark);
        assertThat(wild.coreContrastPercent(new Direction(180, -1), DARK)).isZero();
    }

    @Test
    void the_band_keeps_to_its_anchors() {
        assertThat(Luminance.magnitude(Band.luminance(0, 0))).isCloseTo(20.7, within(1e-6));
        assertThat(Luminance.magnitude(Band.luminance(80, 0))).isCloseTo(21.6, within(1e-6));
        assertThat(Luminance.magnitude(Band.luminance(180, 0))).isCloseTo(22.3, within(1e-6));
        assertThat(Band.luminance(0, 60)).isLessThan(1e-6 * Band.CORE);
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

    @Test
    void land_under_a_full_moon_is_as_bright_as_photographers_say() {
        SunAndMoon full = new SunAndMoon(-40, 0, 60, 180, 0);
        SunAndMoon none = new SunAndMoon(-40, 0, -40, 0, 180);
        // exposure value at ISO 100 of a mid-grey scene: log2(L × 100 / 12.5), here of ground half a stop and more
        // darker
        double ev = Math.log(GroundLight.luminance(SkyGlow.natural(), full) * 8) / Math.log(2);
        double dark = Math.log(GroundLight.luminance(SkyGlow.natural(), none) * 8) / Math.log(2);
        assertThat(ev).isBetween(-4.6, -3.4);
        assertThat(dark).isBetween(-13.5, -11.5);
        assertThat(GroundLight.moonLux(0, 90)).isCloseTo(0.22, within(0.02));
        assertThat(GroundLight.moonLux(0, -1)).isZero();
        assertThat(GroundLight.moonLux(90, 45)).isLessThan(GroundLight.moonLux(0, 45) / 8);
        assertThat(GroundLight.ofLux(10)).isCloseTo(0.318, within(0.001));
    }
}
