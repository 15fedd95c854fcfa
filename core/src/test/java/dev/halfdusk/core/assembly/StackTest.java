package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.lighttable.LightTable;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** Sixteen frames of one second, ten apart: the sky moves by 1 to 2 pixels from each to the next. */
class StackTest {

    private static final int FRAMES = 16;
    private static final double EVERY = 10;

    private final MadeUpNight night = new MadeUpNight(260, 0.7, 8);

    StackTest() {
        night.noise = 0.006;
    }

    private List<Taken> frames() {
        List<Taken> all = new ArrayList<>();
        for (int i = 0; i < FRAMES; i++) {
            all.add(MadeUpNight.taken(night.light(EVERY * i, EVERY * i + 1, i), EVERY * i, 1));
        }
        return all;
    }

    private static Stack.Result stack(List<Taken> frames, boolean clipped, boolean still) {
        return stack(frames, clipped ? Averaging.CLIPPED : Averaging.MEAN, still);
    }

    private static Stack.Result stack(List<Taken> frames, Averaging averaging, boolean still) {
        return Stack.of(frames, new Stack.Options(averaging, still, Optional.empty()), () -> {});
    }

    private static double width(Raster raster) {
        return LightTable.read(raster.pixels(), Known.NOTHING).widthPx().orElseThrow();
    }

    private static Raster raster(Assembled picture) {
        float[] light = new float[MadeUpNight.W * MadeUpNight.H];
        for (int i = 0; i < light.length; i++) {
            light[i] = (float) picture.light(1, i % MadeUpNight.W, i / MadeUpNight.W);
        }
        return MadeUpNight.raster(light);
    }

    @Test
    void noise_falls_with_the_root_of_the_frames_and_stars_stay_narrow() {
        Stack.Result r = stack(frames(), false, false);
        assertThat(r.frames()).isEqualTo(FRAMES);
        assertThat(r.left()).isEmpty();
        assertThat(r.narrower()).isGreaterThan(0.9 * Math.sqrt(FRAMES));
        assertThat(r.errorPx()).isLessThan(0.3);
        double one = width(frames().get(FRAMES / 2).read());
        assertThat(width(raster(r.picture()))).isCloseTo(one, within(0.05 * one + 0.05));
        // as if nothing were turned, they are not
        assertThat(width(raster(stack(frames().subList(0, 1), false, false).picture())))
                .isCloseTo(one, within(0.1 * one));
    }

    @Test
    void clipping_takes_satellites_off() {
        List<Taken> crossed = frames();
        for (int i : new int[] {2, 9}) {
            float[] light = night.light(EVERY * i, EVERY * i + 1, i);
            night.line(light, 60 + 30 * i, 420, 300 + 30 * i, 60, 0.5);
            crossed.set(i, MadeUpNight.taken(light, EVERY * i, 1));
        }
        assertThat(over(stack(crossed, false, false).picture())).isGreaterThan(0.02);
        Stack.Result clipped = stack(crossed, true, false);
        assertThat(over(clipped.picture())).isCloseTo(0, within(0.003));
        assertThat(clipped.narrower()).isGreaterThan(0.85 * Math.sqrt(FRAMES));
        // stars are not taken for what stands out
        double[] star = night.stars.stream()
                .filter(s -> s[2] > 0.3 && s[0] > 150 && s[0] < 500 && s[1] > 100 && s[1] < 350)
                .findFirst()
                .orElseThrow();
        double[] p = night.at(star, EVERY * (FRAMES / 2) + 0.5);
        assertThat(clipped.picture().light(1, (int) p[0], (int) p[1]))
                .isCloseTo(stack(frames(), false, false).picture().light(1, (int) p[0], (int) p[1]), within(0.05));
    }

    /** By how much the way of the first satellite is lighter than the sky, about where the stars of its frame were laid. */
    private double over(Assembled picture) {
        double[] all = new double[300];
        for (int i = 0; i < all.length; i++) {
            double s = (i + 0.5) / all.length;
            int x = (int) (120 + 240 * s);
            int y = (int) (420 - 360 * s);
            for (int d = -14; d <= 14; d++) { // the sky has turned by some pixels since
                all[i] = Math.max(all[i], median(picture, x + d, y));
            }
        }
        Arrays.sort(all);
        return all[all.length / 2] - night.level - 0.004;
    }

