package dev.halfdusk.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.ground.Geodesy;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class StandingLineTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final Mark TOWER = new Mark("Tower", 100, 900, 40, 8, 0);
    /** The moon is well up in the south-east. */
    private static final Instant EVENING = Instant.parse("2027-06-16T22:00:00Z");

    private final StandingLine line = StandingLine.of(Body.MOON, EVENING, LEDGE, TOWER, 0);

    @ParameterizedTest
    @ValueSource(doubles = {50, 1000, 20_000})
    void from_every_spot_the_body_is_seen_in_the_direction_of_the_mark(double distance) {
        StandingLine.Spot spot = line.at(distance).orElseThrow();
        Site site = new Site(spot.at().latitudeDeg(), spot.at().longitudeDeg(), 31);
        var moon = Moment.at(EVENING).observed(Body.MOON, Observer.at(site));
        double bearing = Geodesy.bearingDeg(
                site.latitudeDeg(),
                site.longitudeDeg(),
                line.mark().latitudeDeg(),
                line.mark().longitudeDeg());
        assertThat(bearing).isCloseTo(moon.azimuthDeg(), within(0.002));
        assertThat(Geodesy.distanceKm(
                        site.latitudeDeg(),
                        site.longitudeDeg(),
                        line.mark().latitudeDeg(),
                        line.mark().longitudeDeg()))
                .isCloseTo(distance / 1000, within(1e-6));
        // air lifts a moon at 25° by 2.1′
        assertThat(spot.bodyDeg()).isCloseTo(moon.altitudeDeg() + 2.1 / 60, within(0.005));
        assertThat(spot.bodyWidthDeg()).isCloseTo(0.53, within(0.04));
        assertThat(spot.distanceM()).isEqualTo(distance);
    }

    @Test
    void the_touching_distance_puts_the_top_at_the_height_of_the_body() {
        double distance = line.touching().orElseThrow();
        StandingLine.Spot spot = line.at(distance).orElseThrow();
        assertThat(spot.topDeg()).isCloseTo(spot.bodyDeg(), within(0.01));
        assertThat(distance).isCloseTo(40 / Math.tan(Math.toRadians(spot.bodyDeg())), within(distance * 0.001));
        assertThat(line.at(distance * 3).orElseThrow().clearDeg()).isPositive();
        assertThat(line.at(distance / 3).orElseThrow().clearDeg()).isNegative();
    }

    /** By hand, from 1 km: the foot 20 m up at 1.146°, less a drop of 0.068 m; the top at 3.434°. */
    @Test
    void a_mark_on_a_rock_stands_higher_by_the_rock() {
        StandingLine high = StandingLine.of(Body.MOON, EVENING, LEDGE, TOWER, 20);
        StandingLine.Spot spot = high.at(1000).orElseThrow();
        double top = Math.toDegrees(Math.atan2(60 - 0.0683, 1000));
        double foot = Math.toDegrees(Math.atan2(20 - 0.0683, 1000));
        assertThat(spot.topDeg()).isCloseTo(top, within(1e-4));
        assertThat(spot.markHeightDeg()).isCloseTo(top - foot, within(1e-4));
        double distance = high.touching().orElseThrow();
        assertThat(distance).isCloseTo(60 / Math.tan(Math.toRadians(spot.bodyDeg())), within(distance * 0.001));
        // three metres of mark in a pit of two: even from the nearest spot its top is lower than the moon
        StandingLine low = StandingLine.of(Body.MOON, EVENING, LEDGE, new Mark("Post", 100, 900, 3, 1, 0), -2.5);
        assertThat(low.touching()).isEmpty();
    }

    @Test
    void the_body_is_the_one_seen_from_the_mark() {
        var moon = Moment.at(EVENING)
                .observed(
                        Body.MOON,
                        Observer.at(
                                new Site(line.mark().latitudeDeg(), line.mark().longitudeDeg(), 31)));
        assertThat(line.body().azimuthDeg()).isCloseTo(moon.azimuthDeg(), within(1e-9));
        assertThat(line.body().altitudeDeg()).isCloseTo(moon.altitudeDeg(), within(1e-9));
        assertThat(StandingLine.roundDistances())
                .startsWith(50.0)
                .endsWith(20_000.0)
                .isSorted();
    }

    @Test
    void far_marks_sink_behind_the_curve_of_the_earth() {
        // 20 km: 400 / (2 × 6371) km × 0.87 = 27.3 m are hidden of 40 m
        StandingLine.Spot spot = line.at(20_000).orElseThrow();
        assertThat(spot.topDeg()).isCloseTo(Math.toDegrees(12.69 / 20_000), within(1e-4));
    }

    @Test
    void a_tower_as_tall_as_two_moons() {
        // 40 m over tan(2 × 0.52°)
        assertThat(StandingLine.distanceForMoons(40, 0.52, 2)).isCloseTo(2203.4, within(0.5));
    }

    @Test
    void nothing_while_the_body_is_down() {
        StandingLine noon = StandingLine.of(FixedPoint.CORE, Instant.parse("2027-06-08T12:00:00Z"), LEDGE, TOWER, 0);
        assertThat(noon.at(100)).isEmpty();
        assertThat(noon.touching()).isEmpty();
    }

    @Test
    void at_what_altitudes_a_body_passes_a_bearing() {
        // due south the core passes where it culminates: 90 − 37.60 − 29.0
        Alignments.Span south =
                Alignments.altitudes(FixedPoint.CORE, LEDGE, 180, EVENING, 1).orElseThrow();
        assertThat(south.highestDeg()).isCloseTo(23.4, within(0.1));
        assertThat(south.lowestDeg()).isCloseTo(23.4, within(0.1));
        assertThat(Alignments.altitudes(FixedPoint.CORE, LEDGE, 0, EVENING, 1)).isEmpty();
        Alignments.Span moon =
                Alignments.altitudes(Body.MOON, LEDGE, 180, EVENING, 1).orElseThrow();
        assertThat(moon.highestDeg() - moon.lowestDeg()).isBetween(30.0, 60.0);
    }
}
