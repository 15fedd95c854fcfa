package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Histogram;
import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
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
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Star;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is made of counted electrons: frames on each other, moved ones, burnt and black pixels; by small parts of a frame. */
class PhotographSumsTest {

    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final Standpoint HERE = Standpoint.open(new Site(37.6012, -8.7921, 31), SkyGlow.ofZenith(21.5));
    private static final Moment NIGHT = Moment.at(Instant.parse("2027-06-08T01:00:00Z"));
    private static final int WIDTH = 60;

    private static Photograph take(Scene scene, double full, double seconds, Window window, long seed) {
        Framing framing = Framing.of(new Optics(SENSOR, 50, Projection.RECTILINEAR), new Direction(310, 0), 0);
        Response response = new Response(full, 100, 1, 1, 0, 0.5);
        Shot shot = new Shot(framing, response, 0.45, new Settings(seconds, 2.8, 100), 2.8, 0, 5500, Support.TRIPOD);
        return Photograph.take(scene, shot, window, seed);
    }

    /** Sky in the upper half, from the middle of the frame. */
    private static Photograph part(double full, int height, long seed) {
        return take(
                Scene.open(HERE, NIGHT),
                full,
                full < 1000 ? 600 : 60,
                new Window(SENSOR, WIDTH, height, 2970, 1980, 1),
                seed);
    }