    private static double median(Assembled p, int x, int y) {
        double[] three = {p.light(1, x, y), p.light(1, x, y + 1), p.light(1, x + 1, y)};
        Arrays.sort(three);
        return three[1];
    }

    /** Sixteen frames become the median of five parts: a satellite in one part of them is gone, and noise falls nearly as far. */
    @Test
    void a_median_takes_them_off_too() {
        List<Taken> crossed = frames();
        for (int i : new int[] {2, 7}) {
            float[] light = night.light(EVERY * i, EVERY * i + 1, i);
            night.line(light, 60 + 30 * i, 420, 300 + 30 * i, 60, 0.5);
            crossed.set(i, MadeUpNight.taken(light, EVERY * i, 1));
        }
        Stack.Result median = stack(crossed, Averaging.MEDIAN, false);
        assertThat(over(median.picture())).isCloseTo(0, within(0.003));
        assertThat(median.narrower()).isBetween(0.7 * Math.sqrt(FRAMES), Math.sqrt(FRAMES) * 1.05);
        Stack.Result exact = stack(crossed.subList(0, 7), Averaging.MEDIAN, false);
        assertThat(exact.narrower()).isBetween(0.7 * Math.sqrt(7), Math.sqrt(7) * 1.05);
        assertThat(strips(Averaging.MEDIAN)).isEqualTo(7);
        assertThat(strips(Averaging.CLIPPED)).isEqualTo(2);
    }

    private static int strips(Averaging averaging) {
        return Stack.strips(24e6, 200, new Stack.Options(averaging, true, Optional.empty()));
    }

    /** Somebody who cancels is asked before the first frame is dealt with, and no frame more is read than the next. */
    @Test
    void whoever_cancels_need_not_wait_for_a_frame_to_end() {
        AtomicInteger read = new AtomicInteger();
        Progress cancelled = new Progress() {
            @Override
            public void step() {
                throw new AssertionError("a frame was finished");
            }

            @Override
            public void look() {
                throw new CancellationException();
            }
        };
        List<Taken> counted = frames().stream()
                .<Taken>map(t -> new Taken() {
                    @Override
                    public Raster read() {
                        read.incrementAndGet();
                        return t.read();
                    }

                    @Override
                    public Optional<Instant> opened() {
                        return t.opened();
                    }

                    @Override
                    public double seconds() {
                        return t.seconds();
                    }
                })
                .toList();
        List<Runnable> all = List.of(
                () -> Stack.of(counted, new Stack.Options(Averaging.MEAN, true, Optional.empty()), cancelled),
                () -> Trails.of(counted, TrailOptions.PLAIN, Optional.empty(), cancelled),
                () -> Lighter.of(counted, cancelled),
                () -> Moons.way(counted, cancelled),
                () -> Clips.each(counted, 100, false, cancelled, c -> {}),
                () -> Mean.of(counted, cancelled));
        for (Runnable work : all) {
            assertThatThrownBy(work::run).isInstanceOf(CancellationException.class);
        }
        assertThat(read.get()).isLessThanOrEqualTo(2 * all.size());
    }

    /** In strips the picture is the same to the last bit. */
    @Test
    void strips_leave_no_seam() {
        List<Taken> frames = frames().subList(0, 5);
        Assembled whole = stack(frames, false, false).picture();
        Assembled inStrips = Stack.of(frames, new Stack.Options(Averaging.MEAN, false, Optional.empty(), 2e6), () -> {})
                .picture();
        assertThat(inStrips.developed()).isEqualTo(whole.developed());
    }

    /** Noise of equal crops halves with four times as many frames. */
    @Test
    void more_and_fewer_frames_are_shown_beside_each_other() {
        List<Crop> crops = stack(frames(), false, false).crops();
        assertThat(crops).extracting(Crop::frames).containsExactly(1, 4, 16);
        assertThat(crops.get(0).picture().width()).isEqualTo(300);
        assertThat(crops.get(0).noise() / crops.get(1).noise()).isBetween(1.7, 2.5);
        assertThat(crops.get(1).noise() / crops.get(2).noise()).isBetween(1.7, 2.3);
        assertThat(crops.get(2).level()).isCloseTo(night.level, within(0.002));
        assertThat(stack(frames().subList(0, 6), false, false).crops())
                .extracting(Crop::frames)
                .containsExactly(1, 4, 6);
    }

