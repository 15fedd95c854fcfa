package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

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
}
