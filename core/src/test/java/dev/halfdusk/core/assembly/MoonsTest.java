package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.lighttable.MoonReading;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class MoonsTest {

    private static double at(Assembled p, double x, double y) {
        return p.light(1, (int) x, (int) y);
    }

    @Test
    void every_moon_stands_where_it_stood_over_the_land() {
        List<Taken> frames = new ArrayList<>();
        float[] land = new float[MadeUpMoon.W * MadeUpMoon.H];
        new MadeUpLand(4).onto(land, 0, 0);
        for (int i = 0; i < 4; i++) {
            float[] light = MadeUpMoon.light(100 + 150 * i, 120 + 40 * i, 45, 1, 1.5, 0.6, 0.001, i);
            for (int k = 0; k < light.length; k++) {
                light[k] += land[k] + 0.05f; // haze that only one frame may bring
            }
            frames.add(MadeUpMoon.taken(light));
        }
        frames.add(2, MadeUpMoon.taken(land));
        Moons.Result r = Moons.way(frames, () -> {});
        assertThat(r.discs()).isEqualTo(4);
        assertThat(r.left()).containsExactly(2);
        assertThat(r.radiusPx()[1] - r.radiusPx()[0]).isLessThan(1.2);
        for (int i = 0; i < 4; i++) {
            assertThat(at(r.picture(), 100 + 150 * i, 120 + 40 * i)).isGreaterThan(0.35);
        }
        assertThat(at(r.picture(), 175, 250)).isLessThan(0.01); // between them the land's own sky
        assertThat(at(r.picture(), 430, 420)).isCloseTo(0.012, within(0.003));
        Moons.Result without = Moons.way(frames.subList(0, 2), () -> {});
        assertThat(at(without.picture(), 430, 420)).isCloseTo(0.062, within(0.005)); // of the first frame
    }

    /** Phases of moons of two sizes, nine of them: the ninth begins a second row. */
    @Test
    void phases_stand_in_a_row_all_of_one_size() {
        List<Taken> frames = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            double radius = i % 2 == 0 ? 50 : 60;
            frames.add(
                    MadeUpMoon.taken(MadeUpMoon.light(200 + 20 * i, 240, radius, 0.3 + 0.08 * i, 1.5, 0.6, 0.001, i)));
        }
        Moons.Result r = Moons.row(frames, () -> {});
        int cell = r.picture().width() / 8;
        assertThat(cell).isCloseTo(150, within(2));
        assertThat(r.picture().height()).isEqualTo(2 * cell);
        for (int i = 0; i < 9; i++) {
            double x = (i % 8 + 0.5) * cell;
            double y = (i / 8 + 0.5) * cell;
            // the lit limb lies at 60 px from the middle of each cell, to the right
            assertThat(at(r.picture(), x + 55, y)).as("within %d", i).isGreaterThan(0.1);
            assertThat(at(r.picture(), x + 65, y)).as("without %d", i).isLessThan(0.02);
        }
        assertThat(at(r.picture(), 0.5 * cell - 30, 0.5 * cell)).isLessThan(0.02); // 30 % lit, from the right
        assertThat(at(r.picture(), 5.5 * cell - 10, 0.5 * cell)).isGreaterThan(0.1);
        assertThat(at(r.picture(), 3.5 * cell, 1.5 * cell)).isZero();
    }

    @Test
    void averaged_moons_have_less_noise_and_the_sharpest_edge() {
        List<Taken> frames = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            double blur = i == 4 || i == 7 ? 5 : 1.5; // two that the air made soft
            frames.add(MadeUpMoon.taken(MadeUpMoon.light(300 + 0.37 * i, 240 - 0.61 * i, 120, 1, blur, 0.5, 0.02, i)));
        }
        Moons.Result r = Moons.mean(frames, () -> {});
        assertThat(r.left()).containsExactly(4, 7);
        assertThat(r.discs()).isEqualTo(10);
        assertThat(r.edgePx()[1]).isLessThan(1.15 * r.edgePx()[0] + 0.1);
        assertThat(noise(r.picture())).isLessThan(noise(frames.get(0).read()) / (0.85 * Math.sqrt(10)));
        MoonReading moon = MoonReading.of(
                        r.picture().raster().pixels(), r.picture().raster().encoding())
                .orElseThrow();
        assertThat(moon.radiusPx()).isCloseTo(120, within(0.6));
    }

    private static double noise(Assembled p) {
        return noise(p.raster());
    }

    private static double noise(Raster r) {
        double sum = 0;
        for (int x = 260; x < 340; x++) {
            for (int y = 200; y < 280; y++) {
                double d = r.light(1, x, y) - 2.0 * r.light(1, x + 1, y) + r.light(1, x + 2, y);
                sum += d * d;
            }
        }
        return Math.sqrt(sum);
    }

    @Test
    void a_single_moon_is_too_few() {
        List<Taken> frames = List.of(
                MadeUpMoon.taken(MadeUpMoon.light(300, 240, 80, 1, 1.5, 0.5, 0.001, 1)),
                MadeUpMoon.taken(new float[MadeUpMoon.W * MadeUpMoon.H]));
        assertThatThrownBy(() -> Moons.row(frames, () -> {}))
                .isInstanceOf(Taken.UnreadableFrame.class)
                .hasMessageContaining("found in 1 of them");
    }
}
