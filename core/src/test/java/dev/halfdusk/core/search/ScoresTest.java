package dev.halfdusk.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Coordinates;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Dark;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a search says of its finds, reckoned a second time from exact nights. */
class ScoresTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final ZoneId LISBON = ZoneId.of("Europe/Lisbon");

    private static YearOfNights nights(String first, int count) {
        return YearOfNights.of(LEDGE, LocalDate.parse(first), count, LISBON, Skyline.FLAT, SkyGlow.natural());
    }

    /** 50 points for four hours, 30 for a core 110 % brighter than its sky, 20 for one 50° high. */
    @Test
    void a_score_is_the_sum_of_its_parts() {
        List<NightSearch.Hit> hits = NightSearch.find(nights("2027-03-01", 200), NightWish.USUAL);
        for (NightSearch.Hit h : hits) {
            double score = 50 * Math.min(1, h.hours() / 4)
                    + 30 * Math.min(1, h.top().orElseThrow().contrastPercent() / 110)
                    + 20 * Math.min(1, h.top().orElseThrow().altitudeDeg() / 50);
            assertThat(h.score()).isCloseTo(score, within(0.051));
        }
        assertThat(hits.get(0).score()).isGreaterThan(70);
        assertThat(hits.get(hits.size() - 1).score()).isLessThan(60);
    }

    @Test
    void reasons_tell_the_hours_the_height_and_what_the_moon_takes() {
        int moonlit = 0;
        for (NightSearch.Hit h : NightSearch.find(nights("2027-06-01", 30), NightWish.USUAL)) {
            Night exact = Night.of(LEDGE, h.date(), LISBON, NightRules.USUAL);
            double lost =
                    Interval.total(Interval.common(exact.dark(), exact.core().up()))
                                            .toMinutes()
                                    / 60.0
                            - Interval.total(exact.core().inDark()).toMinutes() / 60.0;
            assertThat(h.reasons().get(0))
                    .isEqualTo(String.format(Locale.ROOT, "%.1f h of core in the dark", h.hours()));
            assertThat(h.reasons().get(1))
                    .contains(h.top().orElseThrow().stance().words())
                    .startsWith("core up to 2");
            String moon = h.reasons().get(2);
            if (lost > 0.3) {
                moonlit++;
                double told = Double.parseDouble(moon.replaceAll(".*takes ([0-9.]+) h more", "$1"));
                assertThat(told).isCloseTo(lost, within(0.35));
            } else if (lost == 0) {
                assertThat(moon).startsWith("no moon in the way");
            }
            String lit = moon.replaceAll("[^0-9]*(\\d+) % lit.*", "$1");
            assertThat(Double.parseDouble(lit) / 100).isCloseTo(exact.moon().fraction(), within(0.06));
            assertThat(h.moonFraction()).isCloseTo(exact.moon().fraction(), within(0.06));
        }
        assertThat(moonlit).isGreaterThan(3);
    }

    /** Moonrises of a year by the events of the horizon, one full moon after another. */
    @Test
    void full_moon_evenings_know_which_comes_first() {
        Instant from = Instant.parse("2027-01-01T00:00:00Z");
        Instant to = from.plus(Duration.ofDays(365));
        List<FullMoonEvenings.Evening> found = FullMoonEvenings.between(LEDGE, from, to);
        Observer observer = Observer.at(LEDGE);
        List<HorizonEvent> events = dev.halfdusk.core.sky.HorizonEvents.between(observer, from, to).stream()
                .filter(e -> e.name().equals("moon_up") || e.name().equals("sun_down"))
                .toList();
        int expected = 0;
        for (HorizonEvent rise : events) {
            for (HorizonEvent set : events) {
                Duration after = Duration.between(set.when(), rise.when());
                boolean pair = rise.name().equals("moon_up") && set.name().equals("sun_down");
                double phase = dev.halfdusk.core.glow.SunAndMoon.at(Moment.at(rise.when()), observer)
                        .moonPhaseAngleDeg();
                if (pair && after.abs().compareTo(Duration.ofMinutes(40)) <= 0 && phase < 60) {
                    expected++;
                    FullMoonEvenings.Evening evening = found.stream()
                            .filter(e -> Duration.between(e.moonrise(), rise.when())
                                            .abs()
                                            .toSeconds()
                                    < 1)
                            .findFirst()
                            .orElseThrow();
                    assertThat(evening.afterSunset()).isCloseTo(after, Duration.ofSeconds(1));
                    assertThat(evening.azimuthDeg()).isCloseTo(rise.azimuthDeg(), within(0.001));
                }
            }
        }
        assertThat(found).hasSize(expected);
        assertThat(found).anyMatch(e -> e.afterSunset().isNegative());
        assertThat(found).anyMatch(e -> !e.afterSunset().isNegative());
    }

    /** The same in the morning: every moonset within 40 minutes of a sunrise near full moon, and no other. */
    @Test
    void full_moon_mornings_are_moonsets_near_sunrise() {
        Instant from = Instant.parse("2027-01-01T00:00:00Z");
        Instant to = Instant.parse("2028-01-01T00:00:00Z");
        List<FullMoonEvenings.Morning> found = FullMoonEvenings.mornings(LEDGE, from, to);
        Observer observer = Observer.at(LEDGE);
        List<HorizonEvent> events = dev.halfdusk.core.sky.HorizonEvents.between(observer, from, to);
        long expected = events.stream()
                .filter(set -> set.name().equals("moon_down"))
                .filter(set -> dev.halfdusk.core.glow.SunAndMoon.at(Moment.at(set.when()), observer)
                                .moonPhaseAngleDeg()
                        < 60)
                .filter(set -> events.stream()
                        .anyMatch(rise -> rise.name().equals("sun_up")
                                && Duration.between(set.when(), rise.when())
                                                .abs()
                                                .compareTo(Duration.ofMinutes(40))
                                        <= 0))
                .count();
        assertThat(found).hasSize((int) expected).allMatch(m -> m.azimuthDeg() > 180 && m.azimuthDeg() < 360);
        assertThat(found)
                .allSatisfy(m -> assertThat(m.moonset().plus(m.beforeSunrise())).isEqualTo(m.sunrise()));
        assertThat(found).anyMatch(m -> m.beforeSunrise().isNegative());
        assertThat(found).anyMatch(m -> !m.beforeSunrise().isNegative());
    }

    /** Day above −50′, night from −18° down, twilight between. */
    @Test
    void light_of_an_alignment_by_the_sun() {
        Instant from = Instant.parse("2027-01-01T00:00:00Z");
        List<Alignments.Alignment> all = Alignments.find(Body.MOON, LEDGE, new Direction(140, 20), 4, from, 2);
        for (Alignments.Alignment a : all) {
            double sun =
                    Moment.at(a.when()).observed(Body.SUN, Observer.at(LEDGE)).altitudeDeg();
            Alignments.Light expected = sun < -18
                    ? Alignments.Light.NIGHT
                    : sun < -0.833 ? Alignments.Light.TWILIGHT : Alignments.Light.DAY;
            assertThat(a.light()).as("sun at %s", sun).isEqualTo(expected);
            assertThat(a.sunAltitudeDeg()).isCloseTo(sun, within(1e-6));
            Horizontal moon = Moment.at(a.when()).observed(Body.MOON, Observer.at(LEDGE));
            assertThat(a.azimuthDeg()).isCloseTo(moon.azimuthDeg(), within(1e-6));
            assertThat(a.moonAltitudeDeg()).isCloseTo(moon.altitudeDeg(), within(1e-6));
            assertThat(a.separationDeg()).isCloseTo(moon.direction().angleTo(new Direction(140, 20)), within(0.001));
        }
        assertThat(all).anyMatch(a -> a.sunAltitudeDeg() < -12 && a.sunAltitudeDeg() > -18);
        assertThat(all).extracting(Alignments.Alignment::light).contains(Alignments.Light.values());
        assertThat(Alignments.Light.NIGHT.key()).isEqualTo("night");
    }

    /** Centre 5°, half a degree wide: the lower edge is a quarter below it. */
    @ParameterizedTest
    @CsvSource({"4, 0.75", "4.75, 0", "5, -0.25", "5.25, -0.5"})
    void clearance_is_of_the_lower_edge(double top, double clear) {
        Coordinates at = new Coordinates(37, -8, OptionalDouble.empty());
        assertThat(new StandingLine.Spot(500, at, 100, top, 5, 0.5, 2).clearDeg())
                .isCloseTo(clear, within(1e-9));
    }

    /** h / tan(width × part), by hand. */
    @ParameterizedTest
    @CsvSource({"40, 0.5, 2, 2291.8", "10, 0.5, 10, 114.30", "50, 30, 1, 86.603"})
    void distance_for_a_height_of_so_many_moons(double height, double width, double part, double metres) {
        assertThat(StandingLine.distanceForMoons(height, width, part)).isCloseTo(metres, within(metres * 1e-4));
    }

    /** Under a city's sky the core is up as long and as high, and shows by a percent or two: its nights are worth as little. */
    @Test
    void what_does_not_show_is_worth_nothing() {
        YearOfNights city = YearOfNights.of(
                new Site(37.6, -8.8, 5),
                LocalDate.of(2027, 1, 1),
                366,
                ZoneId.of("Europe/Lisbon"),
                Skyline.FLAT,
                SkyGlow.ofZenith(17.5));
        List<NightSearch.Hit> hits = NightSearch.find(city, NightWish.USUAL);
        assertThat(hits).isNotEmpty().allSatisfy(h -> {
            double contrast = h.top().orElseThrow().contrastPercent();
            assertThat(contrast).isLessThan(6);
            assertThat(h.score()).isCloseTo(5 * contrast, within(0.051));
        });
    }

    @Test
    void a_wish_takes_darkness_and_height_from_what_is_asked() {
        NightWish wish = NightWish.of(new Asked(Sight.CORE, Dark.sun(12), 25));
        assertThat(wish.hours()).isEqualTo(1);
        assertThat(wish.dark()).isEqualTo(Dark.sun(12));
        assertThat(wish.wanted()).isEqualTo(Wanted.Standing.above(25));
        assertThat(wish.moonAllowanceMag()).isZero();
    }
}
