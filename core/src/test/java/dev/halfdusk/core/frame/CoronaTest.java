package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.SolarLight;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class CoronaTest {

    /** Without streamers: what is exposed for, and less the higher it is against 1.6 radii. */
    private static final Corona ROUND = new Corona(filled(1));

    private static float[][] filled(float by) {
        float[][] table = new float[48][1440];
        for (float[] row : table) {
            Arrays.fill(row, by);
        }
        return table;
    }

    @ParameterizedTest
    @CsvSource({"1.1, 0, 0.1", "0, 1.5, 0.5", "-2, 0, 1", "0, -4, 3", "1.8, 2.4, 2"})
    void it_is_as_bright_as_its_ladder(double u, double v, double height) {
        double thinner = 1 + Math.pow(height / 1.6, 2);
        assertThat(ROUND.luminance(u, v, 0.001))
                .isCloseTo(SolarLight.luminance(SolarLight.corona(height)) / thinner, within(1e-6 * 1e4));
    }

    /** On the limb at most as bright as its exponent of 8, half a pixel high at least; none within it but for two pixels. */
    @Test
    void it_begins_at_the_limb() {
        assertThat(ROUND.luminance(1.0, 0, 1e-6)).isCloseTo(SolarLight.luminance(8), within(1e-3));
        double half = 0.1;
        assertThat(ROUND.luminance(0, 1.0, 0.2))
                .isCloseTo(SolarLight.luminance(SolarLight.corona(half)) / (1 + Math.pow(half / 1.6, 2)), within(1e-3));
        assertThat(ROUND.luminance(0, 0.61, 0.2)).isPositive();
        assertThat(ROUND.luminance(0, 0.59, 0.2)).isZero();
    }

    private static double streamer(float[][] table, double angleDeg, double height) {
        double r = 1 + height;
        double a = Math.toRadians(angleDeg);
        return new Corona(table).luminance(r * Math.cos(a), r * Math.sin(a), 1e-4)
                / ROUND.luminance(r * Math.cos(a), r * Math.sin(a), 1e-4);
    }

    /** A table of 1440 angles from west through north, and of 48 heights by the logarithm of what lies between 1 and 20 radii. */
    @ParameterizedTest
    @ValueSource(doubles = {0.02, 0.31, 1.7, 6, 14, 18.9})
    void streamers_are_looked_up_by_angle_and_height(double height) {
        float[][] byHeight = new float[48][1440];
        float[][] byAngle = new float[48][1440];
        for (int h = 0; h < 48; h++) {
            for (int a = 0; a < 1440; a++) {
                byHeight[h][a] = 1 + h;
                byAngle[h][a] = 1 + Math.abs(a - 720);
            }
        }
        double row = Math.log(1 + height) / Math.log(20) * 47;
        assertThat(streamer(byHeight, 33, height)).isCloseTo(1 + row, within(0.01));
        for (double angle : new double[] {0, 0.1, 45.06, 90, 179.9, 181.2, 270.3, 359.95}) {
            assertThat(streamer(byAngle, angle, height)).isCloseTo(1 + Math.abs(4 * angle - 720), within(0.05));
        }
    }

    /** Nothing beyond twenty radii is asked for: the last row serves. */
    @Test
    void far_out_the_last_row_serves() {
        float[][] table = filled(1);
        Arrays.fill(table[47], 7);
        assertThat(streamer(table, 10, 40)).isCloseTo(7, within(0.02));
    }

    /**
     * Drawn out along an equator that stands 17° off: the logarithm grows by 0.55 (0.25 + 0.5 h) times the cosine of twice the angle, h
     * being the table's; broad and fine noise about it is as much to one side as to the other.
     */
    @Test
    void streamers_stand_about_the_equator() {
        float[][] table = Corona.table();
        for (int h : new int[] {0, 12, 30, 47}) {
            double height = Math.log(20) * h / 47;
            double grows = 0.25 + 0.5 * height;
            double along = 0;
            double across = 0;
            double mean = 0;
            double rough = 0;
            for (int a = 0; a < 1440; a++) {
                double angle = 2 * Math.PI * a / 1440;
                double log = Math.log(table[h][a]);
                mean += log / 1440;
                along += log * Math.cos(2 * (angle - Math.toRadians(17))) / 720;
                across += log * Math.sin(2 * (angle - Math.toRadians(17))) / 720;
                rough += Math.abs(log - Math.log(table[h][(a + 8) % 1440])) / 1440;
            }
            assertThat(along / grows).isCloseTo(0.55, within(0.3));
            assertThat(across / grows).isCloseTo(0, within(0.35));
            assertThat(mean / grows).isCloseTo(0, within(0.35));
            assertThat(rough).isBetween(0.01, 0.35);
        }
        double inner = spread(table[0]);
        double outer = spread(table[40]);
        assertThat(outer / inner).isBetween(3.0, 9.0); // 0.25 + 0.5 × 2.55 are six times 0.25
    }

    private static double spread(float[] row) {
        double sum = 0;
        double squares = 0;
        for (float f : row) {
            sum += Math.log(f) / row.length;
            squares += Math.pow(Math.log(f), 2) / row.length;
        }
        return Math.sqrt(squares - sum * sum);
    }

    private static double glows(double angleDeg, double height) {
        double a = Math.toRadians(angleDeg);
        double r = 1 + height;
        return Corona.prominence(r * Math.cos(a), r * Math.sin(a), r);
    }

    /** The six there are: none higher than its height by its raggedness, none beside its width, all of them at the limb. */
    @ParameterizedTest
    @CsvSource({"28, 4, 0.05", "47, 2, 0.03", "121, 3, 0.035", "203, 5, 0.06", "251, 2.5, 0.03", "318, 3.5, 0.045"})
    void prominences_stand_where_they_are(double angle, double wide, double high) {
        assertThat(glows(angle, 0)).isEqualTo(1);
        assertThat(glows(angle - 360, 0)).isEqualTo(1);
        assertThat(glows(angle + wide * 1.01, 0)).isZero();
        assertThat(glows(angle - wide * 1.01, 0)).isZero();
        assertThat(glows(angle, 1.46 * high)).isZero();
        assertThat(glows(angle, 0.5 * high)).isPositive();
        // 0.6 of the way aside it is 0.64 as high
        assertThat(glows(angle + 0.6 * wide, 0.64 * 1.46 * high)).isZero();
        assertThat(glows(angle - 0.6 * wide, 0.6 * 0.5 * high)).isPositive();
    }

    /** Its top is ragged: between 0.55 and 1.45 of its height by noise, and soft over 0.006 of a radius. */
    @Test
    void a_prominence_ends_softly() {
        double lowest = 1;
        double highest = 0;
        int soft = 0;
        for (double off = -4; off <= 4; off += 0.05) {
            for (double height = 0; height < 0.09; height += 0.002) {
                double a = Math.toRadians(203 + off);
                double r = 1 + height;
                double ragged =
                        0.55 + 0.9 * Noise.fractal(4111, 60 * r * Math.cos(a) + 200, 60 * r * Math.sin(a) + 200, 3);
                double top = 0.06 * (1 - off * off / 25) * ragged;
                double wanted = Math.max(0, Math.min(1, (top - height) / 0.006));
                assertThat(glows(203 + off, height)).isCloseTo(wanted, within(1e-6));
                soft += wanted > 0 && wanted < 1 ? 1 : 0;
                lowest = Math.min(lowest, ragged);
                highest = Math.max(highest, ragged);
            }
        }
        assertThat(soft).isGreaterThan(100);
        assertThat(lowest).isBetween(0.55, 0.95);
        assertThat(highest).isBetween(1.05, 1.45);
    }
}
