package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.glow.SkyGlow;
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
import org.junit.jupiter.params.provider.EnumSource;

class JudgeTest {

    private static final int EACH = 2;

    /** By the generator of its own, whose stars are at random places. */
    @ParameterizedTest
    @EnumSource(
            value = Cause.class,
            names = {
                "GOOD",
                "DRIFT",
                "ROTATION",
                "TRACKING",
                "SHAKE",
                "KNOCK",
                "FOCUS",
                "CURVATURE",
                "COMA",
                "TILT",
                "TOO_DARK",
                "TOO_BRIGHT",
                "BURNT"
            })
    void what_a_frame_was_spoilt_by_is_named_first(Cause cause) {
        SpoiltFrames frames = new SpoiltFrames(100L * cause.ordinal() + 7);
        for (int i = 0; i < EACH; i++) {
            List<Finding> found = Judge.of(frames.frame(cause));
            assertThat(found.get(0).cause()).as("%s", found).isEqualTo(cause);
        }
    }

    private static final Site SITE = new Site(37.6, -8.8, 20);
    private static final Instant WHEN = Instant.parse("2027-06-08T01:30:00Z");
    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final Optics LENS = new Optics(SENSOR, 24, Projection.RECTILINEAR);
    private static final Direction AIM = new Direction(150, 45);

    private static List<Finding> judged(Settings settings, Direction real, double roll, double defocusUm) {
        return judged(settings, real, roll, defocusUm, 0);
    }

    private static List<Finding> judged(
            Settings settings, Direction real, double roll, double defocusUm, int clockAheadMinutes) {
        Scene scene = Scene.open(Standpoint.open(SITE, SkyGlow.ofZenith(21.3)), Moment.at(WHEN));
        Shot shot = new Shot(
                Framing.of(LENS, real, roll),
                Response.generic(6),
                Known.USUAL_EFFICIENCY,
                settings,
                1.4,
                defocusUm,
                4000,
                Support.TRIPOD);
        Photograph photograph = Photograph.take(scene, shot, Window.whole(SENSOR, 1600), 3);
        Known known = Known.NOTHING
                .taken(settings, WHEN.plusSeconds(60L * clockAheadMinutes))
                .through(LENS)
                .from(SITE, AIM)
                .planned(new Known.Planned(new Settings(10, 2, 3200), 0.2, 2, 0));
        return Judge.of(LightTable.read(Pixels.of(photograph), known));
    }

    /** Taken, judged, changed as it says, taken again: until it says go on. */
    @Test
    void its_changes_lead_to_a_good_frame() {
        for (Settings begin : List.of(
                new Settings(60, 2, 3200),
                new Settings(10, 2, 400),
                new Settings(8, 2, 25_600),
                new Settings(30, 4, 800))) {
            Settings now = begin;
            Finding first = null;
            for (int i = 0; i < 4; i++) {
                first = judged(now, AIM, 0, 0).get(0);
                List<Correction.Turn> turns = first.change().turns();
                if (first.cause() == Cause.GOOD || turns.isEmpty()) {
                    break;
                }
                now = turns.get(turns.size() - 1).to();
            }
            assertThat(first.cause()).as("from %s to %s: %s", begin, now, first).isEqualTo(Cause.GOOD);
        }
    }

    @Test
    void where_it_looked_is_told_in_degrees_to_turn() {
        Settings good = new Settings(8, 2, 5000);
        List<Finding> low = judged(good, new Direction(152, 42), 0, 0);
        assertThat(low.get(0).cause()).isEqualTo(Cause.AIM);
        assertThat(low.get(0).remedy()).contains("higher").contains("to the left");
        assertThat(low.get(0).evidence()).contains("below");
        List<Finding> turned = judged(good, AIM, 4, 0);
        assertThat(turned.get(0).cause()).isEqualTo(Cause.LEVEL);
        assertThat(turned.get(0).remedy()).contains("4.0\u00b0 anticlockwise");
    }

    /** An hour of summer time looks like a camera aimed 10° aside and not level, but for the stars. */
    @Test
    void a_clock_that_is_an_hour_off_is_told_by_the_stars() {
        Settings good = new Settings(8, 2, 5000);
        Finding ahead = judged(good, AIM, 0, 0, 60).get(0);
        assertThat(ahead.cause()).isEqualTo(Cause.CLOCK);
        assertThat(ahead.remedy()).contains("back by 1 h;");
        assertThat(ahead.evidence()).contains("taken 1 h earlier");
        assertThat(judged(good, AIM, 0, 0, -75).get(0).remedy()).contains("forward by 1 h 15 min");
        // really aimed aside and turned, it is no clock
        assertThat(judged(good, new Direction(160, 40), 3, 0).stream().map(Finding::cause))
                .contains(Cause.AIM)
                .doesNotContain(Cause.CLOCK);
    }

