package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * A disc of half of white and 20 pixels, and a long exposure that is burnt over 50 pixels about a place 5 pixels beside it, from where its glow
 * falls as the square of the distance.
 */
class MoonAndLandTest {

    private static final int W = 320;
    private static final int H = 240;
    private static final double X = 164;
    private static final double Y = 107;

    /** Light at the middle of a pixel. */
    private interface Light {
        double at(int colour, double x, double y);
    }

    private static Taken taken(Light light) {
        return MadeUpNight.undated(MadeUpNight.raster(W, H, (c, x, y) -> light.at(c, x + 0.5, y + 0.5)));
    }

    private static double disc(double x, double y) {
        return 0.002 + 0.5 / (1 + Math.exp(2 * (Math.hypot(x - X + 4, y - Y - 3) - 20)));
    }

    /** Red is a fifth brighter, where it is not burnt. */
    private static double glow(int colour, double x, double y, double burnt) {
        double r = Math.hypot(x - X, y - Y);
        return r < burnt ? 1 : (colour == 0 ? 1.2 : 1) * 0.6 * burnt * burnt / (r * r);
    }

    private static final Taken DARK = taken((c, x, y) -> disc(x, y));

    private static MoonAndLand.Result of(Light bright) {
        return MoonAndLand.of(taken(bright), DARK, () -> {});
    }

    private static double at(MoonAndLand.Result r, int colour, double off) {
        return r.picture().light(colour, (int) (X + off), (int) Y);
    }

    @Test
    void the_disc_stands_where_it_is_burnt() {
        MoonAndLand.Result r = of((c, x, y) -> glow(c, x, y, 50));
        assertThat(r.movedPx()).isCloseTo(5, within(0.2));
        assertThat(r.burntRadii()).isCloseTo(2.5, within(0.1));
        assertThat(r.moon().radiusPx()).isCloseTo(20, within(0.5));
        assertThat(r.picture().width()).isEqualTo(W);
        for (int off = -17; off <= 17; off++) {
            assertThat(at(r, 1, off)).as("at %d", off).isCloseTo(0.502, within(0.012));
        }
    }

    /**
     * Three fifths of the disc's light at the limb; down from there by a parabola to where it is left alone: at three fifths of that, 0.18, 91 pixels
     * out. In the hue that it has there.
     */
    @Test
    void the_glow_grows_evenly_to_the_limb() {
        MoonAndLand.Result r = of((c, x, y) -> glow(c, x, y, 50));
        for (int off = 24; off < 150; off++) {
            double inwards = Math.max(0, Math.min(1, (92 - off - 0.5) / (92 - 20)));
            double wanted =
                    off < 92 ? 0.178 + (0.301 - 0.178) * inwards * (2 - inwards) : glow(1, X + off + 0.5, Y + 0.5, 50);
            assertThat(at(r, 1, off)).as("at %d", off).isCloseTo(wanted, within(0.008));
            assertThat(at(r, 0, off) / at(r, 1, off)).as("at %d", off).isCloseTo(1.2, within(0.03));
            assertThat(at(r, 2, off)).isCloseTo(at(r, 1, off), within(0.001));
        }
        assertThat(at(r, 1, 151)).isCloseTo(glow(1, X + 151.5, Y + 0.5, 50), within(0.0002));
    }

    /** Beyond the frame nothing is burnt, and it is as large as where it can be seen. */
    @ParameterizedTest
    @CsvSource({"30, 28", "290, 30", "32, 212", "288, 210"})
    void it_may_stand_at_an_edge(double x0, double y0) {
        AtomicInteger steps = new AtomicInteger();
        MoonAndLand.Result r = MoonAndLand.of(
                taken((c, x, y) -> disc(x - x0 + X, y - y0 + Y)),
                taken((c, x, y) -> glow(c, x - x0 + X, y - y0 + Y, 50)),
                steps::incrementAndGet);
        assertThat(steps).hasValue(2);
        assertThat(r.movedPx()).isCloseTo(5, within(0.6));
        assertThat(r.burntRadii()).isCloseTo(2.5, within(0.1));
        for (int off = -15; off <= 15; off++) {
            assertThat(r.picture().light(1, (int) x0 + off, (int) y0)).isCloseTo(0.502, within(0.012));
            assertThat(r.picture().light(1, (int) x0, (int) y0 + off)).isCloseTo(0.502, within(0.012));
        }
    }

