package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.lighttable.Encoding;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Twelve frames of 20 s with pauses of 10 s: arcs of about ten pixels, and gaps of half as many. */
class TrailsTest {

    private static final int FRAMES = 12;
    private static final double OPEN = 20;
    private static final double EVERY = 30;
    private static final TrailOptions PLAIN = TrailOptions.PLAIN;
    private static final TrailOptions FILLED = PLAIN.fill();

    private final MadeUpNight night = new MadeUpNight(220, 0.6, 4);
    private int steps;

    TrailsTest() {
        night.radiansPerSecond = 0.0008;
    }

    private static List<Taken> night(MadeUpNight night) {
        List<Taken> all = new ArrayList<>();
        for (int i = 0; i < FRAMES; i++) {
            all.add(MadeUpNight.taken(night.light(EVERY * i, EVERY * i + OPEN, i), EVERY * i, OPEN));
        }
        return all;
    }

    private Trails.Result trails(List<Taken> frames, TrailOptions options) {
        return Trails.of(frames, options, Optional.empty(), () -> steps++);
    }

    /** The darkest place of an arc, above the sky, against its middle light: 0 where it is broken. */
    private double weakest(Assembled picture, double[] star) {
        List<Double> along = new ArrayList<>();
        for (double t = 2; t < EVERY * (FRAMES - 1) + OPEN - 2; t += 0.4) {
            double[] p = night.at(star, t);
            int x = (int) p[0];
            int y = (int) p[1];
            if (x < 8 || y < 8 || x > MadeUpNight.W - 9 || y > MadeUpNight.H - 9) {
                continue;
            }
            double most = 0;
            for (int j = -1; j <= 1; j++) {
                for (int i = -1; i <= 1; i++) {
                    most = Math.max(most, picture.light(1, x + i, y + j));
                }
            }
            along.add(most - night.level);
        }
        if (along.size() < 40) {
            return 1;
        }
        List<Double> sorted = along.stream().sorted().toList();
        return sorted.get(0) / sorted.get(sorted.size() / 2);
    }

