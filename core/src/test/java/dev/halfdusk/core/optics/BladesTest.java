package dev.halfdusk.core.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.OutOfRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BladesTest {

    /** Eight blades make eight rays, seven fourteen. */
    @Test
    void rays_by_blades() {
        assertThat(new Blades(8).rays()).isEqualTo(8);
        assertThat(new Blades(9).rays()).isEqualTo(18);
        assertThat(new Blades(7).rays()).isEqualTo(14);
        assertThatThrownBy(() -> new Blades(2)).isInstanceOf(OutOfRange.class);
    }

    /** A fifth at 0.9 stops from wide open, evenly more up to two. */
    @ParameterizedTest
    @CsvSource({"0, 0", "0.89, 0", "0.9, 0.2", "1.45, 0.6", "2, 1", "5, 1"})
    void how_strong_rays_are(double stopped, double strength) {
        assertThat(Blades.strength(stopped)).isCloseTo(strength, within(1e-9));
    }

    /** Two stops are twice the f-number. */
    @Test
    void the_aperture_of_strong_rays() {
        assertThat(Blades.strongFrom(2.8)).isCloseTo(5.6, within(1e-9));
        assertThat(Blades.strength(Stops.ofApertures(2.8, Blades.strongFrom(2.8))))
                .isCloseTo(1, within(1e-9));
    }
}
