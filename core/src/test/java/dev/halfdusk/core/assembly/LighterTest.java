package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.lighttable.Encoding;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Four bursts over one lit shore. */
class LighterTest {

    private static final int W = MadeUpNight.W;
    private final MadeUpNight dark = new MadeUpNight(0, 0.5, 1);
    private final MadeUpLand shore = new MadeUpLand(5);

    LighterTest() {
        dark.level = 0.01;
        shore.level = 0.08;
    }

    private float[] burst(int i, double dx, double dy) {
        float[] light = dark.light(0, 1, i);
        shore.onto(light, dx, dy);
        double x = 120 + 130 * i;
        double y = 150 + 20 * (i % 2);
        for (int k = 0; k < 24; k++) {
            double angle = Math.toRadians(15.0 * k);
            dark.line(light, x, y, x + 55 * Math.cos(angle), y + 55 * Math.sin(angle), 0.6);
        }
        return light;
    }

    private static Lighter.Result of(List<float[]> frames) {
        return Lighter.of(
                IntStream.range(0, frames.size())
                        .mapToObj(i -> MadeUpNight.taken(frames.get(i), 5 * i, 3))
                        .toList(),
                () -> {});
    }

    @Test
    void all_bursts_stand_over_one_shore() {
        Lighter.Result r = of(List.of(burst(0, 0, 0), burst(1, 0, 0), burst(2, 0, 0), burst(3, 0, 0)));
        assertThat(r.unlike()).isEmpty();
        assertThat(r.unsure()).isEmpty();
        assertThat(r.stillStops()).isLessThan(0.1);
        for (int i = 0; i < 4; i++) {
            assertThat(r.picture().light(1, 150 + 130 * i, 150 + 20 * (i % 2))).isGreaterThan(0.2);
        }
        assertThat(r.picture().light(1, 430, 420)).isCloseTo(0.24, within(0.02));
    }

    /** Though bursts are the brightest of it and each frame has another. */
    @ParameterizedTest
    @CsvSource({"3.4,-1.8", "-11,6.3", "1.2,0.4"})
    void a_frame_of_a_tripod_that_was_kicked_is_laid_back(double dx, double dy) {
        Lighter.Result r = of(List.of(burst(0, 0, 0), burst(1, dx, dy), burst(2, 0, 0)));
        assertThat(r.unlike()).extracting(Lighter.Unlike::frame).containsExactly(1);
        assertThat(r.unlike().get(0).movedPx()).isCloseTo(Math.hypot(dx, dy), within(0.35));
        // the skyline stands once: as high above the shore as in one frame
        Assembled one = of(List.of(burst(0, 0, 0), burst(0, 0, 0))).picture();
        int off = 0;
        for (int x = 20; x < W - 20; x++) {
            int y = (int) MadeUpLand.row(x) - 3;
            off += Math.abs(r.picture().light(1, x, y) - one.light(1, x, y)) > 0.02 ? 1 : 0;
        }
        assertThat(off / (W - 40.0)).isLessThan(0.12); // but for where its neighbours bend into it
    }

    /** A sky that turns moves as one, and is nothing that stands still. */
    @Test
    void stars_are_not_taken_for_what_stands_still() {
        MadeUpNight night = new MadeUpNight(260, 0.7, 8);
        Lighter.Result r = of(List.of(night.light(0, 1, 1), night.light(12, 13, 2), night.light(24, 25, 3)));
        assertThat(r.unlike()).isEmpty();
        assertThat(r.unsure()).containsExactly(1, 2);
    }

    @Test
    void a_frame_of_another_exposure_is_told_and_one_without_anything_still_is_doubted() {
        float[] brighter = burst(1, 0, 0);
        for (int i = 0; i < brighter.length; i++) {
            brighter[i] *= 2;
        }
        assertThat(of(List.of(burst(0, 0, 0), brighter)).stillStops()).isCloseTo(1, within(0.12));
        assertThat(of(List.of(burst(0, 0, 0), dark.light(0, 1, 9))).unsure()).containsExactly(1);
        Taken small = MadeUpNight.undated(
                Raster.of(new byte[3 * 40 * 40], 40, 40, new int[] {0, 1, 2}, 120, 3, Encoding.SRGB));
        List<Taken> two = List.of(MadeUpNight.taken(burst(0, 0, 0), 0, 1), small);
        assertThatThrownBy(() -> Lighter.of(two, () -> {}))
                .isInstanceOf(Taken.UnreadableFrame.class)
                .hasMessageContaining("40 × 40");
    }
}
