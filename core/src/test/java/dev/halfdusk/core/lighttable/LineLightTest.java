package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.lighttable.Line.Kind;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How light goes along a line that was drawn without a star near it. */
class LineLightTest {

    private static final int W = 320;
    private static final int H = 240;
    private static final double LONG = 160;

    private static Line line(double degrees, DoubleUnaryOperator light) {
        return of(degrees, light).orElseThrow();
    }

    private static Optional<Line> of(double degrees, DoubleUnaryOperator light) {
        MadeUpFrame frame = new MadeUpFrame(W, H, 3).sky(0.02);
        double a = Math.toRadians(degrees);
        for (double at = -LONG / 2; at < LONG / 2; at += 0.25) {
            double here = light.applyAsDouble(at / LONG + 0.5);
            frame.star(160.3 + at * Math.cos(a), 119.6 + at * Math.sin(a), here / 8, 1.2, 0, 0, 0);
        }
        Pixels pixels = frame.linear16();
        double variance = LONG * LONG / 12;
        double along = Math.cos(2 * a) * variance / 2;
        Spot s = new Spot(
                160.3,
                119.6,
                1e6,
                (int) (65_535 * 0.5),
                100,
                900,
                variance / 2 + along + 1.44,
                variance / 2 - along + 1.44,
                Math.sin(2 * a) * variance / 2,
                0,
                0,
                W,
                H);
        return Line.of(s, pixels, LONG);
    }

    @ParameterizedTest
    @CsvSource({"0", "28", "90", "133", "179"})
    void an_even_line(double degrees) {
        Line l = line(degrees, s -> 0.2);
        assertThat(l.x()).isEqualTo(160.3);
        assertThat(l.y()).isEqualTo(119.6);
        assertThat(l.lengthPx()).isEqualTo(LONG);
        assertThat(Math.abs(Math.IEEEremainder(l.angleDeg() - degrees, 180))).isLessThan(0.1);
        assertThat(l.angleDeg()).isBetween(0.0, 180.0);
        assertThat(l.flashes()).isZero();
        assertThat(l.fades()).isFalse();
        assertThat(l.burnt()).isFalse();
        assertThat(l.kind()).isEqualTo(Kind.SATELLITE);
    }

    /** Five evenly apart are an aircraft's; as many at odd distances are stars on the way; two are too few. */
    @Test
    void flashes_are_evenly_apart() {
        Line five = line(20, s -> s % 0.2 > 0.08 && s % 0.2 < 0.12 ? 0.5 : 0.1);
        assertThat(five.flashes()).isEqualTo(5);
        assertThat(five.kind()).isEqualTo(Kind.AIRCRAFT);
        double[] odd = {0.1, 0.16, 0.4, 0.46, 0.9};
        Line stars = line(20, s -> {
            for (double at : odd) {
                if (Math.abs(s - at) < 0.008) {
                    return 0.5;
                }
            }
            return 0.1;
        });
        assertThat(stars.flashes()).isZero();
        assertThat(stars.kind()).isEqualTo(Kind.SATELLITE);
        Line two = line(20, s -> Math.abs(s - 0.3) < 0.015 || Math.abs(s - 0.7) < 0.015 ? 0.5 : 0.1);
        assertThat(two.flashes()).isEqualTo(2);
        assertThat(two.kind()).isEqualTo(Kind.SATELLITE);
        assertThat(line(20, s -> 0.1 + (s % 0.2 > 0.08 && s % 0.2 < 0.12 ? 0.03 : 0))
                        .flashes())
                .as("a third brighter is no flash")
                .isZero();
    }

    /** Both ends under six tenths of most of it: a meteor; one end alone is a line that began before the shutter did. */
    @Test
    void a_meteor_flares_up_and_dies() {
        assertThat(line(60, s -> 0.3 * Math.sin(Math.PI * s)).kind()).isEqualTo(Kind.METEOR);
        assertThat(line(60, s -> 0.3 * s).kind()).isEqualTo(Kind.SATELLITE);
        assertThat(line(60, s -> 0.3 * (1 - s)).kind()).isEqualTo(Kind.SATELLITE);
        assertThat(line(60, s -> s < 0.1 || s > 0.9 ? 0.24 : 0.3).fades()).isFalse();
        assertThat(line(60, s -> s < 0.1 || s > 0.9 ? 0.1 : 0.3).fades()).isTrue();
    }

    /** One side as bright as itself, or brighter on one side by more than it stands out. */
    @Test
    void an_edge_is_none() {
        MadeUpFrame frame = new MadeUpFrame(W, H, 3).sky(0.02);
        for (int y = 120; y < H; y++) {
            for (int x = 0; x < W; x++) {
                frame.light[y * W + x] = 0.1f;
            }
        }
        Spot s = new Spot(160, 120.5, 1e6, 6553, 100, 900, LONG * LONG / 12, 1.4, 0, 0, 0, W, H);
        assertThat(Line.of(s, frame.linear16(), LONG)).isEmpty();
        for (int x = 0; x < W; x++) {
            for (int k = 119; k <= 121; k++) {
                frame.light[k * W + x] = 0.3f;
            }
        }
        assertThat(Line.of(s, frame.linear16(), LONG)).isPresent();
    }

    @Test
    void beyond_the_frame_it_is_dark() {
        Spot s = new Spot(160, 2, 1e6, 65_000, 100, 900, LONG * LONG / 12, 1.4, 0, 0, 0, W, H);
        MadeUpFrame frame = new MadeUpFrame(W, H, 3).sky(0.02);
        for (int x = 0; x < W; x++) {
            frame.light[W + x] = 0.3f;
            frame.light[2 * W + x] = 0.3f;
        }
        Line l = Line.of(s, frame.linear16(), LONG).orElseThrow();
        assertThat(l.burnt()).isTrue();
        assertThat(l.angleDeg()).isCloseTo(0, within(1e-9));
    }
}
