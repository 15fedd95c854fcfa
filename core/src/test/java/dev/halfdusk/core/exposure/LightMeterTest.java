package dev.halfdusk.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LightMeterTest {

    private static final Equivalents.Dials DIALS = Equivalents.Dials.of(
            Rig.of(
                    CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 6400),
                    new Lens(50, 50, 2, 2, Projection.RECTILINEAR)),
            50);

    /** EV 5 is f/8 and 2 s at ISO 100: 64 / 2 = 2⁵. Twice the light is a stop over. */
    @ParameterizedTest
    @CsvSource({"2, 8, 100, 0", "4, 8, 100, 1", "2, 16, 100, -2", "2, 8, 800, 3", "0.5, 8, 100, -2"})
    void the_needle_is_in_stops(double seconds, double aperture, double iso, double stops) {
        assertThat(new LightMeter(5).needle(new Settings(seconds, aperture, iso)))
                .isCloseTo(stops, within(1e-9));
    }

    /** A needle at −2⅔ tells of a scene that asks for as much more. */
    @Test
    void a_reading_is_a_scene() {
        Settings set = new Settings(2, 8, 100);
        LightMeter meter = LightMeter.reading(set, -8 / 3.0);
        assertThat(meter.needle(set)).isCloseTo(-8 / 3.0, within(1e-9));
        assertThat(meter.ev100()).isCloseTo(5 - 8 / 3.0, within(1e-9));
    }

    @Test
    void two_are_locked_and_the_third_suits() {
        LightMeter meter = new LightMeter(5);
        Settings locked = new Settings(0.5, 4, 400);
        assertThat(meter.solve(locked, Equivalents.Free.SHUTTER, DIALS).found().label())
                .isEqualTo("1/8"); // f/4, ISO 400: 16 / (32 × 4)
        assertThat(meter.solve(locked, Equivalents.Free.ISO, DIALS)
                        .found()
                        .settings()
                        .iso())
                .isEqualTo(100);
        assertThat(meter.solve(new Settings(2, 4, 100), Equivalents.Free.APERTURE, DIALS)
                        .found()
                        .settings()
                        .aperture())
                .isEqualTo(8);
    }

    /** f/2 is the widest: at 1/32 s and ISO 100 it lacks two stops, which ISO 400 gives. */
    @Test
    void an_aperture_that_runs_out_names_the_iso_that_makes_it_up() {
        LightMeter meter = new LightMeter(5);
        LightMeter.Suits lacking = meter.solve(new Settings(1 / 32.0, 4, 100), Equivalents.Free.APERTURE, DIALS);
        assertThat(lacking.found().settings().aperture()).isEqualTo(2);
        assertThat(meter.needle(lacking.found().settings())).isCloseTo(-2, within(1e-9));
        assertThat(lacking.iso()).hasValue(400);
        assertThat(meter.solve(new Settings(2, 4, 100), Equivalents.Free.APERTURE, DIALS)
                        .iso())
                .isEmpty();
    }
}
