package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.TrailFrames;
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
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class MoonReadingTest {

    private static final Sensor SENSOR = new Sensor(36, 24, 5);
    private static final Observer OBSERVER = Observer.at(new Site(37.6, -8.8, 0));
    private static final Optics LENS = new Optics(SENSOR, 300, Projection.RECTILINEAR);

    private static List<Finding> judged(String when, Settings settings) {
        return Judge.of(read(when, settings, 3));
    }

    private static FrameReading read(String when, Settings settings, long seed) {
        Moment moment = Moment.at(Instant.parse(when));
        Direction at = Direction.of(moment.local(Body.MOON, OBSERVER).unit());
        Shot shot = new Shot(Framing.of(LENS, at, 0), Response.generic(5), 0.45, settings, 4, 0, 5500, Support.TRIPOD);
        Scene scene = Scene.open(Standpoint.open(OBSERVER.site(), SkyGlow.ofZenith(21)), moment);
        Photograph photograph = Photograph.take(
                scene, shot, Window.crop(SENSOR, 0, 0, 900, 700), seed, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
        Known known = Known.NOTHING
                .taken(settings, moment.instant())
                .through(Known.lens(900 * 0.005, 300, 900, 700, Projection.RECTILINEAR));
        return LightTable.read(Pixels.of(photograph), known);
    }

    /** Burnt by six stops, and four too dark, at three phases: taken again as it says until it is good. */
    @ParameterizedTest
    @ValueSource(strings = {"2027-06-18T23:30:00Z", "2027-06-11T21:30:00Z", "2027-06-15T22:30:00Z"})
    void its_changes_lead_to_a_good_moon(String when) {
        for (double seconds : new double[] {0.5, 1 / 4000.0}) {
            Settings now = new Settings(seconds, 8, 200);
            List<Finding> found = judged(when, now);
            assertThat(found.get(0).cause()).isEqualTo(seconds > 0.1 ? Cause.BURNT : Cause.TOO_DARK);
            for (int i = 0; i < 5 && found.get(0).cause() != Cause.GOOD; i++) {
                List<Correction.Turn> turns = found.get(0).change().turns();
                assertThat(turns).as("%s", found).isNotEmpty();
                now = turns.get(turns.size() - 1).to();
                found = judged(when, now);
            }
            assertThat(found.get(0).cause()).as("%s: %s", now, found).isEqualTo(Cause.GOOD);
        }
    }

    /** Seas and craters stay the same from frame to frame, as a sensor's own noise does, and are neither stars nor noise. */
    @Test
    void a_series_of_moons_is_not_judged_by_stars() {
        Settings settings = new Settings(1 / 250.0, 8, 200);
        List<FrameReading> series = IntStream.range(0, 4)
                .mapToObj(i -> read("2027-06-18T23:3" + 2 * i + ":00Z", settings, i))
                .toList();
        assertThat(Series.of(series)).isEmpty();
    }

    /** Nor have lines of stars, or stars that stand twice. */
    @ParameterizedTest
    @EnumSource(
            value = Cause.class,
            names = {"GOOD", "DRIFT", "SHAKE", "KNOCK", "BURNT", "TOO_BRIGHT"})
    void a_field_of_stars_has_no_moon(Cause cause) {
        SpoiltFrames frames = new SpoiltFrames(31);
        for (int i = 0; i < 2; i++) {
            assertThat(frames.frame(cause).moon()).as("%s %d", cause, i).isEmpty();
        }
    }
}
