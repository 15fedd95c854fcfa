package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Stars drawn by the very profile that is fitted: what was put in comes out, and by how much noise may move it. */
class ShapeFitTest {

    private static final double LEVEL = 0.03;

    /** Of what a star is drawn out, so much is seen in its spot. */
    private static final double KNOWN = 0.3;

    private static Spot spot(double x, double y, double flux, double signal, double variance) {
        int reach = (int) Math.ceil(2 * Math.sqrt(variance));
        return new Spot(
                x,
                y,
                flux,
                20_000,
                signal,
                20,
                variance,
                variance,
                0,
                (int) x - reach,
                (int) y - reach,
                (int) x + reach,
                (int) y + reach);
    }

    /** A grid of them, each off its pixel by another share, with spots that know neither place nor form well. */
    private static final class Field {
        final List<Spot> spots = new ArrayList<>();
        final MadeUpFrame frame;
        private final Random random;

        Field(int side, long seed) {
            frame = new MadeUpFrame(side, side, seed).sky(LEVEL);
            random = new Random(seed);
        }

        Field star(Profile p, double x, double y, double flux, double variance) {
            Profile.Drawn drawn = p.drawn();
            double peak = 0;
            for (int j = 0; j < frame.height; j++) {
                for (int i = 0; i < frame.width; i++) {
                    double light = flux * drawn.at(i + 0.5 - x, j + 0.5 - y);
                    frame.light[j * frame.width + i] += (float) light;
                    peak = Math.max(peak, light);
                }
            }
            spots.add(new Spot(
                    x + 0.3 * random.nextGaussian(),
                    y + 0.3 * random.nextGaussian(),
                    flux,
                    (int) (65_535 * (LEVEL + peak)),
                    100,
                    20,
                    variance + KNOWN * p.u() / 2,
                    variance - KNOWN * p.u() / 2,
                    KNOWN * p.v() / 2,
                    (int) x - 4,
                    (int) y - 4,
                    (int) x + 4,
                    (int) y + 4));
            return this;
        }

        Field grid(Profile p, double variance, double apart, double flux) {
            for (double y = apart / 2; y < frame.height; y += apart) {
                for (double x = apart / 2; x < frame.width; x += apart) {
                    star(p, x + random.nextDouble(), y + random.nextDouble(), flux, variance);
                }
            }
            return this;
        }

        ShapeFit fit() {
            Pixels pixels = frame.linear16();
            return new ShapeFit(pixels, SpotFinder.in(pixels).noise(), Encoding.LINEAR);
        }

        ShapeFit.Result found() {
            return fit().of(spots, spots).orElseThrow();
        }
    }

    private static Profile profile(double sigma, double length, double angle, boolean twice) {
        double along = length * length / (twice ? 4 : 12);
        double doubled = Math.toRadians(2 * angle);
        return new Profile(2 * sigma * sigma + along, along * Math.cos(doubled), along * Math.sin(doubled), twice);
    }

    /** To a hundredth of a pixel and a tenth of a degree, from a beginning that is nearly round. */
    @ParameterizedTest(name = "sigma {0}, length {1} at {2}")
    @CsvSource({"0.9, 3, 20", "1.4, 6, 75", "1.4, 6, 110", "2, 12, 160", "5, 15, 45"})
    void what_was_drawn_is_found(double sigma, double length, double angle) {
        Profile drawn = profile(sigma, length, angle, false);
        ShapeFit.Result found = new Field((int) (60 * Math.sqrt(sigma + length / 3)), 3)
                .grid(drawn, 0.8 * drawn.trace() / 2, 20 * Math.sqrt(sigma + length / 3), 0.3 * drawn.trace())
                .found();
        assertThat(found.profile().sigma()).isCloseTo(sigma, within(0.004 * sigma));
        assertThat(found.profile().length()).isCloseTo(length, within(0.006 * length));
        assertThat(found.profile().angleDeg()).isCloseTo(angle, within(0.1));
        StarShape s = found.shape();
        assertThat(s.widthPx()).isCloseTo(found.profile().sigma() * 2.354820, within(1e-5));
        assertThat(s.lengthPx()).isCloseTo(length, within(0.006 * length));
        assertThat(s.angleDeg()).isEqualTo(found.profile().angleDeg());
        assertThat(s.stars()).isEqualTo(9);
        assertThat(s.oddness()).isLessThan(0.004);
        assertThat(s.lengthErrorPx()).isLessThan(0.02);
        assertThat(found.misfit()).isLessThan(0.05);
    }

    @Test
    void round_stars_have_no_length() {
        StarShape s = new Field(160, 5)
                .grid(profile(1.3, 0, 0, false), 2.2, 20, 0.4)
                .found()
                .shape();
        assertThat(s.lengthPx()).isLessThan(0.25);
        assertThat(s.widthPx()).isCloseTo(1.3 * 2.35482, within(0.01));
        assertThat(s.stars()).isEqualTo(48);
    }

