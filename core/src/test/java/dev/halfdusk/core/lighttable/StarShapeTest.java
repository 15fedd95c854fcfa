package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.frame.CameraCurve;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Stars drawn by a generator of its own: sums of point after point of a normal or a winged profile. */
class StarShapeTest {

    private static MadeUpFrame frame(double sigma, double length, double angle, double wings, double level, long seed) {
        return new MadeUpFrame(900, 600, seed)
                .sky(level)
                .stars(220, 0.01, 0.8 * Math.max(1, length / sigma / 3), wings, (x, y) ->
                        new double[] {sigma, length, angle})
                .noise(0.002, 0.01);
    }

    private static StarShape shape(Pixels pixels, Encoding encoding) {
        SpotFinder.Found found = SpotFinder.in(pixels);
        return StarField.shape(new ShapeFit(pixels, found.noise(), encoding), found.spots(), found.spots())
                .orElseThrow();
    }

    @ParameterizedTest(name = "width {0} sigma, length {1} at {2}, wings {3}")
    @CsvSource({
        "0.7, 0, 0, 0, 0.10", "0.7, 1, 37, 0, 0.10", "0.7, 5, 120, 0, 0.10", "0.7, 20, 3, 0, 0.10",
        "1.2, 0, 0, 0, 0.10", "1.2, 2, 90, 0, 0.10", "1.2, 10, 178, 0, 0.10", "2, 0, 0, 0, 0.10",
        "2, 5, 45, 0, 0.10", "2, 20, 150, 0, 0.10", "0.7, 5, 37, 3, 0.14", "1.2, 10, 80, 3, 0.14",
        "2, 2, 10, 3, 0.14", "1.2, 0, 0, 3, 0.14"
    })
    void width_length_and_direction_are_found(double sigma, double length, double angle, double wings, double share) {
        StarShape s = shape(frame(sigma, length, angle, wings, 0.03, 4).linear16(), Encoding.LINEAR);
        double fwhm = sigma * 2.35482;
        assertThat(s.widthPx()).isCloseTo(fwhm, within(share * fwhm));
        assertThat(s.lengthPx()).isCloseTo(length, within(Math.max(0.3, 0.1 * length)));
        if (length > 0) {
            assertThat(s.offDeg(angle)).isLessThan(3);
        }
        assertThat(s.twice()).isFalse();
        assertThat(s.elongation())
                .isCloseTo(Math.sqrt(1 + length * length / 12 / (sigma * sigma)), within(share * s.elongation()));
    }

    @Test
    void faint_stars_in_noise_are_not_drawn_out_by_it() {
        Random random = new Random(9);
        for (int i = 0; i < 40; i++) {
            double sigma = 0.7 + 1.3 * random.nextDouble();
            double level = 0.02 + 0.1 * random.nextDouble();
            Pixels pixels = new MadeUpFrame(480, 320, i)
                    .sky(level)
                    .dome(level, 1.5)
                    .stars(90, 0.01, 0.3, i % 2 == 0 ? 0 : 3, (x, y) -> new double[] {sigma, 0, 0})
                    .noise(0.003, 0.01)
                    .linear16();
            assertThat(shape(pixels, Encoding.LINEAR).lengthPx())
                    .as("frame %d, sigma %f", i, sigma)
                    .isLessThan(Judge.TOLERANCE_PX / 2);
        }
    }

    /** Under the right curve faint and bright stars are equally wide. */
    @ParameterizedTest
    @CsvSource({"LINEAR", "SRGB", "CAMERA"})
    void the_curve_of_a_file_is_found_by_its_stars(Encoding right) {
        DoubleUnaryOperator curve = switch (right) {
            case LINEAR -> v -> v;
            case SRGB -> Tone::position;
            case CAMERA -> CameraCurve::position;
        };
        Pixels pixels = frame(1.1, 3, 30, 0, 0.04, 3).pixels(8, Encoding.SRGB, curve);
        SpotFinder.Found found = SpotFinder.in(pixels);
        Encoding encoding = StarField.encoding(pixels, found);
        assertThat(encoding).isEqualTo(right);
        StarShape s = shape(pixels, encoding);
        assertThat(s.widthPx()).isCloseTo(1.1 * 2.35482, within(0.26));
        assertThat(s.lengthPx()).isCloseTo(3, within(0.3));
    }

    @Test
    void a_file_that_was_compressed_with_loss_is_never_linear() {
        MadeUpFrame frame = frame(1.1, 3, 30, 0, 0.04, 3);
        Pixels plain = frame.pixels(8, Encoding.SRGB, false, v -> v);
        Pixels compressed = frame.pixels(8, Encoding.SRGB, true, v -> v);
        assertThat(StarField.encoding(plain, SpotFinder.in(plain))).isEqualTo(Encoding.LINEAR);
        assertThat(StarField.encoding(compressed, SpotFinder.in(compressed))).isNotEqualTo(Encoding.LINEAR);
    }

    @Test
    void two_positions_are_told_from_a_line() {
        MadeUpFrame frame = new MadeUpFrame(900, 600, 1).sky(0.03);
        Random random = new Random(2);
        for (int i = 0; i < 150; i++) {
            double x = 900 * random.nextDouble();
            double y = 600 * random.nextDouble();
            double peak = 0.02 + 0.3 * random.nextDouble();
            frame.star(x, y, peak, 1, 0, 0, 0);
            frame.star(x + 3, y + 4, peak, 1, 0, 0, 0);
        }
        StarShape s = shape(frame.noise(0.002, 0.01).linear16(), Encoding.LINEAR);
        assertThat(s.twice()).isTrue();
        assertThat(s.lengthPx()).isCloseTo(5, within(0.5));
        assertThat(s.offDeg(53.1)).isLessThan(3);
    }

    @Test
    void curves_go_there_and_back() {
        for (double share = 0; share <= 1; share += 0.05) {
            assertThat(CameraCurve.share(CameraCurve.position(share))).isCloseTo(share, within(1e-6));
            assertThat(Encoding.SRGB.light(Tone.position(share))).isCloseTo(share, within(1e-9));
        }
        assertThat(Encoding.LINEAR.light(1.4)).isEqualTo(1);
    }
}
