package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.sky.Site;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NightWordsTest {

    private static Night ledge(String date, NightRules rules) {
        return Night.of(new Site(37.6012, -8.7921, 31), LocalDate.parse(date), ZoneId.of("Europe/Lisbon"), rules);
    }

    @Test
    void the_greatest_spoiler_comes_first() {
        List<String> spoilers =
                NightWords.spoilers(ledge("2027-06-10", NightRules.USUAL).core());
        assertThat(spoilers).hasSize(2);
        assertThat(spoilers.get(0)).contains("The moon, 45 % lit, takes 2 h");
        assertThat(spoilers.get(1)).contains("the sky is not dark");
    }

    @Test
    void a_ridge_is_named_when_it_hides_the_core() {
        Skyline ridge =
                Skyline.of(List.of(new Skyline.Point(0, 0), new Skyline.Point(150, 20), new Skyline.Point(180, 0)));
        List<String> spoilers = NightWords.spoilers(
                ledge("2027-06-04", NightRules.USUAL.withSkyline(ridge)).core());
        assertThat(spoilers).anyMatch(s -> s.startsWith("The skyline hides the core for"));
        assertThat(NightWords.spoilers(ledge("2027-06-04", NightRules.USUAL).core()))
                .noneMatch(s -> s.contains("skyline"));
    }

    @Test
    void the_moon_is_told_in_the_order_of_the_night() {
        assertThat(NightWords.moon(ledge("2027-06-08", NightRules.USUAL))).isEqualTo("24 %, sets 00:28, rises 11:19");
        assertThat(NightWords.moon(ledge("2027-06-18", NightRules.USUAL))).startsWith("100 %, rises 2");
    }

    @ParameterizedTest
    @CsvSource({"1.05,5 % wider than on average", "0.93,7 % narrower than on average", "1.001,as wide as on average"})
    void sizes_of_the_moon(double size, String words) {
        assertThat(NightWords.moonSize(size)).isEqualTo(words);
    }
}