    /** Of a frame that is burnt all over nothing tells where: the moon stays where it is. */
    @Test
    void burnt_beyond_the_frame_it_stays_where_it_is() {
        MoonAndLand.Result r = MoonAndLand.of(
                taken((c, x, y) -> disc(x + 70, y + 40)), taken((c, x, y) -> x > 310 ? 0.3 : 1), () -> {});
        assertThat(r.movedPx()).isZero();
        assertThat(r.picture().light(1, (int) X - 4 - 70, (int) Y + 3 - 40)).isCloseTo(0.502, within(0.012));
    }

    /** What is drawn in the glow counts from 51 px, where nothing is burnt any more, and in full from three tenths farther out. */
    @Test
    void what_is_drawn_in_the_glow_comes_in_by_and_by() {
        MoonAndLand.Result plain = of((c, x, y) -> glow(c, x, y, 50));
        MoonAndLand.Result r = of((c, x, y) -> (x > X && Math.abs(y - Y) < 2 ? 0.8 : 1) * glow(c, x, y, 50));
        assertThat(r.movedPx()).isCloseTo(5, within(0.2));
        for (int off = 45; off < 150; off++) {
            double own = Math.max(0, Math.min(1, (off + 0.5 - 51) / (0.3 * 51)));
            assertThat(at(r, 1, off) / at(plain, 1, off)).as("at %d", off).isCloseTo(1 - 0.2 * own, within(0.02));
        }
    }

    /** A branch of a hundredth of white before the burnt light is kept; beyond it what is drawn in the glow is kept as a share of it. */
    @Test
    void what_stands_before_it_stays() {
        MoonAndLand.Result r = of((c, x, y) -> x > X + 28 && x < X + 32 && y > Y - 10
                ? 0.01
                : x > X + 76 && x < X + 80 ? 0.8 * glow(c, x, y, 50) : glow(c, x, y, 50));
        assertThat(at(r, 1, 30)).isCloseTo(0.01, within(0.001));
        assertThat(at(r, 1, 35)).isGreaterThan(0.25);
        assertThat(at(r, 1, 78) / at(r, 1, 82)).isCloseTo(0.82, within(0.05));
    }

    /** Whichever comes first; its stops from mean to mean. */
    @ParameterizedTest
    @CsvSource({"true", "false"})
    void the_darker_shows_the_moon(boolean darkFirst) {
        Taken bright = taken((c, x, y) -> glow(c, x, y, 50));
        MoonAndLand.Result r =
                darkFirst ? MoonAndLand.of(DARK, bright, () -> {}) : MoonAndLand.of(bright, DARK, () -> {});
        assertThat(r.movedPx()).isCloseTo(5, within(0.2));
        double dark = 0;
        double light = 0;
        for (int j = 0; j < H; j++) {
            for (int i = 0; i < W; i++) {
                dark += disc(i + 0.5, j + 0.5);
                light += (glow(0, i + 0.5, j + 0.5, 50)
                                + 2 * glow(1, i + 0.5, j + 0.5, 50)
                                + glow(2, i + 0.5, j + 0.5, 50))
                        / 4;
            }
        }
        assertThat(r.apartStops()).isCloseTo(Math.log(light / dark) / Math.log(2), within(0.15));
    }

    /** Less than a fifth of the square of its radius is not burnt: 80 pixels, 5.05 about a middle. */
    @Test
    void a_frame_that_is_not_burnt_is_refused() {
        assertThatThrownBy(() -> of((c, x, y) -> Math.hypot(x - X, y - Y) < 4.6 ? 1 : 0.3))
                .isInstanceOf(Taken.UnreadableFrame.class)
                .hasMessageContaining("not burnt");
        assertThat(of((c, x, y) -> Math.hypot(x - X, y - Y) < 5.6 ? 1 : 0.3).burntRadii())
                .isCloseTo(1, within(0.05));
        assertThatThrownBy(() -> MoonAndLand.of(taken((c, x, y) -> 0.01), taken((c, x, y) -> 0.1), () -> {}))
                .isInstanceOf(Taken.UnreadableFrame.class)
                .hasMessageContaining("no moon");
    }
}
