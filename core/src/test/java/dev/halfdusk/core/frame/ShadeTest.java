package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Marks hide the sky as wide and high as they are, softly where they are near. */
class ShadeTest {

    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final Window WHOLE = Window.whole(SENSOR, 960);

    private static Mark block(double bearing, double distance, double tall, double wide, double foot) {
        return new Mark("block", bearing, distance, tall, wide, foot, Silhouette.BLOCK);
    }

    private static float[] hidden(double focal, double seconds, Support support, Mark... marks) {
        Framing framing = Framing.of(new Optics(SENSOR, focal, Projection.RECTILINEAR), new Direction(180, 0), 0);
        Response deep = new Response(50_000, 100, 1, 1, 0, 0.5);
        Shot shot = new Shot(framing, deep, 0.45, new Settings(seconds, 2, 100), 2, 0, 5500, support);
        Scene scene = Scene.open(
                        Standpoint.open(new Site(37.6, -8.7, 5), SkyGlow.ofZenith(21)),
                        Moment.at(Instant.parse("2027-06-08T01:00:00Z")))
                .marked(List.of(marks));
        Canvas canvas = new Canvas(960, 640);
        Shade.marks(scene, shot, WHOLE, canvas);
        return canvas.marked;
    }

    private static double sum(float[] hidden) {
        double sum = 0;
        for (float h : hidden) {
            assertThat(h).isBetween(-1e-4f, 1.0001f);
            sum += h;
        }
        return sum;
    }

    private static double row(float[] hidden, int y) {
        double sum = 0;
        for (int x = 0; x < 960; x++) {
            sum += hidden[y * 960 + x];
        }
        return sum;
    }

    /** 50 mm draw 100 m at 1000 m as 5 mm, 133.3 pixels of 37.5 µm; the block reaches from 50 m below the eye to 50 m above. */
    @Test
    void a_far_block_is_sharp_and_as_large_as_it_is() {
        float[] hidden = hidden(50, 1, Support.TRIPOD, block(180, 1000, 100, 100, -50));
        assertThat(row(hidden, 320)).isCloseTo(133.3, within(0.7));
        assertThat(sum(hidden)).isCloseTo(133.3 * 133.3, within(150.0));
        assertThat(hidden[320 * 960 + 480]).isCloseTo(1, within(1e-4f));
        assertThat(hidden[320 * 960 + 480 + 70]).isZero();
        assertThat(hidden[(320 - 70) * 960 + 480]).isZero();
    }

    /** Out of focus by f² / (N · distance): 50 mm at f/2 10 m away 125 µm, 3.33 pixels, that an edge is soft over; at 3 m 11.1. */
    @ParameterizedTest
    @CsvSource({"10, 3.33", "3, 11.11", "100, 0.333"})
    void near_edges_are_soft(double distance, double softPx) {
        float[] hidden =
                hidden(50, 1, Support.TRIPOD, block(180, distance, distance / 5, distance / 5, -distance / 10));
        double width = row(hidden, 320);
        assertThat(width).isCloseTo(266.7, within(1.5));
        int soft = 0;
        double squares = 0;
        for (int x = 480; x < 959; x++) {
            double here = hidden[320 * 960 + x];
            soft += here > 0.004 && here < 0.996 ? 1 : 0;
            double falls = hidden[320 * 960 + x] - hidden[320 * 960 + x + 1];
            squares += falls * Math.pow(x + 1 - 480 - width / 2, 2);
        }
        assertThat((double) soft).isCloseTo(softPx, within(2.2));
        if (softPx > 1) { // the light of a disc's edge: a sixteenth of the square of its diameter
            assertThat(Math.sqrt(16 * squares)).isCloseTo(softPx, within(0.12 * softPx + 0.4));
        }
        assertThat(sum(hidden)).isCloseTo(266.7 * 266.7, within(900.0));
    }

    /** One behind another: together they hide no more than all, and a block beside is untouched. */
    @Test
    void marks_lie_over_each_other() {
        Mark near = block(180, 1000, 100, 100, -50);
        Mark far = block(180, 4000, 400, 800, -200);
        assertThat(row(hidden(50, 1, Support.TRIPOD, near, far), 320)).isCloseTo(266.7, within(1.0));
        Mark left = block(170, 1000, 50, 50, -25);
        double apart = sum(hidden(50, 1, Support.TRIPOD, left)) + sum(hidden(50, 1, Support.TRIPOD, near));
        assertThat(sum(hidden(50, 1, Support.TRIPOD, left, near))).isCloseTo(apart, within(1.0));
    }

    /** A foot above the skyline is let down to it, so that nothing hangs in the air; one below stays. */
    @Test
    void nothing_hangs_in_the_air() {
        float[] hanging = hidden(50, 1, Support.TRIPOD, block(180, 1000, 50, 100, 20));
        // from the horizon to 70 m: 93.3 pixels high
        assertThat(sum(hanging)).isCloseTo(133.3 * 93.3, within(120.0));
        assertThat(hanging[318 * 960 + 480]).isCloseTo(1, within(1e-3f));
    }

    /** On a tracker for four minutes the sky stands and the mark passes: as much is hidden, over more of the picture. */
    @Test
    void on_a_tracker_a_mark_passes() {
        Mark mark = block(180, 1000, 100, 100, -50);
        float[] still = hidden(50, 240, Support.TRIPOD, mark);
        float[] passing = hidden(50, 240, new Support(Support.Kind.SIDEREAL, 0), mark);
        assertThat(sum(passing)).isCloseTo(sum(still), within(0.02 * sum(still)));
        int touched = 0;
        int before = 0;
        for (int i = 0; i < still.length; i++) {
            touched += passing[i] > 0.01 ? 1 : 0;
            before += still[i] > 0.01 ? 1 : 0;
        }
        assertThat(touched).isGreaterThan((int) (1.1 * before));
        // 240 s turn by 1.0027°, of which cos 52.4° · … lies along the horizon: about 15 pixels to the east of south
        double x = 0;
        for (int i = 0; i < passing.length; i++) {
            x += passing[i] * (i % 960 + 0.5);
        }
        assertThat(Math.abs(x / sum(passing) - 480)).isBetween(4.0, 13.0);
    }
}
