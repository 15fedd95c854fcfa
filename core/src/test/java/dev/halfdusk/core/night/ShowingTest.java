package dev.halfdusk.core.night;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Sights in nights, against a walk through the night minute by minute. */
class ShowingTest {

    private static final Skyline HILL = Skyline.of(List.of(
            new Skyline.Point(0, 3), new Skyline.Point(90, 12), new Skyline.Point(180, 4), new Skyline.Point(270, 20)));

    private static Night night(double latitude, LocalDate date, NightRules rules) {
        return Night.of(new Site(latitude, 12.1, 20), date, ZoneOffset.UTC, rules);
    }

    /** The sun's limb and the moon's as they rise and set, by the core's own places but none of its searches. */
    private static boolean dark(Night night, Moment moment) {
        double sun = moment.local(Body.SUN, night.observer()).latitudeDeg();
        Horizontal moon = moment.observed(Body.MOON, night.observer());
        double depth = night.rules().dark().orDeepest()
                ? Math.min(18, -night.sunLowest().value() - 1)
                : night.rules().dark().sunDepressionDeg();
        return sun < -Math.max(6, depth) && moon.altitudeDeg() + moon.semidiameterDeg() < -34 / 60.0;
    }

    private static boolean up(Night night, Sight sight, Moment moment) {
        Direction at = Direction.of(sight.local(moment, night.observer()));
        return at.altitudeDeg()
                > Math.max(
                        night.rules().leastAltitudeDeg(),
                        night.rules().skyline().altitudeAt(at.azimuthDeg()));
    }

