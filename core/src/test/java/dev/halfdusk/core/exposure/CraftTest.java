package dev.halfdusk.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.optics.ApertureDial;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class CraftTest {

    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 25_600);

    private static final Equivalents.Dials DIALS =
            new Equivalents.Dials(Dial.THIRD, ApertureDial.between(1.8, 22), IsoDial.between(100, 51_200));

    @Test
    void light_painting_of_a_spot_and_a_wall() {
        LightPainting lamp = new LightPainting(100, 30, 5);
        assertThat(lamp.secondsStill(4, 800)).isCloseTo(0.27, within(0.005));
        // 30° at 5 m: a disc of 1.34 m radius, 5.64 m²
        assertThat(lamp.spotM2()).isCloseTo(5.64, within(0.01));
        assertThat(lamp.secondsSwept(4, 800, 56.4)).isCloseTo(2.7, within(0.03));
        assertThat(lamp.secondsSwept(4, 800, 1)).isEqualTo(lamp.secondsStill(4, 800));
    }

    @Test
    void the_free_one_of_three_follows_on_real_steps() {
        Settings wanted = new Settings(8, 2.8, 3200);
        Equivalents.Equivalent shutter =
                Equivalents.solve(wanted, new Settings(1, 2.8, 12_800), Equivalents.Free.SHUTTER, DIALS);
        assertThat(shutter.label()).isEqualTo("2");
        assertThat(shutter.offStops()).isCloseTo(0, within(0.01));
        Equivalents.Equivalent iso = Equivalents.solve(wanted, new Settings(4, 2, 100), Equivalents.Free.ISO, DIALS);
        assertThat(iso.settings().iso()).isEqualTo(3200);
        Equivalents.Equivalent aperture =
                Equivalents.solve(wanted, new Settings(2, 8, 3200), Equivalents.Free.APERTURE, DIALS);
        assertThat(aperture.settings().aperture()).isEqualTo(1.8); // f/1.4 would be wanted; the lens ends there
        assertThat(aperture.offStops()).isCloseTo(-0.73, within(0.02));
    }

    @Test
    void brackets_stop_at_the_ends_of_the_dial() {
        assertThat(Equivalents.bracket(Dial.THIRD, 1 / 60.0, 2, 1))
                .extracting(Dial.Stop::label)
                .containsExactly("1/250", "1/125", "1/60", "1/30", "1/15");
        assertThat(Equivalents.bracket(Dial.THIRD, 20, 2, 1))
                .extracting(Dial.Stop::label)
                .containsExactly("5", "10", "20");
    }

    @Test
    void film_answers_less_to_faint_light() {
        Film film = new Film(800, 1.3);
        assertThat(film.corrected(10)).isCloseTo(19.95, within(0.01));
        assertThat(film.corrected(0.5)).isEqualTo(0.5);
        assertThat(film.metered(19.95)).isCloseTo(10, within(0.01));
        assertThat(film.metered(0.5)).isEqualTo(0.5);
        assertThat(film.seconds(40, Film.Metering.SHADOWS)).isCloseTo(19.95, within(0.01));
        assertThat(Film.subjects(10, 3)).isEqualTo(3);
    }

    @Test
    void exposure_values_there_and_back() {
        // sunny sixteen: EV 15 is 1/128 s at f/16, ISO 100
        assertThat(SceneLight.seconds(15, 16, 100)).isCloseTo(1 / 128.0, within(1e-6));
        assertThat(SceneLight.ev(new Settings(1 / 128.0, 16, 100))).isCloseTo(15, within(1e-9));
        assertThat(SceneLight.ev(new Settings(8, 2, 3200))).isCloseTo(-6, within(1e-9));
    }

    @Test
    void scenes_agree_with_the_light_that_falls_on_them() {
        // middle grey under so many lux: L = 0.18 E / π, EV = log2(L × 100 / 12.5)
        double[][] lux = {{-3, 0.22}, {-11, 0.001}};
        for (double[] pair : lux) {
            double ev = Math.log(0.18 * pair[1] / Math.PI * 8) / Math.log(2);
            assertThat(SceneLight.SCENES).anyMatch(s -> s.ev() == pair[0] && Math.abs(s.ev() - ev) <= s.spread());
        }
    }

    @Test
    void a_meter_is_fooled_by_a_moon_on_black_and_by_snow() {
        assertThat(SceneLight.meterError(1, 0, 0.18)).isCloseTo(0, within(1e-9));
        assertThat(SceneLight.meterError(1 / 64.0, 30, 0.18)).isCloseTo(6, within(0.001));
        assertThat(SceneLight.meterError(1, 0, 0.72)).isCloseTo(-2, within(0.001));
    }

    @Test
    void a_tracker_trades_stars_for_ground() {
        Optics optics = new Optics(Sensor.of(36, 24, 6000), 135, Projection.RECTILINEAR); // 9.167″ a pixel
        Tracking good = Tracking.of(new Support(Support.Kind.SIDEREAL, 6), optics, 3);
        assertThat(good.limitSeconds()).isCloseTo(275, within(0.1));
        assertThat(good.starPx(60)).isCloseTo(0.6545, within(0.001));
        assertThat(good.groundPx(60)).isCloseTo(98.4, within(0.1));
        Tracking lunar = Tracking.of(new Support(Support.Kind.LUNAR, 0), optics, 3);
        assertThat(lunar.limitSeconds()).isCloseTo(3 * 9.167 / 0.5511, within(0.1));
        assertThat(Tracking.of(new Support(Support.Kind.SIDEREAL, 0), optics, 3).limitSeconds())
                .isEqualTo(14_400);
    }

    @Test
    void people_hold_still_for_less() {
        List<Portrait.Choice> choices = Portrait.choices(new Settings(12.7, 1.8, 3200), BODY);
        assertThat(choices).extracting(c -> c.shutter().label()).containsExactly("6", "3.2", "1.6", "0.8");
        assertThat(choices.get(0).iso()).isEqualTo(6400);
        assertThat(choices.get(3).iso()).isEqualTo(25_600);
        assertThat(choices.get(3).offStops()).isCloseTo(-1, within(0.03));
        assertThat(Portrait.choices(new Settings(2, 1.8, 3200), BODY)).hasSize(2);
    }

    @ParameterizedTest
    @EnumSource(Advice.Subject.class)
    void every_subject_has_four_pieces_of_advice_with_reasons(Advice.Subject subject) {
        for (Support.Kind support : Support.Kind.values()) {
            assertThat(Advice.of(subject, false, support, 20))
                    .hasSize(4)
                    .allMatch(i -> !i.because().isBlank());
        }
        assertThat(Advice.of(subject, true, Support.Kind.TRIPOD, 20).get(0).because())
                .contains("modified");
    }
}