    /** Pixel by pixel, but no more than white. */
    @Test
    void two_frames_on_each_other() {
        Photograph one = part(500, 40, 1);
        Photograph other = part(500, 40, 2);
        Photograph both = one.plus(other);
        int white = 0;
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < WIDTH * 40; i++) {
                float sum = one.electrons(c)[i] + other.electrons(c)[i];
                assertThat(both.electrons(c)[i]).isEqualTo(Math.min((float) both.saturationE(), sum));
                white += sum > both.saturationE() ? 1 : 0;
            }
        }
        assertThat(white).isBetween(1, 3 * WIDTH * 40 - 1);
        assertThat(both.saturationE()).isEqualTo(one.saturationE()).isEqualTo(500);
    }

    /** Each place for its share of the time; what comes in at the edge is as the edge. */
    @Test
    void a_camera_that_moved() {
        Photograph still = part(5e5, 40, 1);
        Photograph moved =
                still.moved(List.of(new Photograph.Stood(0.75, 0, 0), new Photograph.Stood(0.25, 3.4, -1.6)));
        for (int c = 0; c < 3; c++) {
            for (int y = 0; y < 40; y++) {
                for (int x = 0; x < WIDTH; x++) {
                    float here = still.electrons(c)[y * WIDTH + x];
                    float beside = still.electrons(c)[Math.min(39, y + 2) * WIDTH + Math.max(0, x - 3)];
                    assertThat(moved.electrons(c)[y * WIDTH + x])
                            .isCloseTo(0.75f * here + 0.25f * beside, within(0.01f + 1e-5f * here));
                }
            }
        }
    }

    /** In a reduced picture by so many of its pixels. */
    @Test
    void a_reduced_one_moves_by_its_own_pixels() {
        Window window = new Window(SENSOR, WIDTH, 40, 2500, 1800, 5);
        Photograph still = take(Scene.open(HERE, NIGHT), 5e5, 30, window, 3);
        Photograph moved = still.moved(List.of(new Photograph.Stood(1, -11, 9)));
        for (int y = 2; y < 40; y++) {
            for (int x = 0; x < WIDTH - 2; x++) {
                assertThat(moved.electrons(1)[y * WIDTH + x]).isEqualTo(still.electrons(1)[(y - 2) * WIDTH + x + 2]);
            }
        }
    }

    /** Rows are the same however many follow: none is left out where the last band is not whole. */
    @ParameterizedTest
    @CsvSource({"16", "17", "31", "32", "33", "47"})
    void rows_do_not_depend_on_those_below(int height) {
        Photograph less = part(5e5, height, 5);
        Photograph more = part(5e5, 64, 5);
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < WIDTH * height; i++) {
                assertThat(less.electrons(c)[i]).isEqualTo(more.electrons(c)[i]);
            }
        }
        assertThat(less.electrons(1)).hasSize(WIDTH * height);
    }

    /** A pixel is burnt when one of its colours is white, black when green lies in the first of the histogram's bins. */
    @Test
    void limits_are_those_of_the_histogram() {
        Photograph bright = part(500, 40, 1);
        double burnt = 0;
        for (int i = 0; i < WIDTH * 40; i++) {
            boolean white = false;
            for (int c = 0; c < 3; c++) {
                white |= bright.electrons(c)[i] >= 500 * (1 - 1e-4);
            }
            assertThat(bright.burntAt(i)).isEqualTo(white);
            burnt += white ? 1.0 / (WIDTH * 40) : 0;
        }
        assertThat(bright.burnt()).isCloseTo(burnt, within(1e-9)).isBetween(0.01, 0.99);
        Photograph dark = part(15000, 40, 1);
        double black = 0;
        for (int i = 0; i < WIDTH * 40; i++) {
            boolean first = Tone.position(dark.electrons(1)[i] / 15000) < 1.0 / Histogram.BINS;
            assertThat(dark.blackAt(i)).isEqualTo(first);
            black += first ? 1.0 / (WIDTH * 40) : 0;
        }
        assertThat(black).isBetween(0.05, 0.95);
        assertThat(dark.histogram().bins()[0]).isCloseTo(black, within(1e-9));
        assertThat(Arrays.stream(dark.histogram().bins()).sum()).isCloseTo(1, within(1e-9));
    }

    /** What burns in stars on the sensor is told although a reduced picture does not show it: Vega, as at full size. */
    @Test
    void burnt_stars_are_told_of_a_reduced_picture() {
        Observer here = Observer.at(HERE.site());
        Direction vega =
                Direction.of(NIGHT.local(Star.named("Vega").orElseThrow().place(), here));
        Shot shot = new Shot(
                Framing.of(new Optics(SENSOR, 50, Projection.RECTILINEAR), vega, 0),
                new Response(50_000, 100, 1, 1, 0, 0.5),
                0.45,
                new Settings(10, 2.8, 3200),
                2.8,
                0,
                5500,
                new Support(Support.Kind.SIDEREAL, 0));
        Scene scene = Scene.open(HERE, NIGHT);
        double full = Photograph.take(scene, shot, Window.crop(SENSOR, 0, 0, 400, 400), 3)
                        .burnt()
                * 400
                * 400;
        Photograph small = Photograph.take(scene, shot, Window.middle(SENSOR, 2400, 120, 80), 3);
        assertThat(full).isGreaterThan(20);
        assertThat(small.burnt() * 2400 * 1600).as("and of others around").isGreaterThan(0.7 * full);
        assertThat(small.burnt()).isLessThan(1e-3);
        assertThat(small.plus(small).burnt()).isGreaterThanOrEqualTo(2 * small.burnt() * (1 - 1e-9));
    }

    /** Its shaded side gives back two fifths of what open ground beside it does. */
    @Test
    void a_mark_is_darker_than_the_ground() {
        Moment moonlit = Moment.at(Instant.parse("2027-06-19T01:00:00Z"));
        Mark block = new Mark("Barn", 310, 60, 30, 40, -10);
        Window window = new Window(SENSOR, 100, 60, 1000, 1500, 20);
        double[] marked = new double[3];
        double[] plain = new double[3];
        Photograph with = take(Scene.open(HERE, moonlit).marked(List.of(block)), 5e5, 30, window, 3);
        Photograph without = take(Scene.open(HERE, moonlit), 5e5, 30, window, 3);
        for (int c = 0; c < 3; c++) {
            for (int x = 60; x < 95; x++) {
                marked[c] += with.electrons(c)[28 * 100 + x];
                plain[c] += without.electrons(c)[28 * 100 + x];
            }
        }
        for (int c = 0; c < 3; c++) {
            assertThat(marked[c] / plain[c]).isBetween(0.3, 0.5);
        }
    }
}
