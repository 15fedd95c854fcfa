package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.lighttable.MoonReading;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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

    /** A disc of half of white about a place of a frame of 400 by 300. */
    private static double disc(double x, double y, double radius) {
        return disc(x, y, radius, 2);
    }

    private static double disc(double x, double y, double radius, double sharp) {
        return 0.5 / (1 + Math.exp(sharp * (Math.hypot(x, y) - radius)));
    }

    private static Taken frame(MadeUpNight.Light light) {
        return MadeUpNight.taken(() -> MadeUpNight.raster(400, 300, light), 0, 0.01);
    }

    /** Around a disc of 40 px its frame's haze of 0.04 counts in full to 43.2 px and, ever less, to 54. */
    @Test
    void of_each_frame_counts_what_is_near_its_disc() {
        List<Taken> frames = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            int by = i;
            frames.add(
                    frame((c, x, y) -> 0.04 + 0.01 * c + disc(x + 0.5 - 100 - 180 * by, y + 0.5 - 90 - 100 * by, 40)));
        }
        frames.add(frame((c, x, y) -> 0.01 + 0.00001 * x));
        Assembled p = Moons.way(frames, () -> {}).picture();
        for (int i = 0; i < 2; i++) {
            for (int off = 0; off < 70; off++) {
                double r = off + 0.5;
                double weight = Math.max(0, Math.min(1, (1.35 - r / 40) / 0.27));
                double haze = weight * (0.06 + disc(r, 0.5, 40));
                for (int side : new int[] {off, -1 - off}) {
                    double land = 0.01 + 0.00001 * (100 + 180 * i + side);
                    assertThat(p.light(2, 100 + 180 * i + side, 90 + 100 * i))
                            .as("%d px", side)
                            .isCloseTo(Math.max(haze, land), within(0.006));
                    assertThat(p.light(0, 100 + 180 * i, 90 + 100 * i + side))
                            .isCloseTo(Math.max(weight * (0.04 + disc(r, 0.5, 40)), land), within(0.006));
                }
            }
        }
    }

    /** The smaller of two is drawn larger by a quarter; what lies beyond its frame is black. */
    @Test
    void a_cell_shows_its_disc_and_what_is_about_it() {
        MadeUpNight.Light slope = (c, x, y) -> 0.02 + 0.0001 * x + 0.0002 * y + 0.01 * c;
        List<Taken> frames = List.of(
                frame((c, x, y) -> slope.at(c, x, y) + disc(x + 0.5 - 200, y + 0.5 - 150, 40)),
                frame((c, x, y) -> slope.at(c, x, y) + disc(x + 0.5 - 60, y + 0.5 - 250, 50)));
        Assembled p = Moons.row(frames, () -> {}).picture();
        int cell = p.width() / 2;
        assertThat(cell).isCloseTo(125, within(1));
        assertThat(p.height()).isEqualTo(cell);
        double scale = 40 * 2.5 / cell;
        for (int[] at : new int[][] {{2, 3}, {120, 5}, {4, 118}, {60, 3}, {121, 121}}) {
            double dx = (at[0] + 0.5 - cell / 2.0) * scale;
            double dy = (at[1] + 0.5 - cell / 2.0) * scale;
            double wanted = 0.04 + 0.0001 * (199.5 + dx) + 0.0002 * (149.5 + dy);
            assertThat(p.light(2, at[0], at[1])).as("%s", at).isCloseTo(wanted, within(0.0003));
        }
        assertThat(p.light(1, cell + 30, 20)).isCloseTo(0.03 + 0.0001 * (30 - 3) + 0.0002 * (250 - 43), within(0.0005));
        assertThat(p.light(1, cell + 1, 60)).as("left of the frame").isZero();
        assertThat(p.light(1, cell + 60, cell - 4)).as("below it").isZero();
        assertThat(p.light(1, cell + 60, 50 - 2)).isGreaterThan(0.5);
    }

    /** Limbs that lie over each other to a pixel say less than what is drawn on the discs: it lies there to an eighth. */
    @ParameterizedTest
    @CsvSource({"0, 0", "0.75, -0.5", "-1.125, 0.375", "0.25, 1.25"})
    void discs_are_laid_over_each_other_by_what_is_drawn_on_them(double right, double down) {
        List<Taken> frames = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            double dx = i * right;
            double dy = i * down;
            double sharp = 2 - 0.2 * i; // the sharper is what the other is laid over
            frames.add(frame((c, x, y) -> disc(x + 0.5 - 200, y + 0.5 - 150, 70, sharp) * plains(x - dx, y - dy)));
        }
        for (boolean sharpLast : new boolean[] {false, true}) {
            List<Taken> order = sharpLast ? List.of(frames.get(1), frames.get(0)) : frames;
            Assembled p = Moons.mean(order, () -> {}).picture();
            double most = 0;
            for (int y = 110; y < 190; y++) {
                for (int x = 160; x < 240; x++) {
                    most = Math.max(most, Math.abs(p.light(1, x, y) - 0.5 * plains(x, y)));
                }
            }
            assertThat(most).isLessThan(0.012);
        }
    }

    private static double plains(double x, double y) {
        return 0.7 + 0.3 * Math.sin(x / 4) * Math.cos(y / 5);
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