    private static boolean near(List<Interval> intervals, Instant t) {
        return intervals.stream()
                .anyMatch(i -> Duration.between(i.from(), t).abs().toSeconds() < 45
                        || Duration.between(i.to(), t).abs().toSeconds() < 45);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 37.6, 55, 68, -45})
    void windows_are_those_of_a_walk_through_the_night(double latitude) {
        int minutes = 0;
        for (int month = 1; month <= 12; month++) {
            LocalDate date = LocalDate.of(2027, month, 3 + 2 * month);
            NightRules rules = NightRules.USUAL
                    .withSkyline(month % 2 == 0 ? HILL : Skyline.FLAT)
                    .asking(
                            List.of(Dark.ASTRONOMICAL, Dark.DEEPEST, Dark.sun(12))
                                    .get(month % 3),
                            List.of(10.0, 3.0, 25.0).get(month % 3));
            Night night = night(latitude, date, rules);
            for (Sight sight : Sight.ALL) {
                Showing showing = night.showing(sight);
                for (int m = 7 * month % 20; m < 1440; m += 20) {
                    Instant t = night.at(m);
                    Moment moment = Moment.at(t);
                    boolean upNow = up(night, sight, moment);
                    if (!near(showing.up(), t)) {
                        assertThat(showing.up().stream().anyMatch(i -> i.contains(t)))
                                .as("%s up at %s, %s\u00b0", sight.key(), t, latitude)
                                .isEqualTo(upNow);
                    }
                    if (!near(showing.inDark(), t)) {
                        boolean shows = upNow && dark(night, moment);
                        assertThat(showing.inDark().stream().anyMatch(i -> i.contains(t)))
                                .as("%s in the dark at %s, %s\u00b0", sight.key(), t, latitude)
                                .isEqualTo(shows);
                        minutes += shows ? 1 : 0;
                    }
                }
            }
        }
        assertThat(minutes).isGreaterThan(500);
    }

    /** δ of galactic coordinates: sin δ = sin b sin 27.128° + cos b cos 27.128° cos(122.932° − l); altitude at transit 90° − |φ − δ|. */
    @ParameterizedTest
    @CsvSource({"cygnus, 73, 2, 37.6", "winter, 164, 0, 55", "carina, 294, 0, -33", "core, 0, 0, 20"})
    void a_part_of_the_milky_way_culminates_where_its_coordinates_say(
            String key, double longitude, double latitude, double site) {
        double l = Math.toRadians(122.932 - longitude);
        double b = Math.toRadians(latitude);
        double pole = Math.toRadians(27.128);
        double declination =
                Math.toDegrees(Math.asin(Math.sin(b) * Math.sin(pole) + Math.cos(b) * Math.cos(pole) * Math.cos(l)));
        Showing showing = night(site, LocalDate.of(2027, 6, 4), NightRules.USUAL)
                .showing(Sight.of(key).orElseThrow());
        Instant top = showing.highest().orElseThrow();
        // precession of 27 years moves a declination by up to 0.15°
        assertThat(showing.at(top).altitudeDeg()).isCloseTo(90 - Math.abs(site - declination), within(0.2));
    }

    /** The plane's top lies straight over the point between its feet, and is as high as no other point of the plane. */
    @Test
    void the_arch_has_its_top_where_the_plane_is_highest() {
        Night night = night(37.6, LocalDate.of(2027, 9, 10), NightRules.USUAL);
        for (int m = 400; m < 1100; m += 50) {
            Instant t = night.at(m);
            Moment moment = Moment.at(t);
            double most = -90;
            for (double l = 0; l < 360; l += 0.25) {
                FixedPoint p = Galaxy.point(l, 0);
                most = Math.max(most, moment.local(p, night.observer()).latitudeDeg());
            }
            assertThat(night.showing(Sight.ARCH).at(t).altitudeDeg()).isCloseTo(most, within(0.02));
        }
    }

    @Test
    void the_pole_stands_where_the_latitude_says_all_night() {
        for (double latitude : new double[] {55, -45}) {
            Night night = night(latitude, LocalDate.of(2027, 3, 5), NightRules.USUAL);
            Showing pole = night.showing(Sight.POLE);
            Direction at = new Direction(latitude < 0 ? 180 : 0, Math.abs(latitude));
            assertThat(pole.at(night.best()).vector().angleTo(at.vector())).isLessThan(1e-6);
            assertThat(pole.inDark()).isEqualTo(night.moonless());
            assertThat(pole.rise()).isEmpty();
            assertThat(pole.best()).contains(pole.window().orElseThrow().middle());
        }
        assertThat(night(3, LocalDate.of(2027, 3, 5), NightRules.USUAL)
                        .showing(Sight.POLE)
                        .shows())
                .isFalse();
    }

    /** At 54.8° N on 2 July the sun goes 12.2° down: the deepest is what is within a degree of that, and the best is the deepest. */
    @Test
    void a_night_that_is_never_dark_has_its_darkest() {
        Night night = night(54.8, LocalDate.of(2027, 7, 2), NightRules.USUAL);
        assertThat(night.dark()).isEmpty();
        assertThat(night.core().shows()).isFalse();
        Asked asked = Asked.of(Sight.CYGNUS).asDarkAs(Dark.DEEPEST);
        Showing cygnus = asked.showing(night);
        Interval window = cygnus.window().orElseThrow();
        assertThat(window.contains(night.sunLowest().when())).isTrue();
        assertThat(cygnus.best()).contains(night.sunLowest().when());
        Observer observer = night.observer();
        for (Instant edge : List.of(window.from(), window.to())) {
            double sun = Moment.at(edge).local(Body.SUN, observer).latitudeDeg();
            assertThat(sun).isCloseTo(night.sunLowest().value() + 1, within(0.01));
        }
        SkyGlow sky = SkyGlow.ofZenith(21.6);
        Offer offer = Offer.of(asked, night, sky);
        assertThat(offer.contrastPercent()).isBetween(5.0, 20.0);
        assertThat(offer.skyMagnitude()).isBetween(19.0, 20.5);
        double core = Offer.of(Asked.of(Sight.CORE).asDarkAs(Dark.DEEPEST).from(3), night, sky)
                .contrastPercent();
        assertThat(core).isBetween(5.0, 30.0); // low in the south, opposite the sun, where twilight is faintest
        // in a night that is dark it asks what everybody asks
        Night winter = night(54.8, LocalDate.of(2027, 12, 28), NightRules.USUAL);
        assertThat(Asked.of(Sight.WINTER).asDarkAs(Dark.DEEPEST).showing(winter).inDark())
                .isEqualTo(winter.showing(Sight.WINTER).inDark());
    }

    @Test
    void a_night_by_other_rules_is_found_once() {
        Night night = night(37.6, LocalDate.of(2027, 6, 4), NightRules.USUAL);
        Asked asked = new Asked(Sight.CORE, Dark.sun(12), 3);
        Night by = asked.in(night);
        assertThat(by).isSameAs(asked.in(night)).isNotSameAs(night);
        assertThat(by.by(NightRules.USUAL).dark()).isEqualTo(night.dark());
        assertThat(Interval.total(by.dark())).isGreaterThan(Interval.total(night.dark()));
        assertThat(Asked.USUAL.in(night)).isSameAs(night);
    }

    @Test
    void what_does_not_show_says_why() {
        Night north = night(54.8, LocalDate.of(2027, 7, 2), NightRules.USUAL);
        assertThat(north.showing(Sight.CARINA).whyNot(List.of(north.span())))
                .isEqualTo("Carina and the Cross stay below the horizon");
        assertThat(north.core().whyNot(List.of(north.span())))
                .matches("the core stands no higher than 6\\.\\d\u00b0 \\(10\u00b0 is wanted\\)");
        Night low = Asked.of(Sight.CORE).from(3).in(north);
        assertThat(low.core().up()).isNotEmpty();
        Night valley = north.by(NightRules.USUAL.withSkyline(HILL).asking(Dark.ASTRONOMICAL, 3));
        assertThat(valley.core()
                        .whyNot(List.of(valley.at(700), valley.at(705)).stream()
                                .map(t -> new Interval(t, t.plusSeconds(60)))
                                .toList()))
                .contains("the core");
    }

    /** What stands out against its sky, by the sky's own sums. */
    @Test
    void contrast_is_clouds_over_sky() {
        Night night = night(37.6, LocalDate.of(2027, 8, 2), NightRules.USUAL);
        SkyGlow sky = SkyGlow.ofZenith(21.4);
        Instant t = night.showing(Sight.CYGNUS).best().orElseThrow();
        Optional<Sight> star = Sight.of("Deneb");
        double dark = night.showing(star.orElseThrow()).contrastPercent(t, sky);
        double natural = Math.pow(10, -0.4 * (21.9 - 21.4));
        assertThat(dark).isCloseTo(100 * natural, within(0.5)); // near the zenith all but nature's share is lamps
        assertThat(night.showing(Sight.CARINA).contrastPercent(t, sky)).isZero();
        double clouds = Luminance.magnitude(Sight.CYGNUS.luminance());
        assertThat(night.showing(Sight.CYGNUS).contrastPercent(t, sky))
                .isCloseTo(100 * Math.pow(10, -0.4 * (clouds + 0.17 - 21.4)), within(0.5)); // overhead, one air mass
    }
}
