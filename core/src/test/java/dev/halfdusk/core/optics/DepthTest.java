package dev.halfdusk.core.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Against thin-lens optics: images of points at the limits make a spot of the circle's width on the sensor. */
class DepthTest {

    @ParameterizedTest(name = "{0} mm f/{1}, {2} mm, focused at {4} m")
    @CsvSource({
        // f, N, c, hyperfocal, focus, near, far, near with the stars in focus
        "20, 2.8, 0.03, 4.78190, 2, 1.41263, 3.42349, 4.76190",
        "20, 2.8, 0.03, 4.78190, 4.5, 2.31863, 76.0135, 4.76190",
        "35, 4, 0.02, 15.3475, 5, 3.77574, 7.39913, 15.3125",
        "200, 4, 0.02, 500.200, 30, 28.3126, 31.9013, 500.000"
    })
    void limits(double f, double n, double c, double hyper, double focus, double near, double far, double stars) {
        Depth d = Depth.of(f, n, c);
        assertThat(d.hyperfocalM()).isCloseTo(hyper, within(hyper * 1e-5));
        assertThat(d.nearM(focus)).isCloseTo(near, within(near * 2e-5));
        assertThat(d.farM(focus)).isCloseTo(far, within(far * 2e-5));
        assertThat(d.nearAtStarsM()).isCloseTo(stars, within(stars * 1e-5));
    }

    @Test
    void focused_at_the_hyperfocal_distance_half_of_it_to_the_stars_is_sharp() {
        Depth d = Depth.of(20, 2.8, 0.03);
        assertThat(d.nearM(d.hyperfocalM())).isCloseTo(d.hyperfocalM() / 2, within(1e-9));
        assertThat(d.farM(d.hyperfocalM())).isInfinite();
        assertThat(d.farM(d.hyperfocalM() - 1e-6)).isFinite();
    }

    @ParameterizedTest
    @CsvSource({
        "36, 24, 6000, 0.0300, 0.0120",
        "23.5, 15.7, 6000, 0.01959, 0.007833",
        "17.4, 13, 5184, 0.01506, 0.006713"
    })
    void circles_that_count_as_points(double width, double height, int pixels, double print, double pixel) {
        Sensor sensor = Sensor.of(width, height, pixels);
        assertThat(Depth.printCircleMm(sensor)).isCloseTo(print, within(1e-5));
        assertThat(Depth.pixelCircleMm(sensor)).isCloseTo(pixel, within(1e-6));
        // two pixels of 6 µm are as wide as a star's disc at f/8.94
        assertThat(Depth.diffractionAperture(sensor)).isCloseTo(pixel * 1000 / (2.44 * 0.55), within(0.001));
    }

    @Test
    void the_disc_of_a_star() {
        assertThat(Depth.of(20, 2.8, 0.03).airyUm()).isCloseTo(3.7576, within(1e-4));
        assertThat(Depth.of(20, 16, 0.03).airyUm()).isCloseTo(21.472, within(1e-3));
    }

    @ParameterizedTest(name = "from {0} m")
    @CsvSource({"1.2, 1.59755 4.77399", "2.3, 4.43020", "3, 4.78190", "4.9, ''"})
    void frames_to_blend_with_that_of_the_stars(double nearest, String focuses) {
        List<Double> expected = focuses.isEmpty()
                ? List.of()
                : Arrays.stream(focuses.split(" ")).map(Double::valueOf).toList();
        Depth d = Depth.of(20, 2.8, 0.03);
        List<Double> found = d.blend(nearest);
        assertThat(found).hasSameSizeAs(expected);
        double sharpFrom = nearest;
        for (int i = 0; i < found.size(); i++) {
            assertThat(found.get(i)).isCloseTo(expected.get(i), within(2e-4));
            assertThat(d.nearM(found.get(i))).isLessThanOrEqualTo(sharpFrom + 1e-9);
            sharpFrom = d.farM(found.get(i));
        }
        assertThat(sharpFrom).isGreaterThanOrEqualTo(d.nearAtStarsM());
    }

    @Test
    void as_many_frames_as_it_takes_and_no_absurd_circles() {
        // each frame covers what the last left: 200 mm at f/2.8 is sharp over 1/H at a time
        Depth tele = Depth.of(200, 2.8, 0.01);
        List<Double> many = tele.blend(10);
        assertThat(many.size()).isBetween(60, 80).isEqualTo((int) Math.ceil(tele.hyperfocalM() / (2 * 10)));
        assertThatThrownBy(() -> Depth.of(35, 4, 1)).hasMessageContaining("circle of confusion 1");
    }
}
