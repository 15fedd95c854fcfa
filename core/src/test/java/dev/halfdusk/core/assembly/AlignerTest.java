package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.lighttable.StarPlace;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Places of stars that were moved in a known way, without a frame. */
class AlignerTest {

    private static final int W = 1200;
    private static final int H = 800;

    private static List<StarPlace> stars(int count, long seed) {
        Random random = new Random(seed);
        List<StarPlace> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            all.add(new StarPlace(W * random.nextDouble(), H * random.nextDouble(), 1000.0 / (i + 1)));
        }
        return all;
    }

    /** Each with an error of so many pixels in either direction. */
    private static List<StarPlace> moved(List<StarPlace> from, UnaryOperator<double[]> way, double error) {
        Random random = new Random(17);
        return from.stream()
                .map(s -> {
                    double[] at = way.apply(new double[] {s.x(), s.y()});
                    return new StarPlace(
                            at[0] + error * random.nextGaussian(), at[1] + error * random.nextGaussian(), s.light());
                })
                .toList();
    }

    private static UnaryOperator<double[]> shift(double dx, double dy) {
        return p -> new double[] {p[0] + dx, p[1] + dy};
    }

    private static double worst(Moves moves, UnaryOperator<double[]> way) {
        double worst = 0;
        for (double x = 60; x < W; x += 120) {
            for (double y = 60; y < H; y += 120) {
                double[] wanted = way.apply(new double[] {x, y});
                double[] found = moves.at(x, y);
                worst = Math.max(worst, Math.hypot(found[0] - wanted[0], found[1] - wanted[1]));
            }
        }
        return worst;
    }

    /** Three and a half per cent of the width are 42 pixels. */
    @ParameterizedTest
    @CsvSource({"0, 0", "7.3, -4.8", "-33.1, 20.2", "40, 5", "3, -41"})
    void a_shift_is_found(double dx, double dy) {
        List<StarPlace> from = stars(150, 1);
        Aligner.Found found = Aligner.match(from, moved(from, shift(dx, dy), 0.05), W, H, Optional.empty())
                .orElseThrow();
        assertThat(worst(found.moves(), shift(dx, dy))).isLessThan(0.12);
        assertThat(found.stars()).isBetween(135, 150);
        // the nearer nine tenths of a Gauss of 0.05 both ways
        assertThat(found.errorPx()).isBetween(0.04, 0.075);
    }

    /** Without an error in their places the way is exact: a plane of 8 stars, a square of 40, a cube of 90, and no more than that. */
    @ParameterizedTest
    @CsvSource({"8, 1, 1", "39, 2, 1", "40, 2, 2", "89, 3, 2", "90, 3, 3", "240, 3, 3"})
    void of_the_degree_that_its_stars_allow(int count, int bent, int followed) {
        UnaryOperator<double[]> way = p -> {
            double u = (p[0] - 500) / 600;
            double v = (p[1] - 300) / 600;
            double more = bent < 2 ? 0 : 0.6 * u * v - 0.5 * v * v + (bent < 3 ? 0 : 0.5 * u * u * v - 0.4 * v * v * v);
            return new double[] {p[0] + 3 + 0.7 * v + more, p[1] - 2 - 0.6 * u + 0.5 * more};
        };
        List<StarPlace> from = stars(count, 4);
        Moves guess = new Moves(1, 0, 1, new double[] {3, 1, 0}, new double[] {-2, 0, 1});
        Aligner.Found found = Aligner.match(from, moved(from, way, 0), W, H, Optional.of(guess))
                .orElseThrow();
        assertThat(found.stars()).isEqualTo(count);
        if (followed == bent) {
            assertThat(worst(found.moves(), way)).isLessThan(1e-6);
            assertThat(found.errorPx()).isLessThan(1e-6);
        } else {
            assertThat(found.errorPx()).isBetween(0.01, 0.3);
        }
    }

    /** Like a chessboard 0.3 px to the left and to the right, which no curve follows. */
    @Test
    void the_error_is_what_stars_miss_by() {
        List<StarPlace> from = new ArrayList<>();
        List<StarPlace> to = new ArrayList<>();
        for (int i = 0; i < 80; i++) {
            double x = 75 + 150 * (i % 8);
            double y = 40 + 80 * (i / 8);
            double miss = (i / 8 + i) % 2 == 0 ? 0.3 : -0.3;
            from.add(new StarPlace(x, y, 100 - i));
            to.add(new StarPlace(x + 5 + miss, y + 2, 100 - i));
        }
        Aligner.Found found = Aligner.match(from, to, W, H, Optional.empty()).orElseThrow();
        assertThat(found.stars()).isEqualTo(80);
        assertThat(worst(found.moves(), shift(5, 2))).isLessThan(0.05);
        assertThat(found.errorPx()).isCloseTo(0.3, within(0.02));
    }

    @Test
    void too_far_is_not_found() {
        List<StarPlace> from = stars(150, 1);
        assertThat(Aligner.match(from, moved(from, shift(60, 0), 0.05), W, H, Optional.empty()))
                .isEmpty();
        assertThat(Aligner.match(from, stars(150, 2), W, H, Optional.empty())).isEmpty();
        assertThat(Aligner.match(List.of(), from, W, H, Optional.empty())).isEmpty();
        List<StarPlace> seven = from.subList(0, 7);
        assertThat(Aligner.match(seven, moved(seven, shift(5, 5), 0), W, H, Optional.empty()))
                .isEmpty();
        List<StarPlace> eight = from.subList(0, 8);
        assertThat(Aligner.match(eight, moved(eight, shift(5, 5), 0), W, H, Optional.empty()))
                .isPresent();
    }

    /** Known as far as some pixels it need not be looked for. */
    @Test
    void a_guess_is_taken() {
        List<StarPlace> from = stars(150, 1);
        Moves guess = new Moves(1, 0, 1, new double[] {58, 1, 0}, new double[] {2, 0, 1});
        Aligner.Found found = Aligner.match(from, moved(from, shift(60, 0), 0.05), W, H, Optional.of(guess))
                .orElseThrow();
        assertThat(worst(found.moves(), shift(60, 0))).isLessThan(0.12);
    }

    /** A turn about a point beside the frame, through a lens that bends: more than a plane tells, with stars enough for it. */
    @ParameterizedTest(name = "{0} stars")
    @CsvSource({"200, 0.15", "60, 0.4"})
    void a_turn_through_a_bent_lens(int count, double within) {
        UnaryOperator<double[]> turn = p -> {
            double a = Math.toRadians(1.1);
            double x = p[0] - 300;
            double y = p[1] + 400;
            double[] q = {300 + x * Math.cos(a) - y * Math.sin(a), -400 + x * Math.sin(a) + y * Math.cos(a)};
            double u = (q[0] - W / 2.0) / W;
            double v = (q[1] - H / 2.0) / W;
            double bend = 1 + 0.004 * (u * u + v * v);
            return new double[] {W / 2.0 + u * W * bend, H / 2.0 + v * W * bend};
        };
        List<StarPlace> from = stars(count, 3);
        Aligner.Found found = Aligner.match(from, moved(from, turn, 0.03), W, H, Optional.empty())
                .orElseThrow();
        assertThat(worst(found.moves(), turn)).isLessThan(within);
        assertThat(found.stars()).isGreaterThan((int) (0.9 * count));
    }

    /** A fifth of them stand elsewhere, by a few pixels: left out, so that they do not draw the others with them. */
    @Test
    void those_that_miss_are_left_out() {
        List<StarPlace> from = stars(200, 5);
        List<StarPlace> to = new ArrayList<>(moved(from, shift(12, 9), 0.05));
        for (int i = 0; i < 200; i += 5) {
            StarPlace s = to.get(i);
            to.set(i, new StarPlace(s.x() + 1.1, s.y(), s.light()));
        }
        Aligner.Found found = Aligner.match(from, to, W, H, Optional.empty()).orElseThrow();
        assertThat(worst(found.moves(), shift(12, 9))).isLessThan(0.2);
    }

    /** Of stars that are mostly others only few meet: under three in ten it is chance. */
    @ParameterizedTest
    @CsvSource({"45, false", "100, true"})
    void enough_of_them_must_meet(int same, boolean matched) {
        List<StarPlace> from = stars(200, 7);
        List<StarPlace> to = new ArrayList<>(moved(from.subList(0, same), shift(6, 6), 0.02));
        to.addAll(stars(200 - same, 8));
        Moves guess = new Moves(1, 0, 1, new double[] {6, 1, 0}, new double[] {6, 0, 1});
        assertThat(Aligner.match(from, to, W, H, Optional.of(guess)).isPresent())
                .isEqualTo(matched);
    }
}
