package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.lighttable.Line.Kind;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Lines drawn by hand across stars: even, flashing, flaring up. */
class LineTest {

    private interface Light {
        double at(double share);
    }

    private static List<Line> lines(long seed, double degrees, Light light) {
        MadeUpFrame frame =
                new MadeUpFrame(900, 600, seed).sky(0.02).stars(150, 0.01, 0.3, 0, (x, y) -> new double[] {0.9, 0, 0});
        double angle = Math.toRadians(degrees);
        for (double at = -130; at < 130; at += 0.5) {
            frame.star(
                    450 + at * Math.cos(angle),
                    300 + at * Math.sin(angle),
                    0.5 * light.at((at + 130) / 260),
                    0.9,
                    0,
                    0,
                    0);
        }
        return LightTable.read(frame.noise(0.001, 0.01).linear16(), Known.NOTHING)
                .lines();
    }

    @Test
    void aircraft_satellites_and_meteors_are_told_apart() {
        Random random = new Random(9);
        int right = 0;
        int meteors = 0;
        int all = 4;
        for (int i = 0; i < all; i++) {
            double degrees = 180 * random.nextDouble();
            double apart = 0.07 + 0.08 * random.nextDouble();
            right += is(Kind.SATELLITE, lines(i, degrees, s -> 0.1)) ? 1 : 0;
            right += is(Kind.AIRCRAFT, lines(i, degrees, s -> s % apart < 0.02 ? 0.4 : 0.06)) ? 1 : 0;
            meteors +=
                    is(Kind.METEOR, lines(i, degrees, s -> 0.25 * Math.pow(Math.sin(Math.PI * s), 2) + 0.005)) ? 1 : 0;
        }
        assertThat(right).isGreaterThanOrEqualTo(2 * all - 1);
        assertThat(meteors).isGreaterThanOrEqualTo(all - 1);
    }

    private static boolean is(Kind kind, List<Line> lines) {
        return lines.size() == 1 && lines.get(0).kind() == kind;
    }

    /** The skyline of a roof is as bright on one side as itself. */
    @Test
    void an_edge_is_no_line() {
        MadeUpFrame frame =
                new MadeUpFrame(900, 600, 4).sky(0.02).stars(150, 0.01, 0.3, 0, (x, y) -> new double[] {0.9, 0, 0});
        for (int y = 500; y < 600; y++) {
            for (int x = 100; x < 800; x++) {
                frame.light[y * 900 + x] = 0.12f;
            }
        }
        assertThat(LightTable.read(frame.noise(0.001, 0.01).linear16(), Known.NOTHING)
                        .lines())
                .isEmpty();
    }
}