    /** Found as a line first; as two positions it then fits by far better. */
    @Test
    void stars_that_stand_twice_are_as_far_apart_as_they_were_drawn() {
        Profile drawn = profile(1.2, 7, 30, true);
        Field field = new Field(150, 7).grid(drawn, 6, 50, 1);
        ShapeFit fit = field.fit();
        ShapeFit.Result line = fit.of(field.spots, field.spots).orElseThrow();
        ShapeFit.Result twice =
                fit.twice(field.spots, field.spots, line.profile()).orElseThrow();
        assertThat(twice.shape().twice()).isTrue();
        assertThat(twice.profile().sigma()).isCloseTo(1.2, within(0.01));
        assertThat(twice.shape().lengthPx()).isCloseTo(7, within(0.03));
        assertThat(twice.shape().angleDeg()).isCloseTo(30, within(0.2));
        assertThat(twice.misfit()).isLessThan(0.02 * line.misfit());
        assertThat(line.shape().twice()).isFalse();
    }

    /** Lengths from forty frames of one sky scatter as each of them says. */
    @Test
    void the_error_is_that_of_many_frames() {
        List<StarShape> all = IntStream.range(0, 40)
                .mapToObj(i -> {
                    Field field = new Field(120, i).grid(profile(1.3, 4, 60, false), 2.5, 20, 0.12);
                    field.frame.noise(0.0012, 0);
                    return field.found().shape();
                })
                .toList();
        double mean = all.stream().mapToDouble(StarShape::lengthPx).average().orElseThrow();
        double scatter = Math.sqrt(all.stream()
                .mapToDouble(s -> (s.lengthPx() - mean) * (s.lengthPx() - mean))
                .average()
                .orElseThrow());
        double said =
                all.stream().mapToDouble(StarShape::lengthErrorPx).average().orElseThrow();
        assertThat(mean).isCloseTo(4, within(0.03));
        assertThat(said).isBetween(0.7 * scatter, 1.4 * scatter);
        double missed = all.stream().mapToDouble(StarShape::oddness).average().orElseThrow();
        assertThat(missed).isBetween(0.3, 0.45);
    }

    private static List<ShapeFit.Result> noisy(double length, double noise) {
        return IntStream.range(0, 60)
                .mapToObj(i -> {
                    Field field = new Field(80, i).grid(profile(1.3, length, 60, false), 2, 20, 0.12);
                    field.frame.noise(noise, 0);
                    return field.found();
                })
                .toList();
    }

    /** What noise adds to a short line by itself is taken off again. */
    @Test
    void noise_makes_no_line_longer() {
        double mean = noisy(2, 0.0010).stream()
                .mapToDouble(r -> r.shape().lengthPx())
                .average()
                .orElseThrow();
        assertThat(mean).isCloseTo(2, within(0.06));
    }

    /** The error of a point is that of its variance e, as a length: √(3 e). */
    @Test
    void the_error_of_a_point() {
        List<ShapeFit.Result> all = noisy(0, 0.0018);
        double e = Math.sqrt(all.stream()
                .mapToDouble(r -> (r.profile().u() * r.profile().u()
                                + r.profile().v() * r.profile().v())
                        / 2)
                .average()
                .orElseThrow());
        double said = all.stream()
                .filter(r -> r.shape().lengthPx() == 0)
                .mapToDouble(r -> r.shape().lengthErrorPx())
                .average()
                .orElseThrow();
        assertThat(said).isCloseTo(Math.sqrt(3 * e), within(0.15 * Math.sqrt(3 * e)));
        assertThat(all).filteredOn(r -> r.shape().lengthPx() == 0).hasSizeGreaterThan(50);
    }

    /** With a spread of 2 pixels light is cut out up to five beside its own: where the frame ends before, a star is left out. */
    @ParameterizedTest
    @CsvSource({
        "5.5, 50, 4",
        "4.5, 50, 3",
        "94.5, 50, 4",
        "95.5, 50, 3",
        "50, 5.5, 4",
        "50, 4.5, 3",
        "50, 94.5, 4",
        "50, 95.5, 3"
    })
    void a_star_at_the_edge_is_left_out(double x, double y, int stars) {
        Profile drawn = profile(2, 0, 0, false);
        Field field = new Field(100, 2)
                .star(drawn, 30, 30, 0.6, 4)
                .star(drawn, 70, 30, 0.6, 4)
                .star(drawn, 50, 70, 0.6, 4);
        Spot known = new Spot(x, y, 0.6, 20_000, 90, 20, 4, 4, 0, (int) x - 4, (int) y - 4, (int) x + 4, (int) y + 4);
        field.star(drawn, x, y, 0.6, 4).spots.set(3, known);
        assertThat(field.found().shape().stars()).isEqualTo(stars);
    }

