package dev.halfdusk.core.ground;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.OutOfRange;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

class ReadingsTest {

    private static final SunAndMoon NIGHT = new SunAndMoon(-40, 0, -40, 0, 180);

    /** Twice the natural sky: one natural sky of towns; as half as much again estimated, towns are twice as bright. */
    @Test
    void a_reading_tells_how_much_brighter_towns_are() {
        double doubled = 21.9 - 2.5 * Math.log10(2);
        double halfMore = 21.9 - 2.5 * Math.log10(1.5);
        assertThat(Readings.Reading.of(0, 0, doubled, halfMore).times()).isCloseTo(2, within(1e-5));
        assertThat(Readings.Reading.of(0, 0, halfMore, doubled).times()).isCloseTo(0.5, within(1e-5));
        // darker than a natural sky, or of a city where there is none: nothing that one would carry elsewhere
        assertThat(Readings.Reading.of(0, 0, 22.3, doubled).times()).isEqualTo(0.1);
        assertThat(Readings.Reading.of(0, 0, 17, 21.8).times()).isEqualTo(10);
        assertThatThrownBy(() -> Readings.Reading.of(0, 0, 12, 20)).isInstanceOf(OutOfRange.class);
    }

    private static Readings.Reading at(double km, double times) {
        return new Readings.Reading(0, km / (2 * Math.PI * 6371) * 360, times);
    }

    /** By hand: 30 km away weighs 1/e = 0.368; (1 · ln 2 + 0.368 · ln 4) / (1 + 0.368 + 0.1) = 0.8196. */
    @Test
    void several_are_weighed_by_their_distance() {
        Readings two = new Readings(List.of(at(0, 2), at(30, 4)));
        assertThat(two.times(0, 0)).isCloseTo(Math.exp(0.8196), within(2e-4));
        assertThat(two.near(0, 0)).isEqualTo(2);
    }

    @Test
    void one_alone_or_far_away_says_nothing() {
        assertThat(new Readings(List.of(at(0, 3))).times(0, 0)).isEqualTo(1);
        assertThat(new Readings(List.of(at(0, 3), at(61, 3))).times(0, 0)).isEqualTo(1);
        assertThat(new Readings(List.of(at(0, 3), at(59, 3))).times(0, 0)).isGreaterThan(2);
        assertThat(Readings.NONE.times(10, 10)).isEqualTo(1);
    }

    /** A town 20 km north, and readings by it that find twice the light: the map, and the single sky, are brighter by as much. */
    @Test
    void field_and_sky_are_corrected_alike() {
        Gazetteer one = Gazetteer.of(
                List.of(new Town("T", "T", 0.18, 0, "PT", 100_000, OptionalDouble.empty(), "Europe/Lisbon")));
        Readings twice = new Readings(List.of(at(1, 2), at(2, 2), at(3, 2)));
        double as = DarkField.around(one, 0, 0, 10, 10, 5, Readings.NONE).magnitude(2, 2);
        double read = DarkField.around(one, 0, 0, 10, 10, 5, twice).magnitude(2, 2);
        double times = twice.times(0, 0);
        assertThat(times).isBetween(1.9, 2.0);
        double share = Math.pow(10, 0.4 * (21.9 - as)) - 1;
        assertThat(read).isCloseTo(21.9 - 2.5 * Math.log10(1 + times * share), within(1e-3));
        List<Dome> domes = one.domes(0, 0, 10);
        assertThat(SkyGlow.ofTowns(domes, times).zenith(NIGHT).magnitude()).isCloseTo(read, within(0.01));
        assertThat(SkyGlow.ofTowns(domes, 2).zenith(NIGHT).towns())
                .isCloseTo(2 * SkyGlow.ofTowns(domes, 1).zenith(NIGHT).towns(), within(1e-12));
    }
}
