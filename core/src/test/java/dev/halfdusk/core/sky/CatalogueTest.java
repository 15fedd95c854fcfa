package dev.halfdusk.core.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Comparator;
import org.junit.jupiter.api.Test;

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
}
