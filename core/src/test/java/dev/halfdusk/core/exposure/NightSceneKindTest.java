package dev.halfdusk.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Direction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NightSceneKindTest {

    /** A meter calibrated at 12.5 takes 1/8 cd/m² for EV 0 at ISO 100, 1 cd/m² for EV 3; land under a full moon (0.22 lux × 0.1 / π) has EV −4.2. */
    @ParameterizedTest
    @CsvSource({"0.125, 0", "1, 3", "16, 7", "0.007, -4.158"})
    void luminance_and_exposure_value(double cdM2, double ev) {
        assertThat(SceneLight.evOf(cdM2)).isCloseTo(ev, within(0.001));
    }

    /** A street of EV 3 with as much light again from the sky is at EV 4; without any it is as it is; moonlit land has the sky's alone. */
    @Test
    void blue_hour_adds_to_lamps() {
        assertThat(NightSceneKind.STREET.ev(0)).isCloseTo(3, within(1e-9));
        assertThat(NightSceneKind.STREET.ev(1)).isCloseTo(4, within(1e-9));
        assertThat(NightSceneKind.MOONLIT.ev(0.125)).isCloseTo(0, within(1e-9));
        assertThat(NightSceneKind.MOONLIT.ev(0)).isEqualTo(SceneLight.EV.min());
        assertThat(NightSceneKind.MOONLIT.lamps()).isFalse();
        assertThat(NightSceneKind.NEON.lamps()).isTrue();
    }

    /** The sky of a night at 21.5 beside its ground, which gives back a tenth of its zenith: half of both. */
    @Test
    void a_frame_is_half_sky_and_half_ground() {
        SkyGlow glow = SkyGlow.ofZenith(21.5);
        SunAndMoon dark = new SunAndMoon(-40, 0, -40, 0, 180);
        double sky = glow.withoutMilkyWay(new Direction(60, 12), dark).total();
        double ground = 0.1 * glow.zenith(dark).total();
        assertThat(NightSceneKind.natural(glow, dark, 60)).isCloseTo((sky + ground) / 2, within(0.001 * sky));
    }

    @ParameterizedTest
    @CsvSource({"-4, 3", "-7.9, 3", "-8, 1", "-30, 1"})
    void a_skyline_is_brighter_in_blue_hour(double sun, double ev) {
        assertThat(SceneLight.skylineEv(sun)).isEqualTo(ev);
    }

    /** EV 3 is 1 cd/m²; half of that from the sky leaves 0.5 cd/m², which ground of 0.1 gives back at 5 π lux. */
    @Test
    void lamps_give_what_the_sky_does_not() {
        assertThat(NightSceneKind.lampLux(3, 0.5)).isCloseTo(5 * Math.PI, within(1e-9));
        assertThat(NightSceneKind.lampLux(3, 2)).isZero();
        assertThat(NightSceneKind.lampLux(20, 0)).isEqualTo(1000);
    }
}
