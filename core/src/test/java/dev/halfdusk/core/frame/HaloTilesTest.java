package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A square of light that is spread, against the bell that it should be. */
class HaloTilesTest {

    private static final int WIDTH = 300;
    private static final int HEIGHT = 240;

    private static Canvas sky() {
        Canvas canvas = new Canvas(WIDTH, HEIGHT);
        Arrays.fill(canvas.open, 1);
        return canvas;
    }

    /** One lit pixel in a dark square, brightest in red and dark in blue. */
    private static float[][] lit(int size, int x, int y, float light) {
        float[][] square = new float[3][size * size];
        square[0][y * size + x] = 2 * light;
        square[1][y * size + x] = light;
        return square;
    }

    private record Spread(double sum, double x, double y, double sigmaX, double sigmaY) {

        static Spread of(float[] light) {
            double sum = 0;
            double x = 0;
            double y = 0;
            double xx = 0;
            double yy = 0;
            for (int i = 0; i < light.length; i++) {
                double px = i % WIDTH + 0.5;
                double py = i / WIDTH + 0.5;
                sum += light[i];
                x += light[i] * px;
                y += light[i] * py;
                xx += light[i] * px * px;
                yy += light[i] * py * py;
            }
            x /= sum;
            y /= sum;
            return new Spread(sum, x, y, Math.sqrt(xx / sum - x * x), Math.sqrt(yy / sum - y * y));
        }
    }

    /** Its light goes where it was, half a tile off at most, and as wide as it should within a tenth. */
    @ParameterizedTest(name = "a square of {0}, lit at {1}, {2}, spread by {3}")
    @CsvSource({
        "20, 3, 17, 4",
        "20, 0, 0, 4.5",
        "20, 19, 19, 6",
        "21, 10, 4, 9.2",
        "60, 44, 31, 16",
        "7, 3, 3, 1.6",
        "33, 32, 0, 3.1"
    })
    void light_is_spread_about_where_it_was(int size, int x, int y, double sigma) {
        Canvas canvas = sky();
        HaloTiles.of(lit(size, x, y, 1000), size, sigma).add(canvas, 120, 90, 0.25);
        Spread green = Spread.of(canvas.electrons[1]);
        double tile = Math.max(1, Math.floor(sigma / 1.5));
        assertThat(green.sum()).isCloseTo(250, within(0.3));
        assertThat(green.x()).isCloseTo(120 + x + 0.5, within(tile / 2 + 0.05));
        assertThat(green.y()).isCloseTo(90 + y + 0.5, within(tile / 2 + 0.05));
        assertThat(green.sigmaX()).isCloseTo(sigma, within(0.1 * sigma));
        assertThat(green.sigmaY()).isCloseTo(sigma, within(0.1 * sigma));
        assertThat(Spread.of(canvas.electrons[0]).sum()).isCloseTo(500, within(0.6));
        for (float blue : canvas.electrons[2]) {
            assertThat(blue).isZero();
        }
        // the middle of its tile, about which it is a bell
        double mx = 120 + Math.floor(x / tile) * tile + tile / 2;
        double my = 90 + Math.floor(y / tile) * tile + tile / 2;
        double peak = 250 / (2 * Math.PI * sigma * sigma);
        for (int dy = -3; dy <= 3; dy++) {
            for (int dx = -3; dx <= 3; dx++) {
                int px = (int) (mx + 0.7 * dx * sigma);
                int py = (int) (my + 0.7 * dy * sigma);
                double r2 = Math.pow(px + 0.5 - mx, 2) + Math.pow(py + 0.5 - my, 2);
                assertThat(canvas.electrons[1][py * WIDTH + px])
                        .isCloseTo((float) (peak * Math.exp(-r2 / (2 * sigma * sigma))), within((float) (0.15 * peak)));
            }
        }
    }

    /** Each pixel of a tile counts, those of the last that is not whole too. */
    @Test
    void all_of_a_square_is_spread() {
        int size = 23;
        float[][] square = new float[3][size * size];
        double sum = 0;
        for (int i = 0; i < square[1].length; i++) {
            square[1][i] = 1 + i % 7;
            sum += square[1][i];
        }
        Canvas canvas = sky();
        HaloTiles.of(square, size, 6.4).add(canvas, 100, 100, 1);
        assertThat(Spread.of(canvas.electrons[1]).sum()).isCloseTo(sum, within(0.003 * sum));
    }

    /** What a picture's edge cuts off is what a larger picture would show beyond it. */
    @ParameterizedTest
    @CsvSource({"-25, -11", "270, 228", "-8, 200", "285, -13", "-90, 20", "20, -90", "340, 100", "100, 290"})
    void an_edge_cuts_it_off(int left, int top) {
        int size = 40;
        HaloTiles tiles = HaloTiles.of(lit(size, 13, 22, 1000), size, 7);
        Canvas canvas = sky();
        tiles.add(canvas, left, top, 1);
        int margin = 120;
        Canvas larger = new Canvas(WIDTH + 2 * margin, HEIGHT + 2 * margin);
        Arrays.fill(larger.open, 1);
        tiles.add(larger, left + margin, top + margin, 1);
        double sum = 0;
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                float there = larger.electrons[1][(y + margin) * larger.width + x + margin];
                assertThat(canvas.electrons[1][y * WIDTH + x]).isCloseTo(there, within(1e-4f));
                sum += there;
            }
        }
        assertThat(sum > 1).isEqualTo(left > -60 && left < 300 && top > -60 && top < 250);
    }

    @Test
    void it_shines_where_the_sky_is_open() {
        Canvas canvas = sky();
        Arrays.fill(canvas.open, 0, 100 * WIDTH, 0.25f);
        HaloTiles.of(lit(9, 4, 4, 1000), 9, 5).add(canvas, 146, 96, 1);
        Canvas open = sky();
        HaloTiles.of(lit(9, 4, 4, 1000), 9, 5).add(open, 146, 96, 1);
        for (int at = 80 * WIDTH + 140; at < 120 * WIDTH; at += WIDTH) {
            float share = at < 100 * WIDTH ? 0.25f : 1;
            assertThat(canvas.electrons[1][at]).isCloseTo(share * open.electrons[1][at], within(1e-4f));
        }
    }
}
