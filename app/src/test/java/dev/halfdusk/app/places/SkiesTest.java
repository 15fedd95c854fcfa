package dev.halfdusk.app.places;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SkiesTest {

    private final Skies skies = new Skies();

    /** New moon on 4 June 2027. */
    @ParameterizedTest
    @CsvSource({
        "37.6, -8.79, Europe/Lisbon, 2027-05-20, 2027-05-24, 2027-06-05",
        "-33, 151, Australia/Sydney, 2027-05-19, 2027-05-21, 2027-06-02"
    })
    void of_the_coming_month_a_night_with_the_core(
            double latitude, double longitude, ZoneId zone, LocalDate from, LocalDate earliest, LocalDate latest) {
        Place place = Place.at("there", new Site(latitude, longitude, 0), zone);
        LocalDate found = skies.worthSeeing(place, from);
        assertThat(found).isBetween(earliest, latest);
        assertThat(Night.of(place.site(), found, zone, place.rules()).core().inDark())
                .isNotEmpty();
    }

    @Test
    void without_a_core_it_is_a_dark_sky_and_without_that_the_night_itself() {
        Place north = Place.at("north", new Site(66, 25, 0), ZoneId.of("Europe/Helsinki"));
        LocalDate found = skies.worthSeeing(north, LocalDate.of(2027, 6, 1));
        assertThat(found).isAfter(LocalDate.of(2027, 8, 15));
        assertThat(Night.of(north.site(), found, north.zone(), north.rules()).moonless())
                .isNotEmpty();
        LocalDate last = LocalDate.of(2059, 8, 1);
        assertThat(skies.worthSeeing(north, last)).isEqualTo(last);
    }

    /** In December the core is up by day: not the first night of February, but the dark of this month, in which Orion is. */
    @Test
    void in_winter_the_month_has_something_else() {
        Place coast = Place.at("Coast", new Site(37.6, -8.8, 5), ZoneId.of("Europe/Lisbon"));
        LocalDate from = LocalDate.of(2026, 11, 30);
        LocalDate found = skies.worthSeeing(coast, from);
        assertThat(found).isBetween(from, from.plusDays(29));
        Night night = skies.night(coast, found);
        assertThat(night.core().inDark()).isEmpty();
        assertThat(Interval.total(night.moonless())).isGreaterThan(Duration.ofHours(6));
        assertThat(night.aim(night.best()).at()).contains(Sight.WINTER);
    }
}
