package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.hipparchus.special.Erf;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Discs whose edge is an error function: what is read of a moon is what they were drawn with, to a part of a pixel. */
class RoundLightTest {

    private static final double SKY = 0.002;

    /**
     * A disc in a dark frame.
     *
     * @param phaseDeg half of it is cut off by an ellipse so far from the middle: 0 full, 90 half
     * @param sunDeg from where it is lit, +x towards +y
     */
    private record Disc(double x, double y, double radius, double level, double sigma, double phaseDeg, double sunDeg) {

        Disc(double x, double y, double radius, double level, double sigma) {
            this(x, y, radius, level, sigma, 0, 0);
        }

        double light(double px, double py) {
            double u = px - x;
            double v = py - y;
            double out = edge(radius - Math.hypot(u, v));
            double sun = Math.toRadians(sunDeg);
            double along = u * Math.cos(sun) + v * Math.sin(sun);
            double across = v * Math.cos(sun) - u * Math.sin(sun);
            double chord = Math.sqrt(Math.max(0, radius * radius - across * across));
            double terminator = -chord * Math.cos(Math.toRadians(phaseDeg));
            return level * Math.min(out, phaseDeg == 0 ? 1 : edge(along - terminator));
        }

        private double edge(double inside) {
            return 0.5 * (1 + Erf.erf(inside / sigma / Math.sqrt(2)));
        }
    }

    private static MadeUpFrame frame(int width, int height, Disc... discs) {
        MadeUpFrame frame = new MadeUpFrame(width, height, 1).sky(SKY);
        for (int j = 0; j < height; j++) {
            for (int i = 0; i < width; i++) {
                for (Disc d : discs) {
                    frame.light[j * width + i] += (float) d.light(i + 0.5, j + 0.5);
                }
            }
        }
        return frame;
    }

    private static MoonReading read(int width, int height, Disc... discs) {
        return MoonReading.of(frame(width, height, discs).linear16(), Encoding.LINEAR)
                .orElseThrow();
    }

    @ParameterizedTest(name = "at {0}, {1}, radius {2}, sigma {4}")
    @CsvSource({
        "120.3, 81.7, 40, 0.5, 1.2",
        "60.4, 60.2, 30, 0.3, 2",
        "190, 100, 35.5, 0.8, 1.5",
        "125, 75, 14, 0.5, 1",
        "125, 80, 60, 0.5, 3"
    })
    void a_full_one(double x, double y, double radius, double level, double sigma) {
        MoonReading m = read(250, 160, new Disc(x, y, radius, level, sigma));
        assertThat(m.x()).isCloseTo(x, within(0.4));
        assertThat(m.y()).isCloseTo(y, within(0.4));
        assertThat(m.radiusPx()).isCloseTo(radius, within(0.4));
        assertThat(m.edgePx()).isCloseTo(2.35482 * sigma, within(0.06 * 2.35482 * sigma));
        assertThat(m.smearPx()).isZero();
        assertThat(m.level()).isCloseTo(SKY + level, within(0.002));
        assertThat(m.litShare()).isBetween(0.97, 1.0);
        assertThat(m.burnt()).isZero();
        assertThat(m.limbBurnt()).isZero();
    }

    /** Lit from any side: its lit share is that of the ellipse, its middle and radius those of the whole disc. */
    @ParameterizedTest(name = "phase {0}, lit from {1}")
    @CsvSource({"60, 0", "60, 90", "90, 200", "90, 305", "120, 45", "120, 270"})
    void one_lit_from_aside(double phase, double sun) {
        MoonReading m = read(220, 220, new Disc(108.3, 111.6, 60, 0.5, 1.2, phase, sun));
        assertThat(m.x()).isCloseTo(108.3, within(0.3));
        assertThat(m.y()).isCloseTo(111.6, within(0.3));
        assertThat(m.radiusPx()).isCloseTo(60, within(0.3));
        double lit = (1 + Math.cos(Math.toRadians(phase))) / 2;
        assertThat(m.litShare()).isCloseTo(lit, within(0.03));
        assertThat(m.edgePx()).isCloseTo(2.35482 * 1.2, within(0.25));
        assertThat(m.smearPx()).isZero();
    }

    /** Drawn along a line of 8 pixels, in steps. */
    @ParameterizedTest
    @CsvSource({"0", "35", "90", "140"})
    void one_that_moved(double angle) {
        MadeUpFrame sum = new MadeUpFrame(160, 160, 1);
        int steps = 16;
        for (int k = 0; k < steps; k++) {
            double along = 8 * ((k + 0.5) / steps - 0.5);
            double turn = Math.toRadians(angle);
            MadeUpFrame one =
                    frame(160, 160, new Disc(80 + along * Math.cos(turn), 80 + along * Math.sin(turn), 40, 0.5, 1.2));
            for (int i = 0; i < sum.light.length; i++) {
                sum.light[i] += one.light[i] / steps;
            }
        }
        MoonReading m = MoonReading.of(sum.linear16(), Encoding.LINEAR).orElseThrow();
        assertThat(m.x()).isCloseTo(80, within(2.5));
        assertThat(m.radiusPx()).isCloseTo(40, within(2.3));
        assertThat(m.smearPx()).isCloseTo(8, within(0.8));
        assertThat(Math.abs((m.smearDeg() - angle + 270) % 180 - 90)).isLessThan(2);
        assertThat(m.edgePx()).isCloseTo(2.35482 * 1.2, within(0.7));
    }

