package dev.halfdusk.core.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AimingTest {

    @ParameterizedTest
    @CsvSource({
        "20, 176, 23, 0, 0, 0",
        "20, 176, 23, 0, 6, 4",
        "20, 2, 38, 0, -6, -4",
        "14, 350, 60, 5, 6, 4",
        "400, 120, 3, 0, 6, -4",
        "35, 90, -10, -20, 0, 4"
    })
    void puts_things_where_they_are_wanted(
            double focal, double azimuth, double altitude, double roll, double x, double y) {
        Optics optics = new Optics(Sensor.of(36, 24, 6000), focal, Projection.RECTILINEAR);
        Direction target = new Direction(azimuth, altitude);
        Direction aim = Aiming.at(optics, roll, target, new Framing.Point(x, y));
        Framing.Point found =
                Framing.of(optics, aim, roll).project(target.vector()).orElseThrow();
        assertThat(found.x()).isCloseTo(x, within(0.001));
        assertThat(found.y()).isCloseTo(y, within(0.001));
    }
}
