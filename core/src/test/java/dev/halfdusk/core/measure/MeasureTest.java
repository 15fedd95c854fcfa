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
        assertThat(Range.SHUTTER.allowed()).isEqualTo("1/10000 to 14400 s");
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

    @ParameterizedTest(name = "{0} in {1} decimals")
    @CsvSource({
        "1.25, 1, 1.3, 1.3",
        "-0.04, 1, 0.0, 0",
        "-1.5, 0, \u22122, \u22121",
        "20, 2, 20.00, 20",
        "1.8, 2, 1.80, 1.8",
        "0.125, 2, 0.13, 0.13",
        "-12.5, 1, \u221212.5, \u221212.5"
    })
    void numbers_for_people(double value, int decimals, String fixed, String trimmed) {
        assertThat(Numbers.fixed(value, decimals)).isEqualTo(fixed);
        assertThat(Numbers.trimmed(value, decimals)).isEqualTo(trimmed);
    }

    @ParameterizedTest
    @CsvSource({
        "20, 20",
        "1.8, 1.8",
        "-0.25, -0.25",
        "1e20, 100000000000000000000",
        "1e-7, 0.0000001",
        "-3, -3",
        "37.601234567890123, 37.601234567890124"
    })
    void numbers_for_fields_and_files(double value, String plain) {
        assertThat(Numbers.plain(value)).isEqualTo(plain);
        assertThat(Double.parseDouble(Numbers.plain(value))).isEqualTo(value);
    }

    @Test
    void numbers_in_words() {
        assertThat(Numbers.plain(0.12345, 3)).isEqualTo("0.123");
        assertThat(Numbers.grouped(-1234567.6)).isEqualTo("\u22121,234,568");
        assertThat(Numbers.text("%.1f of %d", 1.25, 3)).isEqualTo("1.3 of 3");
    }

    @ParameterizedTest
    @CsvSource({"0, 0, 0, 1, 0", "90, 0, 1, 0, 0", "180, 30, 0, -0.8660254, 0.5", "270, -90, 0, 0, -1"})
    void directions_are_east_north_up(double azimuth, double altitude, double east, double north, double up) {
        Vector v = new Direction(azimuth, altitude).vector();
        assertThat(v.minus(new Vector(east, north, up)).length()).isLessThan(1e-7);
        Direction back = Direction.of(v.times(7));
        assertThat(back.altitudeDeg()).isCloseTo(altitude, within(1e-9));
        assertThat(back.angleTo(new Direction(azimuth, altitude))).isLessThan(1e-9);
    }

    @Test
    void directions_have_limits_and_names() {
        assertThat(new Direction(95, 3).compass()).isEqualTo("E");
        assertThat(new Direction(10, 0).angleTo(new Direction(40, 0))).isCloseTo(30, within(1e-9));
        assertThatThrownBy(() -> new Direction(0, 91)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new Direction(Double.NaN, 0))
                .isInstanceOfSatisfying(
                        OutOfRange.class, e -> assertThat(e.range()).isEqualTo(Range.AZIMUTH));
        assertThat(new OutOfRange(Range.ISO, 7).given()).isEqualTo(7);
        assertThat(Range.ISO.check(25)).isEqualTo(25);
        assertThat(Range.ISO.holds(819_200)).isTrue();
        assertThat(Range.ISO.holds(819_201)).isFalse();
    }

    @Test
    void a_rotation_and_back() {
        // a quarter turn about z and a mirror would differ in sign
        Matrix quarter = Matrix.of(new double[][] {{0, -1, 0}, {1, 0, 0}, {0, 0, 1}});
        Vector v = new Vector(1, 2, 3);
        assertThat(quarter.times(v)).isEqualTo(new Vector(-2, 1, 3));
        assertThat(quarter.transposedTimes(quarter.times(v))).isEqualTo(v);
        Matrix odd = Matrix.of(new double[][] {{1, 2, 3}, {4, 5, 6}, {7, 8, 9}});
        assertThat(odd.transposedTimes(v)).isEqualTo(new Vector(30, 36, 42));
    }

    @Test
    void vectors_add_cross_and_turn() {
        Vector a = new Vector(1, 2, 3);
        Vector b = new Vector(-4, 5, 7);
        assertThat(a.cross(b)).isEqualTo(new Vector(-1, -19, 13));
        assertThat(a.minus(b)).isEqualTo(new Vector(5, -3, -4));
        assertThat(new Vector(2, -3, 6).length()).isEqualTo(7);
        assertThat(new Vector(2, -3, 6)
                        .unit()
                        .times(7)
                        .minus(new Vector(2, -3, 6))
                        .length())
                .isLessThan(1e-12);
        // a third of a turn about the diagonal carries x to y, y to z
        Vector diagonal = new Vector(1, 1, 1).unit();
        assertThat(new Vector(1, 0, 0)
                        .turnedAbout(diagonal, 2 * Math.PI / 3)
                        .minus(new Vector(0, 1, 0))
                        .length())
                .isLessThan(1e-12);
    }

    /** Against the library's own, to 2e-15; a millionth of a degree from 0 and 180 as well, where a cosine tells little. */
    @Test
    void arcs_of_sines_and_cosines() {
        for (double x = -1; x <= 1; x += 1 / 512.0) {
            assertThat(Angles.arcSine(x)).isCloseTo(Math.asin(x), within(2e-15));
            assertThat(Angles.arcCosine(x)).isCloseTo(Math.acos(x), within(2e-15));
            for (double far : new double[] {1e-9, 1, 149_597_870.7}) {
                for (int side = -1; side < 2; side += 2) {
                    assertThat(Angles.arcTangent(side * x, far * x))
                            .isCloseTo(Math.atan2(side * x, far * x), within(2e-15));
                    assertThat(Angles.arcTangent(x, side * far)).isCloseTo(Math.atan2(x, side * far), within(2e-15));
                }
            }
        }
        assertThat(Angles.arcTangent(0, -1)).isEqualTo(Math.PI);
        assertThat(Angles.arcTangent(0, 0)).isZero();
        assertThat(Angles.arcCosine(1)).isZero();
        assertThat(Angles.arcCosine(-1)).isEqualTo(Math.PI);
        assertThat(Angles.arcSine(-1)).isEqualTo(-Math.PI / 2);
        assertThat(Angles.arcSine(1e-9)).isEqualTo(1e-9);
        assertThat(Angles.arcCosine(Math.nextUp(1.0))).isZero();
        assertThat(Angles.arcCosine(Math.nextDown(-1.0))).isEqualTo(Math.PI);
        assertThat(Angles.arcSine(1.1)).isNaN();
    }
}
