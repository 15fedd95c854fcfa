package dev.halfdusk.app.stand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.search.StandingLine;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.time.ZoneId;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StandFormTest {

    private static final Place PLACE = Place.at("Ledge", new Site(37.6, -8.79, 31), ZoneId.of("Europe/Lisbon"));
    private static final Mark TOWER = new Mark("Tower", 100, 900, 40, 8, 2);

    private static Form form() {
        return new Form()
                .put("body", "moon")
                .put("date", "2027-06-18")
                .put("time", "21:30")
                .put("shift", "0")
                .put("foot", "2")
                .put("part", "2");
    }

    @Test
    void the_slider_goes_from_twenty_metres_to_twenty_kilometres_in_round_steps() {
        assertThat(StandForm.metres(0)).isEqualTo(20);
        assertThat(StandForm.metres(60)).isCloseTo(630, within(1.0));
        assertThat(StandForm.metres(120)).isEqualTo(20_000);
        double last = 0;
        for (int step = 0; step <= 120; step++) {
            assertThat(StandForm.metres(step)).isGreaterThan(last);
            last = StandForm.metres(step);
        }
    }

    @Test
    void the_distance_of_a_link_beats_the_slider_and_the_slider_follows_it() {
        Form form = form().put("far", "0").put("distance", "1386.4");
        StandForm read = StandForm.read(form, PLACE, TOWER).orElseThrow();
        assertThat(read.distanceM()).isEqualTo(1386.4);
        assertThat(Long.parseLong(form.value("far"))).isBetween(72L, 75L);
    }

    @Test
    void without_a_distance_it_is_where_the_moon_stands_free_of_the_top() {
        StandForm read = StandForm.read(form(), PLACE, TOWER).orElseThrow();
        StandingLine line = StandingLine.of(Body.MOON, read.when(), PLACE.site(), TOWER, 2);
        double top = Math.toDegrees(Math.atan((2 + TOWER.heightM()) / read.distanceM()));
        assertThat(top)
                .isBetween(
                        0.6 * line.body().refractedAltitudeDeg(),
                        0.85 * line.body().refractedAltitudeDeg());
    }

    @Test
    void without_a_distance_and_with_the_body_down_it_is_that_of_the_mark_from_its_place() {
        assertThat(StandForm.read(form().put("time", "13:00"), PLACE, TOWER)
                        .orElseThrow()
                        .distanceM())
                .isEqualTo(900);
    }

    @ParameterizedTest
    @CsvSource({"0, 2027-06-18T20:30:00Z", "-90, 2027-06-18T19:00:00Z", "45, 2027-06-18T21:15:00Z"})
    void minutes_shift_the_local_time(String shift, String when) {
        StandForm read =
                StandForm.read(form().put("shift", shift), PLACE, TOWER).orElseThrow();
        assertThat(read.when()).isEqualTo(Instant.parse(when));
        assertThat(read.target()).isEqualTo(Body.MOON);
    }
}
