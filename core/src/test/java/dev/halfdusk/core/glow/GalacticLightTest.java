package dev.halfdusk.core.glow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Galaxy;
import java.io.IOException;
import java.io.InputStream;
import java.util.zip.GZIPInputStream;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class GalacticLightTest {

    /** Mean of a square of three degrees, magnitudes. */
    private static double square(double longitude, double latitude) {
        double sum = 0;
        for (int i = -12; i <= 12; i++) {
            for (int j = -12; j <= 12; j++) {
                sum += GalacticLight.stars(longitude + i / 8.0, latitude + j / 8.0);
            }
        }
        return Luminance.magnitude(sum / 625);
    }

    /** Brightest square within some degrees, against what such places are known to have. */
    @ParameterizedTest
    @CsvSource({
        "2, -3, 6, 20.7, 0.2", // clouds of the core
        "287.6, -0.7, 1, 21.1, 0.2", // Carina
        "72, 4, 0, 22.0, 0.2", // Cygnus
        "180, 0, 2, 22.8, 0.2", // anticentre
        "280.5, -32.9, 1, 21.2, 0.4", // the Large Cloud
        "302.8, -44.3, 1, 22.2, 0.4" // the Small Cloud, smaller than the square
    })
    void bright_places(double longitude, double latitude, double reach, double magnitude, double tolerance) {
        double best = 99;
        for (double dl = -reach; dl <= reach; dl++) {
            for (double db = -reach / 2; db <= reach / 2; db++) {
                best = Math.min(best, square(longitude + dl, latitude + db));
            }
        }
        assertThat(best).isCloseTo(magnitude, within(tolerance));
    }

    @Test
    void lanes_are_dark_and_the_poles_have_no_light() {
        assertThat(GalacticLight.stars(4, 2)).isLessThan(0.5 * GalacticLight.stars(4, -4)); // the rift above the core
        assertThat(square(303, -0.5)).isGreaterThan(square(306, -3)); // the Coalsack
        assertThat(GalacticLight.stars(100, 61)).isZero();
        assertThat(GalacticLight.stars(100, -75)).isZero();
        assertThat(GalacticLight.nebulae(287.6, -0.7)).isGreaterThan(20 * GalacticLight.nebulae(287.6, 12));
    }

    /** The map's seam is at the anticentre; longitudes may be off by a turn. */
    @Test
    void it_has_no_seam() {
        assertThat(GalacticLight.stars(179.999, 1)).isCloseTo(GalacticLight.stars(180.001, 1), within(2e-6));
        assertThat(GalacticLight.stars(-30, 1)).isEqualTo(GalacticLight.stars(330, 1));
        assertThat(GalacticLight.column(180 - 0.0625)).isCloseTo(0, within(1e-9));
        assertThat(GalacticLight.row(60 - 0.0625)).isCloseTo(0, within(1e-9));
    }

    /** Whole parts of the map are passed over as empty: wherever it holds light, that is seen there and halfway to all neighbours. */
    @Test
    void no_nebula_is_passed_over() throws IOException {
        byte[] map;
        try (InputStream in = new GZIPInputStream(GalacticLight.class.getResourceAsStream("galaxy-nebulae.gz"))) {
            map = in.readAllBytes();
        }
        int lit = 0;
        for (int at = 2880; at < map.length - 2 * 2880; at++) {
            if (map[at] == 0) {
                continue;
            }
            lit++;
            double longitude = 180 - (at % 2880 + 0.5) / 8;
            double latitude = 60 - (at / 2880 + 0.5) / 8;
            assertThat(GalacticLight.nebulae(longitude, latitude))
                    .isCloseTo(Luminance.of(26 - 0.0255 * (map[at] & 0xff)), Percentage.withPercentage(0.1));
            for (double[] off : new double[][] {{1, 1}, {1, -1}, {-1, 1}, {-1, -1}}) {
                assertThat(GalacticLight.nebulae(longitude + off[0] / 16, latitude + off[1] / 16))
                        .isPositive();
            }
        }
        assertThat(lit).isGreaterThan(1000);
    }

    /** M31 by its equatorial place, two galactic coordinates away from being mirrored. */
    @Test
    void it_is_the_right_way_round() {
        Vector m31 = Vector.towards(10.685, 41.269);
        double l = Galaxy.longitudeDeg(m31);
        double b = Galaxy.latitudeDeg(m31);
        double there = GalacticLight.stars(l, b);
        assertThat(there)
                .isGreaterThan(3 * GalacticLight.stars(l + 3, b))
                .isGreaterThan(3 * GalacticLight.stars(l, b + 3));
        assertThat(Luminance.magnitude(there)).isBetween(19.0, 21.0);
    }
}
