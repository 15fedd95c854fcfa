package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What frames are put together with, each by itself. */
class PartsOfAnAssemblyTest {

    private static final Progress NOBODY = () -> {};

    private static Taken taken(Raster raster) {
        return MadeUpNight.undated(raster);
    }

    @Test
    void powers_of_a_degree_stand_in_their_order() {
        assertThat(Moves.terms(1)).isEqualTo(3);
        assertThat(Moves.terms(2)).isEqualTo(6);
        assertThat(Moves.terms(3)).isEqualTo(10);
        assertThat(Moves.powers(3, 2, 5)).containsExactly(1, 2, 5, 4, 10, 25, 8, 20, 50, 125);
    }

    /** x' = 3 + 2u − v and y' = 4 + u + uv in units of ten pixels about (50, 50). */
    @Test
    void a_move_is_its_polynomial() {
        Moves m = new Moves(2, 50, 10, new double[] {3, 2, -1, 0, 0, 0}, new double[] {4, 1, 0, 0, 1, 0});
        assertThat(m.at(70, 40)).containsExactly(50 + 10 * (3 + 4 + 1), 50 + 10 * (4 + 2 - 2));
        assertThat(Moves.NONE.at(12.5, 7)).containsExactly(12.5, 7);
    }

    /** A shift and a turn are linear, so that between the nodes of the grid nothing is lost; half the way is half of it. */
    @Test
    void a_grid_gives_the_ways_of_a_row() {
        Moves m = new Moves(1, 0, 1, new double[] {5, 1.01, 0.02}, new double[] {-3, -0.02, 0.99});
        Grid whole = new Grid(m, 70, 50, 1);
        Grid half = new Grid(m, 70, 50, 0.5);
        float[] dx = new float[70];
        float[] dy = new float[70];
        for (int y : new int[] {0, 31, 32, 49}) {
            whole.row(y, dx, dy);
            for (int x = 0; x < 70; x++) {
                assertThat((double) dx[x]).isCloseTo(5 + 0.01 * x + 0.02 * y, within(1e-4));
                assertThat((double) dy[x]).isCloseTo(-3 - 0.02 * x - 0.01 * y, within(1e-4));
            }
            half.row(y, dx, dy);
            assertThat((double) dx[69]).isCloseTo((5 + 0.69 + 0.02 * y) / 2, within(1e-4));
        }
        // its farthest node is at (96, 64)
        assertThat(whole.longest()).isCloseTo(Math.hypot(5 + 0.96 + 1.28, 3 + 1.92 + 0.64), within(1e-4));
    }

    @ParameterizedTest
    @CsvSource({
        "1000, 800, 0.5, 350, 300, 300, 200",
        "1000, 800, 0.25, 350, 100, 300, 200",
        "1000, 800, 0, 350, 0, 300, 200",
        "1000, 800, 1, 350, 600, 300, 200",
        "200, 100, 0.5, 0, 0, 200, 100"
    })
    void a_part_is_cut_out_of_the_middle(int width, int height, double down, int left, int top, int wide, int high) {
        assertThat(Crop.Frame.in(width, height, down)).isEqualTo(new Crop.Frame(left, top, wide, high));
    }

    @Test
    void a_part_shows_what_lies_there() {
        Crop c = new Crop.Frame(10, 20, 3, 2)
                .cut(4, (colour, x, y) -> (float) (0.1 * colour + 0.01 * x + 0.001 * y), 0.05);
        assertThat(c.frames()).isEqualTo(4);
        assertThat(c.noise()).isEqualTo(0.05);
        assertThat(c.picture().light(2, 1, 1)).isCloseTo(0.2 + 0.11 + 0.021, within(1e-4));
        // of six greens the fourth
        assertThat(c.level()).isCloseTo(0.1 + 0.11 + 0.021, within(1e-6));
        assertThat(c.with(0.07).noise()).isEqualTo(0.07);
        Crop twice = c.lifted(2);
        assertThat(twice.level()).isCloseTo(2 * c.level(), within(1e-12));
        assertThat(twice.noise()).isEqualTo(0.1);
        assertThat(twice.picture().light(2, 1, 1)).isCloseTo(0.662, within(2e-4));
    }

    /** Of noise of a known spread; a slope and a few stars change nothing. */
    @Test
    void noise_is_told_by_what_differs() {
        assertThat(Crop.spread(new double[] {5, 6, 7, 8, 9})).isCloseTo(1.4826, within(1e-9));
        assertThat(Crop.spread(new double[] {5, 6, 7, 8, 1000})).isCloseTo(1.4826, within(1e-9));
        assertThat(Crop.spread(new double[0])).isZero();
        Random random = new Random(4);
        Raster r = MadeUpNight.raster(
                200,
                120,
                (c, x, y) -> 0.3 + 0.0005 * x + 0.01 * random.nextGaussian() + (x % 40 == 7 && y % 30 == 5 ? 0.3 : 0));
        assertThat(Crop.noiseOfOne(r, new Crop.Frame(20, 10, 150, 100))).isCloseTo(0.01, within(0.0004));
    }

