package dev.halfdusk.core.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a wrong sign, side or frame would change. */
class SignsTest {

    private static final Instant WHEN = Instant.parse("2027-06-09T00:10:00Z");
    private static final Observer COAST = Observer.at(new Site(37.6, -8.79, 30));

    private static Observer anywhere(Random random) {
        double latitude = Math.toDegrees(Math.asin(1.98 * random.nextDouble() - 0.99));
        return Observer.at(new Site(latitude, random.nextDouble() * 360 - 180, 0));
    }

    /** 34′ of refraction on the horizon, 5.4′ at 10°, by the published formula. */
    @ParameterizedTest
    @CsvSource({"0, 0.4830", "10, 10.0901", "45, 45.0168", "-10, -10"})
    void what_is_seen_is_lifted_by_air(double airless, double seen) {
        Horizontal h = new Horizontal(airless, 123, 1, 0.25);
        assertThat(h.refractedAltitudeDeg()).isCloseTo(seen, within(0.0005));
        assertThat(h.direction()).isEqualTo(new Direction(123, airless));
    }

    /** 384 400 km over the distances that almanacs give for a close perigee and a far apogee. */
    @ParameterizedTest
    @CsvSource({"2023-01-21T20:58:00Z, 1.0781", "2023-02-04T08:55:00Z, 0.9457"})
    void the_moon_is_wider_when_it_is_near(String when, double size) {
        assertThat(LunarMonth.size(Moment.at(Instant.parse(when)))).isCloseTo(size, within(0.0003));
    }

    /** The side on which the higher of two neighbouring points of the band stands, seen facing the core. */
    @Test
    void the_milky_way_leans_to_the_side_of_its_higher_part() {
        Random random = new Random(5);
        int left = 0;
        for (int i = 0; i < 300; i++) {
            Observer observer = anywhere(random);
            Moment moment = Moment.at(WHEN.plusSeconds(random.nextInt(80_000_000)));
            Direction core = Direction.of(moment.local(Galaxy.point(0, 0), observer));
            Direction one = Direction.of(moment.local(Galaxy.point(0.05, 0), observer));
            Direction other = Direction.of(moment.local(Galaxy.point(-0.05, 0), observer));
            Direction higher = one.altitudeDeg() > other.altitudeDeg() ? one : other;
            double right = Angles.halfTurn(higher.azimuthDeg() - core.azimuthDeg());
            double rise = higher.altitudeDeg() - core.altitudeDeg();
            double across = Math.abs(right) * Math.cos(Math.toRadians(core.altitudeDeg()));
            Galaxy.Arch arch = Galaxy.arch(moment, observer);
            if (across > 0.003) {
                assertThat(arch.risesToLeft())
                        .as("%s from %s", core, observer.site())
                        .isEqualTo(right < 0);
            }
            assertThat(arch.tiltDeg()).isCloseTo(Math.toDegrees(Math.atan2(rise, across)), within(1.0));
            left += arch.risesToLeft() ? 1 : 0;
        }
        assertThat(left).isBetween(75, 225);
    }

    @ParameterizedTest
    @CsvSource({"29.9, LYING", "30, LEANING", "59.9, LEANING", "60, STANDING"})
    void stances_by_tilt(double tilt, Galaxy.Stance stance) {
        assertThat(new Galaxy.Arch(tilt, true, 0, 0, 0, 0).stance()).isEqualTo(stance);
        assertThat(stance.key()).isEqualTo(stance.name().toLowerCase(java.util.Locale.ROOT));
    }

    /** Angle at the target from the pole's side to the zenith's, by the tangent plane there. */
    @Test
    void the_parallactic_angle_is_positive_in_the_west() {
        Random random = new Random(9);
        for (int i = 0; i < 200; i++) {
            Observer observer = anywhere(random);
            Moment moment = Moment.at(WHEN.plusSeconds(random.nextInt(80_000_000)));
            FixedPoint star = new FixedPoint(random.nextDouble() * 360, random.nextDouble() * 120 - 60);
            Vector at = moment.local(star, observer);
            Vector pole = Sidereal.northPole(observer.site());
            Vector north = pole.minus(at.times(pole.dot(at))).unit();
            Vector west = north.cross(at); // north up, west right of someone inside the sphere
            Vector zenith = new Vector(0, 0, 1);
            double expected = Math.toDegrees(Math.atan2(zenith.dot(west), zenith.dot(north)));
            double found = moment.parallacticAngleDeg(star, observer);
            assertThat(Angles.halfTurn(Math.abs(found) - Math.abs(expected))).isCloseTo(0, within(0.1));
            boolean inTheWest = Direction.azimuthDeg(at) > 180;
            if (Math.abs(found) > 1 && Math.abs(found) < 179) {
                assertThat(found > 0).as("%s", found).isEqualTo(inTheWest);
            }
        }
    }

