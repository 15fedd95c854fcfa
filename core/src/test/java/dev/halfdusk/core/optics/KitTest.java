package dev.halfdusk.core.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalTime;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class KitTest {

    @ParameterizedTest(name = "{0} × {1} mm, {2} px: {3} µm, {4} MP, crop {5}")
    @CsvSource({
        "36, 24, 7040, 5.11, 33.0, 1.00",
        "23.5, 15.7, 6240, 3.77, 26.0, 1.53",
        "17.4, 13, 5184, 3.36, 20.1, 1.99",
        "13.2, 8.8, 5472, 2.41, 20.0, 2.73"
    })
    void sensors(double width, double height, int pixels, double pitch, double megapixels, double crop) {
        Sensor s = Sensor.of(width, height, pixels);
        assertThat(s.pitchUm()).isCloseTo(pitch, within(0.01));
        assertThat(s.megapixels()).isCloseTo(megapixels, within(0.1));
        assertThat(s.crop()).isCloseTo(crop, within(0.01));
        assertThat(s.pixelsAcross()).isEqualTo(pixels);
        assertThat(s.portrait().pixelsHigh()).isEqualTo(pixels);
    }

    @Test
    void a_body_never_shoots_faster_than_it_can_nor_longer_than_asked() {
        CameraBody slow = new CameraBody(
                Sensor.of(36, 24, 6000),
                Dial.THIRD,
                1 / 4000.0,
                6400,
                1600,
                Response.generic(6),
                false,
                new CameraBody.Files(30, 10, 20, 100),
                false,
                0,
                600);
        assertThat(slow.shutterAtMost(1 / 6400.0)).isEmpty();
        assertThat(slow.shutterAtMost(1 / 3900.0).orElseThrow().label()).isEqualTo("1/4000");
        assertThat(slow.shutterAtMost(15.5).orElseThrow().label()).isEqualTo("13");
        assertThat(slow.shutterAtMost(1 / 4000.0)).isPresent();
        assertThat(slow.isoSteps()).startsWith(100).endsWith(6400);
        assertThat(slow.isos().allowed()).isEqualTo("25 to 6400");
    }

    @Test
    void generic_bodies_follow_their_pixels() {
        assertThat(Response.generic(6).fullWellE()).isCloseTo(64_800, within(1.0));
        assertThat(Response.generic(0.5).fullWellE()).isEqualTo(500); // never below what is allowed
        CameraBody body = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.FULL, 800);
        assertThat(body.comfortableIso()).isEqualTo(800);
        assertThat(body.files().rawMb()).isEqualTo(29);
    }

    @Test
    void apertures_of_a_lens_in_third_stops() {
        assertThat(ApertureDial.between(1.8, 4)).containsExactly(1.8, 2.0, 2.2, 2.5, 2.8, 3.2, 3.5, 4.0);
        assertThat(ApertureDial.between(7.8, 11)).containsExactly(7.8, 8.0, 9.0, 10.0, 11.0);
        assertThat(ApertureDial.nearest(ApertureDial.between(1.8, 22), 2.95)).isEqualTo(2.8);
    }

    @ParameterizedTest
    @CsvSource({"50, 24, 2.8, 2.8, 22, long end", "24, 50, 2.8, 4, 3.5, narrowest", "24, 50, 0.2, 4, 22, aperture"})
    void contradictory_lenses_are_refused(
            double shortest, double longest, double wide, double wideLong, double narrowest, String why) {
        assertThatThrownBy(() -> new Lens(
                        shortest,
                        longest,
                        wide,
                        wideLong,
                        narrowest,
                        Projection.RECTILINEAR,
                        0.9,
                        true,
                        100,
                        OptionalDouble.empty()))
                .hasMessageContaining(why);
    }

    /** Over midnight the nearer way counts: 00:00:03 shown at 23:59:58 is five seconds fast. */
    @Test
    void a_clock_is_fast_or_slow_the_nearer_way_round() {
        assertThat(CameraBody.clockAhead(LocalTime.of(0, 0, 3), LocalTime.of(23, 59, 58)))
                .isEqualTo(5);
        assertThat(CameraBody.clockAhead(LocalTime.of(23, 59, 58), LocalTime.of(0, 0, 3)))
                .isEqualTo(-5);
        assertThat(CameraBody.clockAhead(LocalTime.of(22, 0), LocalTime.of(21, 0)))
                .isEqualTo(3600);
    }
}
