package dev.halfdusk.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.halfdusk.core.camera.EclipseCamera;
import dev.halfdusk.core.eclipse.EclipseTerms;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.optics.BodyShape;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framed;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.LensShape;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.outing.Terms;
import dev.halfdusk.core.outing.Way;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The descriptions of all that is kept. */
class ShapesTest {

    static Stream<Shape<?>> shapes() {
        return Stream.concat(Stream.of(EclipseCamera.SHAPE, Framed.SHAPE), free());
    }

    /** Of which no field needs another. */
    static Stream<Shape<?>> free() {
        return Stream.concat(
                Stream.of(
                        BodyShape.SHAPE,
                        LensShape.SHAPE,
                        Mark.SHAPE,
                        Dome.SHAPE,
                        Terms.SHAPE,
                        Way.SHAPE,
                        EclipseTerms.SHAPE),
                Stream.of(Gear.Sort.values()).map(Gear.Sort::shape));
    }

    /** No two fields hold the same, so that a getter of one for another is seen. */
    private static <T> Values odd(Shape<T> shape) {
        Values values = new Values();
        int n = 0;
        for (Field<T> f : shape.fields()) {
            n++;
            switch (f.type()) {
                case WHOLE -> {
                    Range r = f.ranges().apply(values);
                    values.put(f.key(), Math.rint(r.min() + (r.max() - r.min()) * n / 97));
                }
                case NUMBER -> {
                    Range r = f.ranges().apply(values);
                    values.put(f.key(), r.min() + (r.max() - r.min()) * n / 89);
                }
                case WORDS, LINES -> values.put(f.key(), "words " + n);
                case YES_NO -> values.put(f.key(), n % 2 == 0);
                case CLOCK -> values.put(f.key(), LocalTime.of(n % 24, n % 60));
                case CHOICE -> values.put(f.key(), f.options().get(1).key());
            }
        }
        return values;
    }

    @ParameterizedTest
    @MethodSource("shapes")
    <T> void each_field_is_read_from_where_it_was_put(Shape<T> shape) {
        Values odd = odd(shape);
        T thing = shape.of(odd);
        Values back = shape.values(thing);
        for (Field<T> f : shape.fields()) {
            if (f.type().counts()) {
                assertThat(back.number(f.key())).as(f.key()).isCloseTo(odd.number(f.key()), within(odd, f));
            } else {
                assertThat(back.get(f.key())).as(f.key()).isEqualTo(odd.get(f.key()));
            }
        }
        assertThat(shape.of(back)).isEqualTo(thing);
    }

    private static <T> org.assertj.core.data.Offset<Double> within(Values odd, Field<T> f) {
        return org.assertj.core.api.Assertions.within(1e-9 * Math.abs(odd.number(f.key())));
    }

    @ParameterizedTest
    @MethodSource("shapes")
    <T> void a_number_beyond_its_range_is_refused(Shape<T> shape) {
        for (Field<T> f : shape.fields()) {
            if (f.type().counts()) {
                for (double beyond :
                        new double[] {f.range().min() - 1, f.range().max() + 1, Double.NaN}) {
                    Values values = odd(shape).put(f.key(), beyond);
                    assertThatThrownBy(() -> shape.of(values)).as(f.key()).isInstanceOf(OutOfRange.class);
                }
            }
        }
    }

    /** What is missing is usual, or refused, or may be missing; a new thing can be kept as it begins. */
    @ParameterizedTest
    @MethodSource("free")
    <T> void what_is_missing_is_usual_or_refused(Shape<T> shape) {
        for (Field<T> f : shape.fields()) {
            Values without = new Values();
            Values all = odd(shape);
            shape.keys().stream()
                    .filter(k -> !k.equals(f.key()))
                    .forEach(k -> without.put(k, all.get(k).orElseThrow()));
            boolean derived = f.usual().apply(all).isPresent();
            if (f.optional() || f.type() == Field.Type.YES_NO || derived) {
                assertThat(shape.of(without)).as(f.key()).isNotNull();
            } else {
                assertThatThrownBy(() -> shape.of(without)).as(f.key()).isInstanceOf(IllegalArgumentException.class);
            }
        }
    }

    /** Electronics of a pixel of 5 µm: 1800 electrons a square micrometre are 45 000. */
    @Test
    void a_body_of_which_little_is_known_is_typical_for_its_pixels() {
        Values few = new Values()
                .put("sensorWidth", 30)
                .put("sensorHeight", 20)
                .put("pixelsAcross", 6000)
                .put("dial", Dial.FULL)
                .put("fastest", 2000)
                .put("baseIso", 200)
                .put("topIso", 6400)
                .put("comfortableIso", 1600)
                .put("buffer", 12)
                .put("writeSpeed", 40);
        CameraBody body = BodyShape.SHAPE.of(few);
        assertThat(body.response().fullWellE()).isEqualTo(45_000);
        assertThat(body.files().rawMb()).isEqualTo(29); // 24 megapixels of 1.2 MB
        assertThat(body.fastestSeconds()).isEqualTo(1 / 2000.0);
        assertThat(body.weightG()).isEqualTo(600);
    }

    @Test
    void a_prime_needs_one_focal_length_and_one_aperture() {
        Lens prime = LensShape.SHAPE.of(
                new Values().put("shortest", 85).put("widestShort", 1.4).put("projection", Projection.RECTILINEAR));
        assertThat(prime.isPrime()).isTrue();
        assertThat(prime.widestAtLong()).isEqualTo(1.4);
        assertThat(prime.narrowest()).isEqualTo(22);
        assertThat(prime.imageCircleMm()).isEmpty();
    }

    /** A form shows the fields of all sorts of gear at once. */
    @Test
    void no_two_sorts_of_gear_call_a_field_alike() {
        Map<String, Gear.Sort> keys = new HashMap<>();
        for (Gear.Sort sort : Gear.Sort.values()) {
            sort.shape().keys().forEach(k -> assertThat(keys.put(k, sort)).as(k).isNull());
        }
    }
}