    @Test
    void stars_turn_from_east_to_west_by_a_turn_in_a_sidereal_day() {
        Vector pole = Sidereal.northPole(COAST.site());
        FixedPoint star = new FixedPoint(200, 10);
        Vector now = Moment.at(WHEN).local(star, COAST);
        Vector hour = Moment.at(WHEN.plusSeconds(3600)).local(star, COAST);
        assertThat(Sidereal.later(now, pole, 3600).angleTo(hour)).isLessThan(0.001);
        // a day of the stars is 23 h 56 min 4.0989 s
        assertThat(Sidereal.RADIANS_PER_SECOND * 86_164.098904).isCloseTo(2 * Math.PI, within(1e-9));
        assertThat(Sidereal.ARCSEC_PER_SECOND).isCloseTo(15.0411, within(5e-5));
        assertThat(Sidereal.DEGREES_PER_SECOND * 3600).isCloseTo(15.0411, within(5e-5));
    }

    /** A hill that rises above zero for a short while between two samples, wherever it lies between them. */
    @ParameterizedTest
    @CsvSource({"0.02, 1", "0.25, 1", "0.5, 1", "0.75, 1", "0.98, 1", "0.3, -1", "0.6, -1"})
    void a_graze_is_found_wherever_it_lies_between_samples(double share, int way) {
        Instant from = Instant.parse("2027-03-01T00:00:00Z");
        Duration step = Duration.ofMinutes(15);
        double first = TimeScale.days(from);
        double top = 20 + share; // in steps from the start
        // 0.004 steps to both sides of its top
        Fact hill = m -> {
            double steps = (m.days() - first) * 96;
            return way * (0.004 * 0.004 - (steps - top) * (steps - top));
        };
        List<Crossing> found = Events.find(hill, from, from.plus(Duration.ofDays(1)), step);
        assertThat(found).extracting(Crossing::rising).containsExactly(way > 0, way < 0);
        Instant expected = from.plusNanos((long) ((top - 0.004) * step.toNanos()));
        assertThat(Duration.between(expected, found.get(0).when()).abs()).isLessThan(Duration.ofMillis(20));
        // just under zero there is nothing
        assertThat(Events.find(m -> hill.at(m) - way * 2 * 0.004 * 0.004, from, from.plus(Duration.ofDays(1)), step))
                .isEmpty();
    }

    @Test
    void names_of_bodies_and_times() {
        assertThat(Body.PLANETS).extracting(Body::words).containsExactly("Venus", "Mars", "Jupiter", "Saturn");
        HorizonEvent set = new HorizonEvent(HorizonEvent.Kind.ASTRO, false, WHEN, 0);
        assertThat(set.name()).isEqualTo("astro_down");
        assertThat(set.words()).isEqualTo("Darkness begins");
        assertThat(COAST)
                .isEqualTo(Observer.at(new Site(37.6, -8.79, 30)))
                .hasSameHashCodeAs(Observer.at(COAST.site()));
        assertThat(COAST).isNotEqualTo(Observer.at(new Site(37.6, -8.79, 31)));
        assertThat(new Site(-10, 0, 0).idleAim()).isEqualTo(new Direction(0, 45));
        assertThat(new Site(10, -127.4, 0).idleAim()).isEqualTo(new Direction(180, 45));
        assertThat(new Site(10, -127.4, 0).hourZone()).hasToString("-08:00");
    }

    /** The sun's middle stands 0.83\u00b0 below the horizon as it rises, and so does the first of it that is seen. */
    @ParameterizedTest
    @CsvSource({
        "35.4, 35\u00b0 high",
        "1, 1\u00b0 high",
        "0.99, on the horizon",
        "-0.83, on the horizon",
        "-1, below the horizon",
        "-20, below the horizon"
    })
    void how_high_something_stands(double altitudeDeg, String words) {
        assertThat(new Horizontal(altitudeDeg, 90, 1, 0.27).high()).isEqualTo(words);
    }
}
