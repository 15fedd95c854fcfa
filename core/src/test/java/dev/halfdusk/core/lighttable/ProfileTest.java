package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A round spot moved along a line, against the sum of many spots. */
class ProfileTest {

    private static Profile of(double sigma, double length, double angleDeg, boolean twice) {
        double w = length * length / (twice ? 4 : 12);
        double doubled = Math.toRadians(2 * angleDeg);
        return new Profile(2 * sigma * sigma + w, w * Math.cos(doubled), w * Math.sin(doubled), twice);
    }

    @ParameterizedTest
    @CsvSource({"1.5, 6, 30, false", "0.8, 0, 0, false", "2, 9, 135, true", "1, 4, 179, false", "1.2, 5, 90, true"})
    void it_says_what_it_was_made_of(double sigma, double length, double angle, boolean twice) {
        Profile p = of(sigma, length, angle, twice);
        assertThat(p.sigma()).isCloseTo(sigma, within(1e-9));
        assertThat(p.length()).isCloseTo(length, within(1e-9));
        assertThat(p.angleDeg()).isCloseTo(angle, within(1e-9));
        assertThat(p.along()).isCloseTo(length * length / (twice ? 4 : 12), within(1e-9));
        assertThat(p.doubled().twice()).isTrue();
        assertThat(p.doubled().trace()).isEqualTo(p.trace());
    }

    /** Never narrower than a fifth of a pixel. */
    @Test
    void a_step_has_an_end() {
        Profile p = new Profile(2, 0.5, -0.25, false).plus(new double[] {4, 1, -2}, 0.25);
        assertThat(p).isEqualTo(new Profile(3, 0.75, -0.75, false));
        assertThat(p.plus(new double[] {-100, 0, 0}, 1).trace()).isEqualTo(0.08);
        assertThat(new Profile(0.01, 0.5, 0, true).sigma()).isCloseTo(0.2, within(1e-9));
        assertThat(Profile.FWHM).isCloseTo(2.354820045, within(1e-9));
    }

    private static double wanted(double sigma, double length, double angleDeg, boolean twice, double dx, double dy) {
        double sum = 0;
        int n = length == 0 ? 1 : twice ? 2 : 400;
        for (int i = 0; i < n; i++) {
            double along = n == 1 ? 0 : twice ? (i - 0.5) * length : ((i + 0.5) / n - 0.5) * length;
            double x = dx - along * Math.cos(Math.toRadians(angleDeg));
            double y = dy - along * Math.sin(Math.toRadians(angleDeg));
            sum += Math.exp(-(x * x + y * y) / (2 * sigma * sigma)) / n;
        }
        return sum / (2 * Math.PI * sigma * sigma);
    }

    @ParameterizedTest(name = "{0} wide, {1} long at {2}\u00b0, twice: {3}")
    @CsvSource({
        "1.3, 0, 0, false",
        "1.3, 0.5, 20, false",
        "1, 0.7, 60, false",
        "1.1, 4, 33, false",
        "0.9, 12, 150, false",
        "1.2, 7, 75, true",
        "2.4, 3, 110, true"
    })
    void light_of_a_pixel(double sigma, double length, double angle, boolean twice) {
        Profile.Drawn drawn = of(sigma, length, angle, twice).drawn();
        double spot = 1 / (2 * Math.PI * sigma * sigma);
        double sum = 0;
        double[] out = new double[3];
        double[] beside = new double[3];
        for (double y = -14.5; y < 15; y++) {
            for (double x = -14.5; x < 15; x++) {
                double here = drawn.at(x, y);
                sum += here;
                double wanted = wanted(sigma, length, angle, twice, x, y);
                assertThat(here).isCloseTo(wanted, within(0.006 * spot));
                drawn.at(x, y, out);
                assertThat(out[0]).isEqualTo(here);
                drawn.at(x + 0.25, y, beside);
                double across = (beside[0] - drawn.at(x - 0.25, y)) / 0.5;
                assertThat(out[1]).isCloseTo(across, within(0.05 * spot / sigma));
                drawn.at(x, y + 0.25, beside);
                double down = (beside[0] - drawn.at(x, y - 0.25)) / 0.5;
                assertThat(out[2]).isCloseTo(down, within(0.05 * spot / sigma));
            }
        }
        assertThat(sum).isCloseTo(1, within(0.004));
        assertThat(drawn.at(60, 60)).isZero();
        drawn.at(60, 60, out);
        assertThat(out).containsOnly(0);
    }
}
