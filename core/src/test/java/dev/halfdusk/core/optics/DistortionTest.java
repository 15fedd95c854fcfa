package dev.halfdusk.core.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Framing.Point;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DistortionTest {

    private static final Framing STRAIGHT =
            Framing.of(new Optics(Sensor.of(36, 24, 6000), 24, Projection.RECTILINEAR), new Direction(100, 20), 0);

    /** Half the diagonal is 21.633 mm. At 10.817 mm a quarter of the percentage is left. */
    @ParameterizedTest
    @CsvSource({"0, 18, 12, 18, 12", "-4, 18, 12, 17.28, 11.52", "-4, 9, 6, 8.91, 5.94", "5, 18, 12, 18.9, 12.6"})
    void corners_fall_nearer_by_a_barrel_and_farther_by_a_cushion(
            double percent, double x, double y, double drawnX, double drawnY) {
        Point drawn = STRAIGHT.distorted(percent)
                .project(STRAIGHT.see(new Point(x, y)))
                .orElseThrow();
        assertThat(drawn.x()).isCloseTo(drawnX, within(1e-6));
        assertThat(drawn.y()).isCloseTo(drawnY, within(1e-6));
    }

    @ParameterizedTest
    @CsvSource({"-10, 18, 12", "-3, -18, 5", "4, 1, -12", "10, 18, 12", "0, 0, 0"})
    void what_a_point_sees_falls_on_it(double percent, double x, double y) {
        Framing bent = STRAIGHT.distorted(percent);
        Point back = bent.project(bent.see(new Point(x, y))).orElseThrow();
        assertThat(back.x()).isCloseTo(x, within(1e-4));
        assertThat(back.y()).isCloseTo(y, within(1e-4));
    }

    @Test
    void more_than_a_tenth_is_refused() {
        assertThatThrownBy(() -> STRAIGHT.distorted(10.1)).hasMessageContaining("\u221210 to 10 %");
    }
}
