package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is worked out of a frame's reading, and what is known of it besides its pixels. */
class ReadingTest {

    private final Readings r = new Readings();

    private void looked(Site site, Direction axis) {
        r.known = r.known.from(site, axis);
        r.aim = Optional.of(new Aim(axis, 0, 24, 0, 40, 0.5, Framing.of(Readings.LENS, axis, 0)));
    }

    /** Behind 24 mm ten degrees are 4.232 mm, of 24 mm height and 36 mm width. */
    @ParameterizedTest
    @CsvSource({
        "37.6,   0, 37.6, 0.5,    0.5",
        "37.6,   0, 27.6, 0.5,    0.3237",
        "-33,  180, 43,   0.5,    0.6763",
        "0.01,  10, 0.01, 0.3825, 0.5"
    })
    void the_pole_stands_in_the_frame(double latitude, double azimuth, double altitude, double x, double y) {
        looked(new Site(latitude, -8.8, 20), new Direction(azimuth, altitude));
        FrameReading.Place pole = r.reading().pole().orElseThrow();
        assertThat(pole.x()).isCloseTo(x, within(0.003));
        assertThat(pole.y()).isCloseTo(y, within(0.003));
        assertThat(pole.inside()).isTrue();
    }

    @Test
    void what_is_behind_the_camera_or_not_known_has_no_place() {
        looked(new Site(37.6, -8.8, 20), new Direction(180, 10));
        assertThat(r.reading().pole()).isEmpty();
        r.aim = Optional.empty();
        assertThat(r.reading().archTop()).isEmpty();
        assertThat(new FrameReading.Place(0, 1).inside()).isTrue();
        for (FrameReading.Place out : List.of(
                new FrameReading.Place(-0.01, 0.5),
                new FrameReading.Place(1.01, 0.5),
                new FrameReading.Place(0.5, -0.01),
                new FrameReading.Place(0.5, 1.01))) {
            assertThat(out.inside()).isFalse();
        }
    }

    @Test
    void the_arch_is_where_it_was_in_the_middle_of_the_exposure() {
        Site site = new Site(37.6, -8.8, 20);
        Galaxy.Arch arch = Galaxy.arch(Moment.at(Instant.parse("2027-06-08T01:30:05Z")), Observer.at(site));
        looked(site, new Direction(arch.topAzimuthDeg(), arch.topAltitudeDeg()));
        FrameReading.Place top = r.reading().archTop().orElseThrow();
        assertThat(top.x()).isCloseTo(0.5, within(1e-6));
        assertThat(top.y()).isCloseTo(0.5, within(1e-6));
    }

    /** Lines of 10° and 30° lie along 20°; of 170° and 20°, which are 30° apart, along 5°; the longer counts more. */
    @ParameterizedTest
    @CsvSource({"6, 10, 6, 30, 20", "6, 170, 6, 20, 5", "6, 150, 6, 170, 160", "1, 0, 1000, 40, 40"})
    void the_direction_of_all_lines_is_in_the_middle_of_them(
            double one, double oneDeg, double other, double otherDeg, double middle) {
        List<Part> all = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            StarShape s = i % 2 == 0 ? Readings.line(one, oneDeg) : Readings.line(other, otherDeg);
            all.add(new Part(0.1 * i, 0.5, Optional.of(s), Optional.empty()));
        }
        all.add(new Part(0.9, 0.5, Optional.empty(), Optional.empty()));
        r.parts = all;
        assertThat(r.reading().angleDeg().orElseThrow()).isCloseTo(middle, within(0.1));
        assertThat(r.reading().ninths()).hasSize(8);
    }

    /** A spot two pixels wide has a sigma of 0.849; a line of six adds 36/12 to its square, two spots six apart 36/4. */
    @Test
    void elongation_is_by_second_moments() {
        assertThat(Readings.ROUND.elongation()).isEqualTo(1);
        assertThat(Readings.line(6, 30).elongation()).isCloseTo(2.271, within(0.001));
        assertThat(new StarShape(9, 2, 6, 30, 0.1, true, 0).elongation()).isCloseTo(3.671, within(0.001));
        assertThat(Readings.line(6, 170).offDeg(10)).isEqualTo(20);
        assertThat(Readings.line(6, 10).offDeg(100)).isEqualTo(90);
        assertThat(r.reading().angleDeg()).as("all round").isEmpty();
        r.parts = Readings.parts(Readings.line(6, 30), Readings.ROUND);
        assertThat(r.reading().elongation().orElseThrow()).isCloseTo(2.271, within(0.001));
        assertThat(r.reading().lengthPx()).hasValue(6);
        assertThat(r.reading().middle()).hasValue(Readings.line(6, 30));
        r.parts = List.of();
        assertThat(r.reading().elongation()).isEmpty();
        assertThat(r.reading().middle()).isEmpty();
        assertThat(r.reading().corners()).isEmpty();
    }

    @Test
    void a_sensor_that_is_not_known_is_a_usual_one() {
        Optics reduced = new Optics(new Sensor(36, 24, 12), 24, Projection.RECTILINEAR);
        Optics fine = new Optics(new Sensor(36, 24, 4), 24, Projection.RECTILINEAR);
        Known nothing = Known.NOTHING.through(reduced);
        assertThat(nothing.pitchUm(reduced)).as("of a picture that was reduced").isEqualTo(6);
        assertThat(nothing.pitchUm(fine)).isEqualTo(4);
        assertThat(nothing.sensor(reduced)).isEqualTo(new Sensor(36, 24, 6));
        assertThat(nothing.response()).hasValue(Response.generic(6));
        assertThat(Known.NOTHING.response()).isEmpty();
        CameraBody body = CameraBody.generic(Sensor.of(36, 24, 9000), Dial.THIRD, 6400);
        assertThat(nothing.with(body, 0.4).response()).hasValue(body.response());
        assertThat(nothing.with(body, 0.4).pitchUm(reduced)).isEqualTo(4);
        assertThat(nothing.with(body, 0.4).efficiency()).isEqualTo(0.4);
    }

    /** In the middle of the exposure; on a tracker when it begins, since the frame is drawn as the sky was then. */
    @Test
    void the_moment_of_a_frame() {
        Instant opened = Instant.parse("2027-06-08T01:30:00Z");
        Known k = Known.NOTHING.taken(Readings.SHOT, opened);
        assertThat(k.seconds()).isEqualTo(10);
        assertThat(k.moment().orElseThrow().instant()).isEqualTo(opened.plusSeconds(5));
        assertThat(k.on(new Support(Support.Kind.SIDEREAL, 60))
                        .moment()
                        .orElseThrow()
                        .instant())
                .isEqualTo(opened);
        assertThat(Known.NOTHING.moment()).isEmpty();
        assertThat(Known.NOTHING.seconds()).isZero();
        assertThat(Known.NOTHING
                        .taken(Readings.SHOT, Instant.parse("1970-01-01T00:00:00Z"))
                        .moment())
                .isEmpty();
        assertThat(Known.NOTHING.observer()).isEmpty();
    }
}
