package dev.halfdusk.core.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Vector;
import java.util.Comparator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CatalogueTest {

    @Test
    void every_naked_eye_star_brightest_first() {
        assertThat(Star.all()).hasSize(8874).isSortedAccordingTo(Comparator.comparingDouble(Star::magnitude));
        assertThat(Star.brighterThan(6.0)).hasSize(5044);
        assertThat(Star.brighterThan(-5)).isEmpty();
        assertThat(Star.all().get(0).name()).isEqualTo("Sirius");
        assertThat(Star.all()).filteredOn(s -> !s.name().isEmpty()).allMatch(s -> s.magnitude() < 3.5);
    }

    @Test
    void colours_from_blue_to_red() {
        assertThat(Star.named("betelgeuse").orElseThrow().temperatureK()).isBetween(3000.0, 3900.0);
        assertThat(Star.named("Vega").orElseThrow().temperatureK()).isBetween(9000.0, 11_000.0);
        assertThat(Star.named("Nobody")).isEmpty();
    }

    @Test
    void figures_join_stars() {
        assertThat(Figure.all().stream().mapToInt(f -> f.points().size() - 1).sum())
                .isEqualTo(743);
        assertThat(Figure.all()).extracting(Figure::constellation).contains("Ori", "Cru", "Sco");
        assertThat(Figure.all().stream().flatMap(f -> f.points().stream()))
                .allSatisfy(p -> assertThat(p.length()).isCloseTo(1, within(1e-9)));
    }

    @ParameterizedTest
    @CsvSource({
        "galactic centre, 266.4168, -29.0078, 3",
        "eta Carinae, 161.265, -59.684, 5",
        "Deneb, 310.358, 45.280, 2",
        "anticentre, 86.405, 28.936, 1",
        "M31, 10.685, 41.269, 0",
        "Coalsack, 192.9, -63.0, 0",
        "north galactic pole, 192.86, 27.13, 0",
        "south galactic pole, 12.86, -27.13, 0"
    })
    void levels_of_the_milky_way(String name, double ra, double dec, int level) {
        assertThat(MilkyWay.level(Vector.towards(ra, dec))).as(name).isEqualTo(level);
    }

    @Test
    void the_band_follows_the_galactic_plane() {
        int inPlane = 0;
        int off = 0;
        for (int longitude = 0; longitude < 360; longitude += 5) {
            inPlane += MilkyWay.level(Galaxy.icrs(longitude, 0)) > 0 ? 1 : 0;
            off += MilkyWay.level(Galaxy.icrs(longitude, 45)) > 0 ? 1 : 0;
            off += MilkyWay.level(Galaxy.icrs(longitude, -45)) > 0 ? 1 : 0;
        }
        assertThat(inPlane).isGreaterThan(60);
        assertThat(off).isZero();
        assertThatThrownBy(() -> MilkyWay.rings(6)).isInstanceOf(IllegalArgumentException.class);
    }
}
