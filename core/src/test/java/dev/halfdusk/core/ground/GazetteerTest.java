package dev.halfdusk.core.ground;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Dome;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A gazetteer of made-up towns, against looking at every one of them. */
class GazetteerTest {

    private static Town town(String name, double latitude, double longitude, int people) {
        return new Town(name, name, latitude, longitude, "XX", people, OptionalDouble.empty(), "UTC");
    }

    private static Gazetteer scattered() {
        Random random = new Random(6);
        List<Town> towns = new ArrayList<>();
        for (int i = 0; i < 4000; i++) {
            double latitude = Math.toDegrees(Math.asin(2 * random.nextDouble() - 1));
            towns.add(town("T" + i, latitude, random.nextDouble() * 360 - 180, 1000 + random.nextInt(900_000)));
        }
        return Gazetteer.of(towns);
    }

    @ParameterizedTest
    @CsvSource({"0, 0", "52.3, 179.9", "-33, -179.9", "89.5, 20", "-89.5, -100", "71, 45.5", "-45.01, 0"})
    void domes_are_those_of_all_towns_within_reach(double latitude, double longitude) {
        List<Town> near = new ArrayList<>();
        Random random = new Random(3);
        for (int i = 0; i < 60; i++) {
            Coordinates at =
                    Geodesy.destination(latitude, longitude, random.nextDouble() * 360, random.nextDouble() * 300);
            near.add(town("N" + i, at.latitudeDeg(), at.longitudeDeg(), 400_000 + i));
        }
        List<Dome> domes = Gazetteer.of(near).domes(latitude, longitude, 100);
        List<String> expected = near.stream()
                .filter(t -> t.distanceKm(latitude, longitude) <= 150)
                .filter(t ->
                        0.01 * t.people() * Math.pow(Math.max(3, t.distanceKm(latitude, longitude)), -2.5) >= 0.004)
                .sorted(Comparator.comparingDouble(t -> t.distanceKm(latitude, longitude)))
                .map(Town::name)
                .toList();
        assertThat(domes).extracting(Dome::name).containsExactlyElementsOf(expected);
        assertThat(Gazetteer.of(near).domes(latitude, longitude, 3)).hasSize(3);
    }

    @Test
    void the_nearest_town_is_the_nearest_of_all_wherever_one_asks() {
        Gazetteer all = scattered();
        List<Town> towns = all.search("T", 4000);
        Random random = new Random(8);
        int found = 0;
        for (int i = 0; i < 400; i++) {
            double latitude = i == 0 ? 90 : i == 1 ? -90 : Math.toDegrees(Math.asin(2 * random.nextDouble() - 1));
            double longitude = i == 2 ? 180 : i == 3 ? -180 : random.nextDouble() * 360 - 180;
            Town nearest = towns.stream()
                    .min(Comparator.comparingDouble(t -> t.distanceKm(latitude, longitude)))
                    .orElseThrow();
            boolean within = nearest.distanceKm(latitude, longitude) <= Gazetteer.NEAREST_REACH_KM;
            assertThat(all.nearest(latitude, longitude)).isEqualTo(within ? Optional.of(nearest) : Optional.empty());
            found += within ? 1 : 0;
        }
        assertThat(found).isBetween(300, 399); // some are farther than the reach
    }

    @Test
    void a_city_counts_three_million_people_at_most_and_a_faint_light_not_at_all() {
        Gazetteer towns = Gazetteer.of(List.of(town("Vast", 0.5, 0, 24_000_000), town("Hamlet", 0.9, 0, 1000)));
        List<Dome> domes = towns.domes(0, 0, 5);
        assertThat(domes).extracting(Dome::name).containsExactly("Vast");
        assertThat(domes.get(0).people()).isEqualTo(3_000_000);
        assertThat(domes.get(0).distanceKm()).isCloseTo(55.6, within(0.1));
        assertThat(domes.get(0).bearingDeg()).isCloseTo(0, within(1e-6));
    }

    @Test
    void names_begin_with_what_was_typed_and_exact_ones_come_first() {
        Gazetteer towns = Gazetteer.of(
                List.of(town("Portlow", 0, 0, 900_000), town("Port", 1, 1, 1000), town("Newport", 2, 2, 500_000)));
        assertThat(towns.search("port", 5)).extracting(Town::name).containsExactly("Port", "Portlow");
        assertThat(towns.search("  P\u00f3rt ", 1)).extracting(Town::name).containsExactly("Port");
        assertThat(towns.search("  ", 5)).isEmpty();
        assertThat(towns.size()).isEqualTo(3);
        assertThat(scattered().search("T", 4)).hasSize(4);
    }

    /** Where clocks meet, both are named, the nearer first; names that mean the same clock are one. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "37.6|-8.8|Europe/Lisbon", // a coast far from any border
                "37.25|-7.42|Europe/Lisbon,Europe/Madrid", // west of the mouth of a border river
                "37.25|-7.36|Europe/Madrid,Europe/Lisbon", // east of it
                "48.58|7.76|Europe/Paris", // another name across the river, the same clocks
                "-33.0|141.0|Australia/Broken_Hill,Australia/Sydney",
                "0|-30|" // open sea
            })
    void zones_meet_where_towns_disagree(double latitude, double longitude, String zones) {
        List<String> found =
                Gazetteer.shipped().zones(latitude, longitude, Instant.parse("2027-01-15T00:00:00Z")).stream()
                        .map(ZoneId::getId)
                        .toList();
        assertThat(String.join(",", found)).isEqualTo(zones == null ? "" : zones);
    }
}
