package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.measure.OutOfRange;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is kept of a frame as it is read: 75 × 43 pixels, of which neither side is whole coarse pixels. */
class PixelsTest {

    private static final int W = 75;
    private static final int H = 43;
    private static final int[][] COLOURS = colours();

    private static int[][] colours() {
        Random random = new Random(4);
        int[][] all = new int[3][W * H];
        for (int[] one : all) {
            for (int i = 0; i < one.length; i++) {
                one[i] = random.nextInt(65_536);
            }
        }
        return all;
    }

    private static Pixels read(int bits, Encoding encoding, int[][] colours) {
        return Pixels.read(W, H, bits, encoding, (y, red, green, blue) -> {
            System.arraycopy(colours[0], y * W, red, 0, W);
            System.arraycopy(colours[1], y * W, green, 0, W);
            System.arraycopy(colours[2], y * W, blue, 0, W);
        });
    }

    @Test
    void brightness_is_a_quarter_red_half_green_a_quarter_blue() {
        Pixels p = read(16, Encoding.LINEAR, COLOURS);
        for (int i = 0; i < W * H; i++) {
            double wanted = (COLOURS[0][i] + 2.0 * COLOURS[1][i] + COLOURS[2][i]) / 4;
            assertThat((double) p.light()[i]).isCloseTo(wanted, within(0.5));
        }
        assertThat(p.width()).isEqualTo(W);
        assertThat(p.height()).isEqualTo(H);
        assertThat(p.compressed()).isFalse();
        assertThat(p.encoding()).isEqualTo(Encoding.LINEAR);
    }

    /** Of 8 × 8 pixels, at the right edge of three and at the lower of three columns and rows. */
    @Test
    void coarse_pixels_are_means() {
        Pixels p = read(16, Encoding.LINEAR, COLOURS);
        assertThat(p.coarseWidth()).isEqualTo(10);
        assertThat(p.coarseHeight()).isEqualTo(6);
        for (int c = 0; c < 3; c++) {
            for (int j = 0; j < 6; j++) {
                for (int i = 0; i < 10; i++) {
                    double sum = 0;
                    int n = 0;
                    for (int y = 8 * j; y < Math.min(H, 8 * j + 8); y++) {
                        for (int x = 8 * i; x < Math.min(W, 8 * i + 8); x++) {
                            sum += COLOURS[c][y * W + x] / 65_535.0;
                            n++;
                        }
                    }
                    assertThat((double) p.coarse(c)[j * 10 + i]).isCloseTo(sum / n, within(1e-5));
                }
            }
        }
    }

    /** White from 65 408 of 65 535 on, a half of the last of 256 steps; black below the first of them in all colours. */
    @Test
    void what_is_burnt_or_black_is_counted() {
        int[][] colours = new int[3][W * H];
        for (int i = 0; i < W * H; i++) {
            colours[0][i] = 30_000;
            colours[1][i] = i % 3 == 0 ? 65_408 : i % 3 == 1 ? 65_407 : 200;
            colours[2][i] = 100;
            if (i % 5 == 2) {
                colours[0][i] = i % 2 == 0 ? 254 : 255;
                colours[1][i] = 254;
            }
        }
        Pixels p = read(16, Encoding.LINEAR, colours);
        double burnt = 0;
        double black = 0;
        for (int i = 0; i < W * H; i++) {
            boolean white = colours[1][i] >= 65_408;
            boolean dark = colours[0][i] < 255 && colours[1][i] < 255;
            assertThat(p.burnt(i % W, i / W)).isEqualTo(white);
            burnt += white ? 1.0 / (W * H) : 0;
            black += dark ? 1.0 / (W * H) : 0;
        }
        assertThat(p.clippedHigh()).isCloseTo(burnt, within(1e-9)).isBetween(0.2, 0.4);
        assertThat(p.clippedLow()).isCloseTo(black, within(1e-9)).isBetween(0.05, 0.2);
    }

    @ParameterizedTest
    @CsvSource({"8, 257", "12, 16.0036630", "14, 4.00018312", "16, 1", "32, 1"})
    void a_step_is_what_a_file_can_tell_apart(int bits, double step) {
        assertThat(read(bits, Encoding.SRGB, COLOURS).step()).isCloseTo(step, within(1e-6));
    }

    /** A number of the file lies where the curve of sRGB has its light; a black point that was taken off is put back. */
    @ParameterizedTest
    @CsvSource({
        "LINEAR, 16, 0.05, 0",
        "LINEAR, 16, 0.5, 0.02",
        "SRGB, 8, 0.3, 0",
        "SRGB, 12, 0.7, 0.05",
        "CAMERA, 8, 0.6, 0.01"
    })
    void a_histogram_is_on_the_axis_of_srgb(Encoding encoding, int bits, double value, double black) {
        int[][] colours = new int[3][W * H];
        int steps = (1 << bits) - 1;
        int number = (int) (Math.round(value * steps) * 65_535L / steps);
        Arrays.fill(colours[1], number);
        double[] histogram = read(bits, encoding, colours).histogram(1, encoding, black, 64);
        double light = encoding.light(number / 65_535.0);
        double place = 64 * Tone.position(light + black * (1 - light));
        double sum = 0;
        double middle = 0;
        for (int i = 0; i < 64; i++) {
            sum += histogram[i];
            middle += histogram[i] * (i + 0.5);
        }
        assertThat(sum).isCloseTo(1, within(1e-9));
        assertThat(middle).isCloseTo(place, within(0.6));
        double[] dark = read(bits, encoding, colours).histogram(0, encoding, black, 64);
        assertThat(dark[(int) (64 * Tone.position(black))]).isGreaterThan(0.9);
    }

    /** Eight bits spread over all that such a number may have been, so that no bin between two is empty. */
    @Test
    void a_file_of_eight_bits_has_no_comb() {
        int[][] colours = new int[3][W * H];
        for (int i = 0; i < W * H; i++) {
            colours[1][i] = (40 + i % 60) * 257;
        }
        double[] histogram = read(8, Encoding.SRGB, colours).histogram(1, Encoding.SRGB, 0, 512);
        for (int bin = 84; bin < 196; bin++) {
            assertThat(histogram[bin]).isCloseTo(1 / 120.0, within(0.2 / 120));
        }
    }

    @Test
    void sides_have_limits() {
        Pixels.Rows rows = (y, red, green, blue) -> {};
        assertThatThrownBy(() -> Pixels.read(31, 100, 8, Encoding.SRGB, rows))
                .isInstanceOf(OutOfRange.class)
                .hasMessageContaining("side of the picture 31");
        assertThatThrownBy(() -> Pixels.read(100, 20_001, 8, Encoding.SRGB, rows))
                .isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> Pixels.read(9000, 9000, 8, Encoding.SRGB, rows))
                .isInstanceOf(OutOfRange.class)
                .hasMessageContaining("picture 81");
    }
}
