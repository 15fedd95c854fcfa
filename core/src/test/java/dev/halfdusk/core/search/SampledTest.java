package dev.halfdusk.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Moonlight;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.SkylineText;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.night.Dark;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A wish between the samples of a year, against the sky of that very instant. */
class SampledTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final Site SOUTH = new Site(-45, 170.5, 5);

    private static YearOfNights year(Site site, String first, int nights, String zone, Skyline skyline) {
        return YearOfNights.of(site, LocalDate.parse(first), nights, ZoneId.of(zone), skyline, SkyGlow.natural());
    }

    private static double azimuth(Site site, Instant t) {
        return Moment.at(t).observed(FixedPoint.CORE, Observer.at(site)).azimuthDeg();
    }

    /** The core crosses the bearing that a wish ends at: at this instant it fits, a minute on it does not. */
    @ParameterizedTest
    @CsvSource({"37.6012, -8.7921, Europe/Lisbon, 170, 190", "-45, 170.5, Pacific/Auckland, 150, 300"})
    void bearings_are_crossed_at_their_minute(double lat, double lon, String zone, double from, double to) {
        Site site = new Site(lat, lon, 5);
        YearOfNights year = year(site, "2027-06-08", 1, zone, Skyline.FLAT);
        NightWish wish =
                new NightWish(0, Dark.sun(12), 4, new Wanted.Standing(0, 90, from, to), Set.of(), Set.of(), Set.of());
        Sampled sampled = new Sampled(year, wish);
        int crossings = 0;
        for (int i = 1; i + 1 < year.samples(); i++) {
            if (year.sunAltitudeDeg(i) > -13 || year.sunAltitudeDeg(i + 1) > -13) {
                continue;
            }
            for (double part : new double[] {0.2, 0.5, 0.9}) {
                Instant t = year.instant(i).plusMillis(Math.round(part * YearOfNights.STEP.toMillis()));
                double azimuth = azimuth(site, t);
                boolean near = Math.abs(Angles.halfTurn(azimuth - from)) < 0.1
                        || Math.abs(Angles.halfTurn(azimuth - to)) < 0.1;
                boolean inside = Angles.turn(azimuth - from) <= Angles.turn(to - from)
                        && Moment.at(t)
                                        .observed(FixedPoint.CORE, Observer.at(site))
                                        .altitudeDeg()
                                >= 0;
                if (!near) {
                    assertThat(sampled.withoutMoon(i + part))
                            .as("%s, azimuth %.2f", t, azimuth)
                            .isEqualTo(inside);
                }
                crossings += inside ? 1 : 0;
            }
        }
        assertThat(crossings).isPositive();
    }

    /** Halfway between two samples the moon's light lies between theirs. */
    @Test
    void moonlight_between_samples_is_that_of_a_lower_moon() {
        YearOfNights year = year(LEDGE, "2027-06-16", 1, "Europe/Lisbon", Skyline.FLAT);
        int checked = 0;
        for (int i = 1; i + 1 < year.samples(); i++) {
            SunAndMoon a = year.lamps(i);
            SunAndMoon b = year.lamps(i + 1);
            if (year.sunAltitudeDeg(i) > -20 || year.moonAltitudeDeg(i) < 5 || year.moonAltitudeDeg(i + 1) < 5) {
                continue;
            }
            double wanted = Moonlight.zenithBrightening(new SunAndMoon(
                    (a.sunAltitudeDeg() + b.sunAltitudeDeg()) / 2,
                    a.sunAzimuthDeg(),
                    (a.moonAltitudeDeg() + b.moonAltitudeDeg()) / 2,
                    a.moonAzimuthDeg(),
                    (a.moonPhaseAngleDeg() + b.moonPhaseAngleDeg()) / 2));
            assertThat(moonlit(wanted + 1e-6).test(year, i + 0.5)).isTrue();
            assertThat(moonlit(wanted - 1e-6).test(year, i + 0.5)).isFalse();
            assertThat(moonlit(Moonlight.zenithBrightening(a) + 1e-6).test(year, i))
                    .isTrue();
            checked++;
        }
        assertThat(checked).isGreaterThan(10);
    }

    private interface AtSample {
        boolean test(YearOfNights year, double sample);
    }

    private static AtSample moonlit(double allowance) {
        NightWish wish =
                new NightWish(0, Dark.ASTRONOMICAL, allowance, new Wanted.DarkSky(), Set.of(), Set.of(), Set.of());
        return (year, sample) -> new Sampled(year, wish).moonAllowed(sample);
    }

    /** In the polar night the core never sets and the sun never rises: the window is the whole night, from noon to noon. */
    @Test
    void a_night_without_end_is_as_long_as_a_day() {
        YearOfNights year = year(new Site(-88, 0, 2800), "2027-06-03", 3, "UTC", Skyline.FLAT);
        List<NightSearch.Hit> hits = NightSearch.find(year, NightWish.USUAL);
        assertThat(hits).isNotEmpty();
        NightSearch.Hit hit = hits.stream()
                .filter(h -> h.date().equals(LocalDate.parse("2027-06-04")))
                .findFirst()
                .orElseThrow();
        assertThat(hit.hours()).isCloseTo(24, within(0.02));
        assertThat(hit.window().from())
                .isCloseTo("2027-06-04T12:00:00Z", within(60, java.time.temporal.ChronoUnit.SECONDS));
        assertThat(hit.window().to())
                .isCloseTo("2027-06-05T12:00:00Z", within(11, java.time.temporal.ChronoUnit.MINUTES));
    }

    /** A pillar of rock before the core takes as long out of the night as the core stands behind it. */
    @Test
    void what_hides_the_core_for_a_while_is_not_counted() {
        String pillar = "0,0\n169.9,0\n170,80\n180,80\n180.1,0\n359,0";
        YearOfNights open = year(LEDGE, "2027-06-08", 1, "Europe/Lisbon", Skyline.FLAT);
        YearOfNights hidden = year(LEDGE, "2027-06-08", 1, "Europe/Lisbon", SkylineText.parse(pillar));
        NightSearch.Hit all = NightSearch.find(open, NightWish.USUAL).get(0);
        NightSearch.Hit some = NightSearch.find(hidden, NightWish.USUAL).get(0);
        Duration behind = Duration.between(reaches(170), reaches(180));
        assertThat(some.window()).isEqualTo(all.window());
        assertThat(all.hours() - some.hours()).isCloseTo(behind.toMinutes() / 60.0, within(0.17));
    }

    private static Instant reaches(double azimuthDeg) {
        Instant t = Instant.parse("2027-06-08T22:00:00Z");
        while (azimuth(LEDGE, t) < azimuthDeg) {
            t = t.plusSeconds(30);
        }
        return t;
    }

    @Test
    void a_core_shows_plainly_from_a_fifth_above_its_sky_on() {
        YearOfNights year = year(LEDGE, "2027-06-01", 10, "Europe/Lisbon", Skyline.FLAT);
        YearOfNights city = YearOfNights.of(
                LEDGE,
                LocalDate.parse("2027-06-01"),
                10,
                ZoneId.of("Europe/Lisbon"),
                Skyline.FLAT,
                SkyGlow.ofZenith(18));
        assertThat(NightSearch.find(year, NightWish.USUAL))
                .isNotEmpty()
                .allMatch(h -> h.top().orElseThrow().contrastPercent() > 20)
                .allMatch(NightSearch.Hit::plain);
        assertThat(NightSearch.find(city, NightWish.USUAL))
                .isNotEmpty()
                .allMatch(h -> h.top().orElseThrow().contrastPercent() < 20)
                .noneMatch(NightSearch.Hit::plain);
        assertThat(NightSearch.find(year, NightWish.DARK)).isNotEmpty().noneMatch(NightSearch.Hit::plain);
    }

    /**
     * In the north a summer's night goes down to seven degrees, in autumn beyond eighteen: as dark as the night gets is a degree less than its own deepest, and
     * never less than six. Each night has its own, those in which clocks change as well.
     */
    @ParameterizedTest
    @CsvSource({"58.5, 6.1, Europe/Oslo, 2027-06-25, 140", "-55, -68, America/Santiago, 2027-08-25, 110"})
    void as_dark_as_the_night_gets_is_each_nights_own(double lat, double lon, String zone, String first, int nights) {
        Site site = new Site(lat, lon, 5);
        YearOfNights year = year(site, first, nights, zone, Skyline.FLAT);
        NightWish wish = new NightWish(0, Dark.DEEPEST, 0, new Wanted.DarkSky(), Set.of(), Set.of(), Set.of());
        Sampled sampled = new Sampled(year, wish);
        Observer observer = Observer.at(site);
        Set<Long> limits = new java.util.HashSet<>();
        for (int n = 0; n < nights; n++) {
            double lowest = 90;
            for (Instant t = year.span(n).from(); t.isBefore(year.span(n).to()); t = t.plusSeconds(300)) {
                lowest = Math.min(
                        lowest, Moment.at(t).observed(Body.SUN, observer).altitudeDeg());
            }
            double limit = Math.max(6, Math.min(18, -lowest - 1));
            limits.add(Math.round(limit));
            for (int i = year.start(n); i < year.start(n + 1); i += 3) {
                double sun =
                        Moment.at(year.instant(i)).observed(Body.SUN, observer).altitudeDeg();
                if (Math.abs(sun + limit) > 0.1) {
                    assertThat(sampled.withoutMoon(i))
                            .as("%s, sun %.2f, limit %.2f", year.instant(i), sun, limit)
                            .isEqualTo(sun < -limit);
                }
            }
        }
        assertThat(limits).as("nights differ").hasSizeGreaterThan(3);
    }
}