    /** Four frames of a spread of 0.02: their mean has 0.01, whatever they all show and how bright each half is. */
    @Test
    void two_halves_tell_the_noise_of_the_whole() {
        Crop.Frame at = new Crop.Frame(5, 3, 240, 180);
        Halves halves = new Halves(at);
        assertThat(halves.noise()).isZero();
        Random random = new Random(7);
        float[][] sum = new float[200][260];
        for (int frame = 0; frame < 4; frame++) {
            for (int y = 0; y < 200; y++) {
                float[] u = new float[260];
                float[] green = new float[260];
                for (int x = 0; x < 260; x++) {
                    green[x] =
                            (float) (0.4 + (x % 20 == 3 ? 0.3 : 0) + 0.05 * (frame % 2) + 0.02 * random.nextGaussian());
                    sum[y][x] += green[x] / 4;
                }
                u[17] = Raster.NOWHERE;
                halves.add(frame, y, u, green);
            }
            halves.added(frame);
            if (frame == 0) {
                assertThat(halves.noise()).as("one half is empty").isZero();
            }
        }
        assertThat(halves.noise()).isCloseTo(0.01, within(0.0006));
        assertThat(halves.apart((c, x, y) -> sum[y][x])).isCloseTo(0, within(1e-3));
        Random more = new Random(9);
        assertThat(halves.apart((c, x, y) -> sum[y][x] + 0.03f * (float) more.nextGaussian()))
                .isCloseTo(0.03, within(0.002));
    }

    /** Each against the median of the last seven, itself among them. */
    @Test
    void frames_are_evened_out_by_the_median_of_the_last_seven() {
        Evenness e = new Evenness();
        double[] levels = {0.2, 0.4, 0.2, 0.2, 0.2, 0.2, 0.2, 0.4, 0.4, 0.4, 0.4};
        double[] times = {1, 1, 1, 1, 1, 1, 1, 0.5, 0.5, 0.5, 1};
        for (int i = 0; i < levels.length; i++) {
            double level = levels[i];
            assertThat(e.times(MadeUpNight.raster(60, 60, (c, x, y) -> level)))
                    .as("%d", i)
                    .isCloseTo(times[i], within(1e-3));
        }
        assertThat(new Evenness().times(MadeUpNight.raster(60, 60, (c, x, y) -> 0)))
                .isEqualTo(1);
    }

    @Test
    void a_mean_is_the_mean() {
        Assembled mean = Mean.of(
                List.of(
                        taken(MadeUpNight.raster(20, 10, (c, x, y) -> 0.1 + 0.01 * x)),
                        taken(MadeUpNight.raster(20, 10, (c, x, y) -> 0.2 + 0.1 * c)),
                        taken(MadeUpNight.raster(20, 10, (c, x, y) -> 0.3 + 0.01 * y))),
                NOBODY);
        assertThat(mean.light(2, 7, 4)).isCloseTo((0.17 + 0.4 + 0.34) / 3, within(2e-5));
        assertThat(mean.light(0, 19, 9)).isCloseTo((0.29 + 0.2 + 0.39) / 3, within(2e-5));
    }

    @Test
    void frames_of_a_clip_are_reduced_and_evened_out_where_that_is_wanted() {
        List<Taken> frames = new ArrayList<>();
        for (double level : new double[] {0.2, 0.2, 0.2, 0.4}) {
            frames.add(taken(MadeUpNight.raster(80, 60, (c, x, y) -> level)));
        }
        List<Double> even = new ArrayList<>();
        Clips.each(frames, 41, true, NOBODY, a -> {
            assertThat(a.width()).isEqualTo(40);
            assertThat(a.height()).isEqualTo(30);
            even.add(a.light(1, 5, 5));
        });
        assertThat(even).hasSize(4).allSatisfy(l -> assertThat(l).isCloseTo(0.2, within(1e-3)));
        List<Double> asTheyAre = new ArrayList<>();
        Clips.each(frames, 41, false, NOBODY, a -> asTheyAre.add(a.light(1, 5, 5)));
        assertThat(asTheyAre.get(3)).isCloseTo(0.4, within(1e-3));
    }

    @Test
    void options_are_added_one_by_one() {
        assertThat(TrailOptions.PLAIN.fill()).isEqualTo(new TrailOptions(true, 0, false, false, false));
        assertThat(TrailOptions.PLAIN.fading(2)).isEqualTo(new TrailOptions(false, 2, false, false, false));
        assertThat(TrailOptions.PLAIN.clean()).isEqualTo(new TrailOptions(false, 0, true, false, false));
        assertThat(TrailOptions.PLAIN.evened()).isEqualTo(new TrailOptions(false, 0, false, true, false));
        assertThat(TrailOptions.PLAIN.steadied()).isEqualTo(new TrailOptions(false, 0, false, false, true));
        assertThat(TrailOptions.PLAIN.fill().fading(1).clean().evened().steadied())
                .isEqualTo(new TrailOptions(true, 1, true, true, true));
    }
}
