package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Trails by numbers: small frames whose light is chosen, and what must stand at a pixel. */
class TrailSumsTest {

    private static final int W = 480;
    private static final int H = 200;
    private static final double SKY = 0.1;
    private static final double STAR = 0.5;

    private static Trails.Result trails(List<Taken> frames, TrailOptions options) {
        return Trails.of(frames, options, Optional.empty(), () -> {});
    }

    private static Taken frame(double from, double seconds, int w, int h, MadeUpNight.Light light) {
        return MadeUpNight.taken(() -> MadeUpNight.raster(w, h, light), from, seconds);
    }

    /** One pixel of each of eight frames is light, by a red, green and blue of its own. */
    private static List<Taken> dots() {
        List<Taken> frames = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            int at = i;
            frames.add(frame(30 * i, 20, 8, 3, (c, x, y) -> x == at && y == 1 ? 0.2 + 0.1 * c : 0.01 * (1 + at % 2)));
        }
        return frames;
    }

    @Test
    void of_each_pixel_the_lightest_stays() {
        Trails.Result r = trails(dots(), TrailOptions.PLAIN);
        for (int x = 0; x < 8; x++) {
            for (int c = 0; c < 3; c++) {
                assertThat(r.picture().light(c, x, 1)).isCloseTo(0.2 + 0.1 * c, within(2e-5));
                assertThat(r.picture().light(c, x, 0)).isCloseTo(0.02, within(2e-5));
            }
        }
        assertThat(r.frames()).isEqualTo(8);
        assertThat(r.lengths()).extracting(Trails.Length::frames).containsExactly(2, 4, 8);
        assertThat(r.lengths().get(0).picture().light(1, 1, 1)).isCloseTo(0.3, within(2e-5));
        assertThat(r.lengths().get(0).picture().light(1, 2, 1)).isCloseTo(0.02, within(2e-5));
        assertThat(r.moved()).isEmpty();
        assertThat(r.land()).isFalse();
    }

    /** By 3.5 stops over seven steps: half a stop each. */
    @Test
    void they_fade_in_by_equal_steps() {
        Assembled p = trails(dots(), TrailOptions.PLAIN.fading(3.5)).picture();
        for (int x = 0; x < 8; x++) {
            assertThat(p.light(2, x, 1)).as("%d", x).isCloseTo(0.4 * Math.pow(2, -0.5 * (7 - x)), within(3e-5));
        }
    }

    /** What a sensor sends without light is taken off before a frame is compared, of a picture of the same size alone. */
    @Test
    void a_dark_frame_is_taken_off() {
        Assembled dark = Mean.of(List.of(frame(0, 20, 8, 3, (c, x, y) -> 0.01 * (1 + c) + 0.1 * (x / 4))), () -> {});
        Assembled p = Trails.of(dots(), TrailOptions.PLAIN, Optional.of(dark), () -> {})
                .picture();
        assertThat(p.light(2, 1, 1)).isCloseTo(0.4 - 0.03, within(3e-5));
        assertThat(p.light(0, 6, 1)).isCloseTo(0.2 - 0.11, within(3e-5));
        assertThat(p.light(0, 2, 2)).isCloseTo(0.02 - 0.01, within(3e-5));
        assertThat(p.light(0, 6, 2)).as("darker than dark").isZero();
        Assembled other = Mean.of(List.of(frame(0, 20, 8, 4, (c, x, y) -> 0.1)), () -> {});
        assertThat(Trails.of(dots(), TrailOptions.PLAIN, Optional.of(other), () -> {})
                        .picture()
                        .light(2, 1, 1))
                .isCloseTo(0.4, within(3e-5));
    }

    /** Stars of one profile on a coarse and somewhat uneven grid, shifted to the right. */
    private static Taken sky(double from, double seconds, double shift) {
        return sky(from, seconds, shift, 0);
    }

    private static Taken sky(double from, double seconds, double shift, double down) {
        return frame(from, seconds, W, H, (c, x, y) -> {
            double light = SKY + 0.0005 * ((7 * x + 13 * y) % 5);
            for (int row = 0; row < 6; row++) {
                double dy = y - star(row) - down;
                int column = (int) Math.round((x - shift - 20 - 5 * row) / 45);
                double dx = x - shift - 20 - 5 * row - 45 * column - (column * 7 % 11);
                light += STAR * Math.exp(-(dx * dx + dy * dy) / 2.5);
            }
            return light;
        });
    }

    private static int star(int row) {
        return 18 + 32 * row + 3 * (row % 2);
    }

    private static double profile(double off) {
        return SKY + STAR * Math.exp(-off * off / 2.5);
    }

    /**
     * Stars that go on by eight pixels in 30 s. Open for half of it, each frame is carried a quarter of the way in either direction: two pixels.
     * Where a frame is missing the pause is three quarters of sixteen pixels, and each is carried six.
     */
    @ParameterizedTest
    @CsvSource({"30, 15.5, 1.93, 8", "60, 15.5, 5.93, 16", "30, 30, 0, 8", "30, 45, 0, 8"})
    void half_of_a_pause_is_filled_from_either_side(double every, double open, double carried, int way) {
        List<Taken> frames = List.of(sky(0, open, 0), sky(every, open, way), sky(2 * every, open, 2 * way));
        Trails.Result r = trails(frames, TrailOptions.PLAIN.fill());
        assertThat(r.unmeasured()).isZero();
        int x = 20 + 5 * 2 + 45 * 2 + 14 % 11; // of the third row, two columns to the right
        int y = star(2);
        for (int k = -4; k <= 2 * way + 4; k++) {
            int frame = Math.max(0, Math.min(2, (int) Math.round(k / (double) way)));
            boolean outside = k < 0 || k > 2 * way; // nothing is known of before the first and after the last
            double off = Math.abs(k - frame * way);
            assertThat(r.picture().light(1, x + k, y))
                    .as("%d px on", k)
                    .isCloseTo(profile(outside ? off : Math.max(0, off - carried)), within(0.03));
        }
    }

    /** What is carried over an edge is gone, and does not come in at the other. */
    @Test
    void nothing_comes_in_at_an_edge() {
        List<Taken> frames = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            Raster sky = sky(30 * i, 10, 12 * i, 12 * i).read();
            frames.add(
                    frame(30 * i, 10, W, H, (c, x, y) -> x < 3 || x >= W - 3 || y >= H - 3 ? 0.9 : sky.light(c, x, y)));
        }
        Assembled p = trails(frames, TrailOptions.PLAIN.fill()).picture();
        for (int y = 30; y < H - 30; y++) {
            assertThat(p.light(1, 0, y)).isCloseTo(0.9, within(1e-4));
            assertThat(p.light(1, 5, y)).as("carried a third of 12 px").isCloseTo(0.9, within(0.1));
            assertThat(p.light(1, 8, y)).isLessThan(0.65);
            assertThat(p.light(1, W - 6, y)).isCloseTo(0.9, within(0.1));
        }
        assertThat(p.light(1, 60, 0)).as("from below").isLessThan(0.3);
        assertThat(p.light(1, 75, H - 6)).isCloseTo(0.9, within(0.1));
    }

    /** Level, dark frame and fading count for what is carried too: 0.5 and half a stop less, the dark of its place taken off. */
    @Test
    void what_is_carried_is_treated_as_its_frame() {
        Assembled dark = Mean.of(List.of(frame(0, 20, W, H, (c, x, y) -> 0.05 + 0.0001 * x)), () -> {});
        List<Taken> frames = List.of(sky(0, 15.5, 0), sky(30, 15.5, 8), sky(60, 15.5, 16));
        Assembled p = Trails.of(frames, TrailOptions.PLAIN.fill().fading(2), Optional.of(dark), () -> {})
                .picture();
        int x = 20 + 5 * 2 + 45 * 2 + 14 % 11;
        for (int k : new int[] {0, 1, 8, 9, 15, 16}) {
            int stops = k < 4 ? 2 : k < 12 ? 1 : 0;
            assertThat(p.light(1, x + k, star(2)))
                    .as("%d px on", k)
                    .isCloseTo(Math.pow(2, -stops) * (profile(0) - 0.05 - 0.0001 * (x + k)), within(0.015));
        }
        List<Taken> bright = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            double times = i == 3 ? 1.5 : 1;
            bright.add(frame(30 * i, 20, W, H, (c, u, v) -> times * (0.1 + 0.0001 * u)));
        }
        Assembled even = trails(bright, TrailOptions.PLAIN.evened()).picture();
        assertThat(even.light(1, 100, 100)).isCloseTo(0.11, within(1e-3));
        assertThat(trails(bright, TrailOptions.PLAIN).picture().light(1, 100, 100))
                .isCloseTo(0.165, within(1e-3));
    }

    /** Work that is not wanted any more ends within a frame: it is asked every 64 rows of each. */
    @Test
    void it_ends_when_it_is_not_wanted() {
        AtomicInteger looked = new AtomicInteger();
        Progress counting = new Progress() {
            @Override
            public void step() {}

            @Override
            public void look() {
                looked.incrementAndGet();
            }
        };
        List<Taken> frames = List.of(sky(0, 15.5, 0), sky(30, 15.5, 8));
        Trails.of(frames, TrailOptions.PLAIN, Optional.empty(), counting);
        assertThat(looked.getAndSet(0)).isGreaterThanOrEqualTo(2 * (H / 64 + 1)).isLessThan(20);
        Trails.of(frames, TrailOptions.PLAIN.fill(), Optional.empty(), counting);
        assertThat(looked.get()).as("of what is carried too").isGreaterThanOrEqualTo(6 * (H / 64 + 1));
    }

    /** The pause changes: measured anew, the way is twice as long, and then again half of that. */
    @Test
    void the_way_is_measured_again_where_a_frame_is_missing() {
        double[] at = {0, 30, 60, 120, 150};
        List<Taken> frames = new ArrayList<>();
        for (double t : at) {
            frames.add(sky(t, 15.5, t / 30 * 8));
        }
        Trails.Result r = trails(frames, TrailOptions.PLAIN.fill());
        int x = 20 + 5 * 2 + 45 * 2 + 14 % 11;
        double[] carried = {1.93, 1.93, 5.93, 1.93};
        for (int i = 0; i < 4; i++) {
            int begin = (int) Math.round(at[i] / 30 * 8);
            int end = (int) Math.round(at[i + 1] / 30 * 8);
            double wanted = profile((end - begin) / 2.0 - carried[i]);
            assertThat(r.picture().light(1, x + (begin + end) / 2, star(2)))
                    .as("between %d and %d", i, i + 1)
                    .isCloseTo(wanted, within(0.03));
        }
        assertThat(r.unmeasured()).isZero();
        Taken starless = frame(240, 15.5, W, H, (c, u, v) -> SKY);
        frames.add(starless);
        frames.add(frame(270, 15.5, W, H, (c, u, v) -> SKY));
        assertThat(trails(frames, TrailOptions.PLAIN.fill()).unmeasured()).isEqualTo(2);
    }

    private static final double ANGLE = Math.toRadians(15);
    private static final double LONG = 200;

    /** With a satellite 200 px long about a point, and a little brighter all over. */
    private static Taken crossed(double from, double shift, double px, double py) {
        Raster sky = sky(from, 30, shift).read();
        return frame(from, 30, W, H, (c, x, y) -> {
            double u = (x + 0.5 - px) * Math.cos(ANGLE) + (y + 0.5 - py) * Math.sin(ANGLE);
            double v = (y + 0.5 - py) * Math.cos(ANGLE) - (x + 0.5 - px) * Math.sin(ANGLE);
            double beyond = Math.max(0, Math.abs(u) - LONG / 2);
            return sky.light(c, x, y) + 0.02 + 0.4 * Math.exp(-(v * v + beyond * beyond) / 3);
        });
    }

    /** Hidden is what lies five pixels to either side, and two fifths of its length and five pixels beyond, where it is often fainter. */
    @Test
    void what_a_satellite_hides_is_left_out() {
        List<Taken> frames = List.of(sky(0, 30, 0), crossed(30, 0, 240, 95), sky(60, 30, 0));
        Assembled plain = trails(List.of(frames.get(0), frames.get(2)), TrailOptions.PLAIN)
                .picture();
        Assembled clean = trails(frames, TrailOptions.PLAIN.clean()).picture();
        int hidden = 0;
        double middleX = 0;
        double middleY = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double u = (x + 0.5 - 240) * Math.cos(ANGLE) + (y + 0.5 - 95) * Math.sin(ANGLE);
                double v = (y + 0.5 - 95) * Math.cos(ANGLE) - (x + 0.5 - 240) * Math.sin(ANGLE);
                double brighter = clean.light(1, x, y) - plain.light(1, x, y);
                if (brighter < 0.01) {
                    hidden++;
                    middleX += x + 0.5;
                    middleY += y + 0.5;
                }
                if (Math.abs(v) < 4.3 && Math.abs(u) < 138) {
                    assertThat(brighter).as("hidden at %d, %d", x, y).isCloseTo(0, within(0.001));
                } else if (Math.abs(v) > 5.7 || Math.abs(u) > 152) {
                    assertThat(brighter).as("shown at %d, %d", x, y).isCloseTo(0.02, within(0.001));
                }
            }
        }
        assertThat(hidden / 10.0).isCloseTo(2 * (0.7 * LONG + 5), within(8.0));
        assertThat(middleX / hidden).isCloseTo(240, within(0.4));
        assertThat(middleY / hidden).isCloseTo(95, within(0.3));
    }

    /** A star that it hides stands in the frame before, eight pixels farther back. */
    @Test
    void behind_a_satellite_the_frame_before_is_carried_on() {
        int x = 20 + 5 * 2 + 45 * 4 + 28 % 11;
        int y = star(2);
        List<Taken> frames = List.of(sky(0, 30, 0), crossed(30, 8, x + 8, y), sky(60, 30, 16));
        assertThat(trails(frames, TrailOptions.PLAIN.clean()).picture().light(1, x + 8, y))
                .isLessThan(SKY + 0.02);
        Assembled filled = trails(frames, TrailOptions.PLAIN.fill().clean()).picture();
        for (int k = -2; k <= 2; k++) {
            assertThat(filled.light(1, x + 8 + k, y)).isCloseTo(profile(k), within(0.03));
        }
        assertThat(filled.light(1, x + 8 + 18, y + 5))
                .as("of the satellite itself")
                .isLessThan(SKY + 0.03);
    }
}
