package dev.halfdusk.core.ground;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Dome;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class GroundTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "37.6012, -8.7921|37.6012|-8.7921",
                "37.6012 -8.7921|37.6012|-8.7921",
                "37,6012 -8,7921|37.6012|-8.7921",
                "37,6012; -8,7921|37.6012|-8.7921",
                "37,6012, \u22128,7921|37.6012|-8.7921",
                "37,-8|37|-8",
                "37.6012N 8.7921W|37.6012|-8.7921",
                "N 37.6012 W 8.7921|37.6012|-8.7921",
                "8.7921 W, 37.6012 N|37.6012|-8.7921",
                "W8.7921 N37.6012|37.6012|-8.7921",
                "37\u00b036'04.32\"N 8\u00b047'31.56\"W|37.6012|-8.7921",
                "37\u00b036\u203204.32\u2033N, 8\u00b047\u203231.56\u2033W|37.6012|-8.7921",
                "37 36 04.32 -8 47 31.56|37.6012|-8.7921",
                "N37\u00b036.072' W008\u00b047.526'|37.6012|-8.7921",
                "33\u00b051'36\"s 151\u00b012'36\"e|-33.86|151.21",
                "geo:37.6012,-8.7921|37.6012|-8.7921",
                "GEO:37.6012,-8.7921;u=35|37.6012|-8.7921",
                "geo:37.6012,-8.7921?z=15|37.6012|-8.7921",
                "-0 30 0, 0 0 0|-0.5|0",
                "37 59 59.999, 8 0 0|37.99999972|8",
                "90, 180|90|180",
                "-90, -180|-90|-180"
            })
    void coordinates_in_every_usual_notation(String text, double latitude, double longitude) {
        Coordinates c = Coordinates.parse(text);
        assertThat(c.latitudeDeg()).isCloseTo(latitude, within(1e-7));
        assertThat(c.longitudeDeg()).isCloseTo(longitude, within(1e-7));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "somewhere",
                "37.6",
                "37.6 -8.7 4",
                "95, 0",
                "0, 181",
                "37N 8N",
                "37N",
                "37 60 0, 8 0 0",
                "37 0 60, 8 0 0",
                "37 61 0 N 8 0 0 W",
                "37 36 04 N 8 -47 32 W",
                "-37 S 8 W",
                "1 2 3 4 5 6 7 8",
                "geo:37",
                "geo:a,b",
                "geo:1..2,3",
                "geo:1,2;crs=moon",
                "<script>",
                "N S 1 2",
                "1e5 2"
            })
    void what_is_no_pair_of_coordinates_says_why(String text) {
        assertThatThrownBy(() -> Coordinates.parse(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageMatching("(?s).*(cannot be read|outside).*");
    }

    @Test
    void a_geo_link_may_carry_the_elevation() {
        assertThat(Coordinates.parse("geo:37.6,-8.79,31").elevationM()).hasValue(31);
    }

    @ParameterizedTest
    @CsvSource({
        "0,0,0,1,111.195,90",
        "0,0,1,0,111.195,0",
        "51.48,0,-33.86,151.21,16987,60.92",
        "10,179.5,10,-179.5,109.5,89.9"
    })
    void distances_and_bearings(double lat1, double lon1, double lat2, double lon2, double km, double bearing) {
        assertThat(Geodesy.distanceKm(lat1, lon1, lat2, lon2)).isCloseTo(km, within(km * 0.001));
        assertThat(Geodesy.bearingDeg(lat1, lon1, lat2, lon2)).isCloseTo(bearing, within(0.1));
    }

    @Test
    void going_somewhere_and_looking_back_agree_everywhere() {
        Random random = new Random(9);
        for (int i = 0; i < 300; i++) {
            double lat = random.nextDouble() * 178 - 89;
            double lon = random.nextDouble() * 360 - 180;
            double bearing = random.nextDouble() * 360;
            double km = random.nextDouble() * 200 + 0.1;
            Coordinates there = Geodesy.destination(lat, lon, bearing, km);
            assertThat(Geodesy.distanceKm(lat, lon, there.latitudeDeg(), there.longitudeDeg()))
                    .isCloseTo(km, within(1e-6));
            double back = Geodesy.bearingDeg(lat, lon, there.latitudeDeg(), there.longitudeDeg());
            assertThat(Math.abs(dev.halfdusk.core.measure.Angles.halfTurn(back - bearing)))
                    .isLessThan(1e-4);
        }
    }

    /** Domes reach 150 km, and no town lies that near to these points. */
    @ParameterizedTest
    @CsvSource({"90,0", "-90,0", "0,0"})
    void far_from_all_towns_there_are_no_domes(double latitude, double longitude) {
        assertThat(Gazetteer.shipped().domes(latitude, longitude, 50)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"-17.8,180, Pacific/Fiji", "-17.8,-180, Pacific/Fiji", "78.2,15.6, Arctic/Longyearbyen"})
    void at_the_ends_of_the_map_the_nearest_town_is_the_right_one(double latitude, double longitude, String zone) {
        assertThat(Gazetteer.shipped()
                        .nearest(latitude, longitude)
                        .orElseThrow()
                        .zone())
                .isEqualTo(zone);
    }

    @Test
    void towns_are_found_by_name_without_accents_and_by_place() {
        Gazetteer towns = Gazetteer.shipped();
        assertThat(towns.size()).isEqualTo(112_876);
        assertThat(towns.search("lisb", 5).get(0).country()).isEqualTo("PT");
        assertThat(towns.search("REYKJAVI\u0301K", 5).get(0).country()).isEqualTo("IS");
        assertThat(towns.search("", 5)).isEmpty();
        assertThat(towns.search("zzzzqqq", 5)).isEmpty();
        assertThat(towns.nearest(64.13, -21.90).orElseThrow().zone()).isEqualTo("Atlantic/Reykjavik");
        assertThat(towns.nearest(37.6, -8.79).orElseThrow().zone()).isEqualTo("Europe/Lisbon");
        assertThat(towns.nearest(-40, -120)).isEmpty();
    }

    @Test
    void the_nearest_town_is_the_nearest_of_all() {
        Gazetteer towns = Gazetteer.shipped();
        Random random = new Random(2);
        for (int i = 0; i < 15; i++) {
            double lat = 36 + random.nextDouble() * 20;
            double lon = -8 + random.nextDouble() * 40;
            double nearest = towns.nearest(lat, lon).orElseThrow().distanceKm(lat, lon);
            assertThat(towns.domes(lat, lon, 10_000)).allMatch(d -> d.distanceKm() >= nearest - 1e-6);
        }
    }

    @Test
    void domes_stand_towards_their_towns_strongest_first() {
        List<Dome> domes = Gazetteer.shipped().domes(37.6, -8.79, 12);
        assertThat(domes).isNotEmpty().hasSizeLessThanOrEqualTo(12);
        assertThat(domes).extracting(Dome::shareAt45).isSortedAccordingTo((a, b) -> Double.compare(b, a));
        assertThat(domes)
                .filteredOn(d -> d.bearingDeg() > 200 && d.bearingDeg() < 320)
                .isEmpty(); // the ocean
    }

    @Test
    void a_mark_stands_as_high_as_trigonometry_says() {
        Mark arch = new Mark("arch", 172, 100, 10, 4, 0);
        assertThat(arch.topAltitudeDeg()).isCloseTo(5.7106, within(1e-4));
        assertThat(arch.widthDeg()).isCloseTo(2.2915, within(1e-3));
        assertThat(new Mark("boat", 0, 100, 5, 5, -10).topAltitudeDeg()).isNegative();
        assertThatThrownBy(() -> new Mark("x", 0, 0, 5, 5, 0)).hasMessageContaining("1 to 200000 m");
    }
}
