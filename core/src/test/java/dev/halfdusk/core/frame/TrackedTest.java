package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Lens;
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
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a turning camera does to the ground, and to stars when it turns at another rate than theirs. */
class TrackedTest {

    private static final Moment NIGHT = Moment.at(Instant.parse("2027-06-09T00:10:00Z"));
    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final Response RESPONSE = new Response(60_000, 100, 1.6, 4.5, 0, 0.5);

    private static Shot shot(Optics optics, Direction axis, double seconds, Support.Kind kind) {
        return new Shot(
                Framing.of(optics, axis, 0),
                RESPONSE,
                0.45,
                new Settings(seconds, 4, 200),
                2.8,
                0,
                5500,
                new Support(kind, 0));
    }

    private static Scene scene(double latitude, List<Mark> marks) {
        Standpoint from =
                new Standpoint(Observer.at(new Site(latitude, -8.8, 0)), Skyline.FLAT, SkyGlow.ofZenith(19.5));
        return Scene.open(from, NIGHT).marked(marks);
    }

    /**
     * On the equator the sky in the east climbs straight up: 15.04″ a second, 1504″ in 100 s, 243 pixels of 6.19″. So far
     * the horizon is drawn out, evenly: four fifths of that lie between a tenth and nine tenths of the step.
     */
    @ParameterizedTest
    @CsvSource({"TRIPOD, 0", "SIDEREAL, 194", "LUNAR, 188"})
    void the_horizon_is_smeared_as_far_as_the_camera_turns(Support.Kind kind, double expected) {
        Optics optics = new Optics(SENSOR, 200, Projection.RECTILINEAR);
        Shot shot = shot(optics, new Direction(90, 0), 100, kind);
        Window window = Window.crop(SENSOR, 0, 0, 200, 900);
        Photograph p =
                Photograph.take(scene(0, List.of()), shot, window, 3, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
        double[] rows = new double[900];
        for (int y = 0; y < 900; y++) {
            for (int x = 0; x < 200; x++) {
                rows[y] += p.electrons(1)[y * 200 + x] / 200;
            }
        }
        // above both ends it is all sky, below all ground
        double sky = mean(rows, 40, 120);
        double ground = mean(rows, 780, 860);
        assertThat(sky).isGreaterThan(2 * ground);
        int first = 0;
        int last = 0;
        for (int y = 20; y < 880; y++) {
            double share = (mean(rows, y - 3, y + 4) - ground) / (sky - ground);
            first = share > 0.9 ? y : first;
            last = share > 0.1 ? y : last;
        }
        assertThat(last - first).isCloseTo((int) expected, within(kind == Support.Kind.TRIPOD ? 8 : 16));
        // turned after the sky, the camera looks higher and higher: the smear lies below the first horizon
        assertThat(first).isGreaterThan(430);
    }

    private static double mean(double[] rows, int from, int to) {
        double sum = 0;
        for (int y = from; y < to; y++) {
            sum += rows[y] / (to - from);
        }
        return sum;
    }

    /** A tracker that misses by 120″ a minute leaves 10 × 6.19″ of a star in 31 s: ten pixels. */
    @Test
    void a_tracker_that_misses_its_rate_draws_stars_out() {
        Star star = Star.named("Altair").orElseThrow();
        Scene scene = scene(37.6, List.of());
        Optics optics = new Optics(SENSOR, 200, Projection.RECTILINEAR);
        Direction axis =
                Direction.of(NIGHT.local(star.place(), scene.observer()).unit());
        double[] wide = new double[2];
        for (int i = 0; i < 2; i++) {
            Shot usual = shot(optics, axis, 31, Support.Kind.SIDEREAL);
            Shot shot = new Shot(
                    usual.framing(),
                    usual.response(),
                    usual.efficiency(),
                    usual.settings(),
                    2.8,
                    0,
                    5500,
                    new Support(Support.Kind.SIDEREAL, 120 * i));
            Window window = Window.crop(SENSOR, 0, 0, 60, 60);
            Photograph p = Photograph.take(scene, shot, window, 3, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
            int seen = 0;
            float most = 0;
            for (float e : p.electrons(1)) {
                most = Math.max(most, e);
            }
            for (float e : p.electrons(1)) {
                seen += e > most / 2 ? 1 : 0;
            }
            wide[i] = seen;
        }
        // pixels at least half as bright: a disc without; with it as many more as the line is long, at the least
        assertThat(wide[1]).isBetween(wide[0] + 9, wide[0] + 25);
    }

    /** A mast before the sky hides each pixel for a part of the time only. */
    @Test
    void a_mark_is_smeared_too() {
        Optics optics = new Optics(SENSOR, 100, Projection.RECTILINEAR);
        Mark mast = new Mark("Mast", 180, 1000, 400, 20, 0);
        Scene scene = scene(37.6, List.of(mast));
        double still = darkest(scene, shot(optics, new Direction(180, 10), 240, Support.Kind.TRIPOD));
        double turned = darkest(scene, shot(optics, new Direction(180, 10), 240, Support.Kind.SIDEREAL));
        // the mast is 1.15° wide and the sky turns by 1.0° × cos(declination): it never leaves the middle of its way
        assertThat(still).isLessThan(0.2);
        assertThat(turned).isBetween(0.03, 0.45);
        double edge = at(scene, shot(optics, new Direction(180, 10), 240, Support.Kind.SIDEREAL), -0.9);
        double other = at(scene, shot(optics, new Direction(180, 10), 240, Support.Kind.SIDEREAL), 0.9);
        assertThat(edge)
                .as("the camera turns west, so the mast passes to the east of the frame")
                .isLessThan(0.9);
        assertThat(other).isGreaterThan(0.95);
    }

    private static double darkest(Scene scene, Shot shot) {
        return at(scene, shot, 0);
    }

    /** Light some degrees right of the middle, against that of the open sky four degrees to the right. */
    private static double at(Scene scene, Shot shot, double right) {
        Window window = Window.whole(SENSOR, 600);
        Photograph p = Photograph.take(scene, shot, window, 3, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
        return light(p, 300 + right / 0.0343775) / light(p, 300 + 4 / 0.0343775);
    }

    private static double light(Photograph p, double x) {
        double sum = 0;
        for (int y = 190; y < 210; y++) {
            for (int i = -2; i <= 2; i++) {
                sum += p.electrons(1)[y * 600 + (int) x + i];
            }
        }
        return sum;
    }

    /** A star stays a point at the stars' rate; at the moon's it falls behind by 0.55″ a second, at none by all of it. */
    @ParameterizedTest
    @CsvSource({"SIDEREAL", "LUNAR", "SOLAR", "TRIPOD"})
    void stars_are_drawn_out_by_the_difference_of_rates(Support.Kind kind) {
        Star star = Star.all().stream()
                .filter(s -> s.magnitude() > 3.2)
                .filter(s -> NIGHT.local(s.place(), Observer.at(new Site(37.6, -8.8, 0)))
                                .latitudeDeg()
                        > 40)
                .findFirst()
                .orElseThrow();
        Direction axis = Direction.of(NIGHT.local(star.place(), Observer.at(new Site(37.6, -8.8, 0))));
        double seconds = 60;
        Optics optics = new Optics(SENSOR, 200, Projection.RECTILINEAR);
        Window window = Window.crop(SENSOR, 0, 0, 600, 600);
        Photograph p = Photograph.take(
                scene(37.6, List.of()),
                shot(optics, axis, seconds, kind),
                window,
                3,
                TrailFrames.NONE,
                Photograph.Stars.CATALOGUED);
        double rate = Math.abs(15.0411 - kind.arcsecPerSecond())
                * Math.cos(Math.toRadians(star.place().declinationDeg()));
        double expected = rate * seconds / optics.plateScaleArcsec();
        double length = length(p);
        assertThat(length).isCloseTo(expected, within(4 + 0.05 * expected));
    }

    /** How far apart the outermost pixels of half the greatest light are, less the width of a point. */
    private static double length(Photograph p) {
        double most = 0;
        for (float e : p.electrons(1)) {
            most = Math.max(most, e);
        }
        int left = 600;
        int right = 0;
        int top = 600;
        int bottom = 0;
        for (int y = 0; y < 600; y++) {
            for (int x = 0; x < 600; x++) {
                if (p.electrons(1)[y * 600 + x] > 0.5 * most) {
                    left = Math.min(left, x);
                    right = Math.max(right, x);
                    top = Math.min(top, y);
                    bottom = Math.max(bottom, y);
                }
            }
        }
        return Math.max(0, Math.hypot(right - left, bottom - top) - 4);
    }

    @Test
    void beyond_the_circle_of_a_fisheye_it_is_black() {
        Lens lens = new Lens(8, 8, 2.8, 2.8, 22, Projection.FISHEYE, 0.9, true, 300, OptionalDouble.of(20));
        Shot shot = shot(lens.optics(SENSOR, 8, 1), new Direction(180, 60), 20, Support.Kind.TRIPOD);
        Photograph p = Photograph.take(scene(37.6, List.of()), shot, Window.whole(SENSOR, 360), 3);
        float[] e = p.electrons(1);
        double inside = 0;
        double outside = 0;
        for (int i = 0; i < 20; i++) {
            inside += e[(110 + i / 4) * 360 + 180 + i % 4];
            outside += Math.abs(e[(i / 4) * 360 + i % 4]) + Math.abs(e[120 * 360 + 180 + 105 + i % 4]);
        }
        assertThat(outside).isLessThan(inside / 10);
    }
}
