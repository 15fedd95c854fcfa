package dev.halfdusk.core.ground;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.sky.Site;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SkylineTest {

    private static final Skyline RIDGE =
            Skyline.of(List.of(new Skyline.Point(350, 10), new Skyline.Point(30, 2), new Skyline.Point(180, 5)));

    @ParameterizedTest
    @CsvSource({"350, 10", "10, 6", "0, 8", "355, 9", "105, 3.5", "265, 7.5", "370, 6", "-10, 10", "30, 2"})
    void straight_between_points_and_around_the_north(double azimuth, double altitude) {
        assertThat(RIDGE.altitudeAt(azimuth)).isCloseTo(altitude, within(1e-9));
        assertThat(RIDGE.shows(new Direction(azimuth, altitude + 0.01))).isTrue();
        assertThat(RIDGE.shows(new Direction(azimuth, altitude - 0.01))).isFalse();
    }

    @Test
    void a_single_point_goes_all_around_and_a_hollow_still_has_the_horizon() {
        Skyline hollow = Skyline.of(List.of(new Skyline.Point(90, -3)));
        assertThat(hollow.altitudeAt(270)).isEqualTo(-3);
        assertThat(hollow.shows(new Direction(270, -1))).isFalse();
        assertThat(hollow.shows(new Direction(270, 0.1))).isTrue();
        assertThat(Skyline.FLAT.altitudeAt(77)).isZero();
        assertThat(Skyline.of(List.of())).isSameAs(Skyline.FLAT);
    }

    @Test
    void alike_by_their_points() {
        assertThat(Skyline.of(List.of(new Skyline.Point(90, -3)))).isNotEqualTo(RIDGE);
        assertThat(Skyline.of(RIDGE.points())).isEqualTo(RIDGE).hasSameHashCodeAs(RIDGE);
        assertThat(RIDGE.hashCode()).isNotZero();
    }

    @Test
    void two_altitudes_in_one_direction_are_refused() {
        List<Skyline.Point> twice = List.of(new Skyline.Point(0, 1), new Skyline.Point(360, 2));
        assertThatThrownBy(() -> Skyline.of(twice)).hasMessageContaining("azimuth");
        assertThatThrownBy(() -> new Skyline.Point(20, 91)).isInstanceOf(OutOfRange.class);
    }

    @Test
    void a_standpoint_keeps_its_ground_under_another_sky() {
        Site site = new Site(37.6, -8.8, 5);
        SkyGlow city = SkyGlow.ofZenith(18);
        Standpoint spot = Standpoint.at(site, RIDGE, SkyGlow.natural()).under(city);
        assertThat(spot.skyline()).isEqualTo(RIDGE);
        assertThat(spot.site()).isEqualTo(site);
        assertThat(spot.glow()).isSameAs(city);
        assertThat(Standpoint.open(site, city).skyline()).isSameAs(Skyline.FLAT);
    }

    @Test
    void a_mark_from_foot_to_top() {
        Mark tower = new Mark("tower", 172, 100, 30, 4, -10);
        // atan(20/100) and atan(−10/100)
        assertThat(tower.top().altitudeDeg()).isCloseTo(11.3099, within(1e-4));
        assertThat(tower.top().azimuthDeg()).isEqualTo(172);
        assertThat(tower.footAltitudeDeg()).isCloseTo(-5.7106, within(1e-4));
    }
}
