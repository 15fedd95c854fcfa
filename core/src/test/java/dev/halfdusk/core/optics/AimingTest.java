package dev.halfdusk.core.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import org.junit.jupiter.api.Test;
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

    private static Direction put(Aiming.Third third) {
        Optics optics = new Optics(Sensor.of(36, 24, 6000), 200, Projection.RECTILINEAR);
        return Aiming.at(optics, 0, new Direction(100, 10), third);
    }

    /** What stands to the right of the middle is seen by a camera that looks farther to the left, and so on. */
    @ParameterizedTest
    @CsvSource({
        "CENTRE, centre, 0, 0",
        "UPPER, upper, 0, -1.146",
        "LOWER, lower, 0, 1.146",
        "LEFT, left, 1.745, 0",
        "RIGHT, right, -1.745, 0",
        "UPPER_LEFT, upper-left, 1.745, -1.146",
        "UPPER_RIGHT, upper-right, -1.745, -1.146",
        "LOWER_LEFT, lower-left, 1.745, 1.146",
        "LOWER_RIGHT, lower-right, -1.745, 1.146"
    })
    void thirds(Aiming.Third third, String key, double right, double up) {
        assertThat(third.key()).isEqualTo(key);
        assertThat(put(third).azimuthDeg()).isCloseTo(100 + right, within(0.05));
        assertThat(put(third).altitudeDeg()).isCloseTo(10 + up, within(0.03));
    }

    @ParameterizedTest
    @CsvSource({"37.6, 0, 37.6", "-34, 180, 34", "0, 0, 0", "90, 0, 90"})
    void the_pole_that_is_up(double latitude, double azimuth, double altitude) {
        assertThat(Aiming.pole(new Site(latitude, 10, 0))).isEqualTo(new Direction(azimuth, altitude));
    }

    @ParameterizedTest
    @CsvSource({"0, 5, 0, 5", "0, -17, 0, -17", "0, -18, 180, 45", "-0.001, -18, 0, 45"})
    void what_is_far_below_the_horizon_is_not_aimed_at(double latitude, double altitude, double az, double alt) {
        Observer observer = Observer.at(new Site(latitude, 0, 0));
        Moment moment = Moment.at(Instant.parse("2027-06-09T00:10:00Z"));
        Vector equatorial = moment.equatorOfDate(new Direction(0, altitude).vector(), observer);
        FixedPoint target = new FixedPoint(equatorial.longitudeDeg(), equatorial.latitudeDeg());
        Direction aimed = Aiming.towards(target, moment, observer);
        assertThat(aimed.angleTo(new Direction(az, alt))).isLessThan(0.5); // the place is of date, not ICRS
    }

    @Test
    void pointings_keep_their_roll_and_orientation() {
        Pointing upright = new Pointing(new Direction(10, 20), 5, Orientation.PORTRAIT);
        assertThat(upright.at(new Direction(30, 40)))
                .isEqualTo(new Pointing(new Direction(30, 40), 5, Orientation.PORTRAIT));
        Optics level = new Optics(Sensor.of(36, 24, 6000), 20, Projection.RECTILINEAR);
        assertThat(upright.framing(level).optics().sensor().widthMm()).isEqualTo(24);
        assertThat(Pointing.level(new Direction(10, 20)).held()).isEqualTo(Orientation.LANDSCAPE);
        assertThatThrownBy(() -> new Pointing(new Direction(0, 0), 181, Orientation.LANDSCAPE))
                .hasMessageContaining("roll 181");
    }
}
