package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Spots by chance, some with another beside them, always at the same step. */
class TwinsTest {

    private static Spot spot(double x, double y, double flux) {
        return new Spot(x, y, flux, 9000, 40, 9, 2, 2, 0, (int) x - 2, (int) y - 2, (int) x + 2, (int) y + 2);
    }

    private static Optional<Twins> among(int alone, int pairs, double dx, double dy, double ratio) {
        Random random = new Random(4);
        List<Spot> all = new ArrayList<>();
        for (int i = 0; i < alone + pairs; i++) {
            double x = 3000 * random.nextDouble();
            double y = 2000 * random.nextDouble();
            double flux = 1000 * (1 + 9 * random.nextDouble());
            all.add(spot(x, y, flux));
            if (i < pairs) {
                all.add(spot(x + dx, y + dy, ratio * flux));
            }
        }
        return Twins.among(all);
    }

    /** To a pixel; every step from any of the two. */
    @ParameterizedTest
    @CsvSource({
        "9, 0, 9, 0",
        "0, 12, 12, 90",
        "-20, 20, 28.28, 135",
        "30, -40, 50, 126.87",
        "-47, 0, 47, 0",
        "3, 46, 46.1, 86.3"
    })
    void a_step_is_found(double dx, double dy, double step, double angle) {
        Twins t = among(40, 60, dx, dy, 1.2).orElseThrow();
        assertThat(t.stepPx()).isCloseTo(step, within(0.3));
        assertThat(t.angleDeg()).isCloseTo(angle, within(0.5));
        assertThat(t.share()).isCloseTo(120 / 160.0, within(0.03));
    }

    /** A quarter of the spots, ten of them, half to twice as bright, no farther than 48 pixels. */
    @Test
    void how_many_it_takes() {
        assertThat(among(0, 10, 15, 5, 1)).isPresent();
        assertThat(among(0, 9, 15, 5, 1)).isEmpty();
        assertThat(among(170, 30, 15, 5, 1)).as("60 of 230").isPresent();
        assertThat(among(215, 30, 15, 5, 1)).as("60 of 275").isEmpty();
        assertThat(among(40, 60, 15, 5, 1.9)).isPresent();
        assertThat(among(40, 60, 15, 5, 2.1)).isEmpty();
        assertThat(among(40, 60, 15, 5, 0.48)).isEmpty();
        assertThat(among(40, 60, 50, 5, 1)).isEmpty();
        assertThat(among(300, 0, 0, 0, 1)).isEmpty();
        assertThat(Twins.among(List.of())).isEmpty();
    }
}
