package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.lighttable.LightTable;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Nine frames of the sky over dark land, and two of the land that were open until it was as light as a sky. */
class BlendTest {

    private static final int FRAMES = 9;
    private final MadeUpNight night = new MadeUpNight(260, 0.7, 8);
    private final MadeUpLand land = new MadeUpLand(3);

    private List<Taken> sky() {
        List<Taken> all = new ArrayList<>();
        land.level = 0.002;
        for (int i = 0; i < FRAMES; i++) {
            float[] light = night.light(10 * i, 10 * i + 1, i);
            land.onto(light, 0, 0);
            all.add(MadeUpNight.taken(light, 10 * i, 1));
        }
        return all;
    }

    private List<Taken> lands(double dx, double dy) {
        List<Taken> all = new ArrayList<>();
        land.level = 0.06;
        for (int i = 0; i < 2; i++) {
            float[] light = night.light(200 + 100 * i, 290 + 100 * i, 70 + i);
            land.onto(light, dx, dy);
            all.add(MadeUpNight.taken(light, 200 + 100 * i, 90));
        }
        return all;
    }

    @Test
    void a_stacked_sky_stands_over_the_land_of_longer_frames() {
        Blend.Result r = Blend.of(sky(), lands(0, 0), Averaging.MEAN, Stack.STRIP_BYTES, () -> {});
        assertThat(r.sky().frames()).isEqualTo(FRAMES);
        assertThat(r.movedPx()).isZero();
        assertThat(r.landStops()).isCloseTo(4.9, within(0.4)); // 0.06 against 0.002
        assertThat(r.land()).isBetween(0.2, 0.35);
        assertThat(r.picture().light(1, 430, 420)).isCloseTo(0.18, within(0.01));
        // stars of the sky as in one frame, and none of the trails of the land's frames
        double one = width(sky().get(FRAMES / 2).read());
        assertThat(width(r.picture().raster())).isCloseTo(one, within(0.05 * one + 0.05));
        double noise = 0;
        for (int x = 0; x < 600; x++) {
            noise += Math.abs(r.picture().light(1, 50 + x, 60) - r.picture().light(1, 52 + x, 60)) / 600;
        }
        assertThat(noise).isLessThan(0.0012); // 0.002 × 2/√π in one frame
    }

    private static double width(Raster raster) {
        return LightTable.read(raster.pixels(), Known.NOTHING).widthPx().orElseThrow();
    }

    /** Along the seam nothing is darker than both sides of it, as it is where land was laid over the sky in other frames. */
    @Test
    void no_dark_line_runs_along_the_skyline() {
        Blend.Result r = Blend.of(sky(), lands(0, 0), Averaging.MEAN, Stack.STRIP_BYTES, () -> {});
        int dark = 0;
        for (int x = 20; x < MadeUpNight.W - 20; x++) {
            int y = (int) MadeUpLand.row(x);
            for (int k = 4; k < 14; k++) {
                dark += r.picture().light(1, x, y - k) < 0.6 * night.level ? 1 : 0;
            }
        }
        assertThat(dark / (10.0 * (MadeUpNight.W - 40))).isLessThan(0.02);
        int under = 0;
        for (int x = 20; x < MadeUpNight.W - 20; x++) {
            int y = (int) MadeUpLand.row(x);
            for (int k = 3; k < 8; k++) { // land of the long frames from there on, no rest of the short ones'
                under += r.picture().light(1, x, y + k) < 0.035 ? 1 : 0;
            }
        }
        assertThat(under / (5.0 * (MadeUpNight.W - 40))).isLessThan(0.03);
    }

    @Test
    void land_of_a_camera_that_had_moved_is_laid_back() {
        Blend.Result r = Blend.of(sky(), lands(4, -3), Averaging.MEAN, Stack.STRIP_BYTES, () -> {});
        assertThat(r.movedPx()).isCloseTo(5, within(0.5));
        assertThat(r.picture().light(1, 402, 420))
                .isCloseTo(0.18, within(0.03)); // the house's left wall, where it stood
        assertThat(r.picture().light(1, 396, 420)).isLessThan(0.1);
    }

    @Test
    void without_land_nothing_is_blended() {
        List<Taken> bare = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            bare.add(MadeUpNight.taken(night.light(10 * i, 10 * i + 1, i), 10 * i, 1));
        }
        assertThatThrownBy(() -> Blend.of(bare, bare, Averaging.MEAN, Stack.STRIP_BYTES, () -> {}))
                .isInstanceOf(Taken.UnreadableFrame.class)
                .hasMessageContaining("no line between sky and land");
    }
}