    /** White within half its radius is a quarter of it and nothing of its limb; white from 54.4 to 59.4 of 60, where its light passes 0.97. */
    @Test
    void what_is_white_of_it() {
        MoonReading middle = read(200, 200, new Disc(100, 100, 60, 0.5, 0.8), new Disc(100, 100, 30, 0.6, 0.5));
        assertThat(middle.burnt()).isCloseTo(0.25, within(0.01));
        assertThat(middle.limbBurnt()).isZero();
        MoonReading rim = read(200, 200, new Disc(100, 100, 60, 1.1, 0.5), new Disc(100, 100, 54, -0.6, 0.5));
        assertThat(rim.burnt()).isCloseTo((59.4 * 59.4 - 54.4 * 54.4) / 3600, within(0.006));
        assertThat(rim.limbBurnt()).isCloseTo((58.2 * 58.2 - 54.4 * 54.4) / (58.2 * 58.2 - 51 * 51), within(0.04));
        assertThat(rim.level()).isCloseTo(0.502, within(0.002));
    }

    /** Of two the larger, though the other is brighter. */
    @Test
    void the_largest_counts() {
        MoonReading m = read(300, 150, new Disc(70, 75, 35, 0.4, 1.2), new Disc(230, 75, 20, 0.8, 1.2));
        assertThat(m.x()).isCloseTo(70, within(0.4));
        assertThat(m.radiusPx()).isCloseTo(35, within(0.4));
        MoonReading other = read(300, 150, new Disc(70, 75, 20, 0.8, 1.2), new Disc(230, 75, 35, 0.4, 1.2));
        assertThat(other.x()).isCloseTo(230, within(0.4));
    }

    /** Cut by the frame its limb is still a circle; whole in a corner it is a moon too, whose edge is measured towards the frame's inside alone. */
    @ParameterizedTest
    @CsvSource({
        "30, 100, 45, 0.4", "170, 100, 45, 0.4", "100, 30, 45, 0.4", "100, 170, 45, 0.4",
        "21.3, 22.4, 20, 1.2", "178.6, 21.7, 20, 1.2", "22.4, 178.3, 20, 1.2", "177.7, 178.6, 20, 1.2"
    })
    void one_at_the_edge(double x, double y, double radius, double within) {
        MoonReading m = read(200, 200, new Disc(x, y, radius, 0.5, 1.2));
        assertThat(m.x()).isCloseTo(x, within(0.4));
        assertThat(m.y()).isCloseTo(y, within(0.4));
        assertThat(m.radiusPx()).isCloseTo(radius, within(within));
    }

    /** The upper part of a disc behind a ridge is one as long as its chord, 1.43 or 1.2 radii, is longer than 1.3 of them. */
    @ParameterizedTest
    @CsvSource({"0.7, true", "0.8, false"})
    void one_that_has_nearly_set(double share, boolean seen) {
        MadeUpFrame frame = frame(200, 200, new Disc(100, 120, 60, 0.5, 1.2));
        for (int j = (int) (120 - 60 * share); j < 200; j++) {
            for (int i = 0; i < 200; i++) {
                frame.light[j * 200 + i] = (float) SKY;
            }
        }
        assertThat(MoonReading.of(frame.linear16(), Encoding.LINEAR).isPresent())
                .isEqualTo(seen);
    }

    /** A wall that joins it is not of it: more than three hundredths of all that is bright lie without the circle. */
    @ParameterizedTest
    @CsvSource({"4, 12, true", "30, 60, false"})
    void a_wall_beside_it(int wide, int high, boolean seen) {
        MadeUpFrame frame = frame(240, 200, new Disc(100, 100, 40, 0.5, 1.2));
        for (int j = 100 - high / 2; j < 100 + high / 2; j++) {
            for (int i = 138; i < 142 + wide; i++) {
                frame.light[j * 240 + i] = 0.5f;
            }
        }
        Optional<MoonReading> m = MoonReading.of(frame.linear16(), Encoding.LINEAR);
        assertThat(m.isPresent()).isEqualTo(seen);
        m.ifPresent(r -> assertThat(r.radiusPx()).isCloseTo(40, within(0.6)));
    }

    @Test
    void what_is_none() {
        assertThat(MoonReading.of(frame(200, 200).linear16(), Encoding.LINEAR)).isEmpty();
        assertThat(MoonReading.of(
                        frame(200, 200, new Disc(100, 100, 10, 0.5, 1)).linear16(), Encoding.LINEAR))
                .isEmpty();
        assertThat(MoonReading.of(
                        frame(200, 200, new Disc(100, 100, 13, 0.5, 1)).linear16(), Encoding.LINEAR))
                .isPresent();
        assertThat(MoonReading.of(
                        frame(200, 200, new Disc(100, 100, 40, 4.5 * SKY, 1)).linear16(), Encoding.LINEAR))
                .as("not six times as bright as its sky")
                .isEmpty();
        assertThat(MoonReading.of(
                        frame(200, 200, new Disc(100, 100, 40, 5.5 * SKY, 1)).linear16(), Encoding.LINEAR))
                .isPresent();
        MadeUpFrame board = frame(200, 200);
        for (int j = 60; j < 140; j++) {
            for (int i = 50; i < 150; i++) {
                board.light[j * 200 + i] = 0.5f;
            }
        }
        assertThat(MoonReading.of(board.linear16(), Encoding.LINEAR))
                .as("a board")
                .isEmpty();
    }
}
