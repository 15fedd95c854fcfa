package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How wide a point of light is drawn, and what of it burns, in pictures that are reduced by more and less. */
class StreakTest extends Painted {

    private static final double[] WHITE = {1, 1, 1};
    private static final int WIDE = 160;
    private static final int HIGH = 120;

    /** Pixel and seeing of 0.6, diffraction of 0.42 × 0.55 µm × 2.8 of 6 µm: sensor pixels. */
    private static final double SIGMA = Math.hypot(0.6, 0.42 * 0.55 * 2.8 / 6);

    StreakTest() {
        super(WIDE, HIGH);
    }

    private Exposure exposure(double binned) {
        Window window = new Window(SENSOR, WIDE, HIGH, 3000 - WIDE * binned / 2, 2000 - HIGH * binned / 2, binned);
        return open(shot(20, new Direction(180, 45), 10, 2.8, 0), window, 1000);
    }

    private static double lux(double electrons) {
        return electrons * 2.54e-6 / SkyElectrons.ofStar(0, 20, 2.8, 0.45);
    }

    /** Its own spread by so much less, and 0.58 pixels of the reduced picture that reducing makes of a point; at full size none of that. */
    @ParameterizedTest
    @CsvSource({"1, 0", "1.5, 0.58", "2.5, 0.58", "6.25, 0.58", "20, 0.58"})
    void a_faint_point(double binned, double reducing) {
        Exposure e = exposure(binned);
        Vector ahead = e.forward();
        e.glow(ahead, 0, ahead, 1, lux(30), WHITE);
        canvas.finish();
        double wanted =
                Math.sqrt(SIGMA * SIGMA / (binned * binned) + reducing * reducing * (1 - 1 / (binned * binned)));
        assertThat(spread(true)).isCloseTo(Math.max(0.45, wanted), within(0.05 * wanted));
        assertThat(spread(false)).isCloseTo(Math.max(0.45, wanted), within(0.05 * wanted));
        assertThat(sum(1)).isCloseTo(30 / binned / binned, within(0.02 * 30 / binned / binned));
    }

    /**
     * What burns is a disc of its own, the wider the brighter: within σ √(2 ln (peak / full)), by a third of whose square it is widened; of
     * its light what a full disc and its wings hold, as counted pixel by pixel.
     */
    @ParameterizedTest
    @CsvSource({"6.25, 2e7", "6.25, 4e8", "3, 5e7"})
    void a_point_that_burns(double binned, double electrons) {
        Exposure e = exposure(binned);
        Vector ahead = e.forward();
        e.glow(ahead, 0, ahead, 1, lux(electrons), WHITE);
        double light = electrons;
        double kept = 0;
        for (double y = -30.5; y <= 30; y++) {
            for (double x = -30.5; x <= 30; x++) {
                double here = light / (2 * Math.PI * SIGMA * SIGMA) * Math.exp(-(x * x + y * y) / (2 * SIGMA * SIGMA));
                kept += Math.min(500_000, here);
            }
        }
        double white = SIGMA * Math.sqrt(2 * Math.log(light / (2 * Math.PI * SIGMA * SIGMA) / 500_000));
        double radius = white / binned;
        double core = 0;
        for (int i = 0; i < canvas.electrons[1].length; i++) {
            double r = Math.hypot(i % WIDE + 0.5 - WIDE / 2.0, i / WIDE + 0.5 - HIGH / 2.0);
            core += r < 2.5 ? canvas.electrons[1][i] : 0;
        }
        assertThat(canvas.burntByStars()).isCloseTo(Math.PI * white * white, within(0.02 * Math.PI * white * white));
        double stray = 0.05 * electrons + 0.02 * electrons; // the narrower halos, some of them within
        assertThat(core).isBetween(0.8 * kept * 0.92 / binned / binned, (1.1 * kept + stray) / binned / binned);
        assertThat(radius).isLessThan(1.5);
    }

    /** A streak of forty sensor pixels of the same light burns less at each place: 2 σ' √… beside its whole length. */
    @Test
    void a_streak_that_burns() {
        Exposure e = exposure(4);
        Vector left = e.shot().framing().see(new Framing.Point(-0.12, 0));
        Vector right = e.shot().framing().see(new Framing.Point(0.12, 0));
        double electrons = 1e8;
        e.glow(left, 0, right, 1, lux(electrons), WHITE);
        double peak = electrons / (2 * Math.PI * SIGMA * SIGMA + 2.5066 * SIGMA * 40);
        double white = SIGMA * Math.sqrt(2 * Math.log(peak / 500_000));
        double burnt = white * (Math.PI * white + 2 * 40);
        assertThat(canvas.burntByStars()).isCloseTo(burnt, within(0.02 * burnt));
        canvas.finish();
        // ten pixels of the picture long: variance of a twelfth of its square
        assertThat(spread(true)).isBetween(2.9, 5.5);
    }

    /** Mirrored, it lies as far below the horizon, in three pieces along its way: a sixth, a half and five sixths of it. */
    @Test
    void a_light_in_water_is_drawn_out_along_its_way() {
        Canvas still = new Canvas(960, 640);
        Window whole = Window.whole(SENSOR, 960);
        Exposure e =
                new Exposure(SCENE, shot(20, new Direction(180, 0), 10, 2.8, 0), whole, TrailFrames.NONE, still, 1000);
        e.mirrored(new Direction(170, 4).vector(), 0, new Direction(190, 4).vector(), 1, 1e-4, WHITE);
        Framing.Point a = e.at(new Direction(170, -4).vector(), 0).orElseThrow();
        Framing.Point b = e.at(new Direction(190, -4).vector(), 0).orElseThrow();
        double[] column = new double[960];
        for (int i = 0; i < still.electrons[1].length; i++) {
            column[i % 960] += still.electrons[1][i];
        }
        for (int piece = 0; piece < 3; piece++) {
            double x = a.x() + (b.x() - a.x()) * (piece + 0.5) / 3;
            double here = 0;
            for (int i = (int) x - 6; i <= (int) x + 6; i++) {
                here += column[i];
            }
            assertThat(here / Arrays.stream(column).sum()).isCloseTo(1 / 3.0, within(0.02));
        }
    }
}
