package dev.halfdusk.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.sky.MeteorShower;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShowerNightTest {

    private static final SkyGlow DARK = SkyGlow.natural();

    private static MeteorShower shower(String name) {
        return MeteorShower.named(name).orElseThrow();
    }

    private static Night night(double latitude, LocalDate date) {
        return Night.of(new Site(latitude, 0, 0), date, ZoneOffset.UTC, NightRules.USUAL);
    }

    /** As observers' calendars gave them, which round to the hour. */
    @ParameterizedTest
    @CsvSource({
        "Perseids, 2023-08-13T08:00:00Z",
        "Geminids, 2023-12-14T19:00:00Z",
        "Quadrantids, 2024-01-04T09:00:00Z",
        "Lyrids, 2023-04-23T01:00:00Z",
        "Leonids, 2023-11-18T05:00:00Z",
        "Eta Aquariids, 2023-05-06T15:00:00Z",
        "Orionids, 2023-10-22T00:00:00Z",
        "Ursids, 2023-12-23T04:00:00Z"
    })
    void a_shower_peaks_when_the_calendars_say(String name, Instant when) {
        List<Instant> peaks = shower(name).peaks(when.minus(Duration.ofDays(20)), when.plus(Duration.ofDays(20)));
        assertThat(peaks).hasSize(1);
        assertThat(Duration.between(peaks.get(0), when).abs()).isLessThan(Duration.ofHours(3));
    }

    /** A year holds each once, the year of another place on the calendar too. */
    @Test
    void each_comes_once_a_year() {
        for (MeteorShower s : MeteorShower.ALL) {
            assertThat(s.peaks(Instant.parse("2027-06-01T00:00:00Z"), Instant.parse("2028-06-01T00:00:00Z")))
                    .as(s.name())
                    .hasSize(1);
            assertThat(MeteorShower.named(s.key())).contains(s);
        }
    }

    /** The sine of the radiant's height, a tenth at one over the fall from the peak, and r to the power of lost magnitudes. */
    @Test
    void fewer_are_seen_low_late_and_in_light() {
        MeteorShower s = shower("Geminids");
        Instant peak = s.peaks(Instant.parse("2027-12-01T00:00:00Z"), Instant.parse("2027-12-30T00:00:00Z"))
                .get(0);
        Moment moment = Moment.at(peak);
        assertThat(s.zenithalRate(moment)).isCloseTo(150, within(0.5));
        Moment later =
                Moment.at(peak.plus(Duration.ofMinutes(Math.round(1440 / 0.39 / 1.017)))); // the sun gains 1.017° a day
        assertThat(s.zenithalRate(later)).isCloseTo(15, within(0.5));
        var here = night(33, LocalDate.of(2027, 12, 14)).observer();
        double height = Math.toRadians(moment.local(s.radiant(), here).latitudeDeg());
        assertThat(s.hourlyRate(moment, here, 6.5)).isCloseTo(Math.max(0, 150 * Math.sin(height)), within(0.5));
        assertThat(s.hourlyRate(moment, here, 4.5))
                .isCloseTo(s.hourlyRate(moment, here, 6.5) / (2.6 * 2.6), within(0.1));
        assertThat(s.shareTo(2)).isCloseTo(Math.pow(2.6, -4.5), within(1e-9));
    }

    /** Schaefer's fit: 6.6 under a natural sky, 4.0 under a town's of 18. */
    @ParameterizedTest
    @CsvSource({"21.9, 6.58", "20, 5.49", "18, 3.97"})
    void an_eye_sees_so_faint_stars(double zenith, double faintest) {
        assertThat(ShowerNight.limitingMagnitude(zenith)).isCloseTo(faintest, within(0.02));
    }

    @Test
    void a_window_holds_at_least_half_of_the_best() {
        Night night = night(37.6, LocalDate.of(2027, 8, 12));
        ShowerNight n = ShowerNight.of(shower("Perseids"), night, DARK).orElseThrow();
        assertThat(n.perHour()).isBetween(40.0, 100.0);
        assertThat(n.perHour()).isLessThanOrEqualTo(n.perHourInTheDark() + 1e-9);
        assertThat(n.best().atZone(ZoneOffset.UTC).getHour()).isBetween(3, 5); // the radiant climbs until dawn
        assertThat(n.radiantDeg()).isBetween(50.0, 68.0);
        assertThat(n.rates().stream().mapToDouble(r -> r).max().orElseThrow()).isEqualTo(n.perHour());
        Interval w = n.window();
        assertThat(w.contains(n.best())).isTrue();
        int step =
                (int) Duration.between(night.sunDown().get(0).from(), w.from()).toMinutes() / 10;
        assertThat(n.rates().get(step)).isGreaterThanOrEqualTo(n.perHour() / 2);
        assertThat(n.rates().get(step - 1)).isLessThan(n.perHour() / 2);
    }

    /** On 13 December 2027 the moon is full: of the Geminids little is left, and a town leaves less. */
    @Test
    void a_full_moon_takes_most_of_it() {
        Night full = night(37.6, LocalDate.of(2027, 12, 13));
        ShowerNight n = ShowerNight.of(shower("Geminids"), full, DARK).orElseThrow();
        assertThat(n.perHour()).isLessThan(0.4 * n.perHourInTheDark());
        ShowerNight town =
                ShowerNight.of(shower("Geminids"), full, SkyGlow.ofZenith(18)).orElseThrow();
        assertThat(town.perHour()).isLessThan(0.5 * n.perHour());
    }

    /** What is rich in the south is poor in the north, and what never rises is not there at all. */
    @Test
    void a_shower_belongs_to_its_hemisphere() {
        LocalDate may = LocalDate.of(2027, 5, 5);
        double south = ShowerNight.of(shower("Eta Aquariids"), night(-33, may), DARK)
                .orElseThrow()
                .perHour();
        double north = ShowerNight.of(shower("Eta Aquariids"), night(52, may), DARK)
                .orElseThrow()
                .perHour();
        assertThat(south).isGreaterThan(3 * north);
        assertThat(ShowerNight.of(shower("Ursids"), night(-45, LocalDate.of(2027, 12, 22)), DARK))
                .isEmpty();
        assertThat(ShowerNight.of(shower("Perseids"), night(80, LocalDate.of(2027, 8, 12)), DARK))
                .isEmpty(); // the sun stays up
        assertThat(ShowerNight.active(night(37.6, LocalDate.of(2027, 8, 12)), DARK, 3)
                        .get(0)
                        .shower())
                .isEqualTo(shower("Perseids"));
        assertThat(ShowerNight.active(night(37.6, LocalDate.of(2027, 3, 1)), DARK, 3))
                .isEmpty();
    }

    /** Each shower of a year in the richest of its nights, in order. */
    @Test
    void a_year_lists_each_in_its_best_night() {
        ZoneId zone = ZoneId.of("Europe/Lisbon");
        Site site = new Site(37.6, -8.8, 5);
        List<ShowerNight> year = ShowerNight.between(
                Instant.parse("2027-06-08T00:00:00Z"),
                Instant.parse("2028-06-08T00:00:00Z"),
                d -> Night.of(site, d, zone, NightRules.USUAL),
                DARK,
                zone);
        assertThat(year).hasSize(MeteorShower.ALL.size());
        assertThat(year).isSortedAccordingTo((a, b) -> a.best().compareTo(b.best()));
        for (ShowerNight n : year) {
            for (int i = -1; i <= 1; i += 2) {
                Night beside = Night.of(site, n.night().date().plusDays(i), zone, NightRules.USUAL);
                Instant peak = n.shower()
                        .peaks(n.best().minus(Duration.ofDays(9)), n.best().plus(Duration.ofDays(9)))
                        .get(0);
                boolean near = Math.abs(Duration.between(
                                        Night.evening(peak, zone).atStartOfDay(),
                                        beside.date().atStartOfDay())
                                .toDays())
                        <= 1;
                if (near) {
                    ShowerNight.of(n.shower(), beside, DARK)
                            .ifPresent(b -> assertThat(b.perHour()).isLessThanOrEqualTo(n.perHour()));
                }
            }
        }
    }

    /** The Geminids' radiant stands highest at two: the window lies on both sides of it, and no farther than half of the best. */
    @Test
    void a_window_ends_on_both_sides() {
        Night night = night(20, LocalDate.of(2026, 12, 13));
        ShowerNight n = ShowerNight.of(shower("Geminids"), night, DARK).orElseThrow();
        Instant down = night.sunDown().get(0).from();
        int from = (int) Duration.between(down, n.window().from()).toMinutes() / 10;
        int to = (int) Duration.between(down, n.window().to()).toMinutes() / 10;
        int best = n.rates().indexOf(n.perHour());
        assertThat(from).isBetween(1, best - 1);
        assertThat(to).isBetween(best + 1, n.rates().size() - 2);
        for (int i = 0; i < n.rates().size(); i++) {
            if (i >= from && i <= to) {
                assertThat(n.rates().get(i)).isGreaterThanOrEqualTo(n.perHour() / 2);
            }
        }
        assertThat(n.rates().get(from - 1)).isLessThan(n.perHour() / 2);
        assertThat(n.rates().get(to + 1)).isLessThan(n.perHour() / 2);
    }

    /** The richest first, and none of which too few are seen. */
    @Test
    void those_of_a_night_are_sorted_by_what_is_seen() {
        for (LocalDate date :
                List.of(LocalDate.of(2027, 8, 5), LocalDate.of(2027, 10, 22), LocalDate.of(2026, 12, 14))) {
            List<ShowerNight> all = ShowerNight.active(night(30, date), DARK, 0.5);
            assertThat(all).as("%s", date).hasSizeGreaterThan(1);
            assertThat(all).isSortedAccordingTo((a, b) -> Double.compare(b.perHour(), a.perHour()));
            double second = all.get(1).perHour();
            assertThat(ShowerNight.active(night(30, date), DARK, second + 1e-6)).hasSize(1);
            assertThat(ShowerNight.active(night(30, date), DARK, all.get(0).perHour() + 1e-6))
                    .isEmpty();
        }
    }
}