    /** Over the brighter stars, of which one may cross another's arc. */
    private double weakest(Assembled picture) {
        return night.stars.stream()
                .filter(s -> s[2] > 0.2)
                .mapToDouble(s -> weakest(picture, s))
                .sorted()
                .skip(1)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void pauses_are_filled_along_the_way_of_the_stars() {
        List<Taken> frames = night(night);
        Trails.Result plain = trails(frames, PLAIN);
        assertThat(steps).isEqualTo(FRAMES);
        Trails.Result filled = trails(frames, FILLED);
        assertThat(plain.lengths()).extracting(Trails.Length::frames).containsExactly(3, 6, 12);
        assertThat(plain.lengths())
                .allSatisfy(l -> assertThat(l.picture().width()).isEqualTo(640));
        assertThat(weakest(plain.picture())).isLessThan(0.5);
        assertThat(weakest(filled.picture())).isGreaterThan(0.75);
        assertThat(filled.frames()).isEqualTo(FRAMES);
        assertThat(filled.unmeasured()).isZero();
        // beside the arcs nothing is lighter than the lightest noise of twelve frames
        assertThat(dark(filled.picture())).isCloseTo(dark(plain.picture()), within(0.0015));
    }

    /** Pixels that are light. */
    private static int drawn(Assembled picture) {
        int drawn = 0;
        for (int i = 0; i < picture.width() * picture.height(); i++) {
            drawn += picture.light(1, i % picture.width(), i / picture.width()) > 0.06 ? 1 : 0;
        }
        return drawn;
    }

    /** Level of what lies between the arcs. */
    private static double dark(Assembled picture) {
        double[] all = new double[2500];
        for (int i = 0; i < all.length; i++) {
            all[i] = picture.light(1, 100 + 10 * (i % 50), 100 + 5 * (i / 50));
        }
        Arrays.sort(all);
        return all[all.length / 2];
    }

    /** The arcs of frames that were taken without pause are those of one long exposure. */
    @Test
    void arcs_are_where_one_long_exposure_draws_them() {
        Assembled filled = trails(night(night), FILLED).picture();
        int inside = 0;
        int near = 0;
        for (double[] star : night.stars.stream().filter(s -> s[2] > 0.3).toList()) {
            for (double t = 5; t < EVERY * (FRAMES - 1); t += 7) {
                double[] p = night.at(star, t);
                if (p[0] < 12 || p[1] < 12 || p[0] > MadeUpNight.W - 12 || p[1] > MadeUpNight.H - 12) {
                    continue;
                }
                double[] q = night.at(star, t + 1);
                double length = Math.hypot(q[0] - p[0], q[1] - p[1]);
                double ax = -(q[1] - p[1]) / length;
                double ay = (q[0] - p[0]) / length;
                double sum = 0;
                double off = 0;
                for (double d = -3; d <= 3; d += 0.25) {
                    double light = Math.max(
                            0, bilinear(filled, p[0] + d * ax - 0.5, p[1] + d * ay - 0.5) - night.level - 0.004);
                    sum += light;
                    off += d * light;
                }
                inside++;
                near += Math.abs(off / sum) < 0.5 ? 1 : 0;
            }
        }
        assertThat(inside).isGreaterThan(150);
        assertThat(near / (double) inside).isGreaterThan(0.96); // the rest cross another
    }

    private static double bilinear(Assembled p, double x, double y) {
        int i = (int) x;
        int j = (int) y;
        double a = x - i;
        double b = y - j;
        return (p.light(1, i, j) * (1 - a) + p.light(1, i + 1, j) * a) * (1 - b)
                + (p.light(1, i, j + 1) * (1 - a) + p.light(1, i + 1, j + 1) * a) * b;
    }

    @Test
    void arcs_stay_whole_where_a_frame_was_left_out() {
        List<Taken> left = night(night);
        left.remove(5);
        assertThat(weakest(trails(left, FILLED).picture())).isGreaterThan(0.7);
        assertThat(weakest(trails(left, PLAIN).picture())).isLessThan(0.2);
    }

    @Test
    void a_satellite_is_left_out_and_what_it_hid_is_not() {
        List<Taken> crossed = night(night);
        double quiet = along(trails(crossed, FILLED).picture());
        float[] light = night.light(EVERY * 6, EVERY * 6 + OPEN, 6);
        night.line(light, 80, 400, 620, 90, 0.4);
        crossed.set(6, MadeUpNight.taken(light, EVERY * 6, OPEN));
        assertThat(along(trails(crossed, FILLED).picture())).isGreaterThan(quiet + 0.2);
        Assembled without = trails(crossed, FILLED.clean()).picture();
        assertThat(along(without)).isCloseTo(quiet, within(0.004));
        assertThat(weakest(without)).isGreaterThan(0.6);
    }

    /** Median light where the line runs. */
    private static double along(Assembled picture) {
        double[] all = new double[500];
        for (int i = 0; i < all.length; i++) {
            double s = (i + 0.5) / all.length;
            all[i] = picture.light(1, (int) (80 + 540 * s), (int) (400 - 310 * s));
        }
        Arrays.sort(all);
        return all[all.length / 2];
    }

    /** Stars that are drawn to 25 pixels, a thirtieth of the diagonal, are still no aircraft. */
    @Test
    void long_streaks_of_stars_are_not_left_out() {
        night.radiansPerSecond = 0.0025;
        List<Taken> frames = night(night).subList(0, 5);
        double with = sum(trails(frames, PLAIN).picture());
        assertThat(sum(trails(frames, PLAIN.clean()).picture())).isCloseTo(with, within(0.01 * with));
    }

    private double sum(Assembled picture) {
        double sum = 0;
        for (int y = 0; y < picture.height(); y++) {
            for (int x = 0; x < picture.width(); x++) {
                sum += Math.max(0, picture.light(1, x, y) - night.level - 0.01);
            }
        }
        return sum;
    }

    /** A tripod that was kicked after the seventh frame: laid back by the land, arcs are whole and the skyline stands once. */
    @Test
    void frames_after_a_knock_are_laid_back() {
        List<Taken> knocked = new ArrayList<>();
        List<Taken> still = new ArrayList<>();
        MadeUpLand land = new MadeUpLand(2);
        for (int i = 0; i < FRAMES; i++) {
            float[] light = night.light(EVERY * i, EVERY * i + OPEN, i);
            land.onto(light, 0, 0);
            still.add(MadeUpNight.taken(light, EVERY * i, OPEN));
            Raster moved = MadeUpNight.raster(light).moved(i < 7 ? 0 : 5, i < 7 ? 0 : -4);
            float[] off = new float[light.length];
            for (int k = 0; k < off.length; k++) {
                off[k] = moved.light(1, k % MadeUpNight.W, k / MadeUpNight.W);
            }
            knocked.add(MadeUpNight.taken(off, EVERY * i, OPEN));
        }
        Trails.Result steadied = trails(knocked, PLAIN.steadied());
        assertThat(steadied.moved()).extracting(Trails.Moved::frame).containsExactly(7, 8, 9, 10, 11);
        assertThat(steadied.moved().get(0).px()).isCloseTo(Math.hypot(5, 4), within(0.4));
        Assembled right = trails(still, PLAIN).picture();
        assertThat(apart(steadied.picture(), right))
                .isLessThan(0.4 * apart(trails(knocked, PLAIN).picture(), right));
        assertThat(trails(still, PLAIN.steadied()).moved()).isEmpty();
    }

    private static double apart(Assembled a, Assembled b) {
        double sum = 0;
        for (int y = 20; y < a.height() - 20; y++) {
            for (int x = 20; x < a.width() - 20; x++) {
                sum += Math.abs(a.light(1, x, y) - b.light(1, x, y));
            }
        }
        return sum;
    }

    @Test
    void frames_of_another_size_and_skies_without_stars_are_told() {
        List<Taken> frames = new ArrayList<>(night(night).subList(0, 2));
        frames.add(MadeUpNight.undated(
                Raster.of(new byte[3 * 40 * 40], 40, 40, new int[] {0, 1, 2}, 120, 3, Encoding.SRGB)));
        assertThatThrownBy(() -> trails(frames, FILLED))
                .isInstanceOf(Taken.UnreadableFrame.class)
                .hasMessageContaining("40 × 40");
        MadeUpNight cloud = new MadeUpNight(0, 0.5, 1);
        List<Taken> grey = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            grey.add(MadeUpNight.taken(cloud.light(EVERY * i, EVERY * i + OPEN, i), EVERY * i, OPEN));
        }
        assertThat(trails(grey, FILLED).unmeasured()).isPositive();
    }
}
