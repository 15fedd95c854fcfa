package dev.halfdusk.core.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Settings, dials, and how a sensor answers. */
class SettingsTest {

    @ParameterizedTest
    @CsvSource({
        "8, 1.8, 3200, 16, 1.8, 3200, 1",
        "8, 2, 3200, 8, 4, 3200, -2",
        "10, 2.8, 1600, 10, 2.8, 6400, 2",
        "30, 4, 800, 15, 2.8284, 800, 0",
        "1, 2, 100, 4, 8, 400, 0"
    })
    void stops_between_settings(double t, double n, double iso, double t2, double n2, double iso2, double stops) {
        Settings one = new Settings(t, n, iso);
        assertThat(one.stopsTo(new Settings(t2, n2, iso2))).isCloseTo(stops, within(0.001));
        assertThat(one.withSeconds(t2).withAperture(n2).withIso(iso2)).isEqualTo(new Settings(t2, n2, iso2));
    }

    @Test
    void stops_are_factors_of_two() {
        assertThat(Stops.of(8)).isCloseTo(3, within(1e-12));
        assertThat(Stops.ratio(-2)).isEqualTo(0.25);
        assertThat(Stops.ofApertures(2, 8)).isCloseTo(4, within(1e-12));
    }

    @ParameterizedTest
    @CsvSource({"0, 2, 100, shutter 0", "Infinity, 2, 100, shutter", "1, 0.5, 100, aperture", "1, 2, 10, ISO 10"})
    void what_no_camera_has_is_refused(double seconds, double aperture, double iso, String why) {
        assertThatThrownBy(() -> new Settings(seconds, aperture, iso)).hasMessageContaining(why);
    }

    /** √(2² + (8/gain)²), 50 000 electrons at ISO 100, log2 of their ratio. */
    @ParameterizedTest
    @CsvSource({"100, 8.24621, 50000, 12.5659", "400, 2.82843, 12500, 12.1097", "1600, 2.06155, 3125, 10.5659"})
    void read_noise_white_and_the_range_between(double iso, double noise, double white, double stops) {
        Response sensor = new Response(50_000, 100, 2, 8, 0, 0.5);
        assertThat(sensor.readNoiseE(iso)).isCloseTo(noise, within(1e-4));
        assertThat(sensor.saturationE(iso)).isCloseTo(white, within(1e-9));
        assertThat(sensor.rangeStops(iso)).isCloseTo(stops, within(0.001));
        assertThat(new Response(1000, 100, 0, 0, 0, 0.5).rangeStops(100)).isCloseTo(13.288, within(0.001));
    }

    @Test
    void iso_dials() {
        assertThat(IsoDial.between(100, 400)).containsExactly(100, 125, 160, 200, 250, 320, 400);
        assertThat(IsoDial.between(50, 60)).containsExactly(50);
        List<Integer> steps = IsoDial.between(100, 6400);
        assertThat(IsoDial.nearest(steps, 2900)).isEqualTo(3200);
        assertThat(IsoDial.nearest(steps, 140)).isEqualTo(125);
        assertThat(IsoDial.nearest(steps, 99_999)).isEqualTo(6400);
        assertThat(IsoDial.atLeast(steps, 2500)).contains(2500);
        assertThat(IsoDial.atLeast(steps, 2501)).contains(3200);
        assertThat(IsoDial.atLeast(steps, 7000)).isEmpty();
        assertThat(Dial.HALF.stepsPerStop()).isEqualTo(2);
        assertThat(Dial.FULL.shutters()).hasSize(19);
    }

    @ParameterizedTest
    @CsvSource({"36, 24, 6000, 29, 8.4", "36, 24, 7040, 40, 11.6", "3, 2, 320, 1, 1"})
    void files_by_pixels(double width, double height, int pixels, double raw, double jpeg) {
        CameraBody.Files files = CameraBody.Files.typical(Sensor.of(width, height, pixels));
        assertThat(files.rawMb()).isEqualTo(raw);
        assertThat(files.jpegMb()).isCloseTo(jpeg, within(1e-9));
        assertThat(new CameraBody.Files(30, 10, 20, 120).rawSeconds()).isEqualTo(0.25);
    }
}
