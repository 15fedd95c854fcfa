package dev.halfdusk.core.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Vector;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class FaintStarsTest {

    /** The first two lines of the catalogue, and its counts by magnitude. */
    @Test
    void the_catalogue_is_read_whole() {
        List<double[]> all = new ArrayList<>();
        FaintStars.each((x, y, z, magnitude, kelvin) -> all.add(new double[] {x, y, z, magnitude, kelvin}));
        assertThat(all).hasSize(74_518);
        assertThat(all.stream().filter(s -> s[3] < 7)).hasSize(6530);
        assertThat(all.stream().filter(s -> s[3] >= 8.5)).hasSize(21_717 + 355);
        for (int i = 1; i < all.size(); i++) {
            assertThat(all.get(i)[3]).isGreaterThanOrEqualTo(all.get(i - 1)[3]);
        }
        double[][] lines = {{4.1903, 10.2448, 6.51, 1.864}, {4.4953, -13.4556, 6.51, 0.599}};
        for (double[] line : lines) {
            Vector at = Vector.towards(line[0], line[1]);
            double[] star = all.stream()
                    .filter(s -> new Vector(s[0], s[1], s[2]).angleTo(at) < 0.002)
                    .findFirst()
                    .orElseThrow();
            assertThat(star[3]).isCloseTo(line[2], within(1e-3));
            double bv = line[3];
            assertThat(star[4]).isCloseTo(4600 * (1 / (0.92 * bv + 1.7) + 1 / (0.92 * bv + 0.62)), within(60.0));
        }
    }
}