    /** Haze that comes up until the sky is twice as bright is no noise: the frames before the middle are one half, those after it the other. */
    @Test
    void halves_of_unlike_brightness_tell_the_same_noise() {
        List<Taken> hazy = new ArrayList<>();
        for (int i = 0; i < FRAMES; i++) {
            float[] light = night.light(EVERY * i, EVERY * i + 1, i);
            for (int k = 0; k < light.length; k++) {
                light[k] += 0.0012f * i;
            }
            hazy.add(MadeUpNight.taken(light, EVERY * i, 1));
        }
        assertThat(stack(hazy, false, false).narrower()).isBetween(0.85 * 4, 1.15 * 4);
        assertThat(stack(hazy, true, false).narrower()).isBetween(0.75 * 4, 1.15 * 4);
    }

    /** Eight dark frames lifted by three stops against two of eight times the gain, with little noise of its own. */
    @Test
    void a_low_iso_lifted_stands_against_a_high_one() {
        List<Taken> high = frames().subList(6, 8);
        List<Taken> low = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            float[] light = night.light(EVERY * i, EVERY * i + 1, 50 + i);
            for (int k = 0; k < light.length; k++) {
                light[k] /= 8;
            }
            low.add(MadeUpNight.taken(light, EVERY * i, 1));
        }
        Contest.Result r = Contest.of(low, high, Stack.STRIP_BYTES, () -> {});
        assertThat(r.liftStops()).isCloseTo(3, within(0.1));
        assertThat(r.quieter()).isCloseTo(2, within(0.3)); // the root of four times as many frames
        assertThat(r.better().light(1, 350, 100)).isCloseTo(night.level, within(0.01));
        assertThat(r.low().level()).isCloseTo(r.high().level(), within(0.002));
        assertThat(Contest.of(low.subList(0, 1), high, Stack.STRIP_BYTES, () -> {})
                        .quieter())
                .isLessThan(0.9);
    }

    /** A dark hill with a light wall on it: still, it is as sharp as in one frame; turned with the sky, smeared. */
    @Test
    void the_ground_stays_where_it_is() {
        List<Taken> frames = new ArrayList<>();
        for (int i = 0; i < FRAMES; i++) {
            float[] light = night.light(EVERY * i, EVERY * i + 1, i);
            for (int y = 380; y < MadeUpNight.H; y++) {
                for (int x = 0; x < MadeUpNight.W; x++) {
                    light[y * MadeUpNight.W + x] = x > 300 && x < 320 && y > 440 ? 0.006f : 0.001f;
                }
            }
            frames.add(MadeUpNight.taken(light, EVERY * i, 1));
        }
        assertThat(edge(stack(frames, false, true).picture())).isGreaterThan(0.8);
        assertThat(edge(stack(frames, false, false).picture())).isLessThan(0.6);
        assertThat(stack(frames, false, true).narrower()).isGreaterThan(0.9 * Math.sqrt(FRAMES));
    }

    /** The steepest step at the wall's left side, of its height. */
    private static double edge(Assembled p) {
        double most = 0;
        for (int x = 285; x < 315; x++) {
            most = Math.max(most, p.light(1, x + 1, 460) - p.light(1, x, 460));
        }
        return most / 0.005;
    }

    @Test
    void cloud_is_left_out_and_a_sky_without_stars_refused() {
        List<Taken> frames = frames();
        MadeUpNight cloud = new MadeUpNight(0, 0.5, 1);
        frames.set(3, MadeUpNight.taken(cloud.light(0, 1, 77), EVERY * 3, 1));
        assertThat(stack(frames, false, false).left()).containsExactly(3);
        List<Taken> grey =
                List.of(MadeUpNight.taken(cloud.light(0, 1, 1), 0, 1), MadeUpNight.taken(cloud.light(0, 1, 2), 10, 1));
        assertThatThrownBy(() -> stack(grey, false, false))
                .isInstanceOf(Taken.UnreadableFrame.class)
                .hasMessageContaining("too few stars");
    }
}
