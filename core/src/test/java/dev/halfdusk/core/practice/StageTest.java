package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Traffic;
import dev.halfdusk.core.fireworks.Fired;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Trainer;
import dev.halfdusk.core.frame.Clouds;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.measure.Direction;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** What the file of a scene says, and what is seen there. */
class StageTest {

    private static final String SHORT = """
            title: Somewhere
            at: 2027-06-08T00:00:00Z
            look: 120, 15
            """;

    private static Stage read(String more) {
        return Stage.read("key", SHORT + more);
    }

    @Test
    void a_short_file_has_the_usual() {
        Stage s = read("");
        assertThat(s.title()).isEqualTo("Somewhere");
        assertThat(s.at()).isEqualTo(Instant.parse("2027-06-08T00:00:00Z"));
        assertThat(s.from().site().latitudeDeg()).isEqualTo(37.6);
        assertThat(s.from().site().longitudeDeg()).isEqualTo(-8.8);
        assertThat(s.motif()).isEqualTo(Motif.STARS);
        assertThat(s.marks()).isEmpty();
        assertThat(s.town()).isEmpty();
        assertThat(s.traffic()).isEmpty();
        assertThat(s.sea()).isFalse();
        assertThat(s.clouds()).isEqualTo(Clouds.NONE);
        assertThat(s.shells()).isEmpty();
        assertThat(s.apartSeconds()).isZero();
        assertThat(s.trouble())
                .isEqualTo(new Stage.Trouble(
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        0,
                        0,
                        OptionalDouble.empty(),
                        0,
                        OptionalDouble.empty(),
                        0));
        assertThat(s.when(90.5)).isEqualTo(s.at().plus(Duration.ofMillis(90_500)));
        assertThat(s.aim(0)).isEqualTo(new Direction(120, 15));
        assertThat(s.fired(0, 100)).isEmpty();
        assertThat(s.filterOff()).isEmpty();
    }

    @Test
    void a_file_says_all_of_it() {
        Stage s = read("""
                latitude: -33
                longitude: 151
                elevation: 400
                motif: ground
                sea: on
                apart: 12
                marks:
                  - {name: Tower, bearing: 130, distance: 900, height: 30, width: 8, foot: 12, shape: tower}
                  - {}
                clouds: {low: 0.1, middle: 0.2, high: 0.3, wind: 7}
                traffic: {speed: 50, distance: 60, across: 90}
                trouble: {dew: 60, kick: 5, kickDeg: 2, wind: 8, person: 6, lamp: 3, torch: 4, torchTo: 9}
                """);
        assertThat(s.from().site().latitudeDeg()).isEqualTo(-33);
        assertThat(s.from().site().longitudeDeg()).isEqualTo(151);
        assertThat(s.from().site().elevationM()).isEqualTo(400);
        assertThat(s.motif()).isEqualTo(Motif.GROUND);
        assertThat(s.sea()).isTrue();
        assertThat(s.apartSeconds()).isEqualTo(12);
        assertThat(s.marks())
                .containsExactly(
                        new Mark("Tower", 130, 900, 30, 8, 12, Silhouette.TOWER),
                        new Mark("mark", 0, 100, 10, 3, 0, Silhouette.BLOCK));
        assertThat(s.clouds()).isEqualTo(new Clouds(0.1, 0.2, 0.3, 7, Clouds.WEST_SOUTH_WEST));
        assertThat(s.traffic()).hasValue(new Traffic(50, 60, 90));
        assertThat(s.trouble())
                .isEqualTo(new Stage.Trouble(
                        OptionalDouble.of(60),
                        OptionalDouble.of(5),
                        2,
                        8,
                        OptionalDouble.of(6),
                        3,
                        OptionalDouble.of(4),
                        9));
        assertThatThrownBy(() -> read("motif: cheese")).hasMessage("key: motif is cheese");
        assertThatThrownBy(() -> Stage.read("key", "title: T")).hasMessage("key: at is missing");
    }

    /** The pole stands as high as the place is far from the equator, in the north or in the south. */
    @Test
    void it_looks_at_the_pole_of_its_own_sky() {
        Stage north = Stage.read("n", SHORT.replace("120, 15", "pole"));
        assertThat(north.aim(0).altitudeDeg()).isCloseTo(37.6, within(0.2));
        assertThat(Math.abs(Math.sin(Math.toRadians(north.aim(0).azimuthDeg()))))
                .isLessThan(0.01);
        assertThat(Math.cos(Math.toRadians(north.aim(0).azimuthDeg()))).isPositive();
        Stage south = Stage.read("s", SHORT.replace("120, 15", "pole") + "latitude: -33\n");
        assertThat(south.aim(0).altitudeDeg()).isCloseTo(33, within(0.2));
        assertThat(Math.cos(Math.toRadians(south.aim(0).azimuthDeg()))).isNegative();
    }

    /** Of a display by the clock one launch follows the other by so many seconds; practice begins in the midst of it. */
    @Test
    void shells_are_launched_one_after_the_other() {
        Stage.Shells finale =
                read("shells: {distance: 300, bearing: 90, height: 5, mm: 75, every: 1.5, launches: 4, before: 3}")
                        .shells()
                        .orElseThrow();
        assertThat(finale).isEqualTo(new Stage.Shells(new FiringPoint(300, 90, 5), 75, OptionalDouble.of(1.5), 4, 3));
        assertThat(finale.round().launches()).extracting(Trainer.Launch::fires).containsExactly(-1.0, 0.5, 2.0, 3.5);
        Stage.Shells usual = read("shells: {}").shells().orElseThrow();
        assertThat(usual).isEqualTo(new Stage.Shells(new FiringPoint(400, 180, 0), 100, OptionalDouble.empty(), 10, 0));
        List<Trainer.Launch> alone = usual.round().launches();
        assertThat(alone).hasSize(10);
        assertThat(alone.get(0).fires()).isEqualTo(2);
        double[] idle = {1.4, 2.2, 1, 1.8, 0.6, 1.4, 2.2, 1, 1.8};
        for (int i = 1; i < 10; i++) {
            assertThat(alone.get(i).fires() - alone.get(i - 1).fades()).isCloseTo(idle[i - 1], within(1e-9));
        }
        Stage stage = read("shells: {every: 1.5, launches: 4}");
        assertThat(stage.fired(1, 30))
                .as("counted from when the shutter opened")
                .extracting(Fired::launchSeconds)
                .containsExactly(1.0, 2.5, 4.0, 5.5);
    }
}