    @Test
    void missed_focus_is_not_drift() {
        assertThat(judged(new Settings(8, 2, 5000), AIM, 0, 120).get(0).cause()).isEqualTo(Cause.FOCUS);
    }

    @Test
    void what_is_no_night_sky_is_not_judged() {
        Pixels black = new MadeUpFrame(400, 300, 1).srgb8();
        assertThat(Judge.of(LightTable.read(black, Known.NOTHING)).get(0).evidence())
                .contains("cap");
        Pixels day = new MadeUpFrame(400, 300, 1).sky(0.9).noise(0.01, 0).srgb8();
        assertThat(Judge.of(LightTable.read(day, Known.NOTHING)).get(0).evidence())
                .contains("daylight");
        Pixels grey = new MadeUpFrame(400, 300, 1).sky(0.1).noise(0.01, 0).srgb8();
        Finding cloud = Judge.of(LightTable.read(grey, Known.NOTHING)).get(0);
        assertThat(cloud.cause()).isEqualTo(Cause.CANNOT_JUDGE);
        assertThat(cloud.evidence()).contains("cloud");
    }

    /** Nothing but pixels: no time, no lens, no plan. */
    @Test
    void a_frame_of_which_nothing_is_known_is_judged_as_far_as_it_goes() {
        Pixels pixels = new MadeUpFrame(900, 600, 4)
                .sky(0.05)
                .stars(200, 0.02, 0.5, 0, (x, y) -> new double[] {1, 7, 20})
                .noise(0.002, 0.01)
                .srgb8();
        Finding first = Judge.of(LightTable.read(pixels, Known.NOTHING)).get(0);
        assertThat(first.cause()).isEqualTo(Cause.DRIFT);
        assertThat(first.evidence()).contains("cannot be told");
        assertThat(first.change().turns()).isEmpty();
    }

    /** A camera whose clock was never set: what hangs on the sky is not told, and the rest is. */
    @Test
    void a_clock_beyond_what_can_be_reckoned_costs_only_the_direction() {
        Pixels pixels = new MadeUpFrame(900, 600, 4)
                .sky(0.05)
                .stars(200, 0.02, 0.5, 0, (x, y) -> new double[] {1, 0, 0})
                .noise(0.002, 0.01)
                .linear16();
        for (String when : List.of("1970-01-01T00:00:00Z", "2059-12-31T23:59:59Z", "2080-06-01T00:00:00Z")) {
            Known known = Known.NOTHING
                    .taken(new Settings(8, 2, 3200), Instant.parse(when))
                    .through(Known.lens(36, 24, 900, 600, Projection.RECTILINEAR))
                    .from(SITE, AIM);
            FrameReading r = LightTable.read(pixels, known);
            assertThat(r.aim()).isEmpty();
            assertThat(r.widthPx().orElseThrow()).isBetween(2.2, 2.5);
        }
    }

    @Test
    void purple_is_a_mistake_and_copper_a_taste() {
        assertThat(causes(1.25, 1, 1.25)).contains(Cause.TINT);
        assertThat(causes(0.85, 1.1, 0.85)).contains(Cause.TINT);
        assertThat(causes(1.15, 1, 0.9)).doesNotContain(Cause.TINT);
    }

    private static List<Cause> causes(double red, double green, double blue) {
        MadeUpFrame frame = new MadeUpFrame(900, 600, 4)
                .sky(0.05)
                .stars(200, 0.02, 0.5, 0, (x, y) -> new double[] {1, 0, 0})
                .noise(0.002, 0.01);
        Pixels pixels = Pixels.read(900, 600, 8, Encoding.SRGB, true, (y, r, g, b) -> {
            for (int x = 0; x < 900; x++) {
                double light = frame.light[y * 900 + x];
                r[x] = eight(red * light);
                g[x] = eight(green * light);
                b[x] = eight(blue * light);
            }
        });
        return Judge.of(LightTable.read(pixels, Known.NOTHING)).stream()
                .map(Finding::cause)
                .toList();
    }

    private static int eight(double light) {
        return 257 * (int) Math.round(255 * Tone.position(light));
    }
}
