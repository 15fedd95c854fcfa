package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import java.util.Optional;
import java.util.Random;
import org.hipparchus.special.Erf;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Boxes on even ground, turned by an angle, their edges the integral of a normal curve: without noise and without sky. */
class GroundEdgesTest {

    private static final int W = 480;
    private static final int H = 320;
    private static final double GROUND = 0.01;
    private static final Optics LENS = new Optics(Sensor.of(36, 24, 6000), 24, Projection.RECTILINEAR);

    private static double step(double inside, double sigma) {
        return 0.5 * (1 + Erf.erf(inside / sigma / Math.sqrt(2)));
    }

    /** Six of them, 60 × 40 pixels, each standing as often and as far beside itself. */
    private static MadeUpFrame boxes(double sigma, double degrees, double beside, double second) {
        MadeUpFrame frame = new MadeUpFrame(W, H, 1).sky(GROUND);
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        Random random = new Random(2);
        for (int k = 0; k < 6; k++) {
            double x0 = 85 + k % 3 * 140 + 20 * random.nextDouble();
            double y0 = 90 + k / 3 * 130 + 20 * random.nextDouble();
            double wide = 40 + 15 * random.nextDouble();
            for (int j = 0; j < H; j++) {
                for (int i = 0; i < W; i++) {
                    for (int copy = 0; copy < (beside > 0 ? 2 : 1); copy++) {
                        double dx = i + 0.5 - x0 - copy * beside;
                        double dy = j + 0.5 - y0;
                        double across = Math.abs(dx * cos + dy * sin);
                        double down = Math.abs(dy * cos - dx * sin);
                        if (across < wide / 2 + 20 && down < 40) {
                            double light = step(wide / 2 - across, sigma) * step(20 - down, sigma);
                            frame.light[j * W + i] += (float) ((copy == 0 ? 0.2 : second) * light);
                        }
                    }
                }
            }
        }
        return frame;
    }

    private static Optional<GroundReading> read(MadeUpFrame frame, double altitude) {
        Pixels pixels = frame.linear16();
        return GroundReading.of(
                pixels,
                Encoding.LINEAR,
                Optional.of(Framing.of(LENS, new Direction(150, altitude), 0)),
                SpotFinder.in(pixels).noise());
    }

    /** 2.3548 of the spread, and a little more: a slope over two pixels is less steep than the curve's by one in six of its square. */
    @ParameterizedTest(name = "sigma {0} at {1}\u00b0")
    @CsvSource({"1.2, 0", "1.6, 25", "2, 0", "2, 40", "3, 10", "3, 65"})
    void its_edges_are_as_wide_as_they_were_drawn(double sigma, double degrees) {
        GroundReading g = read(boxes(sigma, degrees, 0, 0), -40).orElseThrow();
        double wide = 2.3548 * sigma * (1 + 1 / (6 * sigma * sigma));
        assertThat(g.edgePx()).isCloseTo(wide, within(0.06 * wide));
        assertThat(g.twicePx()).isZero();
        assertThat(g.share()).isEqualTo(1);
        assertThat(g.level()).isCloseTo(Tone.position(GROUND), within(0.002));
    }

    @ParameterizedTest
    @ValueSource(ints = {8, 11, 24, 39})
    void it_stands_twice(int beside) {
        assertThat(read(boxes(1, 0, beside, 0.2), -40).orElseThrow().twicePx()).isEqualTo(beside);
    }

    /** A second one of a fifth is none, nor is one beyond forty pixels, nor nearer than four. */
    @ParameterizedTest
    @CsvSource({"11, 0.03", "46, 0.2", "3, 0.2"})
    void it_stands_once(int beside, double second) {
        assertThat(read(boxes(1, 0, beside, second), -40).orElseThrow().twicePx())
                .isZero();
    }

    /** Looking so high the horizon, half a degree deeper, stands so far below the middle: 24 mm, 13.33 pixels each. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 5, -10, 20})
    void land_is_what_lies_below_the_horizon(double altitude) {
        double row = H / 2.0 + 24 * Math.tan(Math.toRadians(altitude + 0.5)) * W / 36;
        GroundReading g = read(boxes(1.5, 0, 0, 0), altitude).orElseThrow();
        assertThat(g.share()).isCloseTo((H - row) / H, within(0.013));
    }

    @Test
    void no_land_is_no_reading() {
        MadeUpFrame frame = boxes(1.5, 0, 0, 0);
        assertThat(read(frame, 25)).isEmpty(); // 1.5 % of it
        assertThat(read(frame, 24)).isPresent(); // 3.8 %
        Pixels pixels = frame.linear16();
        assertThat(GroundReading.of(
                        pixels,
                        Encoding.LINEAR,
                        Optional.empty(),
                        SpotFinder.in(pixels).noise()))
                .isEmpty();
    }

    @Test
    void even_ground_has_no_edges() {
        GroundReading g =
                read(new MadeUpFrame(W, H, 3).sky(GROUND).noise(0.0005, 0), -40).orElseThrow();
        assertThat(g.edgePx()).isZero();
        assertThat(g.twicePx()).isZero();
    }
}
