package dev.halfdusk.core.night;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.DateOutOfRange;
import dev.halfdusk.core.sky.Facts;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NightTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final ZoneId LISBON = ZoneId.of("Europe/Lisbon");

    private static Night night(double latitude, double longitude, String date, String zone) {
        return Night.of(new Site(latitude, longitude, 0), LocalDate.parse(date), ZoneId.of(zone), NightRules.USUAL);
    }

    @ParameterizedTest
    @CsvSource({
        "37.6, -8.8, 2027-06-08, Europe/Lisbon, DARK",
        "56.5, -4.2, 2027-06-21, Europe/London, TWILIGHT_ONLY",
        "69.65, 18.96, 2027-06-21, Europe/Oslo, SUN_STAYS_UP",
        "78.2, 15.6, 2026-12-23, Arctic/Longyearbyen, SUN_STAYS_DOWN",
        "90, 0, 2027-06-21, UTC, SUN_STAYS_UP",
        "90, 0, 2027-12-21, UTC, SUN_STAYS_DOWN",
        "-90, 0, 2027-06-21, UTC, SUN_STAYS_DOWN",
        "-54.8, -68.3, 2026-12-20, America/Argentina/Ushuaia, TWILIGHT_ONLY",
        "-17.8, 178, 2028-02-28, Pacific/Fiji, DARK",
        "0, -180, 2028-02-29, UTC, DARK"
    })
    void every_kind_of_night_has_a_name(double lat, double lon, String date, String zone, Night.Darkness expected) {
        Night night = night(lat, lon, date, zone);
        assertThat(night.darkness()).isEqualTo(expected);
        assertThat(night.sunDown().isEmpty()).isEqualTo(expected == Night.Darkness.SUN_STAYS_UP);
        assertThat(night.sunLowest().value()).isBetween(-90.0, 90.0);
    }

    @ParameterizedTest
    @CsvSource({"2027-03-27, 23", "2027-10-30, 25", "2027-06-08, 24"})
    void a_night_is_as_long_as_its_clocks_say(String date, int hours) {
        assertThat(Night.of(LEDGE, LocalDate.parse(date), LISBON, NightRules.USUAL)
                        .span()
                        .length())
                .isEqualTo(Duration.ofHours(hours));
    }

    @Test
    void windows_are_true_at_every_minute() {
        Night night = Night.of(LEDGE, LocalDate.of(2027, 6, 8), LISBON, NightRules.USUAL);
        for (Instant t = night.span().from(); t.isBefore(night.span().to()); t = t.plus(Duration.ofMinutes(7))) {
            Moment moment = Moment.at(t);
            Instant now = t;
            double sun = moment.observed(Body.SUN, night.observer()).altitudeDeg();
            var moon = moment.observed(Body.MOON, night.observer());
            boolean dark = sun < -18;
            boolean moonless = dark && moon.altitudeDeg() + moon.semidiameterDeg() < -34 / 60.0;
            boolean core = moonless && night.core().at(t).altitudeDeg() > 10;
            assertThat(night.dark().stream().anyMatch(i -> i.contains(now)))
                    .as("dark at %s", t)
                    .isEqualTo(dark);
            assertThat(night.moonless().stream().anyMatch(i -> i.contains(now))).isEqualTo(moonless);
            assertThat(night.core().inDark().stream().anyMatch(i -> i.contains(now)))
                    .isEqualTo(core);
        }
    }

    @Test
    void the_year_end_and_the_leap_day_are_nights_like_others() {
        Night newYear = Night.of(LEDGE, LocalDate.of(2027, 12, 31), LISBON, NightRules.USUAL);
        assertThat(newYear.rise(HorizonEvent.Kind.SUN).orElseThrow())
                .isCloseTo(Instant.parse("2028-01-01T07:48:00Z"), within(10, ChronoUnit.MINUTES));
        Night leap = Night.of(LEDGE, LocalDate.of(2028, 2, 28), LISBON, NightRules.USUAL);
        assertThat(leap.span().to()).isEqualTo(Instant.parse("2028-02-29T12:00:00Z"));
    }

    @Test
    void a_ridge_shortens_the_core_window() {
        NightRules ridge = NightRules.USUAL.withSkyline(
                Skyline.of(List.of(new Skyline.Point(0, 0), new Skyline.Point(120, 20), new Skyline.Point(240, 20))));
        Night open = Night.of(LEDGE, LocalDate.of(2027, 6, 4), LISBON, NightRules.USUAL);
        Night hidden = Night.of(LEDGE, LocalDate.of(2027, 6, 4), LISBON, ridge);
        assertThat(Interval.total(hidden.core().up()))
                .isLessThan(Interval.total(open.core().up()));
        assertThat(hidden.core().up()).hasSize(1);
        assertThat(hidden.core().at(hidden.core().up().get(0).from()).altitudeDeg())
                .isCloseTo(20, within(0.01));
    }

    @Test
    void without_a_moonless_core_the_window_is_the_core_under_the_moon() {
        Night full = Night.of(LEDGE, LocalDate.of(2027, 6, 18), LISBON, NightRules.USUAL);
        assertThat(full.core().inDark()).isEmpty();
        assertThat(full.core().window()).isPresent();
        Night winter = Night.of(LEDGE, LocalDate.of(2027, 12, 20), LISBON, NightRules.USUAL);
        assertThat(winter.core().window()).isEmpty();
    }

    @Test
    void a_faint_moon_may_be_allowed() {
        LocalDate crescent = LocalDate.of(2027, 6, 7);
        Night strict = Night.of(LEDGE, crescent, LISBON, NightRules.USUAL);
        Night lenient = Night.of(LEDGE, crescent, LISBON, NightRules.USUAL.withMoonAllowance(0.1));
        Night full = Night.of(LEDGE, LocalDate.of(2027, 6, 18), LISBON, NightRules.USUAL.withMoonAllowance(0.1));
        assertThat(Interval.total(lenient.moonless())).isGreaterThan(Interval.total(strict.moonless()));
        assertThat(Interval.total(full.moonless())).isLessThan(Duration.ofHours(1));
    }

    @Test
    void the_core_rises_stands_highest_and_sets() {
        Night night = Night.of(LEDGE, LocalDate.of(2027, 6, 8), LISBON, NightRules.USUAL);
        Instant rise = night.core().rise().orElseThrow();
        Instant set = night.core().set().orElseThrow();
        assertThat(night.core().at(rise).altitudeDeg()).isCloseTo(0, within(1e-4));
        assertThat(night.core().at(set).altitudeDeg()).isCloseTo(0, within(1e-4));
        Instant transit = night.core().highest().orElseThrow();
        assertThat(night.core().at(transit).azimuthDeg()).isCloseTo(180, within(1e-3));
        assertThat(night.core().at(transit).altitudeDeg()).isCloseTo(90 - 37.6012 - 29.01, within(0.05));
        assertThat(night.core().best()).hasValue(transit);
        assertThat(night.poleAltitudeDeg()).isEqualTo(37.6012);
        // 384 400 km over the geometric distance at the deepest of the night
        double km = Moment.at(night.sunLowest().when()).geometricDistanceKm(Body.MOON);
        assertThat(night.moonSize()).isCloseTo(384_400 / km, within(1e-6));
    }

    @Test
    void in_the_far_south_the_core_never_sets() {
        Night pole = night(-89, 0, "2027-07-04", "UTC");
        assertThat(pole.core().rise()).isEmpty();
        assertThat(pole.core().set()).isEmpty();
        assertThat(pole.core().up()).containsExactly(pole.span());
        assertThat(night(75, 0, "2027-12-20", "UTC").core().up()).isEmpty();
    }

    /** The same instants belong to one night or to its neighbour, never to both and never to none. */
    @Test
    void events_do_not_fall_between_two_nights() {
        int sunsets = 0;
        for (LocalDate d = LocalDate.of(2027, 3, 1); d.isBefore(LocalDate.of(2027, 5, 1)); d = d.plusDays(1)) {
            Night night = Night.of(LEDGE, d, LISBON, NightRules.USUAL);
            sunsets += (int) night.events().stream()
                    .filter(e -> e.name().equals("sun_down"))
                    .count();
            assertThat(night.events()).allMatch(e -> night.span().contains(e.when()));
        }
        assertThat(sunsets).isEqualTo(61);
    }

    @Test
    void years_without_an_ephemeris_are_refused() {
        assertThatThrownBy(() -> Night.of(LEDGE, LocalDate.of(2070, 1, 1), LISBON, NightRules.USUAL))
                .isInstanceOf(DateOutOfRange.class)
                .hasMessageContaining("2000\u20132059");
    }

    @Test
    void from_a_cliff_the_sea_horizon_lies_lower() {
        NightRules cliff = NightRules.USUAL.withDip(Facts.dip(400));
        Night level = Night.of(LEDGE, LocalDate.of(2027, 6, 8), LISBON, NightRules.USUAL);
        Night high = Night.of(LEDGE, LocalDate.of(2027, 6, 8), LISBON, cliff);
        // 0.586° at the sun's slant of 53° to the horizon and 15° cos 23° an hour is some three minutes
        Duration later = Duration.between(
                level.set(HorizonEvent.Kind.SUN).orElseThrow(),
                high.set(HorizonEvent.Kind.SUN).orElseThrow());
        assertThat(later).isBetween(Duration.ofSeconds(170), Duration.ofSeconds(230));
        assertThat(high.set(HorizonEvent.Kind.ASTRO)).isEqualTo(level.set(HorizonEvent.Kind.ASTRO));
    }

    /** In spring dawn comes before the core's meridian, in autumn dusk comes after it. */
    @ParameterizedTest
    @CsvSource({"2027-03-08, to", "2027-09-28, from", "2027-06-04, transit"})
    void the_core_is_highest_at_its_transit_or_at_the_nearer_end_of_its_window(String date, String where) {
        Night night = Night.of(LEDGE, LocalDate.parse(date), LISBON, NightRules.USUAL);
        Interval window = night.core().window().orElseThrow();
        Instant expected = switch (where) {
            case "from" -> window.from();
            case "to" -> window.to();
            default -> night.core().highest().orElseThrow();
        };
        assertThat(night.core().best()).contains(expected);
        for (Instant t = window.from(); t.isBefore(window.to()); t = t.plus(Duration.ofMinutes(5))) {
            assertThat(night.core().at(t).altitudeDeg())
                    .isLessThanOrEqualTo(night.core().at(expected).altitudeDeg() + 1e-6);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "2027-06-08T22:30:00, 2027-06-08",
        "2027-06-09T02:10:00, 2027-06-08",
        "2027-06-09T11:59:59, 2027-06-08",
        "2027-06-09T12:00:00, 2027-06-09",
        "2028-01-01T00:30:00, 2027-12-31"
    })
    void an_instant_belongs_to_the_night_of_an_evening(String wall, String evening) {
        LocalDateTime local = LocalDateTime.parse(wall);
        Instant when = local.atZone(LISBON).toInstant();
        assertThat(Night.evening(when, LISBON)).hasToString(evening);
        assertThat(Night.at(LocalDate.parse(evening), local.toLocalTime(), LISBON))
                .isEqualTo(when);
    }

    @Test
    void the_best_instant_is_the_middle_of_the_window_to_ten_minutes_and_minutes_count_from_noon() {
        Night night = Night.of(LEDGE, LocalDate.of(2027, 6, 8), LISBON, NightRules.USUAL);
        Duration off = Duration.between(night.window().orElseThrow().middle(), night.best());
        assertThat(off.abs()).isLessThanOrEqualTo(Duration.ofMinutes(5).plusSeconds(30));
        assertThat(night.minute(night.best()) % 10).isZero();
        assertThat(night.at(90)).isEqualTo(Instant.parse("2027-06-08T12:30:00Z"));
        assertThat(night.minute(Instant.parse("2027-06-08T12:30:29Z"))).isEqualTo(90);
        assertThat(night.minute(Instant.parse("2027-06-08T12:30:31Z"))).isEqualTo(91);
        Night bright = night(69.65, 18.96, "2027-06-21", "Europe/Oslo");
        assertThat(bright.window()).isEmpty();
        assertThat(Duration.between(bright.best(), bright.sunLowest().when()).abs())
                .isLessThan(Duration.ofMinutes(6));
        assertThat(bright.down()).isEqualTo(bright.span());
    }

    @Test
    void one_looks_at_the_core_while_it_is_up_else_at_what_is_brightest_else_towards_the_equator() {
        Night night = Night.of(LEDGE, LocalDate.of(2027, 6, 8), LISBON, NightRules.USUAL);
        assertThat(night.aim(night.best()))
                .isEqualTo(new Night.Aim(night.core().at(night.best()), Optional.of(Sight.CORE)));
        // after noon the winter Milky Way is high, and Cygnus has set
        assertThat(night.aim(night.span().from()).at()).contains(Sight.WINTER);
        Night evening = Night.of(LEDGE, LocalDate.of(2027, 10, 1), LISBON, NightRules.USUAL);
        assertThat(evening.aim(evening.at(700)).at()).contains(Sight.CYGNUS);
        // with the galactic pole overhead all of the plane lies along the horizon
        Night spring = Night.of(new Site(27, 0, 0), LocalDate.of(2027, 4, 2), ZoneOffset.UTC, NightRules.USUAL);
        assertThat(spring.aim(spring.at(718))).isEqualTo(Night.Aim.open(new Direction(180, 45)));
        assertThat(night.core().seen(night.best())).isTrue();
        assertThat(night.core().seen(night.span().from())).isFalse();
    }

    /** Any subject asks for its own windows: here Jupiter above a ridge of 20°. */
    @Test
    void a_night_answers_when_any_fact_holds() {
        Skyline ridge = Skyline.of(List.of(new Skyline.Point(0, 20), new Skyline.Point(180, 20)));
        Night night = Night.of(LEDGE, LocalDate.of(2027, 3, 8), LISBON, NightRules.USUAL.withSkyline(ridge));
        List<Interval> up = night.when(night.above(Body.JUPITER, 5));
        assertThat(up).isNotEmpty();
        for (Instant t = night.span().from(); t.isBefore(night.span().to()); t = t.plus(Duration.ofMinutes(11))) {
            Instant now = t;
            double altitude =
                    Moment.at(t).observed(Body.JUPITER, night.observer()).altitudeDeg();
            assertThat(up.stream().anyMatch(i -> i.contains(now))).isEqualTo(altitude > 20);
        }
    }

    @Test
    void a_night_says_what_it_was_asked_for_and_what_stands_in_it() {
        NightRules rules = NightRules.USUAL.withMoonAllowance(0.2);
        Night night = Night.of(LEDGE, LocalDate.of(2027, 6, 8), LISBON, rules);
        assertThat(night.site()).isEqualTo(LEDGE);
        assertThat(night.date()).isEqualTo(LocalDate.of(2027, 6, 8));
        assertThat(night.zone()).isEqualTo(LISBON);
        assertThat(night.rules()).isEqualTo(rules);
        assertThat(night.darkness().key()).isEqualTo("dark");
        // the deepest of the night falls within minutes of the sun's lower transit, 00:34 UTC + equation of time
        assertThat(night.sunLowest().when())
                .isCloseTo(Instant.parse("2027-06-09T00:34:00Z"), within(2, ChronoUnit.MINUTES));
        assertThat(night.sunLowest().value()).isCloseTo(-(90 - 37.6012 - 22.93), within(0.05));
        Moment deepest = Moment.at(night.sunLowest().when());
        assertThat(night.moon()).isEqualTo(Illumination.of(Body.MOON, deepest));
        assertThat(night.arch(night.best())).isEqualTo(Galaxy.arch(Moment.at(night.best()), night.observer()));
    }

    /** By the ground's noon a site far west of its zone's meridian sees the sun lowest near an end of the span. */
    @ParameterizedTest
    @CsvSource({"71.3, -156.8, 2027-06-21, UTC", "70, 90, 2027-06-21, UTC", "70, -90, 2027-06-21, UTC"})
    void the_lowest_sun_is_found_also_near_an_end_of_the_span(double lat, double lon, String date, String zone) {
        Night night = night(lat, lon, date, zone);
        double least = 90;
        for (Instant t = night.span().from(); !t.isAfter(night.span().to()); t = t.plusSeconds(300)) {
            least = Math.min(
                    least, Moment.at(t).observed(Body.SUN, night.observer()).altitudeDeg());
        }
        assertThat(night.sunLowest().value()).isLessThanOrEqualTo(least + 1e-6).isCloseTo(least, within(0.01));
    }

    /** At noon-dark polar edges the sun may be down twice in a span: the night is the stretch with the lowest sun. */
    @Test
    void the_stretch_without_sun_holds_the_deepest() {
        Night night = night(71.3, -156.8, "2028-01-23", "America/Anchorage");
        assertThat(night.down().contains(night.sunLowest().when())).isTrue();
        assertThat(night.sunDown()).contains(night.down());
        Night usual = night(37.6, -8.8, "2027-06-08", "Europe/Lisbon");
        assertThat(usual.down()).isEqualTo(usual.sunDown().get(0));
    }

    @Test
    void without_moonless_hours_the_dark_ones_are_the_window() {
        Night full = Night.of(LEDGE, LocalDate.of(2027, 12, 13), LISBON, NightRules.USUAL);
        Night winter = Night.of(LEDGE, LocalDate.of(2027, 12, 28), LISBON, NightRules.USUAL);
        assertThat(full.core().window()).isEmpty();
        assertThat(full.darkWindow())
                .isEqualTo(
                        full.moonless().isEmpty()
                                ? Optional.of(full.dark().get(0))
                                : Interval.longest(full.moonless()));
        assertThat(winter.window()).isPresent().isEqualTo(winter.darkWindow());
    }

    /** A clock in the night in which summer time begins or ends is that of its own morning, not of the noon before. */
    @ParameterizedTest
    @CsvSource({
        "2027-03-27, 23:30, Europe/Lisbon, 2027-03-27T23:30:00Z",
        "2027-03-27, 03:30, Europe/Lisbon, 2027-03-28T02:30:00Z",
        "2027-10-30, 23:30, Europe/Lisbon, 2027-10-30T22:30:00Z",
        "2027-10-30, 03:30, Europe/Lisbon, 2027-10-31T03:30:00Z",
        "2027-09-25, 04:00, Pacific/Auckland, 2027-09-25T15:00:00Z"
    })
    void a_clock_in_a_night_that_changes_its_clocks(String evening, String clock, String zone, String utc) {
        assertThat(Night.at(LocalDate.parse(evening), java.time.LocalTime.parse(clock), ZoneId.of(zone)))
                .isEqualTo(Instant.parse(utc));
    }

    /** In the middle of the totality of 20 December 2029 a core search for a moonless sky finds it dark: the moon is as good as down. */
    @Test
    void a_moon_in_the_shadow_of_the_earth_is_no_moon() {
        Night eclipsed = night(37.6, -8.8, "2029-12-20", "Europe/Lisbon");
        Instant totality = Instant.parse("2029-12-20T22:42:00Z");
        assertThat(eclipsed.moonless()).anyMatch(i -> i.contains(totality));
        assertThat(eclipsed.moonless()).noneMatch(i -> i.contains(totality.minusSeconds(7200)));
        assertThat(night(37.6, -8.8, "2029-11-21", "Europe/Lisbon").moonless())
                .noneMatch(i -> i.contains(Instant.parse("2029-11-21T23:30:00Z")));
    }

    /** At its best the core, at 29.0 degrees south, stands as high as 61.0 degrees less the latitude. */
    @Test
    void why_the_core_is_not_up_is_said() {
        Night north = night(54.8, 9.4, "2027-04-06", "Europe/Berlin");
        assertThat(north.core().up()).isEmpty();
        assertThat(north.core().whyNot(List.of(north.span())))
                .isEqualTo("the core stands no higher than 6.2\u00b0 (10\u00b0 is wanted)");
        Instant early = north.core().highest().orElseThrow().minus(Duration.ofHours(6));
        assertThat(north.core().whyNot(List.of(new Interval(early, early.plusSeconds(600)))))
                .isEqualTo("the core stays below the horizon");
        Night far = night(68, 15, "2027-03-06", "Europe/Oslo");
        assertThat(far.core().whyNot(List.of(far.span()))).isEqualTo("the core stays below the horizon");
        NightRules wall = NightRules.USUAL.withSkyline(
                Skyline.of(List.of(new Skyline.Point(0, 30), new Skyline.Point(120, 30), new Skyline.Point(240, 30))));
        Night hidden = Night.of(LEDGE, LocalDate.of(2027, 6, 8), LISBON, wall);
        assertThat(hidden.core().up()).isEmpty();
        assertThat(hidden.core().whyNot(List.of(hidden.span()))).isEqualTo("the skyline hides the core");
    }
}
