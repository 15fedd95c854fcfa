package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.lighttable.Encoding;
import dev.halfdusk.core.lighttable.StarPlace;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Frames whose light is known at each place, since it rises evenly: by a thousandth to the right, two downwards, another amount for each colour. */
class RasterTest {

    private static final int WIDTH = 41;
    private static final int HEIGHT = 30;
    private static final double[] FIRST = {0.1, 0.2, 0.3};

    private static double even(int colour, double x, double y) {
        return FIRST[colour] + 0.001 * x + 0.002 * y;
    }

    private interface Light {
        double at(int colour, int x, int y);
    }

    /** Blue first, with one number more in each pixel and five more in each row. */
    private static Raster sixteen(int width, int height, Light light) {
        int stride = 4 * width + 5;
        short[] data = new short[stride * height];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                for (int c = 0; c < 3; c++) {
                    data[y * stride + 4 * x + 2 - c] = (short) Math.round(65_535 * light.at(c, x, y));
                }
            }
        }
        return Raster.of(data, width, height, new int[] {2, 1, 0}, stride, 4, Encoding.LINEAR);
    }

    private static Raster eight(int width, int height, Light light) {
        int stride = 4 * width + 5;
        byte[] data = new byte[stride * height];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                for (int c = 0; c < 3; c++) {
                    data[y * stride + 4 * x + 2 - c] = (byte) Math.round(255 * light.at(c, x, y));
                }
            }
        }
        return Raster.of(data, width, height, new int[] {2, 1, 0}, stride, 4, Encoding.LINEAR);
    }

    private static Raster of(int bits, Light light) {
        return bits == 8 ? eight(WIDTH, HEIGHT, light) : sixteen(WIDTH, HEIGHT, light);
    }

    private static double fine(int bits) {
        return bits == 8 ? 0.0021 : 1e-5;
    }

    @ParameterizedTest
    @ValueSource(ints = {8, 16})
    void each_pixel_is_read_where_it_lies(int bits) {
        Raster r = of(bits, RasterTest::even);
        assertThat(r.width()).isEqualTo(WIDTH);
        assertThat(r.height()).isEqualTo(HEIGHT);
        for (int c = 0; c < 3; c++) {
            for (int y = 0; y < HEIGHT; y++) {
                for (int x = 0; x < WIDTH; x++) {
                    assertThat((double) r.light(c, x, y)).isCloseTo(even(c, x, y), within(fine(bits)));
                }
            }
        }
        assertThat(r.memory()).hasSize(bits == 8 ? (4 * WIDTH + 5) * HEIGHT : 0);
    }

    /** What rises evenly does so between pixels too, by straight lines and by cubic ones; outside it is as at the edge. */
    @ParameterizedTest
    @ValueSource(ints = {8, 16})
    void between_pixels_it_rises_evenly_too(int bits) {
        Raster r = of(bits, RasterTest::even);
        float[] straight = new float[3];
        float[] cubic = new float[3];
        for (double[] at :
                new double[][] {{7.25, 9.5}, {0.5, 0.25}, {39.9, 28.75}, {20, 11}, {1.5, 27.5}, {38.5, 1.5}}) {
            r.light(at[0], at[1], straight);
            r.sharper(at[0], at[1], cubic);
            for (int c = 0; c < 3; c++) {
                assertThat((double) straight[c]).isCloseTo(even(c, at[0], at[1]), within(fine(bits)));
                assertThat((double) cubic[c]).isCloseTo(even(c, at[0], at[1]), within(1.5 * fine(bits)));
            }
        }
        r.light(-3, 4, straight);
        assertThat((double) straight[0]).isCloseTo(even(0, 0, 4), within(fine(bits)));
        r.light(90, 70, straight);
        assertThat((double) straight[2]).isCloseTo(even(2, 40, 29), within(fine(bits)));
    }

    /** Of x² a cubic keeps the square that straight lines cut off: 7.25² = 52.56, and not the 52.75 of the chord from 49 to 64. */
    @Test
    void cubic_lines_keep_a_curve() {
        Raster r = sixteen(WIDTH, HEIGHT, (c, x, y) -> (x * x + 2.0 * y * y) / 4000);
        float[] rgb = new float[3];
        r.sharper(7.25, 9.5, rgb);
        assertThat(4000.0 * rgb[1]).isCloseTo(7.25 * 7.25 + 2 * 9.5 * 9.5, within(0.1));
        r.light(7.25, 9.5, rgb);
        assertThat(4000.0 * rgb[1]).isCloseTo(0.75 * 49 + 0.25 * 64 + 2 * (0.5 * 81 + 0.5 * 100), within(0.1));
    }

    @ParameterizedTest
    @ValueSource(ints = {8, 16})
    void a_row_of_places_may_hold_some_that_lie_nowhere(int bits) {
        Raster r = of(bits, RasterTest::even);
        float[][] rgb = new float[3][4];
        for (float[] colour : rgb) {
            Arrays.fill(colour, 7);
        }
        r.row(new float[] {3.5f, Raster.NOWHERE, 60, 0}, new float[] {2.25f, 5, 60, 0}, rgb);
        for (int c = 0; c < 3; c++) {
            assertThat((double) rgb[c][0]).isCloseTo(even(c, 3.5, 2.25), within(fine(bits)));
            assertThat(rgb[c][1]).isZero();
            assertThat((double) rgb[c][2]).isCloseTo(even(c, 40, 29), within(fine(bits) + 3e-5));
            assertThat((double) rgb[c][3]).isCloseTo(even(c, 0, 0), within(fine(bits)));
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {8, 16})
    void the_lighter_of_two_stays(int bits) {
        Raster r = of(bits, RasterTest::even);
        char[] numbers = r.numbers(2);
        char[] soFar = new char[WIDTH * HEIGHT];
        soFar[5 * WIDTH + 3] = 60_000;
        r.lighter(5, 1, numbers, soFar);
        for (int x = 0; x < WIDTH; x++) {
            double expected = x == 3 ? 60_000 / 65_535.0 : 2 * even(1, x, 5);
            assertThat(soFar[5 * WIDTH + x] / 65_535.0).isCloseTo(expected, within(2 * fine(bits)));
            assertThat((int) soFar[4 * WIDTH + x]).isZero();
        }
        char[][] colours = new char[3][2];
        colours[2][1] = 65_000;
        r.lighter(7.5, 3.5, numbers, 2, colours, 1);
        for (int c = 0; c < 3; c++) {
            assertThat((int) colours[c][0]).isZero();
            assertThat(colours[c][1] / 65_535.0)
                    .isCloseTo(c == 2 ? 65_000 / 65_535.0 : 2 * even(c, 7.5, 3.5), within(2 * fine(bits)));
        }
        // a place whose lightest neighbour is the one to the right and below
        char[][] dark = new char[3][1];
        of(bits, (c, x, y) -> x == 8 && y == 4 ? 0.8 : 0)
                .lighter(7.5, 3.5, of(bits, (c, x, y) -> 0).numbers(1), 1, dark, 0);
        assertThat(dark[0][0] / 65_535.0).isCloseTo(0.2, within(fine(bits)));
    }

    @ParameterizedTest
    @ValueSource(ints = {8, 16})
    void a_moved_copy_is_black_where_nothing_comes_to_lie(int bits) {
        Raster moved = of(bits, RasterTest::even).moved(3.5, -2);
        assertThat(moved.light(1, 0, 0)).isZero();
        assertThat((double) moved.light(1, 10, 5)).isCloseTo(even(1, 6.5, 7), within(fine(bits)));
        assertThat((double) moved.light(2, 40, 27)).isCloseTo(even(2, 36.5, 29), within(fine(bits)));
        assertThat(moved.light(2, 20, 29)).as("31 is below the frame").isZero();
        assertThat(moved.encoding()).isEqualTo(Encoding.LINEAR);
    }

    /** Twenty wide of forty-one: means of two or three columns; both sides even. */
    @Test
    void reduced_it_has_the_means_and_even_sides() {
        Assembled small = sixteen(WIDTH, HEIGHT, RasterTest::even).reduced(21, 2);
        assertThat(small.width()).isEqualTo(20);
        assertThat(small.height()).isEqualTo(14);
        // columns 0 and 1, rows 0 and 1
        assertThat(small.light(0, 0, 0)).isCloseTo(2 * even(0, 0.5, 0.5), within(2e-5));
        // columns 38 to 40, rows 27 to 29
        assertThat(small.light(2, 19, 13)).isCloseTo(2 * even(2, 39, 28), within(2e-5));
        Assembled same = sixteen(WIDTH, HEIGHT, RasterTest::even).reduced(1000, 1);
        assertThat(same.width()).isEqualTo(40);
        assertThat(same.height()).isEqualTo(28);
    }

    /** A quarter to three quarters across, an eighth to a half down. */
    @Test
    void its_level_is_that_of_the_sky() {
        Raster r = sixteen(
                400,
                320,
                (c, x, y) -> c != 1 ? 0.9 : x >= 100 && x < 300 && y >= 40 && y < 160 ? 0.2 + 0.001 * (y - 40) : 0.7);
        assertThat(r.level()).isCloseTo(0.2 + 0.06, within(0.002));
        assertThat(sixteen(40, 32, (c, x, y) -> c == 1 && y < 16 ? 0.4 : 0.2).mean())
                .isCloseTo(0.3, within(1e-4));
    }

    /** A dozen stars on a sky; those of a frame of twelve megapixels are found on one of half the size. */
    @ParameterizedTest
    @CsvSource({"8, 600, 400", "16, 600, 400", "8, 4000, 3000"})
    void stars_and_lines_are_found_where_they_are(int bits, int width, int height) {
        double spread = width > 1000 ? 2.2 : 1.2;
        Light sky = (c, x, y) -> {
            double light = 0.1;
            double u = x - width / 8.0 - Math.round((x - width / 8.0) / (width / 4.0)) * width / 4.0;
            double v = y - height / 6.0 - Math.round((y - height / 6.0) / (height / 3.0)) * height / 3.0;
            light += 0.6 * Math.exp(-(u * u + v * v) / (2 * spread * spread));
            double line = Math.abs(y - 0.45 * height - 0.02 * (x - width / 2.0)) / spread;
            return light + (Math.abs(x - width / 2.0) < width / 5.0 ? 0.4 * Math.exp(-line * line / 2) : 0);
        };
        Raster r = bits == 8 ? eight(width, height, sky) : sixteen(width, height, sky);
        List<StarPlace> stars = r.stars();
        int found = 0;
        for (int i = 0; i < 12; i++) {
            double x = (i % 4 + 0.5) * width / 4;
            double y = (i / 4 + 0.5) * height / 3;
            found += stars.stream().anyMatch(s -> Math.hypot(s.x() - x, s.y() - y) < 0.8) ? 1 : 0;
        }
        assertThat(found).isGreaterThanOrEqualTo(11);
        assertThat(r.lines()).singleElement().satisfies(l -> {
            assertThat(l.x()).isCloseTo(width / 2.0, within(0.02 * width));
            assertThat(l.y()).isCloseTo(0.45 * height, within(0.01 * height));
            assertThat(l.lengthPx()).isCloseTo(0.4 * width, within(0.04 * width));
            assertThat(l.angleDeg()).isCloseTo(1.15, within(0.3));
        });
    }

    @Test
    void a_frame_of_another_size_is_refused() {
        Raster r = sixteen(WIDTH, HEIGHT, RasterTest::even);
        assertThat(r.like(r)).isSameAs(r);
        assertThatThrownBy(() -> sixteen(WIDTH, 20, RasterTest::even).like(r))
                .isInstanceOf(Taken.UnreadableFrame.class)
                .hasMessage("is 41 \u00d7 20 pixels, those before it 41 \u00d7 30");
        assertThatThrownBy(() -> r.sized(40, 30, "the map")).hasMessage("is 41 \u00d7 30 pixels, the map 40 \u00d7 30");
    }

    /** Light of the sRGB curve: half of the axis is 21.4 % of white, in eight bits and in sixteen. */
    @Test
    void what_the_file_says_is_read_as_light() {
        assertThat((double) Raster.of(new byte[] {(byte) 128, 0, 0}, 1, 1, new int[] {0, 1, 2}, 3, 3, Encoding.SRGB)
                        .light(0, 0, 0))
                .isCloseTo(0.2158, within(1e-4));
        assertThat((double)
                        Raster.of(new short[] {0, (short) 32_768, 0}, 1, 1, new int[] {0, 1, 2}, 3, 3, Encoding.SRGB)
                                .light(1, 0, 0))
                .isCloseTo(0.2140, within(1e-4));
    }

    @Test
    void a_picture_put_together_is_lightened_mixed_reduced_and_developed() {
        float[][] sums = new float[3][6];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < 6; i++) {
                sums[c][i] = 4 * (float) even(c, i % 3, i / 3);
            }
        }
        Assembled a = Assembled.mean(3, 2, sums, 4);
        assertThat(a.light(1, 2, 1)).isCloseTo(even(1, 2, 1), within(1e-5));
        assertThat(a.times(2).light(0, 1, 1)).isCloseTo(2 * even(0, 1, 1), within(2e-5));
        assertThat(a.times(99).light(0, 1, 1)).isEqualTo(1);
        assertThat(a.reduced(3)).isSameAs(a);
        Assembled one = a.reduced(1);
        assertThat(one.width()).isEqualTo(1);
        assertThat(one.height()).isEqualTo(1);
        assertThat(one.light(2, 0, 0)).isCloseTo(even(2, 1, 0.5), within(3e-5));
        short[] tones = a.developed();
        assertThat(tones).hasSize(18);
        // 0.1 of white is 0.3492 of the axis
        assertThat((tones[0] & 0xffff) / 65_535.0).isCloseTo(0.3492, within(1e-4));
        assertThat((tones[3 * 4 + 2] & 0xffff) / 65_535.0)
                .isCloseTo(1.055 * Math.pow(even(2, 1, 1), 1 / 2.4) - 0.055, within(1e-4));
        Raster again = a.raster();
        assertThat((double) again.light(2, 1, 1)).isCloseTo(even(2, 1, 1), within(1e-5));
        float[][] rgb = {{1, 1}, {1, 1}, {1, 1}};
        a.take(new float[] {2, Raster.NOWHERE}, new float[] {1, 0}, rgb);
        assertThat((double) rgb[1][0]).isCloseTo(1 - even(1, 2, 1), within(1e-5));
        assertThat(rgb[1][1]).isEqualTo(1);
        a.mix(0, 2, 1, 0.25f, 0.9f);
        assertThat(a.light(0, 2, 1)).isCloseTo(0.25 * 0.9 + 0.75 * even(0, 2, 1), within(2e-5));
    }
}
