package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LitScreenTest {

    private interface Inside {
        boolean at(double x, double y);
    }

    private static Pixels lit(Inside inside) {
        MadeUpFrame frame = new MadeUpFrame(900, 600, 2).sky(0.004);
        for (int y = 0; y < 600; y++) {
            for (int x = 0; x < 900; x++) {
                if (inside.at(x - 450, y - 300)) {
                    frame.light[y * 900 + x] += (float) (0.06 + 0.04 * y / 600);
                }
            }
        }
        return frame.noise(0.001, 0.01).srgb8();
    }

    private static Inside box(double wide, double high, double degrees) {
        double c = Math.cos(Math.toRadians(degrees));
        double s = Math.sin(Math.toRadians(degrees));
        return (x, y) -> Math.abs(x * c + y * s) < wide / 2 && Math.abs(y * c - x * s) < high / 2;
    }

    @Test
    void a_bright_rectangle_in_the_dark_is_a_screen_and_refused() {
        for (double degrees : new double[] {0, 7, 31, 88}) {
            assertThat(LitScreen.in(lit(box(480, 320, degrees))))
                    .as("%s", degrees)
                    .isTrue();
        }
        Finding refused =
                Judge.of(LightTable.read(lit(box(480, 320, 5)), Known.NOTHING)).get(0);
        assertThat(refused.cause()).isEqualTo(Cause.CANNOT_JUDGE);
        assertThat(refused.evidence()).contains("screen, photographed").contains("small JPEG");
    }

    @Test
    void moon_land_and_sky_are_no_screens() {
        assertThat(LitScreen.in(lit((x, y) -> Math.hypot(x, y) < 200))).isFalse();
        assertThat(LitScreen.in(lit((x, y) -> Math.hypot(x, y) < 200 && x > 30)))
                .isFalse();
        assertThat(LitScreen.in(lit((x, y) -> y > 120))).isFalse();
        assertThat(LitScreen.in(lit((x, y) -> Math.abs(y) < 160 - 0.5 * x && Math.abs(x) < 300)))
                .isFalse();
        assertThat(LitScreen.in(lit(box(60, 40, 0)))).isFalse();
        assertThat(LitScreen.in(lit((x, y) -> false))).isFalse();
    }

    private static final int ACROSS = 80;
    private static final int DOWN = 60;

    private interface Cells {
        double at(int x, int y);
    }

    /** Every cell of 8 × 8 pixels of one light, on a ground of 0.01. */
    private static boolean screen(int across, int down, Cells cells) {
        return LitScreen.in(Pixels.read(8 * across, 8 * down, 16, Encoding.LINEAR, (y, red, green, blue) -> {
            for (int x = 0; x < 8 * across; x++) {
                int light = (int) Math.round(65_535 * cells.at(x / 8, y / 8));
                red[x] = light;
                green[x] = light;
                blue[x] = light;
            }
        }));
    }

    private static boolean screen(Cells cells) {
        return screen(ACROSS, DOWN, cells);
    }

    private static Cells box(int left, int top, int wide, int high, double light) {
        return (x, y) -> x >= left && x < left + wide && y >= top && y < top + high ? light : 0.01;
    }

    /** Six to eighty-five hundredths of the frame: 288 to 4080 of 4800 cells. */
    @ParameterizedTest
    @CsvSource({"16, 18, true", "16, 17, false", "77, 52, true", "78, 53, false"})
    void it_has_its_size(int wide, int high, boolean screen) {
        assertThat(screen(box(1, 1, wide, high, 0.1))).isEqualTo(screen);
    }

    @ParameterizedTest
    @CsvSource({
        "0, 10, false",
        "1, 10, true",
        "59, 10, true",
        "60, 10, false",
        "10, 0, false",
        "10, 1, true",
        "10, 39, true",
        "10, 40, false"
    })
    void it_touches_no_edge(int left, int top, boolean screen) {
        assertThat(screen(box(left, top, 20, 20, 0.1))).isEqualTo(screen);
    }

    /** Of what is brighter than nine tenths of the frame's edge 1.6 times, and 0.8 hundredths of white at the least. */
    @Test
    void it_stands_out() {
        assertThat(screen(box(10, 10, 40, 30, 0.0163))).isTrue();
        assertThat(screen(box(10, 10, 40, 30, 0.0157))).isFalse();
        assertThat(screen((x, y) -> box(10, 10, 40, 30, 1).at(x, y) == 1 ? 0.0083 : 0.001))
                .isTrue();
        assertThat(screen((x, y) -> box(10, 10, 40, 30, 1).at(x, y) == 1 ? 0.0077 : 0.001))
                .isFalse();
        Cells box = box(10, 10, 40, 30, 0.1);
        assertThat(screen((x, y) -> y == DOWN - 1 && x < 25 ? 0.3 : box.at(x, y)))
                .isTrue();
        assertThat(screen((x, y) -> y == DOWN - 1 && x < 32 ? 0.3 : box.at(x, y)))
                .isFalse();
        assertThat(screen((x, y) -> x == ACROSS - 1 && y < 32 ? 0.3 : box.at(x, y)))
                .isFalse();
        assertThat(screen((x, y) -> x == 0 && y < 32 ? 0.3 : box.at(x, y))).isFalse();
        assertThat(screen((x, y) -> y == 0 && x < 32 ? 0.3 : box.at(x, y))).isFalse();
    }

    /** A corner of 12 by 12 may be cut off, which leaves 0.936 of the rectangle around it; one of 13 by 13 not. */
    @ParameterizedTest
    @CsvSource({"0, 0", "39, 0", "0, 29", "39, 29"})
    void it_is_square(int cornerX, int cornerY) {
        for (int cut : new int[] {12, 13}) {
            Cells box = box(10, 10, 40, 30, 0.1);
            assertThat(screen((x, y) ->
                            Math.abs(x - 10 - cornerX) + Math.abs(y - 10 - cornerY) < cut ? 0.01 : box.at(x, y)))
                    .as("%d", cut)
                    .isEqualTo(cut == 12);
        }
    }

    /** A hole of 15 by 15 leaves 975 of at least 961 cells. */
    @Test
    void it_is_filled() {
        for (int hole : new int[] {15, 16}) {
            Cells box = box(10, 10, 40, 30, 0.1);
            assertThat(screen((x, y) -> x >= 20 && x < 20 + hole && y >= 15 && y < 15 + hole ? 0.01 : box.at(x, y)))
                    .isEqualTo(hole == 15);
        }
    }

    /** Of two the larger is looked at, and of a large frame every second cell. */
    @Test
    void the_largest_of_a_large_frame() {
        Cells round = (x, y) -> Math.hypot(x - 60, y - 40) < 15 ? 0.1 : 0.01;
        Cells box = box(5, 5, 32, 30, 0.1);
        assertThat(screen((x, y) -> Math.max(round.at(x, y), box.at(x, y)))).isTrue();
        Cells small = box(5, 5, 18, 17, 0.1);
        assertThat(screen((x, y) -> Math.max(round.at(x, y), small.at(x, y)))).isFalse();
        assertThat(screen(320, 80, (x, y) -> x >= 40 && x < 200 && y >= 10 && y < 60 ? 0.1 : 0.01))
                .isTrue();
        assertThat(screen(
                        320,
                        80,
                        (x, y) -> x >= 40 && x < 200 && y >= 10 && y < 60 && x - 40 + y - 10 > 40 ? 0.1 : 0.01))
                .isFalse();
    }
}
