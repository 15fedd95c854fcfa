package dev.halfdusk.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.night.Dark;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.MoonPhase;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Star;
import dev.halfdusk.core.sky.Target;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.Month;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SearchesTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final ZoneId LISBON = ZoneId.of("Europe/Lisbon");

    private static YearOfNights year(Site site, String first, int nights, String zone) {
        return YearOfNights.of(site, LocalDate.parse(first), nights, ZoneId.of(zone), Skyline.FLAT, SkyGlow.natural());
    }

    /** To the minute, in the light of the same moon, and with the core as the night's own sheet shows it. */
    private static void agrees(NightSearch.Hit hit, Night exact) {
        Interval window = exact.core().window().orElseThrow();
        assertThat(hit.window().from()).isCloseTo(window.from(), within(45, ChronoUnit.SECONDS));
        assertThat(hit.window().to()).isCloseTo(window.to(), within(45, ChronoUnit.SECONDS));
        assertThat(hit.hours()).isCloseTo(window.length().toSeconds() / 3600.0, within(0.03));
        NightSearch.Top top = hit.top().orElseThrow();
        Instant best = exact.core().best().orElseThrow();
        assertThat(top.when()).isCloseTo(best, within(90, ChronoUnit.SECONDS));
        assertThat(top.altitudeDeg()).isCloseTo(exact.core().at(best).altitudeDeg(), within(0.05));
        assertThat(top.stance()).isEqualTo(exact.arch(best).stance());
    }

    @Test
    void the_search_finds_what_the_exact_nights_say() {
        YearOfNights year = year(LEDGE, "2027-05-01", 60, "Europe/Lisbon");
        List<NightSearch.Hit> hits = NightSearch.find(year, NightWish.USUAL);
        for (int i = 0; i < 60; i++) {
            LocalDate date = year.date(i);
            Night exact = Night.of(LEDGE, date, LISBON, NightRules.USUAL);
            double hours = Interval.total(exact.core().inDark()).toMinutes() / 60.0;
            var hit = hits.stream().filter(h -> h.date().equals(date)).findFirst();
            if (hours > 1.03) {
                assertThat(hit).as("%s has %s h", date, hours).isPresent();
                agrees(hit.orElseThrow(), exact);
            }
            if (hours < 0.97) {
                assertThat(hit).as("%s has %s h", date, hours).isEmpty();
            }
        }
        assertThat(hits).isNotEmpty().allSatisfy(h -> {
            assertThat(h.score()).isBetween(0.0, 100.0);
            assertThat(h.reasons()).hasSize(3);
        });
        assertThat(hits).extracting(NightSearch.Hit::score).isSortedAccordingTo((a, b) -> Double.compare(b, a));
    }

    @Test
    void wishes_narrow_the_search() {
        YearOfNights year = year(LEDGE, "2027-01-01", 365, "Europe/Lisbon");
        NightWish fridays = new NightWish(
                0.5,
                Dark.ASTRONOMICAL,
                0,
                Wanted.Standing.above(10),
                Set.of(),
                Set.of(DayOfWeek.FRIDAY),
                Set.of(Month.JUNE, Month.JULY));
        assertThat(NightSearch.find(year, fridays))
                .isNotEmpty()
                .allMatch(h -> h.date().getDayOfWeek() == DayOfWeek.FRIDAY
                        && Set.of(Month.JUNE, Month.JULY).contains(h.date().getMonth()));
        NightWish south = new NightWish(
                0.5,
                Dark.ASTRONOMICAL,
                0,
                new Wanted.Standing(10, 90, 170, 190),
                Set.of(Galaxy.Stance.LEANING),
                Set.of(),
                Set.of());
        assertThat(NightSearch.find(year, south))
                .isNotEmpty()
                .allMatch(h -> h.top().orElseThrow().azimuthDeg() >= 169.9
                        && h.top().orElseThrow().azimuthDeg() <= 190.1
                        && h.top().orElseThrow().stance() == Galaxy.Stance.LEANING);
        NightWish moonlit =
                new NightWish(1, Dark.ASTRONOMICAL, 4, Wanted.Standing.above(10), Set.of(), Set.of(), Set.of());
        assertThat(NightSearch.find(year, moonlit))
                .hasSizeGreaterThan(NightSearch.find(year, NightWish.USUAL).size());
        NightWish never =
                new NightWish(5, Dark.ASTRONOMICAL, 0, Wanted.Standing.above(60), Set.of(), Set.of(), Set.of());
        assertThat(NightSearch.find(year, never)).isEmpty();
    }

    @Test
    void a_spell_is_stood_for_by_its_best_night() {
        List<NightSearch.Hit> hits = NightSearch.find(year(LEDGE, "2027-01-01", 365, "Europe/Lisbon"), NightWish.USUAL);
        List<Spell> spells = Spell.of(hits);
        assertThat(spells.get(0).best()).isEqualTo(hits.get(0));
        assertThat(spells).extracting(k -> k.best().score()).isSortedAccordingTo(Comparator.reverseOrder());
        assertThat(spells.stream().flatMap(k -> k.nights().stream())).containsExactlyInAnyOrderElementsOf(hits);
        for (Spell spell : spells) {
            assertThat(spell.nights()).extracting(NightSearch.Hit::date).isSorted();
            assertThat(spell.nights()).allMatch(h -> h.score() <= spell.best().score());
            // the new moon of the spell is the one nearest to each of its nights
            Instant middle = spell.best().window().middle();
            MoonPhase moon =
                    MoonPhase.between(middle.minus(Duration.ofDays(16)), middle.plus(Duration.ofDays(16))).stream()
                            .filter(e -> e.quarter() == MoonPhase.Quarter.NEW)
                            .min(Comparator.comparing(
                                    e -> Duration.between(e.when(), middle).abs()))
                            .orElseThrow();
            assertThat(spell.nights())
                    .allMatch(h -> Duration.between(moon.when(), h.window().middle())
                                    .abs()
                                    .toHours()
                            < 15.8 * 24);
        }
        // by hand: new moon on 4 July 2027
        Spell july = spells.stream()
                .filter(k ->
                        k.first().isBefore(LocalDate.of(2027, 7, 4)) && k.last().isAfter(LocalDate.of(2027, 7, 4)))
                .findFirst()
                .orElseThrow();
        assertThat(july.first()).isAfter(LocalDate.of(2027, 6, 19));
        assertThat(july.last()).isBefore(LocalDate.of(2027, 7, 19));
        assertThat(Spell.of(List.of())).isEmpty();
    }

    @Test
    void a_wish_across_north_wraps_around() {
        Wanted.Standing north = new Wanted.Standing(10, 40, 350, 10);
        assertThat(north.holds(20, 355)).isTrue();
        assertThat(north.holds(20, 5)).isTrue();
        assertThat(north.holds(20, 180)).isFalse();
        assertThat(north.holds(9.9, 5)).isFalse();
        assertThat(north.holds(40.1, 5)).isFalse();
        assertThat(north.holds(40, 350)).isTrue();
        assertThat(Wanted.Standing.above(10).holds(89, 180)).isTrue();
        assertThatThrownBy(() -> new Wanted.Standing(90, 90, 0, 0)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new Wanted.Standing(0, 90, 361, 0)).isInstanceOf(OutOfRange.class);
    }

    @ParameterizedTest
    @CsvSource({"MOON, 120, 5, 1.0", "SUN, 270, 10, 0.6", "CORE, 180, 23.3, 0.5"})
    void alignments_are_all_the_passages_a_patient_watcher_sees(
            String name, double azimuth, double altitude, double tolerance) {
        Target target = name.equals("CORE") ? FixedPoint.CORE : Body.valueOf(name);
        Instant from = Instant.parse("2027-03-01T00:00:00Z");
        List<Alignments.Alignment> found =
                Alignments.find(target, LEDGE, new Direction(azimuth, altitude), tolerance, from, 1);

        Observer observer = Observer.at(LEDGE);
        var wanted = dev.halfdusk.core.measure.Vector.towards(90 - azimuth, altitude);
        int passages = 0;
        double before = 180;
        double now = 180;
        for (int minute = 0; minute < 365.25 * 1440; minute++) {
            double next = Moment.at(from.plusSeconds(60L * minute))
                    .local(target, observer)
                    .angleTo(wanted);
            if (now < tolerance - 0.002 && now <= before && now < next) {
                passages++;
            }
            before = now;
            now = next;
        }
        assertThat(found.size()).isBetween(passages, passages + 1);
        assertThat(found).allSatisfy(a -> {
            assertThat(a.separationDeg()).isLessThanOrEqualTo(tolerance);
            assertThat(a.altitudeDeg()).isCloseTo(altitude, within(tolerance + 0.001));
        });
        assertThat(found).isNotEmpty();
    }

    /** A passage minutes inside either end of the span is one; one outside is none. */
    @Test
    void passages_are_found_up_to_both_ends_of_the_span() {
        Direction wanted = new Direction(120, 5);
        Instant about = Instant.parse("2027-01-01T00:00:00Z");
        Instant when =
                Alignments.find(Body.MOON, LEDGE, wanted, 1, about, 1).get(2).when();
        Duration year = Duration.ofSeconds(Math.round(365.25 * 86_400));
        for (int seconds : new int[] {-1200, -240, -30, 30, 240, 1200}) {
            boolean inside = seconds < 0;
            List<Alignments.Alignment> from =
                    Alignments.find(Body.MOON, LEDGE, wanted, 1, when.plusSeconds(seconds), 1);
            assertThat(near(from, when)).as("begins at %s s", seconds).isEqualTo(inside);
            List<Alignments.Alignment> to = Alignments.find(
                    Body.MOON, LEDGE, wanted, 1, when.plusSeconds(-seconds).minus(year), 1);
            assertThat(near(to, when)).as("ends at %s s", -seconds).isEqualTo(inside);
        }
        assertThat(Alignments.find(Body.SUN, LEDGE, wanted, 1, Instant.parse("2000-01-01T00:00:00Z"), 1))
                .isNotEmpty();
    }

    private static boolean near(List<Alignments.Alignment> found, Instant when) {
        return found.stream()
                .anyMatch(a -> Duration.between(a.when(), when).abs().toSeconds() < 60);
    }

    /** It circles the pole at 0.6°, so its distance from there never changes by more than aberration. */
    @Test
    void the_pole_star_passes_the_pole_never_and_a_place_beside_it_daily() {
        Target polaris = Star.named("Polaris").orElseThrow().place();
        Instant from = Instant.parse("2027-01-01T00:00:00Z");
        assertThat(Alignments.find(polaris, LEDGE, new Direction(0, LEDGE.latitudeDeg()), 2, from, 1))
                .isEmpty();
        assertThat(Alignments.find(polaris, LEDGE, new Direction(0, LEDGE.latitudeDeg() + 0.002), 2, from, 1))
                .as("comes nearer by less than anyone sees")
                .isEmpty();
        assertThat(Alignments.find(polaris, LEDGE, new Direction(0, LEDGE.latitudeDeg() + 0.6), 0.5, from, 1))
                .hasSizeBetween(365, 368);
    }

    /** In the south 90° − φ ± ε; in the east up to asin(sin ε / sin φ), from the horizon on; in the north never. */
    @ParameterizedTest
    @CsvSource({"180, 28.95, 75.84", "90, 0, 40.69", "270, 0, 40.69"})
    void the_sun_passes_an_azimuth_between_its_solstices(double azimuth, double lowest, double highest) {
        Alignments.Span span = Alignments.altitudes(Body.SUN, LEDGE, azimuth, Instant.parse("2027-01-01T00:00:00Z"), 1)
                .orElseThrow();
        assertThat(span.lowestDeg()).isCloseTo(lowest, within(lowest == 0 ? 0.45 : 0.1));
        assertThat(span.highestDeg()).isCloseTo(highest, within(0.1));
        assertThat(Alignments.altitudes(Body.SUN, LEDGE, 2, Instant.parse("2027-01-01T00:00:00Z"), 1))
                .isEmpty();
    }

    @Test
    void searches_beyond_the_ephemeris_or_without_end_are_refused() {
        assertThatThrownBy(() -> year(LEDGE, "2059-06-01", 300, "UTC")).hasMessageContaining("2000\u20132059");
        assertThatThrownBy(() -> year(LEDGE, "2027-06-01", 4000, "UTC")).hasMessageContaining("3700");
        Instant late = Instant.parse("2055-01-01T00:00:00Z");
        assertThatThrownBy(() -> Alignments.find(Body.MOON, LEDGE, new Direction(10, 10), 1, late, 10))
                .hasMessageContaining("2000\u20132059");
        assertThatThrownBy(() -> Alignments.find(Body.MOON, LEDGE, new Direction(10, 10), 0, late, 1))
                .hasMessageContaining("tolerance");
    }

    @Test
    void letting_go_of_one_limit_never_finds_less() {
        YearOfNights year =
                YearOfNights.of(LEDGE, LocalDate.of(2027, 1, 1), 365, LISBON, Skyline.FLAT, SkyGlow.natural());
        NightWish strict = new NightWish(
                2,
                Dark.ASTRONOMICAL,
                0,
                new Wanted.Standing(15, 90, 150, 200),
                Set.of(Galaxy.Stance.STANDING),
                Set.of(DayOfWeek.FRIDAY),
                Set.of(Month.JULY));
        int found = NightSearch.find(year, strict).size();
        List<Relaxation> all = Relaxation.of(strict, Sight.CORE);
        assertThat(all).hasSize(8);
        assertThat(all).allMatch(r -> NightSearch.find(year, r.wish()).size() >= found);
        assertThat(all.stream().map(Relaxation::wish))
                .containsExactly(
                        wish(1, 0, 15, 150, 200, Galaxy.Stance.STANDING, Set.of(DayOfWeek.FRIDAY), Set.of(Month.JULY)),
                        wish(2, 0, 5, 150, 200, Galaxy.Stance.STANDING, Set.of(DayOfWeek.FRIDAY), Set.of(Month.JULY)),
                        strict.asDarkAs(Dark.sun(12)),
                        wish(
                                2,
                                0.5,
                                15,
                                150,
                                200,
                                Galaxy.Stance.STANDING,
                                Set.of(DayOfWeek.FRIDAY),
                                Set.of(Month.JULY)),
                        wish(2, 0, 15, 0, 0, Galaxy.Stance.STANDING, Set.of(DayOfWeek.FRIDAY), Set.of(Month.JULY)),
                        new NightWish(
                                2,
                                Dark.ASTRONOMICAL,
                                0,
                                new Wanted.Standing(15, 90, 150, 200),
                                Set.of(),
                                Set.of(DayOfWeek.FRIDAY),
                                Set.of(Month.JULY)),
                        wish(2, 0, 15, 150, 200, Galaxy.Stance.STANDING, Set.of(), Set.of(Month.JULY)),
                        wish(2, 0, 15, 150, 200, Galaxy.Stance.STANDING, Set.of(DayOfWeek.FRIDAY), Set.of()));
        NightWish none = new NightWish(0, Dark.sun(12), 1, Wanted.Standing.above(0), Set.of(), Set.of(), Set.of());
        assertThat(Relaxation.of(none, Sight.CORE)).isEmpty();
    }

    /** A limit that is just where letting go would put it is let go no further. */
    @Test
    void what_is_let_go_already_is_not_let_go_again() {
        NightWish just = new NightWish(0.5, Dark.sun(12), 0.5, Wanted.Standing.above(5), Set.of(), Set.of(), Set.of());
        assertThat(Relaxation.of(just, Sight.CORE)).isEmpty();
        NightWish a_little_more =
                new NightWish(0.51, Dark.sun(12.1), 0.49, Wanted.Standing.above(5.1), Set.of(), Set.of(), Set.of());
        assertThat(Relaxation.of(a_little_more, Sight.CORE)).hasSize(4);
    }

    @Test
    void what_stands_holds_its_own_limits() {
        Wanted.Standing s = new Wanted.Standing(10, 40, 350, 20);
        assertThat(List.of(s.holds(10, 0), s.holds(40, 0), s.holds(25, 350), s.holds(25, 20)))
                .containsOnly(true);
        assertThat(List.of(s.holds(9.99, 0), s.holds(40.01, 0), s.holds(25, 349.9), s.holds(25, 20.1)))
                .containsOnly(false);
    }

    /** How it leans is said of the core; a point of light has its share of natural sky instead of a contrast. */
    @ParameterizedTest
    @CsvSource({"core, true, true", "Cygnus, false, true", "Jupiter, false, false"})
    void a_hit_says_in_words_what_is_seen(String name, boolean leans, boolean glows) {
        Sight sight = Sight.of(name).orElseThrow();
        YearOfNights year =
                YearOfNights.of(LEDGE, LocalDate.of(2027, 1, 1), 365, LISBON, Skyline.FLAT, SkyGlow.natural(), sight);
        List<String> words = NightSearch.find(year, NightWish.USUAL).get(0).reasons();
        assertThat(words.get(1))
                .startsWith(sight.bare() + " up to ")
                .matches(w -> leans == w.matches(".*, (lying|leaning|standing) ?.*"), "leans")
                .matches(w -> glows == w.contains("% brighter than its sky"), "glows")
                .matches(w -> glows != w.contains("% of its sky is natural"), "natural");
    }

    private static NightWish wish(
            double hours,
            double moon,
            double altitude,
            double from,
            double to,
            Galaxy.Stance stance,
            Set<DayOfWeek> weekdays,
            Set<Month> months) {
        return new NightWish(
                hours,
                Dark.ASTRONOMICAL,
                moon,
                new Wanted.Standing(altitude, 90, from, to),
                Set.of(stance),
                weekdays,
                months);
    }

    /** The beginner's question in winter: dark and moonless, whatever stands there; as long as the exact nights say. */
    @Test
    void dark_nights_without_the_core() {
        YearOfNights winter = year(LEDGE, "2027-11-20", 40, "Europe/Lisbon");
        assertThat(NightSearch.find(winter, NightWish.USUAL)).isEmpty();
        NightWish dark = new NightWish(6, Dark.ASTRONOMICAL, 0, new Wanted.DarkSky(), Set.of(), Set.of(), Set.of());
        List<NightSearch.Hit> hits = NightSearch.find(winter, dark);
        assertThat(hits).hasSizeBetween(10, 30).allSatisfy(h -> {
            Night exact = Night.of(LEDGE, h.date(), LISBON, NightRules.USUAL);
            double moonless = Interval.total(exact.moonless()).toSeconds() / 3600.0;
            assertThat(h.hours()).isCloseTo(moonless, within(0.05));
            assertThat(h.top()).isEmpty();
            assertThat(h.reasons().get(0)).contains("dark sky without moon");
            double darkness = Math.min(1, (h.skyMagnitude() - 18) / 4);
            assertThat(h.score()).isCloseTo(50 * Math.min(1, h.hours() / 8) + 50 * darkness, within(0.06));
        });
    }

    /** A town in the west spoils that part, a ridge in the north hides it. */
    @Test
    void a_part_of_the_sky_has_its_own_darkness() {
        Skyline ridge =
                Skyline.of(List.of(new Skyline.Point(330, 0), new Skyline.Point(0, 40), new Skyline.Point(30, 0)));
        SkyGlow town = SkyGlow.of(OptionalDouble.of(21.5), SkyGlow.CLEAR, List.of(new Dome("Town", 270, 15, 80_000)));
        YearOfNights year = YearOfNights.of(LEDGE, LocalDate.of(2027, 11, 20), 30, LISBON, ridge, town);
        double west = part(year, 270, 20).get(0).skyMagnitude();
        double east = part(year, 90, 20).get(0).skyMagnitude();
        assertThat(east).isGreaterThan(west + 0.3);
        assertThat(part(year, 90, 20).get(0).reasons().get(1)).startsWith("sky there");
        assertThat(part(year, 0, 20)).as("behind the ridge").isEmpty();
        assertThat(part(year, 0, 50)).isNotEmpty();
    }

    private static List<NightSearch.Hit> part(YearOfNights year, double azimuth, double altitude) {
        Wanted part = new Wanted.PartOfSky(new Direction(azimuth, altitude));
        return NightSearch.find(year, new NightWish(2, Dark.ASTRONOMICAL, 0, part, Set.of(), Set.of(), Set.of()));
    }

    @ParameterizedTest
    @CsvSource({
        "37.6, 2027-11-01, false", // winter: it begins within the year and ends again
        "37.6, 2027-06-01, true",
        "-30, 2027-06-01, true"
    })
    void the_season_of_the_core(double latitude, String first, boolean inSeason) {
        Site site = new Site(latitude, -8.8, 0);
        Season season = Season.of(year(site, first, 366, "UTC"));
        assertThat(season.inSeason()).isEqualTo(inSeason);
        for (LocalDate edge :
                List.of(season.begins().orElseThrow(), season.ends().orElseThrow())) {
            double hours = coreHours(site, edge);
            boolean begins = edge.equals(season.begins().orElseThrow());
            double outside = coreHours(site, edge.plusDays(begins ? -1 : 1));
            assertThat(hours).isGreaterThan(0.99);
            assertThat(outside).isLessThan(1.01);
        }
        if (!inSeason) {
            assertThat(season.ends().orElseThrow()).isAfter(season.begins().orElseThrow());
        }
    }

    private static double coreHours(Site site, LocalDate date) {
        Night night = Night.of(site, date, ZoneId.of("UTC"), NightRules.USUAL);
        return Interval.total(Interval.common(night.dark(), night.core().up())).toSeconds() / 3600.0;
    }

    @Test
    void far_north_the_core_has_no_season() {
        Season none = Season.of(year(new Site(66, 20, 0), "2027-06-01", 366, "UTC"));
        assertThat(none).isEqualTo(new Season(false, Optional.empty(), Optional.empty()));
    }

    /** A night belongs to the new moon it is nearest to: half way between those of 6 January and 5 February 2000 lies the night of the 20th. */
    @Test
    void nights_are_parted_half_way_between_new_moons() {
        Interval window = new Interval(Instant.parse("2000-01-20T22:00:00Z"), Instant.parse("2000-01-20T23:00:00Z"));
        List<NightSearch.Hit> hits = Stream.of(6, 13, 20, 21, 28)
                .map(day -> new NightSearch.Hit(
                        LocalDate.of(2000, 1, day),
                        day,
                        window,
                        1,
                        Sight.CORE,
                        new Wanted.DarkSky(),
                        Optional.empty(),
                        21,
                        0,
                        Duration.ZERO))
                .toList();
        assertThat(Spell.of(hits))
                .extracting(Spell::first, Spell::last)
                .containsExactly(
                        tuple(LocalDate.of(2000, 1, 21), LocalDate.of(2000, 1, 28)),
                        tuple(LocalDate.of(2000, 1, 6), LocalDate.of(2000, 1, 20)));
    }
}
