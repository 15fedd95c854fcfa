package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Tone;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Straight lines of one light from one middle, by numbers: what is read of a burst is what was drawn. */
class SpokesTest {

    private static final double SKY = 0.01;
    private static final int LINES = 36;

    /** Lines two pixels wide, times the frame's size against 640, from a share of the reach to the reach. */
    private static MadeUpFrame spokes(
            MadeUpFrame frame, double x, double y, double from, double reach, double light, double atEnd) {
        double wide = frame.width / 640.0;
        for (int j = 0; j < frame.height; j++) {
            for (int i = 0; i < frame.width; i++) {
                double dx = i + 0.5 - x;
                double dy = j + 0.5 - y;
                double r = Math.hypot(dx, dy);
                double turn = Math.atan2(dy, dx) / (2 * Math.PI) * LINES;
                double off = (turn - Math.floor(turn) - 0.5) * 2 * Math.PI / LINES * r / wide;
                if (r >= from * reach && r < reach) {
                    double share = r > 0.8 * reach ? atEnd : 1;
                    frame.light[j * frame.width + i] += (float) (share * light * Math.exp(-off * off / 2));
                }
            }
        }
        return frame;
    }

    private static MadeUpFrame sky(int width, int height) {
        return new MadeUpFrame(width, height, 1).sky(SKY);
    }

    private static BurstReading read(MadeUpFrame frame) {
        return BurstReading.of(frame.linear16(), Encoding.LINEAR).orElseThrow();
    }

    @ParameterizedTest(name = "at {2}, {3} from {4} to {5} in {0} × {1}")
    @CsvSource({
        "640, 420, 310, 190, 0, 120, 0.2",
        "640, 420, 200, 230, 0, 90, 0.4",
        "640, 420, 400, 200, 0.5, 130, 0.3",
        "1280, 840, 620, 380, 0, 240, 0.2",
        "1280, 840, 420, 400, 0.4, 260, 0.3"
    })
    void a_burst_is_where_it_was_drawn(
            int width, int height, double x, double y, double from, double reach, double light) {
        BurstReading b = read(spokes(sky(width, height), x, y, from, reach, light, 1));
        assertThat(b.bursts()).hasSize(1);
        BurstReading.Burst one = b.bursts().get(0);
        double scale = width / 640.0;
        assertThat(one.x()).isCloseTo(x, within(3 * scale));
        assertThat(one.y()).isCloseTo(y, within(3 * scale));
        assertThat(one.radiusPx()).isCloseTo(reach, within(0.05 * reach));
        assertThat(one.begins()).isCloseTo(from, within(0.12));
        assertThat(one.ends()).isCloseTo(1, within(0.15));
        assertThat(b.burnt()).isZero();
        assertThat(b.level()).isBetween(Tone.position(0.3 * light), Tone.position(SKY + light));
        assertThat(b.skyline()).isCloseTo(Tone.position(SKY), within(0.002));
        assertThat(b.late()).isEqualTo(from > 0.22 ? 1 : 0);
        assertThat(b.cut()).isEqualTo(from > 0.22 ? 0 : 1);
    }

    /** Half and twice as bright at their ends as before. */
    @ParameterizedTest
    @CsvSource({"0.4, 0", "0.7, 1", "1, 1", "1.6, 0"})
    void lines_fade_hang_or_are_cut_off(double atEnd, double cut) {
        BurstReading b = read(spokes(sky(640, 420), 310, 190, 0, 120, 0.25, atEnd));
        assertThat(b.bursts().get(0).ends()).isCloseTo(atEnd, within(0.15 * Math.max(1, atEnd)));
        assertThat(b.cut()).isEqualTo(cut);
    }

    /** Even light within its reach: its share of all that is brighter than the sky. */
    @ParameterizedTest
    @CsvSource({"0, 1", "0.02, 1", "0.06, 1", "0.06, 2"})
    void smoke_lies_between_the_lines(double haze, int scale) {
        int width = 640 * scale;
        MadeUpFrame frame = spokes(sky(width, 420 * scale), 310 * scale, 190 * scale, 0, 120 * scale, 0.3, 1);
        double all = 0;
        int n = 0;
        for (int j = 0; j < 420 * scale; j++) {
            for (int i = 0; i < width; i++) {
                double r = Math.hypot(i + 0.5 - 310 * scale, j + 0.5 - 190 * scale) / scale;
                if (r < 140) {
                    frame.light[j * width + i] += (float) haze;
                }
                if (r < 120) {
                    all += frame.light[j * width + i] - SKY;
                    n++;
                }
            }
        }
        double share = haze / (all / n);
        assertThat(read(frame).smoke()).isCloseTo(share, within(0.06));
    }

    /** Beyond white every pixel of a line's middle is burnt, at half of it none. */
    @Test
    void lines_are_burnt() {
        assertThat(read(spokes(sky(640, 420), 310, 190, 0, 120, 3, 1)).burnt()).isGreaterThan(0.5);
        assertThat(read(spokes(sky(640, 420), 310, 190, 0, 120, 0.9, 1)).burnt())
                .isZero();
        assertThat(read(spokes(sky(1280, 840), 620, 380, 0, 240, 3, 1)).burnt()).isGreaterThan(0.5);
    }

    /** Lamps on an eighth of the lowest fifth are its brighter tenth; on a sixteenth they are not. */
    @Test
    void the_skyline_is_the_brighter_tenth_of_what_is_low() {
        for (int wide : new int[] {80, 40}) {
            MadeUpFrame frame = spokes(sky(640, 400), 310, 150, 0, 100, 0.3, 1);
            for (int j = 320; j < 400; j++) {
                for (int i = 0; i < wide; i++) {
                    frame.light[j * 640 + i] = 0.08f;
                }
            }
            assertThat(read(frame).skyline()).isCloseTo(Tone.position(wide == 80 ? 0.08 : SKY), within(0.002));
        }
    }

    @Test
    void bursts_beside_each_other_are_counted() {
        MadeUpFrame frame = spokes(sky(640, 420), 150, 150, 0, 90, 0.3, 1);
        spokes(frame, 480, 160, 0, 100, 0.3, 1);
        BurstReading b = read(frame);
        assertThat(b.bursts()).hasSize(2);
        assertThat(b.bursts().stream().mapToDouble(BurstReading.Burst::x).sum()).isCloseTo(630, within(6.0));
        spokes(frame, 485, 165, 0, 100, 0.3, 1); // nearly where the other is
        assertThat(read(frame).bursts()).hasSize(2);
    }

    /** Lines to one side only, and a frame of nothing. */
    @Test
    void a_fan_is_no_burst() {
        MadeUpFrame frame = spokes(sky(640, 420), 310, 190, 0, 120, 0.3, 1);
        for (int j = 0; j < 420; j++) {
            for (int i = 0; i < 640; i++) {
                frame.light[j * 640 + i] = i < 310 ? (float) SKY : frame.light[j * 640 + i];
            }
        }
        assertThat(BurstReading.of(frame.linear16(), Encoding.LINEAR)).isEmpty();
        assertThat(BurstReading.of(sky(640, 420).linear16(), Encoding.LINEAR)).isEmpty();
    }
}
