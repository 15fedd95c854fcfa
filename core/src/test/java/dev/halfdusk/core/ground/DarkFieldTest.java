package dev.halfdusk.core.ground;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.measure.OutOfRange;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DarkFieldTest {

    private static Town town(double latitude, double longitude, int people) {
        return new Town("T", "T", latitude, longitude, "XX", people, OptionalDouble.empty(), "UTC");
    }

    /**
     * Walker's law by hand: 0.01 P d^-2.5 of the natural sky at 45\u00b0, at the zenith e^(-45/22) = 0.1293 of that. A town of 100 000 at
     * 20 km: 0.559 \u00d7 0.1293 = 0.0723; at 10 km 3.162 \u00d7 0.1293 = 0.409; where one stands 3 km count: 64.15 \u00d7 0.1293 = 8.30.
     */
    @ParameterizedTest
    @CsvSource({"20, 0.0723", "10, 0.409", "0, 8.30", "-40, 0.0128"})
    void one_town_by_hand(double eastKm, double share) {
        Gazetteer one = Gazetteer.of(List.of(town(0, 0, 100_000)));
        DarkField field = DarkField.around(one, 0, 0, 50, 50, 5, Readings.NONE);
        double expected = 21.9 - 2.5 * Math.log10(1 + share);
        int column = field.columns() / 2 + (int) (eastKm / 5);
        assertThat(field.magnitude(column, field.rows() / 2)).isCloseTo(expected, within(0.01));
    }

    /** At three spots of the real gazetteer the sum over its towns, town by town, with great-circle distances. */
    @ParameterizedTest
    @CsvSource({"38.55, -8.9", "51.5, -0.1", "-33.9, 151.0"})
    void the_map_is_the_sum_of_its_towns(double latitude, double longitude) {
        Gazetteer all = Gazetteer.shipped();
        DarkField field = DarkField.around(all, latitude, longitude, 60, 60, 6, Readings.NONE);
        for (int[] spot : new int[][] {{0, 0}, {10, 10}, {17, 4}}) {
            Coordinates at = field.at(spot[0], spot[1]);
            double share = 0;
            for (Town t : all.within(at.latitudeDeg(), at.longitudeDeg(), 150)) {
                double d = Math.max(3, t.distanceKm(at.latitudeDeg(), at.longitudeDeg()));
                double one = 0.01 * Math.min(3_000_000, t.people()) * Math.pow(d, -2.5);
                share += one >= 0.004 ? one * Math.exp(-45 / 22.0) : 0;
            }
            assertThat(field.magnitude(spot[0], spot[1])).isCloseTo(21.9 - 2.5 * Math.log10(1 + share), within(0.03));
        }
    }

    /** North is up, east to the right, also over the date line and at a pole. */
    @ParameterizedTest
    @CsvSource({"0, 179.9", "-90, 0", "89.5, 20"})
    void points_lie_where_they_should(double latitude, double longitude) {
        DarkField field = DarkField.around(Gazetteer.of(List.of()), latitude, longitude, 100, 60, 10, Readings.NONE);
        assertThat(field.columns()).isEqualTo(21);
        assertThat(field.rows()).isEqualTo(13);
        Coordinates corner = field.at(0, 0);
        assertThat(Geodesy.distanceKm(latitude, longitude, corner.latitudeDeg(), corner.longitudeDeg()))
                .isCloseTo(Math.hypot(100, 60), within(0.01));
        assertThat(field.distanceKm(20, 6)).isCloseTo(100, within(1e-9));
        assertThat(field.magnitude(3, 3)).isCloseTo(21.9, within(1e-4));
    }

    @Test
    void what_is_too_much_is_refused() {
        Gazetteer none = Gazetteer.of(List.of());
        assertThatThrownBy(() -> DarkField.around(none, 0, 0, 200, 200, 0.1, Readings.NONE))
                .isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> DarkField.around(none, 0, 0, 200, 200, 0.5, Readings.NONE))
                .hasMessageContaining("200000 points");
    }

    /** Half-way between the typical zeniths of two classes one ends. */
    @ParameterizedTest
    @CsvSource({"22, 1", "21.83, 1", "21.8, 2", "21.3, 3", "20.95, 4", "19.5, 6", "17, 9", "15, 9"})
    void a_class_has_its_zeniths(double magnitude, int darkness) {
        assertThat(Luminance.classOf(magnitude)).isEqualTo(darkness);
    }
}
