package dev.halfdusk.core.night;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** By hand, from the stars' places of 2000: a great circle's distance from the pole, and how far along it that lies. */
class PoleSignsTest {

    private static PoleSigns at(double latitude, String when, Skyline skyline) {
        return PoleSigns.of(Observer.at(new Site(latitude, -8.8, 0)), Instant.parse(when), skyline);
    }

    private static PoleSigns.Sign sign(PoleSigns all, String first) {
        return all.signs().stream()
                .filter(s -> s.stars().get(0).equals(first))
                .findFirst()
                .orElseThrow();
    }

    /** Merak to Dubhe is 5.37°, from there 28.4° to the pole of 2027, 1.3° beside it; Polaris 0.62° from it. */
    @Test
    void in_the_north_the_plough_leads_to_it() {
        PoleSigns signs = at(37.6, "2027-03-20T23:00:00Z", Skyline.FLAT);
        assertThat(signs.north()).isTrue();
        assertThat(signs.altitudeDeg()).isEqualTo(37.6);
        assertThat(signs.words()).isEqualTo("The pole is due north, 38\u00b0 up");
        assertThat(signs.signs().get(0).words()).isEqualTo("Polaris stands 0.6\u00b0 from it");
        PoleSigns.Sign plough = sign(signs, "Merak");
        assertThat(plough.missesDeg()).isCloseTo(1.31, within(0.1));
        assertThat(plough.words()).startsWith("from Merak (N").endsWith("and on, 5.3 times as far again");
        assertThat(plough.stars()).containsExactly("Merak", "Dubhe");
    }

    /** Mizar and Navi stand on either side of it, 35.2° and 29.1° from it, and all but in line with it. */
    @Test
    void in_the_north_it_lies_between_the_plough_and_the_w() {
        PoleSigns.Sign between = sign(at(55, "2027-09-10T00:00:00Z", Skyline.FLAT), "Mizar");
        assertThat(between.missesDeg()).isCloseTo(2.12, within(0.1));
        assertThat(between.stars()).containsExactly("Mizar", "Navi");
        assertThat(between.words()).endsWith("at 55 % of the way");
    }

    /** Gacrux to Acrux is 6.01°, from there 26.6° to 2.7° beside the pole; between Hadar and Achernar it lies near the middle. */
    @Test
    void in_the_south_the_cross_does() {
        PoleSigns signs = at(-33, "2027-05-20T20:00:00Z", Skyline.FLAT);
        assertThat(signs.north()).isFalse();
        assertThat(signs.words()).isEqualTo("The pole is due south, 33\u00b0 up");
        PoleSigns.Sign cross = sign(signs, "Gacrux");
        assertThat(cross.missesDeg()).isCloseTo(2.68, within(0.1));
        assertThat(cross.words())
                .startsWith("from Gacrux (SSE, 63\u00b0 up) over Acrux (SSE, 58\u00b0 up) and on, ")
                .endsWith("4.4 times as far again");
        PoleSigns.Sign middle = sign(at(-60, "2027-05-20T20:00:00Z", Skyline.FLAT), "Hadar");
        assertThat(middle.missesDeg()).isCloseTo(1.97, within(0.1));
        assertThat(middle.words()).contains("at 47 % of the way");
    }

    /** Low in autumn evenings at 20° N the Plough is behind the hill, and nobody is sent to look for it. */
    @Test
    void what_is_not_seen_is_no_sign() {
        assertThat(at(20, "2027-11-10T22:00:00Z", Skyline.FLAT).signs())
                .extracting(PoleSigns.Sign::stars)
                .noneMatch(s -> s.contains("Merak"));
        Skyline hill = Skyline.of(List.of(new Skyline.Point(0, 60)));
        assertThat(at(37.6, "2027-03-20T23:00:00Z", hill).signs())
                .extracting(PoleSigns.Sign::stars)
                .noneMatch(s -> s.contains("Polaris"));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 3, 55, 68, 90, -3, -45, -90})
    void everywhere_signs_come_nearest_first(double latitude) {
        for (int hour = 0; hour < 24; hour += 3) {
            PoleSigns signs = at(latitude, String.format("2027-09-10T%02d:00:00Z", hour), Skyline.FLAT);
            assertThat(signs.signs()).extracting(PoleSigns.Sign::missesDeg).isSorted();
            assertThat(signs.signs()).allMatch(s -> s.missesDeg() < 4);
            if (Math.abs(latitude) > 60) {
                assertThat(signs.signs()).as("at %d h", hour).isNotEmpty();
            }
        }
    }
}
