package dev.halfdusk.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
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
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SearchesTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final ZoneId LISBON = ZoneId.of("Europe/Lisbon");

    private static YearOfNights year(Site site, String first, int nights, String zone) {
        return YearOfNights.of(site, LocalDate.parse(first), nights, ZoneId.of(zone), Skyline.FLAT, SkyGlow.natural());
    }

    @Test
    void the_search_finds_what_the_exact_nights_say() {
        YearOfNights year = year(LEDGE, "2027-05-01", 60, "Europe/Lisbon");
        List<NightSearch.Hit> hits = NightSearch.find(year, NightWish.USUAL);
        for (int i = 0; i < 60; i++) {
            LocalDate date = year.date(i);
            Night exact = Night.of(LEDGE, date, LISBON, NightRules.USUAL);
            double hours = Interval.total(exact.coreDark()).toMinutes() / 60.0;
            var hit = hits.stream().filter(h -> h.date().equals(date)).findFirst();
            if (hours > 1.4) {
                assertThat(hit).as("%s has %s h", date, hours).isPresent();
                assertThat(hit.orElseThrow().hours()).isCloseTo(hours, within(0.4));
            }
            if (hours < 0.6) {
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
        NightWish fridays =
                new NightWish(0.5, 18, 0, 10, 0, 0, Set.of(), Set.of(DayOfWeek.FRIDAY), Set.of(Month.JUNE, Month.JULY));
        assertThat(NightSearch.find(year, fridays))
                .isNotEmpty()
                .allMatch(h -> h.date().getDayOfWeek() == DayOfWeek.FRIDAY
                        && Set.of(Month.JUNE, Month.JULY).contains(h.date().getMonth()));
        NightWish south = new NightWish(0.5, 18, 0, 10, 170, 190, Set.of(Galaxy.Stance.LEANING), Set.of(), Set.of());
        assertThat(NightSearch.find(year, south))
                .isNotEmpty()
                .allMatch(h -> h.coreTopAzimuthDeg() >= 169.9
                        && h.coreTopAzimuthDeg() <= 190.1
                        && h.stance() == Galaxy.Stance.LEANING);
        NightWish moonlit = new NightWish(1, 18, 4, 10, 0, 0, Set.of(), Set.of(), Set.of());
        assertThat(NightSearch.find(year, moonlit))
                .hasSizeGreaterThan(NightSearch.find(year, NightWish.USUAL).size());
        NightWish never = new NightWish(5, 18, 0, 60, 0, 0, Set.of(), Set.of(), Set.of());
        assertThat(NightSearch.find(year, never)).isEmpty();
    }

    @Test
    void a_spell_is_stood_for_by_its_best_night() {
        List<NightSearch.Hit> hits = NightSearch.find(year(LEDGE, "2027-01-01", 365, "Europe/Lisbon"), NightWish.USUAL);
        List<NightSearch.Hit> spells = NightSearch.bestOfSpells(hits, 6);
        assertThat(spells).hasSize(6).startsWith(hits.get(0));
        for (NightSearch.Hit one : spells) {
            assertThat(spells)
                    .filteredOn(o -> o != one)
                    .noneMatch(o -> Math.abs(o.date().toEpochDay() - one.date().toEpochDay()) <= 8);
        }
        assertThat(NightSearch.bestOfSpells(List.of(), 6)).isEmpty();
    }

    @Test
    void a_wish_across_north_wraps_around() {
        NightWish north = new NightWish(1, 18, 0, 10, 350, 10, Set.of(), Set.of(), Set.of());
        assertThat(north.wantsAzimuth(355)).isTrue();
        assertThat(north.wantsAzimuth(5)).isTrue();
        assertThat(north.wantsAzimuth(180)).isFalse();
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
                2, 18, 0, 15, 150, 200, Set.of(Galaxy.Stance.STANDING), Set.of(DayOfWeek.FRIDAY), Set.of(Month.JULY));
        int found = NightSearch.find(year, strict).size();
        List<Relaxation> all = Relaxation.of(strict);
        assertThat(all).hasSize(7);
        assertThat(all).allMatch(r -> NightSearch.find(year, r.wish()).size() >= found);
        assertThat(all.stream().map(Relaxation::wish))
                .containsExactly(
                        wish(1, 0, 15, 150, 200, Galaxy.Stance.STANDING, Set.of(DayOfWeek.FRIDAY), Set.of(Month.JULY)),
                        wish(2, 0, 5, 150, 200, Galaxy.Stance.STANDING, Set.of(DayOfWeek.FRIDAY), Set.of(Month.JULY)),
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
                        new NightWish(2, 18, 0, 15, 150, 200, Set.of(), Set.of(DayOfWeek.FRIDAY), Set.of(Month.JULY)),
                        wish(2, 0, 15, 150, 200, Galaxy.Stance.STANDING, Set.of(), Set.of(Month.JULY)),
                        wish(2, 0, 15, 150, 200, Galaxy.Stance.STANDING, Set.of(DayOfWeek.FRIDAY), Set.of()));
        NightWish none = new NightWish(0, 18, 1, 0, 0, 0, Set.of(), Set.of(), Set.of());
        assertThat(Relaxation.of(none)).isEmpty();
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
        return new NightWish(hours, 18, moon, altitude, from, to, Set.of(stance), weekdays, months);
    }
}
