package dev.halfdusk.core.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Vector;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;

class MoonAxesTest {

    /** Meeus, example 53.a, 12 April 1992, 0 h TD: apparent longitude 133.167265\u00b0 less nutation 0.004610\u00b0, latitude \u22123.229127\u00b0; optical libration \u22121.206\u00b0 and +4.194\u00b0. */
    @Test
    void the_example_of_the_book() {
        double centuries = -0.077221081451;
        double longitude = Math.toRadians(133.167265 - 0.004610);
        double latitude = Math.toRadians(-3.229127);
        Vector moon = new Vector(
                Math.cos(latitude) * Math.cos(longitude), Math.cos(latitude) * Math.sin(longitude), Math.sin(latitude));
        MoonAxes.Place seen = MoonAxes.ecliptic(centuries).facing(moon.times(-1));
        assertThat(seen.longitudeDeg()).isCloseTo(-1.206, within(0.01));
        assertThat(seen.latitudeDeg()).isCloseTo(4.194, within(0.01));
    }

    /** From the earth's surface the middle of the disc wanders by no more than 8.9\u00b0 and 7.9\u00b0, and about as far to either side. */
    @Test
    void the_moon_nods_and_shakes_its_head() {
        Observer observer = Observer.at(new Site(37.6, -8.8, 0));
        double east = 0;
        double west = 0;
        double north = 0;
        double south = 0;
        for (int i = 0; i < 6 * 365; i += 3) {
            Moment moment = Moment.at(Instant.parse("2026-01-01T21:00:00Z").plus(Duration.ofDays(i)));
            MoonAxes.Place p = MoonAxes.libration(moment, observer);
            east = Math.max(east, p.longitudeDeg());
            west = Math.min(west, p.longitudeDeg());
            north = Math.max(north, p.latitudeDeg());
            south = Math.min(south, p.latitudeDeg());
            MoonAxes axes = MoonAxes.local(moment, observer);
            assertThat(axes.prime().dot(axes.east())).isCloseTo(0, within(1e-12));
            assertThat(axes.prime().cross(axes.east()).dot(axes.north())).isCloseTo(1, within(1e-12));
        }
        assertThat(east).isBetween(7.5, 9.0);
        assertThat(west).isBetween(-9.0, -7.5);
        assertThat(north).isBetween(6.3, 7.9);
        assertThat(south).isBetween(-7.9, -6.0);
    }
}
