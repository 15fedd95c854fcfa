package dev.halfdusk.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class MeasureTest {

    @ParameterizedTest
    @ValueSource(doubles = {95, -90.001, Double.NaN, Double.POSITIVE_INFINITY})
    void a_latitude_that_is_none_is_refused_with_the_allowed_range(double latitude) {
        assertThatThrownBy(() -> Range.LATITUDE.check(latitude))
                .isInstanceOf(OutOfRange.class)
                .hasMessageContaining("latitude")
                .hasMessageContaining("\u221290 to 90\u00b0");
    }

    @Test
    void fractions_of_a_second_are_named_as_photographers_do() {
        assertThat(Range.SHUTTER.allowed()).isEqualTo("1/8000 to 14400 s");
    }

    @ParameterizedTest
    @CsvSource({"0,N", "11.2,N", "11.3,NNE", "180,S", "348.8,N", "-90,W", "720,N", "359.999,N"})
    void compass_points(double azimuth, String point) {
        assertThat(Angles.compass(azimuth)).isEqualTo(point);
    }

    @ParameterizedTest
    @CsvSource({"0,0,0", "-1,359,-1", "360,0,0", "540,180,180", "-180,180,180", "-1e-14,0,0"})
    void one_turn_and_half_a_turn_each_way(double degrees, double turn, double half) {
        assertThat(Angles.turn(degrees)).isCloseTo(turn, within(1e-9)).isLessThan(360);
        assertThat(Angles.halfTurn(degrees)).isCloseTo(half, within(1e-9));
    }

    @Test
    void turning_east_about_the_pole_by_a_quarter_points_north_in_longitude() {
        Vector turned = Vector.towards(20, 35).turnedAbout(new Vector(0, 0, 1), Math.PI / 2);
        assertThat(turned.longitudeDeg()).isCloseTo(110, within(1e-12));
        assertThat(turned.latitudeDeg()).isCloseTo(35, within(1e-12));
    }

    @Test
    void angles_between_vectors_are_exact_when_tiny_and_when_opposite() {
        Vector a = Vector.towards(10, 0);
        assertThat(a.angleTo(Vector.towards(10 + 1e-9, 0))).isCloseTo(1e-9, within(1e-14));
        assertThat(a.angleTo(a.times(-1))).isCloseTo(180, within(1e-12));
    }
}
