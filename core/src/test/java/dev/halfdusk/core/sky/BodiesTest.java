package dev.halfdusk.core.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Angles;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class BodiesTest {

    private static final Instant NEW_YEAR = Instant.parse("2027-01-01T00:00:00Z");
    private static final Observer COAST = Observer.at(new Site(37.6, -8.79, 30));

    /** Oppositions and conjunctions as almanacs published them. */
    @ParameterizedTest
    @CsvSource({
        "MARS, SUN, 180, 2020-10-13T23:26:00Z",
        "JUPITER, SUN, 180, 2023-11-03T05:02:00Z",
        "SATURN, JUPITER, 0, 2020-12-21T18:22:00Z"
    })
    void planets_keep_their_published_appointments(Body one, Body other, double difference, Instant published) {
        Instant from = published.minus(Duration.ofDays(30));
        List<Crossing> found = Events.find(
                Facts.longitudeDifference(one, other, difference),
                from,
                from.plus(Duration.ofDays(60)),
                Events.MONTHLY_STEP);
        assertThat(found).hasSize(1);
        assertThat(found.get(0).when()).isCloseTo(published, within(6, ChronoUnit.MINUTES));
    }

    @Test
    void the_close_perigee_of_january_2023() {
        List<LunarMonth.Apsis> found =
                LunarMonth.apsides(Instant.parse("2023-01-15T00:00:00Z"), Instant.parse("2023-01-25T00:00:00Z"));
        assertThat(found).hasSize(1);
        assertThat(found.get(0).perigee()).isTrue();
        assertThat(found.get(0).distanceKm()).isCloseTo(356_569, within(3.0));
        assertThat(found.get(0).when()).isCloseTo(Instant.parse("2023-01-21T20:58:00Z"), within(3, ChronoUnit.MINUTES));
    }

    @Test
    void perigees_and_apogees_alternate_within_their_known_bounds() {
        List<LunarMonth.Apsis> year = LunarMonth.apsides(NEW_YEAR, NEW_YEAR.plus(Duration.ofDays(365)));
        assertThat(year).hasSizeBetween(26, 28);
        for (int i = 1; i < year.size(); i++) {
            assertThat(year.get(i).perigee()).isNotEqualTo(year.get(i - 1).perigee());
        }
        assertThat(year)
                .allSatisfy(a -> assertThat(a.distanceKm())
                        .isBetween(a.perigee() ? 356_300.0 : 404_000.0, a.perigee() ? 370_500.0 : 406_800.0));
    }

    @Test
    void phases_and_lit_fractions_agree() {
        for (MoonPhase phase : MoonPhase.between(NEW_YEAR, NEW_YEAR.plus(Duration.ofDays(120)))) {
            Illumination lit = Illumination.of(Body.MOON, Moment.at(phase.when()));
            double expected = switch (phase.quarter()) {
                case NEW -> 0;
                case FULL -> 1;
                case FIRST_QUARTER, LAST_QUARTER -> 0.5;
            };
            assertThat(lit.fraction()).isCloseTo(expected, within(0.01));
        }
    }

    @Test
    void the_bright_limb_looks_at_the_sun() {
        MoonPhase half = MoonPhase.between(NEW_YEAR, NEW_YEAR.plus(Duration.ofDays(30))).stream()
                .filter(p -> p.quarter() == MoonPhase.Quarter.FIRST_QUARTER)
                .findFirst()
                .orElseThrow();
        Illumination lit = Illumination.of(Body.MOON, Moment.at(half.when()));
        assertThat(lit.waxing()).isTrue();
        assertThat(lit.brightLimbDeg()).isBetween(225.0, 315.0); // west, where the sun went down
    }

    @ParameterizedTest
    @EnumSource(
            value = Body.class,
            names = {"VENUS", "MARS", "JUPITER", "SATURN"})
    void outer_planets_are_nearly_full_and_venus_is_not_always(Body planet) {
        double least = 1;
        for (int day = 0; day < 700; day += 5) {
            least = Math.min(
                    least,
                    Illumination.of(planet, Moment.at(NEW_YEAR.plus(Duration.ofDays(day))))
                            .fraction());
        }
        double expected = switch (planet) {
            case VENUS -> 0;
            case MARS -> 0.84;
            default -> 0.985;
        };
        assertThat(least).isGreaterThanOrEqualTo(expected);
        if (planet == Body.VENUS) {
            assertThat(least).isLessThan(0.05);
        }
    }

    @Test
    void stars_cross_the_sky_at_the_sidereal_rate_and_the_moon_a_little_slower() {
        FixedPoint star = new FixedPoint(100, 40);
        Moment moment = Moment.at(NEW_YEAR);
        Motion motion = Motion.of(star, moment, COAST);
        double dec = moment.apparent(star).declinationDeg();
        assertThat(motion.acrossSkyArcsecPerSecond()).isCloseTo(15.0411 * Math.cos(Math.toRadians(dec)), within(0.003));
        assertThat(motion.throughStarsArcsecPerSecond()).isLessThan(0.001);

        Motion moon = Motion.of(Body.MOON, moment, COAST);
        assertThat(moon.throughStarsArcsecPerSecond()).isBetween(0.48, 0.66);
        assertThat(moon.acrossSkyArcsecPerSecond()).isBetween(12.5, 15.0);
    }

    @Test
    void rates_are_the_slopes_of_altitude_and_azimuth() {
        Moment moment = Moment.at(NEW_YEAR);
        Motion motion = Motion.of(Body.SUN, moment, COAST);
        double now =
                Moment.at(NEW_YEAR.minusSeconds(30)).observed(Body.SUN, COAST).altitudeDeg();
        double later =
                Moment.at(NEW_YEAR.plusSeconds(30)).observed(Body.SUN, COAST).altitudeDeg();
        assertThat(motion.altitudeDegPerHour()).isCloseTo((later - now) * 60, within(0.001));
    }

    @Test
    void transits_azimuth_and_altitude_crossings_come_from_the_same_search() {
        Instant end = NEW_YEAR.plus(Duration.ofDays(1));
        Events day = Events.over(NEW_YEAR, end, Events.DAILY_STEP);
        List<Crossing> transit = day.find(Facts.hourAngle(Body.SUN, COAST));
        assertThat(transit).hasSize(1);
        Horizontal noon = Moment.at(transit.get(0).when()).observed(Body.SUN, COAST);
        assertThat(noon.azimuthDeg()).isCloseTo(180, within(1e-4));
        List<Crossing> south = day.find(Facts.azimuthFrom(180, Body.SUN, COAST));
        assertThat(south.get(0).when()).isCloseTo(transit.get(0).when(), within(10, ChronoUnit.MILLIS));
        assertThat(day.find(Facts.altitude(Body.SUN, COAST).above(10))).hasSize(2);
        assertThat(day.extremes(Facts.altitude(Body.SUN, COAST)).stream().filter(Extreme::highest))
                .hasSize(1);
    }

    @Test
    void dip_lets_a_high_place_see_the_sun_longer() {
        Instant end = NEW_YEAR.plus(Duration.ofDays(1));
        Instant plain = Events.find(Facts.upperLimb(Body.SUN, COAST), NEW_YEAR, end, Events.DAILY_STEP)
                .get(1)
                .when();
        Instant high = Events.find(Facts.upperLimb(Body.SUN, COAST, Facts.dip(400)), NEW_YEAR, end, Events.DAILY_STEP)
                .get(1)
                .when();
        assertThat(Facts.dip(400)).isCloseTo(0.586, within(1e-9));
        assertThat(Duration.between(plain, high)).isBetween(Duration.ofMinutes(2), Duration.ofMinutes(5));
    }

    @Test
    void right_ascensions_meet_in_conjunction() {
        List<Crossing> meetings = Events.find(
                Facts.rightAscensionDifference(Body.MOON, Body.JUPITER),
                NEW_YEAR,
                NEW_YEAR.plus(Duration.ofDays(60)),
                Events.MONTHLY_STEP);
        assertThat(meetings).hasSizeBetween(2, 3).allMatch(Crossing::rising);
    }

    /** By altitudes and azimuths: the sun's direction from the moon against the zenith, turned by the parallactic angle. */
    @ParameterizedTest
    @CsvSource({
        "2027-05-06T19:00:00Z, 37.6, -8.8", // a day before new moon
        "2027-06-08T21:00:00Z, 37.6, -8.8",
        "2027-06-08T09:00:00Z, -45, 170",
        "2027-06-20T03:00:00Z, 65, 20"
    })
    void the_bright_limb_from_a_site(Instant when, double latitude, double longitude) {
        Observer observer = Observer.at(new Site(latitude, longitude, 0));
        Moment moment = Moment.at(when);
        Horizontal moon = moment.observed(Body.MOON, observer);
        Horizontal sun = moment.observed(Body.SUN, observer);
        double hm = Math.toRadians(moon.altitudeDeg());
        double hs = Math.toRadians(sun.altitudeDeg());
        double right = Math.toRadians(sun.azimuthDeg() - moon.azimuthDeg());
        double clockwise = Math.toDegrees(Math.atan2(
                Math.cos(hs) * Math.sin(right),
                Math.sin(hs) * Math.cos(hm) - Math.cos(hs) * Math.sin(hm) * Math.cos(right)));
        double expected = moment.parallacticAngleDeg(Body.MOON, observer) - clockwise;
        Illumination lit = Illumination.of(Body.MOON, moment, observer);
        assertThat(Angles.halfTurn(lit.brightLimbDeg() - expected)).isCloseTo(0, within(0.05));
        Illumination centre = Illumination.of(Body.MOON, moment);
        assertThat(Math.abs(Angles.halfTurn(lit.brightLimbDeg() - centre.brightLimbDeg())))
                .as("the site makes a difference")
                .isGreaterThan(0.02);
        assertThat(lit.phaseAngleDeg()).isCloseTo(centre.phaseAngleDeg(), within(1.1));
        assertThat(lit.phaseAngleDeg()).isNotEqualTo(centre.phaseAngleDeg());
        assertThat(lit.elongationDeg()).isEqualTo(centre.elongationDeg());
    }
}