    /** A star that is none (five times as wide) among eight is left out, and so is what stands too near to the edge. */
    @Test
    void a_stranger_is_left_out() {
        Profile drawn = profile(1.3, 4, 60, false);
        Field field = new Field(160, 1).grid(drawn, 2.5, 40, 0.3);
        field.star(profile(4, 0, 0, false), 80, 80, 3, 2.5);
        field.star(drawn, 2, 60, 0.3, 2.5);
        field.star(drawn, 158, 60, 0.3, 2.5);
        field.star(drawn, 60, 2, 0.3, 2.5);
        field.star(drawn, 60, 158, 0.3, 2.5);
        StarShape s = field.found().shape();
        assertThat(s.stars()).isEqualTo(16);
        assertThat(s.lengthPx()).isCloseTo(4, within(0.03));
        assertThat(s.widthPx()).isCloseTo(1.3 * 2.35482, within(0.02));
    }

    @Test
    void three_stars_are_the_least() {
        Profile drawn = profile(1.3, 4, 60, false);
        Field two = new Field(100, 1).star(drawn, 30, 30, 0.3, 2).star(drawn, 60, 60, 0.3, 2);
        assertThat(two.fit().of(two.spots, two.spots)).isEmpty();
        assertThat(two.fit().twice(two.spots, two.spots, drawn)).isEmpty();
        two.star(drawn, 30, 70, 0.3, 2);
        assertThat(two.found().shape().stars()).isEqualTo(3);
        assertThat(two.fit().twice(two.spots, two.spots, drawn)).isPresent();
        Field edge = new Field(100, 1)
                .star(drawn, 30, 30, 0.3, 2)
                .star(drawn, 60, 60, 0.3, 2)
                .star(drawn, 1, 40, 1, 2);
        assertThat(edge.fit().of(edge.spots, edge.spots)).isEmpty();
        assertThat(edge.fit().twice(edge.spots, edge.spots, drawn)).isEmpty();
    }

    /** With 4 pixels and twice the spread between them: 7.2 for a variance of 2.56. The reach ends where another's begins. */
    @ParameterizedTest(name = "{0}, {1} away with {2} of the light: {3}")
    @CsvSource({
        "right, 8, 1, true",
        "right, 7, 1, false",
        "right, 7, 0.05, true",
        "right, 7, 0.0501, false",
        "left, 8, 1, true",
        "left, 7, 1, false",
        "below, 8, 1, true",
        "below, 7, 1, false",
        "above, 8, 1, true",
        "above, 7, 1, false"
    })
    void a_star_has_to_be_alone(String where, int gap, double share, boolean alone) {
        Spot s = new Spot(50, 50, 1000, 20_000, 50, 20, 2.56, 2.56, 0, 45, 45, 55, 55);
        int right = where.equals("right") ? 10 + gap : where.equals("left") ? -10 - gap : 0;
        int down = where.equals("below") ? 10 + gap : where.equals("above") ? -10 - gap : 0;
        Spot other = new Spot(
                50, 50, share * 1000, 20_000, 5, 20, 2.56, 2.56, 0, 45 + right, 45 + down, 55 + right, 55 + down);
        assertThat(ShapeFit.good(List.of(s), List.of(s, other), 9)).isEqualTo(alone ? List.of(s) : List.of());
    }

    @Test
    void the_best_are_chosen() {
        Spot best = spot(100, 100, 1000, 90, 2);
        Spot good = spot(200, 100, 1000, 50, 2);
        Spot faint = spot(300, 100, 1000, 8, 2);
        Spot bright = spot(400, 100, 1000, 8.1, 2);
        Spot trail = new Spot(500, 100, 1000, 20_000, 70, 20, 80 * 80 / 12.0, 2, 0, 460, 99, 540, 101);
        Spot shorter = new Spot(500, 200, 1000, 20_000, 60, 20, 79 * 79 / 12.0, 2, 0, 461, 199, 539, 201);
        Spot burnt = new Spot(100, 300, 1000, 65_000, 99, 20, 2, 2, 0, 97, 297, 103, 303);
        List<Spot> all = List.of(good, faint, bright, trail, best, shorter, burnt);
        assertThat(ShapeFit.good(all, all, 9)).containsExactly(best, shorter, good, bright);
        assertThat(ShapeFit.good(all, all, 2)).containsExactly(best, shorter);
    }

    @Test
    void an_empty_field_has_no_shape() {
        assertThat(new Field(100, 1).fit().of(List.of(), List.of())).isEqualTo(Optional.empty());
    }
}
