package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** A ruler that recedes upwards: its marks narrow, and blur with the distance from where it is sharp. */
class RulerReadingTest {

    private static final int W = 600;
    private static final int H = 900;

    /** Mark number at a row: 24 pixels apart in the middle, less above, more below. */
    private static double mark(double y) {
        double up = (H / 2.0 - y) / 24;
        return up * (1 + 0.006 * up);
    }

    private static Pixels ruler(double sharpRow, double perPixel, long seed) {
        MadeUpFrame frame = new MadeUpFrame(W, H, seed).sky(0.02);
        for (int y = 0; y < H; y++) {
            double sigma = 0.8 + perPixel * Math.abs(y - sharpRow);
            double sum = 0;
            double all = 0;
            for (double k = -3; k <= 3; k += 0.1) {
                double weight = Math.exp(-k * k / 2);
                double at = mark(y + 0.5 + k * sigma);
                sum += weight * (at - Math.floor(at) < 0.3 ? 0.05 : 0.6);
                all += weight;
            }
            for (int x = W / 4; x < 3 * W / 4; x++) {
                frame.light[y * W + x] += (float) (sum / all);
            }
        }
        return frame.noise(0.004, 0.02).srgb8();
    }

    private static FrameReading read(double sharpRow, double perPixel, long seed) {
        return LightTable.read(ruler(sharpRow, perPixel, seed), Known.NOTHING.of(Motif.RULER));
    }

    @Test
    void where_it_is_sharp_is_told_in_marks() {
        for (double row : new double[] {300, 400, 450, 560, 640}) {
            RulerReading r = read(row, 0.05, 3).ruler().orElseThrow();
            assertThat(r.offset()).as("%s", row).isCloseTo((H / 2.0 - row) / H, within(0.02));
            assertThat(r.marks()).as("%s", row).isCloseTo(mark(row), within(0.8));
        }
        // a lens stopped down is sharp over more of it
        assertThat(read(450, 0.02, 3).ruler().orElseThrow().depth())
                .isGreaterThan(1.5 * read(450, 0.06, 3).ruler().orElseThrow().depth());
    }

    @Test
    void before_and_behind_are_told_and_nothing_where_there_is_no_ruler() {
        assertThat(Judge.of(read(250, 0.06, 1)).get(0).cause()).isEqualTo(Cause.BEHIND);
        assertThat(Judge.of(read(650, 0.06, 1)).get(0).cause()).isEqualTo(Cause.BEFORE);
        assertThat(Judge.of(read(450, 0.06, 1)).get(0).cause()).isEqualTo(Cause.GOOD);
        Pixels sky = new MadeUpFrame(400, 300, 1).sky(0.2).noise(0.01, 0).srgb8();
        Finding none =
                Judge.of(LightTable.read(sky, Known.NOTHING.of(Motif.RULER))).get(0);
        assertThat(none.cause()).isEqualTo(Cause.CANNOT_JUDGE);
        assertThat(none.evidence()).contains("no row of marks");
    }
}
