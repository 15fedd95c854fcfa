package dev.halfdusk.app.places;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CoastTest {

    /** Known points: towns, islands that only the finer line has, bays, the middle of an ocean; on either side of the date line. */
    @ParameterizedTest
    @CsvSource({
        "49.43, -2.36, true", // Sark, two miles of rock
        "49.43, -2.2, false",
        "39.46, -31.2, true", // Flores
        "39.46, -30.0, false",
        "-16.8, 179.97, true", // Taveuni lies on the date line
        "-16.0, -179.0, false",
        "-54.5, 3.4, false",
        "-80, 0, true", // the ice sheet
        "89.9, 0, false",
        "38.72, -9.14, true"
    })
    void land_is_told_from_sea(double latitude, double longitude, boolean land) {
        assertThat(Coast.near().land(latitude, new double[] {longitude})).containsExactly(land);
    }

    @ParameterizedTest
    @CsvSource({"38.72, -9.0, true", "40, -40, false", "-25, 134, true", "49.43, -2.36, false"})
    void the_map_of_the_world_agrees(double latitude, double longitude, boolean land) {
        assertThat(Coast.world().land(latitude, new double[] {longitude})).containsExactly(land);
        assertThat(Coast.near().rings().size())
                .isGreaterThan(2 * Coast.world().rings().size());
    }
}
