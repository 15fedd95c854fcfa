package dev.halfdusk.core.night;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class YearOfNightsTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final ZoneId LISBON = ZoneId.of("Europe/Lisbon");

    private static YearOfNights year(Site site, String first, int nights, String zone) {
        return YearOfNights.of(site, LocalDate.parse(first), nights, ZoneId.of(zone), Skyline.FLAT, SkyGlow.natural());
    }

    @ParameterizedTest
    @CsvSource({
        "37.6012, -8.7921, 2027-01-01, Europe/Lisbon",
        "-33.86, 151.21, 2027-07-01, Australia/Sydney",
        "69.65, 18.96, 2027-11-01, Europe/Oslo",
        "90, 0, 2027-03-01, UTC",
        "-90, 0, 2028-02-01, UTC",
        "-17.8, 180, 2027-12-01, Pacific/Fiji",
        "0, -180, 2059-01-01, UTC"
    })
    void samples_keep_a_hundredth_of_a_degree(double latitude, double longitude, String first, String zone) {
        Site site = new Site(latitude, longitude, 100);
        YearOfNights year = year(site, first, 300, zone);
        Observer observer = Observer.at(site);
        Random random = new Random(4);
        for (int k = 0; k < 800; k++) {
            int i = k == 0 ? 0 : k == 1 ? year.samples() - 1 : random.nextInt(year.samples());
            Moment moment = Moment.at(year.instant(i));
            Horizontal moon = moment.observed(Body.MOON, observer);
            Horizontal core = moment.observed(FixedPoint.CORE, observer);
            assertThat(year.sunAltitudeDeg(i))
                    .isCloseTo(moment.observed(Body.SUN, observer).altitudeDeg(), within(0.01));
            if (year.sunAltitudeDeg(i) > 2) {
                assertThat(year.moonAltitudeDeg(i)).isNaN();
                assertThat(year.altitudeDeg(i)).isNaN();
                assertThat(year.moonFraction(i)).isNaN();
                assertThat(year.lamps(i).moonAltitudeDeg()).isEqualTo(-90);
                continue;
            }
            assertThat(year.moonAltitudeDeg(i)).isCloseTo(moon.altitudeDeg(), within(0.01));
            assertThat(year.altitudeDeg(i)).isCloseTo(core.altitudeDeg(), within(0.01));
            SunAndMoon lamps = year.lamps(i);
            SunAndMoon exact = SunAndMoon.at(moment, observer);
            if (exact.sunAltitudeDeg() > -18) {
                assertThat(Angles.halfTurn(lamps.sunAzimuthDeg() - exact.sunAzimuthDeg()))
                        .isCloseTo(0, within(0.01 / Math.cos(Math.toRadians(exact.sunAltitudeDeg()))));
            }
            // what stands two samples below the horizon has no azimuth
            if (moon.altitudeDeg() > -5) {
                double off = Angles.halfTurn(lamps.moonAzimuthDeg() - moon.azimuthDeg());
                assertThat(off * Math.cos(Math.toRadians(moon.altitudeDeg()))).isCloseTo(0, within(0.01));
                assertThat(lamps.moonPhaseAngleDeg()).isCloseTo(exact.moonPhaseAngleDeg(), within(0.01));
            }
            if (core.altitudeDeg() > -5) {
                double off = Angles.halfTurn(year.azimuthDeg(i) - core.azimuthDeg());
                assertThat(off * Math.cos(Math.toRadians(core.altitudeDeg()))).isCloseTo(0, within(0.01));
            }
            assertThat(year.zenithMagnitude(i))
                    .isCloseTo(SkyGlow.natural().zenith(exact.uneclipsed()).magnitude(), within(0.02));
            assertThat(year.moonFraction(i))
                    .isCloseTo(Illumination.of(Body.MOON, moment).fraction(), within(0.01));
        }
    }

    @Test
    void nights_follow_the_clocks_through_a_leap_year() {
        YearOfNights year = year(LEDGE, "2028-01-01", 366, "Europe/Lisbon");
        assertThat(year.date(59)).isEqualTo(LocalDate.of(2028, 2, 29));
        assertThat(year.date(365)).isEqualTo(LocalDate.of(2028, 12, 31));
        int shortNights = 0;
        int longNights = 0;
        for (int night = 0; night < 366; night++) {
            int samples = year.start(night + 1) - year.start(night);
            shortNights += samples == 138 ? 1 : 0;
            longNights += samples == 150 ? 1 : 0;
            assertThat(year.span(night).from().atZone(LISBON).getHour()).isEqualTo(12);
        }
        assertThat(shortNights).isEqualTo(1);
        assertThat(longNights).isEqualTo(1);
        for (int night = 0; night < 366; night++) {
            assertThat(year.nightOf(year.start(night))).isEqualTo(night);
            assertThat(year.nightOf(year.start(night) + 0.9)).isEqualTo(night);
            assertThat(year.nightOf(year.start(night + 1) - 0.1)).isEqualTo(night);
        }
        assertThat(year.nightOf(-0.5)).isZero();
        assertThat(year.nightOf(year.samples() + 3)).isEqualTo(365);
    }

    @Test
    void a_ridge_takes_contrast_away() {
        Skyline ridge = Skyline.of(List.of(new Skyline.Point(0, 0), new Skyline.Point(180, 30)));
        YearOfNights hidden = YearOfNights.of(LEDGE, LocalDate.of(2027, 6, 4), 1, LISBON, ridge, SkyGlow.natural());
        YearOfNights open = year(LEDGE, "2027-06-04", 1, "Europe/Lisbon");
        double behind = 0;
        double free = 0;
        for (int i = 0; i < open.samples(); i++) {
            behind += hidden.contrastPercent(i);
            free += open.contrastPercent(i);
        }
        assertThat(behind).isLessThan(0.5 * free);
    }

    /** June: the sum of the exact windows of its thirty nights. */
    @ParameterizedTest
    @CsvSource({"2027-06-01, 5", "2027-09-01, 8", "2027-12-01, 11"})
    void hours_of_a_month_are_those_of_its_nights(String first, int month) {
        LocalDate date = LocalDate.parse(first);
        double hours = 0;
        for (int i = 0; i < date.lengthOfMonth(); i++) {
            Night night = Night.of(LEDGE, date.plusDays(i), LISBON, NightRules.USUAL);
            hours += Interval.total(night.core().inDark()).toSeconds() / 3600.0;
        }
        double[] found =
                year(LEDGE, first, date.lengthOfMonth(), "Europe/Lisbon").hoursByMonth();
        assertThat(found[month]).isCloseTo(hours, within(0.05 * hours + 0.01));
    }

    @Test
    void a_year_knows_what_it_was_asked_for_and_its_limits() {
        YearOfNights year = year(LEDGE, "2027-06-01", 3, "Europe/Lisbon");
        assertThat(year.site()).isEqualTo(LEDGE);
        assertThat(year.zone()).isEqualTo(LISBON);
        assertThat(year.nights()).isEqualTo(3);
        assertThat(year.samples()).isEqualTo(3 * 144);
        assertThat(year.instant(6)).isEqualTo(Instant.parse("2027-06-01T12:00:00Z"));
        assertThat(year.span(1))
                .isEqualTo(new Interval(Instant.parse("2027-06-02T11:00:00Z"), Instant.parse("2027-06-03T11:00:00Z")));
        assertThat(year(LEDGE, "2027-06-01", 1, "Europe/Lisbon").nights()).isEqualTo(1);
        assertThat(year(LEDGE, "2027-06-01", 3700, "Europe/Lisbon").nights()).isEqualTo(3700);
        assertThatThrownBy(() -> year(LEDGE, "2027-06-01", 0, "Europe/Lisbon")).hasMessageContaining("1 to 3700");
        assertThatThrownBy(() -> year(LEDGE, "2027-06-01", 3701, "Europe/Lisbon"))
                .hasMessageContaining("3701");
    }

    /** At full moon the sky of midnight is brighter by magnitudes than at new moon, and the core has less contrast. */
    @Test
    void moonlight_stands_in_zenith_and_contrast() {
        YearOfNights year = year(LEDGE, "2027-06-01", 30, "Europe/Lisbon");
        int fresh = year.start(3) + 81;
        int full = year.start(17) + 81;
        SunAndMoon exact = SunAndMoon.at(Moment.at(year.instant(full)), Observer.at(LEDGE));
        assertThat(year.zenithMagnitude(full))
                .isCloseTo(SkyGlow.natural().zenith(exact).magnitude(), within(0.01));
        assertThat(year.zenithMagnitude(fresh)).isBetween(21.5, 22.1);
        assertThat(year.zenithMagnitude(full)).isLessThan(19.5);
        Direction core = Direction.of(Moment.at(year.instant(fresh)).local(FixedPoint.CORE, Observer.at(LEDGE)));
        assertThat(year.contrastPercent(fresh))
                .isCloseTo(
                        SkyGlow.natural()
                                .coreContrastPercent(
                                        core, SunAndMoon.at(Moment.at(year.instant(fresh)), Observer.at(LEDGE))),
                        within(0.2));
    }
}
