package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Boxes of light on dark ground below a starry sky, their edges blurred by so much. */
class GroundReadingTest {

    private static final int W = 900;
    private static final int H = 600;
    private static final Optics LENS = new Optics(Sensor.of(36, 24, 6000), 24, Projection.RECTILINEAR);
    private static final Site SITE = new Site(37.6, -8.8, 20);

    private static FrameReading read(double altitude, double sigma, double twice, double light, Motif motif) {
        MadeUpFrame frame =
                new MadeUpFrame(W, H, 8).sky(0.03).stars(200, 0.012, 0.4, 0, (x, y) -> new double[] {1, 0, 0});
        int horizon = (int) Math.round(H / 2.0 + 24 * Math.tan(Math.toRadians(altitude)) * W / 36);
        for (int y = Math.max(0, horizon); y < H; y++) {
            for (int x = 0; x < W; x++) {
                frame.light[y * W + x] = (float) (0.1 * light);
            }
        }
        Random random = new Random(5);
        for (int i = 0; i < 40; i++) {
            double x0 = 40 + random.nextDouble() * (W - 160);
            double y0 = horizon + 25 + random.nextDouble() * (H - horizon - 60);
            double wide = 25 + 60 * random.nextDouble();
            box(frame, x0, y0, wide, 18, sigma, twice > 0 ? light / 2 : light);
            if (twice > 0) {
                box(frame, x0 + twice, y0, wide, 18, sigma, light / 2);
            }
        }
        Known known = Known.NOTHING
                .taken(new Settings(8, 2, 3200), Instant.parse("2027-06-08T01:30:00Z"))
                .through(LENS)
                .from(SITE, new Direction(150, altitude));
        return LightTable.read(frame.noise(0.0008, 0.004).linear16(), motif == null ? known : known.of(motif));
    }

    private static void box(
            MadeUpFrame frame, double x0, double y0, double wide, double high, double sigma, double light) {
        int reach = (int) (4 * sigma) + 2;
        for (int y = (int) y0 - reach; y < Math.min(H, y0 + high + reach); y++) {
            for (int x = (int) x0 - reach; x < Math.min(W, x0 + wide + reach); x++) {
                double across = step(x - x0, sigma) - step(x - x0 - wide, sigma);
                double down = step(y - y0, sigma) - step(y - y0 - high, sigma);
                frame.light[Math.max(0, y) * W + Math.max(0, x)] += (float) (light * across * down);
            }
        }
    }

    /** The integral of a normal curve, by the logistic one, 2 % off at most. */
    private static double step(double d, double sigma) {
        return 1 / (1 + Math.exp(-1.702 * d / sigma));
    }

    @Test
    void a_double_edge_is_someone_who_moved() {
        FrameReading r = read(5, 1.2, 11, 0.3, null);
        assertThat(r.ground().orElseThrow().twicePx()).isCloseTo(11, within(1.0));
        assertThat(Judge.of(r)).extracting(Finding::cause).contains(Cause.MOVED);
    }

    @Test
    void soft_ground_below_sharp_stars_is_depth_and_dark_ground_dark() {
        assertThat(causes(read(5, 3.2, 0, 0.2, null))).contains(Cause.DEPTH);
        assertThat(causes(read(5, 1.2, 0, 0.2, null))).doesNotContain(Cause.DEPTH);
        assertThat(SoftCause.of(read(5, 3.2, 0, 0.2, null)).get(0).sign()).isEqualTo(SoftCause.Sign.FOR);
        Finding dark = Judge.of(read(5, 1.2, 0, 0.01, Motif.GROUND)).get(0);
        assertThat(dark.cause()).isEqualTo(Cause.TOO_DARK);
        assertThat(dark.evidence()).contains("the ground stands at");
        assertThat(Judge.of(read(5, 1.2, 0, 0.3, Motif.GROUND)).get(0).cause()).isEqualTo(Cause.GOOD);
    }

    private static List<Cause> causes(FrameReading r) {
        return Judge.of(r).stream().map(Finding::cause).toList();
    }
}
