package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Boxes on the land below a plain sky, in a second frame elsewhere. */
class SteadyTest {

    private static final int W = 480;
    private static final int H = 320;
    private static final double HORIZON = 150;

    /** Light of a place of the scene: sky, land, and forty boxes on it with sharp sides. */
    private static double scene(double x, double y, double[][] boxes) {
        if (y < HORIZON + 6 * Math.sin(x / 40)) {
            return 0.05;
        }
        for (double[] b : boxes) {
            if (x > b[0] && x < b[0] + b[2] && y > b[1] && y < b[1] + b[3]) {
                return b[4];
            }
        }
        return 0.01;
    }

    private static double[][] boxes(long seed) {
        Random random = new Random(seed);
        double[][] all = new double[40][];
        for (int i = 0; i < all.length; i++) {
            all[i] = new double[] {
                -20 + (W + 20) * random.nextDouble(),
                HORIZON + 15 + 140 * random.nextDouble(),
                25 + 30 * random.nextDouble(),
                8 + 20 * random.nextDouble(),
                0.02 + 0.06 * random.nextDouble()
            };
        }
        return all;
    }

    private static Raster frame(double dx, double dy, double times, long seed, double[][] boxes) {
        Random random = new Random(seed);
        double[] light = new double[W * H];
        for (int i = 0; i < W * H; i++) {
            double sum = 0;
            for (int k = 0; k < 16; k++) {
                sum += scene(i % W + (k % 4 + 0.5) / 4 - dx, i / W + (k / 4 + 0.5) / 4 - dy, boxes) / 16;
            }
            light[i] = times * sum + 0.0004 * random.nextGaussian();
        }
        return MadeUpNight.raster(W, H, (c, x, y) -> light[y * W + x]);
    }

    private static final double[][] BOXES = boxes(4);
    private static final Skyline LINE = Skyline.at(W, H, (HORIZON - 8) / H);

    /** Three per cent of the width are 14 pixels; to 0.4 pixels, and by how much the second is brighter. */
    @ParameterizedTest(name = "{0} right, {1} down, {2} times as bright")
    @CsvSource({"0, 0, 1", "3, -2, 1", "-7.5, 4.3, 1", "12, 10, 1", "5.2, 0, 2", "0.9, 0.2, 0.5", "0, -6, 1"})
    void it_is_found_by_how_far_the_camera_moved(double right, double down, double times) {
        Steady.Off off = Steady.between(frame(0, 0, 1, 1, BOXES), frame(right, down, times, 2, BOXES), LINE)
                .orElseThrow();
        assertThat(off.right()).isCloseTo(right, within(0.4));
        assertThat(off.down()).isCloseTo(down, within(0.4));
        assertThat(off.stops())
                .isCloseTo(Math.log(times) / Math.log(2), within(times < 1 ? 0.2 : 0.06)); // the darkest count less
        assertThat(off.px()).isCloseTo(Math.hypot(off.right(), off.down()), within(1e-9));
        assertThat(off.moved()).isEqualTo(Math.hypot(right, down) > 0.7);
    }

    /** Three times as large, without noise: found on one of half the size, and then to a pixel or so. */
    @ParameterizedTest
    @CsvSource({"0, 0", "-23, 13", "37, 29"})
    void it_is_found_in_large_frames(int right, int down) {
        Skyline line = Skyline.at(3 * W, 3 * H, (HORIZON - 8) / H);
        Steady.Off off = Steady.between(large(0, 0), large(right, down), line).orElseThrow();
        assertThat(off.right()).isCloseTo(right, within(1.0));
        assertThat(off.down()).isCloseTo(down, within(1.0));
        assertThat(off.stops()).isCloseTo(0, within(0.03));
    }

    private static Raster large(int right, int down) {
        return MadeUpNight.raster(
                3 * W, 3 * H, (c, x, y) -> c == 1 ? scene((x + 0.5 - right) / 3, (y + 0.5 - down) / 3, BOXES) : 0);
    }

    @Test
    void what_is_another_place_or_too_far_is_not_told() {
        Raster one = frame(0, 0, 1, 1, BOXES);
        assertThat(Steady.between(one, frame(0, 0, 1, 2, boxes(99)), Skyline.at(W, H, (HORIZON + 12) / H)))
                .isEmpty();
        assertThat(Steady.between(one, frame(40, 0, 1, 2, BOXES), Skyline.at(W, H, (HORIZON + 12) / H)))
                .isEmpty();
        double[][] none = {};
        assertThat(Steady.between(frame(0, 0, 1, 1, none), frame(0, 0, 1, 2, none), Skyline.at(W, H, 0.8)))
                .as("nothing stands on it")
                .isEmpty();
    }

    /** Stars that moved together stand above the line and do not count; without a line they are no edges that go on. */
    @Test
    void stars_do_not_count() {
        Random random = new Random(3);
        int[][] stars = new int[120][];
        for (int i = 0; i < stars.length; i++) {
            stars[i] = new int[] {20 + random.nextInt(W - 40), 10 + random.nextInt(110)};
        }
        for (Skyline line : new Skyline[] {LINE, Skyline.none(W, H)}) {
            Optional<Steady.Off> off = Steady.between(starry(stars, 0, 1), starry(stars, 6, 2), line);
            assertThat(off).isPresent();
            assertThat(off.orElseThrow().right()).isCloseTo(0, within(0.4));
            assertThat(off.orElseThrow().moved()).isFalse();
        }
    }

    private static Raster starry(int[][] stars, int right, long seed) {
        Raster land = frame(0, 0, 1, seed, BOXES);
        Set<Integer> white = new HashSet<>();
        for (int[] s : stars) {
            for (int k = 0; k < 4; k++) {
                white.add((s[1] + k / 2) * W + s[0] + right + k % 2);
            }
        }
        return MadeUpNight.raster(W, H, (c, x, y) -> white.contains(y * W + x) ? 0.46 : land.light(1, x, y));
    }
}
