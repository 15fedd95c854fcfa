package dev.halfdusk.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CirclesTest {

    /** Unit circles through each other's middles share 2π/3 − √3/2; radius 1 and 2, 2.5 apart, by strips. */
    @ParameterizedTest
    @CsvSource({
        "1, 1, 1, 1.228370",
        "1, 1, 0, 3.141593",
        "1, 1, 2, 0",
        "1, 1, 3, 0",
        "1, 2, 0.5, 3.141593",
        "2, 1, 1, 3.141593",
        "1, 2, 2.5, 0.5224",
        "2, 1, 2.5, 0.5224"
    })
    void the_area_that_both_share(double a, double b, double apart, double area) {
        assertThat(Circles.shared(a, b, apart)).isCloseTo(area, within(0.0006));
    }
}
