package dev.halfdusk.core.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Vector;
import java.time.Duration;
import java.time.Instant;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FramesTest {

    private static final Instant WHEN = Instant.parse("2027-06-09T00:10:00Z");

    @Test
    void local_and_equatorial_directions_turn_into_each_other_everywhere() {
        Random random = new Random(7);
        for (int i = 0; i < 500; i++) {
            double latitude = i == 0 ? 90 : i == 1 ? -90 : random.nextDouble() * 180 - 90;
            double longitude = i == 2 ? 180 : i == 3 ? -180 : random.nextDouble() * 360 - 180;
            Observer observer = Observer.at(new Site(latitude, longitude, 0));
            Moment moment = Moment.at(WHEN.plusSeconds(random.nextInt(900_000_000)));
            Vector local = Vector.towards(random.nextDouble() * 360, random.nextDouble() * 180 - 90);
            assertThat(moment.icrs(moment.localOfIcrs(local, observer), observer)
                            .minus(local)
                            .length())
                    .isLessThan(1e-12);
            Vector back = moment.localOfDate(moment.equatorOfDate(local, observer), observer);
            assertThat(back.angleTo(local)).isLessThan(1e-9);
        }
    }

    @ParameterizedTest
    @CsvSource({
        // ICRS of stars and their galactic coordinates as catalogues list them
        "310.35798, 45.28034, 84.285, 1.998",
        "279.23473, 38.78369, 67.448, 19.237",
        "266.4168, -29.0078, 359.944, -0.046",
        "192.8595, 27.1283, 0, 90"
    })
    void galactic_coordinates(double ra, double dec, double longitude, double latitude) {
        Vector icrs = Vector.towards(ra, dec);
        assertThat(Galaxy.latitudeDeg(icrs)).isCloseTo(latitude, within(0.01));
        assertThat(Galaxy.icrs(longitude, latitude).angleTo(icrs)).isLessThan(0.01);
        if (latitude < 89) {
            assertThat(Galaxy.longitudeDeg(icrs)).isCloseTo(longitude, within(0.01));
        }
    }

    @Test
    void the_arch_meets_the_horizon_at_its_feet_and_tops_where_it_says() {
        Random random = new Random(11);
        for (int i = 0; i < 100; i++) {
            Observer observer =
                    Observer.at(new Site(random.nextDouble() * 170 - 85, random.nextDouble() * 360 - 180, 0));
            Moment moment = Moment.at(WHEN.plusSeconds(random.nextInt(80_000_000)));
            Galaxy.Arch arch = Galaxy.arch(moment, observer);
            double highest = -90;
            double leftGap = 180;
            double rightGap = 180;
            for (int longitude = 0; longitude < 3600; longitude++) {
                Vector icrs = Galaxy.icrs(longitude / 10.0, 0);
                Vector local = moment.local(new FixedPoint(icrs.longitudeDeg(), icrs.latitudeDeg()), observer);
                highest = Math.max(highest, local.latitudeDeg());
                leftGap = Math.min(leftGap, local.angleTo(Vector.towards(90 - arch.leftFootDeg(), 0)));
                rightGap = Math.min(rightGap, local.angleTo(Vector.towards(90 - arch.rightFootDeg(), 0)));
            }
            assertThat(arch.topAltitudeDeg()).isCloseTo(highest, within(0.02));
            assertThat(leftGap).isLessThan(0.08);
            assertThat(rightGap).isLessThan(0.08);
            assertThat(arch.tiltDeg()).isBetween(0.0, 90.0);
        }
    }

    @Test
    void the_band_lies_in_spring_and_stands_late_in_summer_at_middle_latitudes() {
        Observer coast = Observer.at(new Site(37.6, -8.79, 30));
        Galaxy.Arch spring = Galaxy.arch(Moment.at(Instant.parse("2027-04-08T03:00:00Z")), coast);
        Galaxy.Arch autumn = Galaxy.arch(Moment.at(Instant.parse("2027-09-25T20:30:00Z")), coast);
        assertThat(spring.topAltitudeDeg()).isLessThan(autumn.topAltitudeDeg());
        assertThat(spring.tiltDeg()).isLessThan(autumn.tiltDeg());
        assertThat(autumn.stance()).isEqualTo(Galaxy.Stance.STANDING);
    }

    @Test
    void at_the_pole_the_core_keeps_its_altitude_all_day() {
        Observer pole = Observer.at(new Site(-90, 0, 2800));
        double first = Moment.at(WHEN).observed(FixedPoint.CORE, pole).altitudeDeg();
        for (int hour = 1; hour < 24; hour++) {
            Horizontal later = Moment.at(WHEN.plus(Duration.ofHours(hour))).observed(FixedPoint.CORE, pole);
            assertThat(later.altitudeDeg()).isCloseTo(first, within(0.001));
        }
        assertThat(first).isCloseTo(29.02, within(0.1));
    }

    @Test
    void both_names_of_the_date_line_see_the_same_sky() {
        Horizontal east = Moment.at(WHEN).observed(Body.MOON, Observer.at(new Site(-17.8, 180, 0)));
        Horizontal west = Moment.at(WHEN).observed(Body.MOON, Observer.at(new Site(-17.8, -180, 0)));
        assertThat(east.altitudeDeg()).isCloseTo(west.altitudeDeg(), within(1e-9));
        assertThat(east.azimuthDeg()).isCloseTo(west.azimuthDeg(), within(1e-9));
    }

    @Test
    void proper_motion_carries_a_fast_star() {
        // 10 358 mas a year northward: 5 arcminutes in 29 years
        FixedPoint fast = new FixedPoint(269.452, 4.693, -802, 10_363);
        Apparent then = Moment.at(Instant.parse("2029-01-01T00:00:00Z")).apparent(fast);
        Apparent still = Moment.at(Instant.parse("2029-01-01T00:00:00Z")).apparent(new FixedPoint(269.452, 4.693));
        assertThat((then.declinationDeg() - still.declinationDeg()) * 3600).isCloseTo(10.363 * 29, within(0.5));
    }

    @ParameterizedTest
    @CsvSource({"0, 28.98", "10, 5.41", "45, 1.01", "90, 0"})
    void refraction_in_arcminutes(double airless, double arcmin) {
        assertThat((Refraction.STANDARD.lifted(airless) - airless) * 60).isCloseTo(arcmin, within(0.02));
    }

    @Test
    void refraction_scales_with_pressure_and_fades_below_the_horizon() {
        double high = new Refraction(505, 10).lifted(10) - 10;
        assertThat(high * 2).isCloseTo(Refraction.STANDARD.lifted(10) - 10, within(1e-9));
        assertThat(Refraction.STANDARD.lifted(-5)).isEqualTo(-5);
        double last = Refraction.STANDARD.lifted(-6);
        for (double h = -6; h < 5; h += 0.01) {
            assertThat(Refraction.STANDARD.lifted(h)).isGreaterThanOrEqualTo(last);
            last = Refraction.STANDARD.lifted(h);
        }
    }
}
