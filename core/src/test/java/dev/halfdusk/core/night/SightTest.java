package dev.halfdusk.core.night;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Star;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SightTest {

    private static final Instant WHEN = Instant.parse("2027-09-03T22:00:00Z");
    private static final Observer HERE = Observer.at(new Site(37.6, -8.8, 5));

    @ParameterizedTest
    @CsvSource({
        "core, core",
        "The core, core",
        "Cygnus, cygnus",
        "winter milky way, winter",
        "the Pleiades, pleiades",
        "jupiter, jupiter",
        "vega, star:Vega",
        "star:Vega, star:Vega",
        "lyr, figure:Lyr",
        "figure:Ori, figure:Ori",
        "Perseids, shower:perseids",
        "eta aquariids, shower:eta-aquariids",
        "'180,40', '180,40'",
        "'12.5, 7', '12.5,7'"
    })
    void a_sight_is_found_by_its_name_and_by_its_key(String typed, String key) {
        Sight sight = Sight.of(typed).orElseThrow();
        assertThat(sight.key()).isEqualTo(key);
        assertThat(Sight.of(sight.key())).contains(sight);
        assertThat(Sight.of(sight.typed())).contains(sight);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " ", "Krypton", "star:", "361,5", "10,95", "10", "star:core"})
    void what_is_called_so_by_nobody_is_no_sight(String typed) {
        assertThat(Sight.of(typed)).isEmpty();
    }

    /** Every sight's key leads back to it, and no two share one. */
    @Test
    void keys_are_their_own() {
        assertThat(Sight.ALL).allMatch(s -> Sight.of(s.key()).orElseThrow() == s);
        assertThat(Sight.ALL.stream().map(Sight::key)).doesNotHaveDuplicates();
    }

    /** Named stars of the figures: the middle of Lyra is near Vega, Orion's belt near its sight, the Pleiades at Alcyone. */
    @ParameterizedTest
    @CsvSource({"Lyr, Vega, 7", "orion, Alnilam, 3", "pleiades, Alcyone, 0.3", "cygnus, Sadr, 8"})
    void a_sight_stands_beside_the_star_that_it_should(String sight, String star, double within) {
        var local = Sight.of(sight).orElseThrow().local(Moment.at(WHEN), HERE);
        var beside = Moment.at(WHEN).local(Star.named(star).orElseThrow().place(), HERE);
        assertThat(local.angleTo(beside)).isLessThan(within);
    }

    /** The model's own scale in squares of 3°: core 20.7, Carina 21.1, Cygnus 22.0, the Large Cloud 21.2 at its brightest, and 21.5 on average, mag/arcsec²; the anticentre has 22.8. */
    @ParameterizedTest
    @CsvSource({
        "core, 20.7, 0.01",
        "carina, 21.1, 0.15",
        "winter, 22.7, 0.3",
        "cygnus, 21.9, 0.2",
        "magellanic, 21.5, 0.2"
    })
    void clouds_are_as_bright_as_the_map_has_them(String key, double magnitude, double within) {
        Sight sight = Sight.of(key).orElseThrow();
        assertThat(Luminance.magnitude(sight.luminance(Moment.at(WHEN), HERE))).isCloseTo(magnitude, within(within));
        assertThat(sight.glows()).isTrue();
    }

    /** The top of the arch is as bright as what passes there: Cygnus in an evening of September, the thin winter band in March. */
    @Test
    void the_arch_is_as_bright_as_what_is_at_its_top() {
        double september = Sight.ARCH.luminance(Moment.at(WHEN), HERE);
        double march = Sight.ARCH.luminance(Moment.at(Instant.parse("2027-03-01T21:00:00Z")), HERE);
        assertThat(september).isBetween(0.5 * Sight.CYGNUS.luminance(), 1.5 * Sight.CYGNUS.luminance());
        assertThat(march).isLessThan(0.6 * september);
        assertThat(Sight.of("Vega").orElseThrow().luminance(Moment.at(WHEN), HERE))
                .isZero();
    }

    /** 90° less what lies between latitude and declination, on the equator's side of the zenith or the pole's. */
    @Test
    void it_culminates_by_its_declination() {
        assertThat(Sight.CORE.culmination(37.6).orElseThrow()).isEqualTo(new Direction(180, 90 - (37.6 + 29.0078)));
        assertThat(Sight.CORE.culmination(-60).orElseThrow().azimuthDeg()).isZero();
        assertThat(Sight.CORE.culmination(65).orElseThrow().altitudeDeg()).isNegative();
        assertThat(Sight.ARCH.culmination(37.6)).isEmpty();
        assertThat(Sight.of("jupiter").orElseThrow().culmination(37.6)).isEmpty();
        assertThat(Sight.CULMINATING).contains(Sight.CORE, Sight.ANDROMEDA).doesNotContain(Sight.ARCH, Sight.ORION);
    }

    @Test
    void it_is_spoken_of_as_it_should_be() {
        assertThat(Sight.CORE.first()).isEqualTo("The core");
        assertThat(Sight.CORE.title()).isEqualTo("Core");
        assertThat(Sight.PLEIADES.verb("stands", "stand")).isEqualTo("stand");
        assertThat(Sight.CYGNUS.ofMilkyWay()).isTrue();
        assertThat(Sight.ANDROMEDA.ofMilkyWay()).isFalse();
        assertThat(Sight.POLE.target()).isEmpty();
        assertThat(Sight.towards(new Direction(90, 20))
                        .local(Moment.at(WHEN), HERE)
                        .latitudeDeg())
                .isCloseTo(20, within(1e-9));
    }

    @Test
    void darkness_is_asked_for_in_several_ways() {
        assertThat(Dark.of("deepest")).contains(Dark.DEEPEST);
        assertThat(Dark.of("12")).contains(Dark.sun(12));
        assertThat(Dark.of("18")).contains(Dark.ASTRONOMICAL);
        assertThat(Dark.of("12.37").orElseThrow().key()).isEqualTo("12.37");
        assertThat(Dark.of("5")).isEmpty();
        assertThat(Dark.of("31")).isEmpty();
        assertThat(Dark.of("dark")).isEmpty();
        assertThat(Dark.sun(15).words()).isEqualTo("the sun 15\u00b0 below the horizon");
        assertThatThrownBy(() -> Dark.sun(5)).isInstanceOf(OutOfRange.class);
        assertThat(Dark.DEEPEST.depressionDeg(-12.2)).isCloseTo(11.2, within(1e-9));
        assertThat(Dark.DEEPEST.depressionDeg(-40)).isEqualTo(18);
        assertThat(Dark.DEEPEST.depressionDeg(-3)).isEqualTo(6);
        assertThat(Dark.sun(15).depressionDeg(-12)).isEqualTo(15);
    }

    /** A sky of 21 under a place of 21.6: the sun between nautical and astronomical dusk, and deeper the darker it is asked for. */
    @Test
    void a_brightness_asked_for_is_a_depth_of_the_sun() {
        SkyGlow sky = SkyGlow.ofZenith(21.6);
        double easy = Dark.sky(20, sky).orElseThrow().sunDepressionDeg();
        double hard = Dark.sky(21.4, sky).orElseThrow().sunDepressionDeg();
        assertThat(easy).isBetween(9.0, 14.0);
        assertThat(hard).isBetween(easy, 18.0);
        Night night = Night.of(
                new Site(37.6, -8.8, 5),
                LocalDate.of(2027, 6, 4),
                ZoneOffset.UTC,
                NightRules.USUAL.withSkyline(Skyline.FLAT).asking(Dark.sun(hard), 10));
        var lamps = dev.halfdusk.core.glow.SunAndMoon.at(
                Moment.at(night.dark().get(0).from()), night.observer());
        assertThat(sky.zenith(lamps).magnitude()).isCloseTo(21.4, within(0.02));
        assertThat(Dark.sky(21.7, sky)).isEmpty();
    }
}
