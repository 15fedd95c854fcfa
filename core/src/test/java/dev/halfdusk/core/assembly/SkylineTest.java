package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A sky of stars, grainy and brighter to one side, over a wavy line. */
class SkylineTest {

    private final MadeUpNight night = new MadeUpNight(260, 0.7, 8);
    private final MadeUpLand land = new MadeUpLand(3);

    private float[] sky() {
        float[] light = night.light(0, 1, 4);
        for (int i = 0; i < light.length; i++) {
            light[i] *= (float) (1 + 0.8 * (i % MadeUpNight.W) / MadeUpNight.W);
        }
        return light;
    }

    /** Black land, rough moonlit land, and land that a lamp has painted: each stands out of a sky of 0.02 to 0.036. */
    @ParameterizedTest
    @ValueSource(doubles = {0.0005, 0.008, 0.09, 0.3})
    void is_found_to_two_pixels_over_dark_and_light_land(double level) {
        land.level = level;
        float[] light = sky();
        land.onto(light, 0, 0);
        Skyline line = Skyline.of(MadeUpNight.raster(light));
        int near = 0;
        for (int x = 10; x < MadeUpNight.W - 10; x++) {
            near += Math.abs(line.row(x) - MadeUpLand.row(x)) <= 2 ? 1 : 0;
        }
        assertThat(near / (MadeUpNight.W - 20.0)).isGreaterThan(0.93);
        assertThat(line.share()).isBetween(0.2, 0.35);
        assertThat(line.land(200, 470)).isTrue();
        assertThat(line.land(200, 200)).isFalse();
        assertThat(line.weight(200, 479, 4)).isEqualTo(1);
        assertThat(line.weight(200, line.row(200), 4)).isBetween(0.2f, 0.3f);
        assertThat(line.weight(200, line.row(200) - 1, 4)).isZero();
        assertThat(line.weight(200, 100, 4)).isZero();
    }

    @Test
    void there_is_none_in_a_sky_alone() {
        Skyline line = Skyline.of(MadeUpNight.raster(sky()));
        assertThat(line.found()).isFalse();
        assertThat(line.land(200, MadeUpNight.H - 1)).isFalse();
        assertThat(line.weight(200, MadeUpNight.H - 1, 4)).isZero();
    }

    /** Land on the right half only: the left columns are sky down to the edge. */
    @Test
    void may_end_inside_the_frame() {
        land.level = 0.002;
        float[] with = sky();
        float[] both = with.clone();
        land.onto(both, 0, 0);
        for (int i = 0; i < both.length; i++) {
            both[i] = i % MadeUpNight.W < 350 ? with[i] : both[i];
        }
        Skyline line = Skyline.of(MadeUpNight.raster(both));
        assertThat(line.land(150, MadeUpNight.H - 2)).isFalse();
        assertThat(line.land(550, MadeUpNight.H - 2)).isTrue();
        assertThat(line.land(550, 300)).isFalse();
    }
}
