package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

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
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SkyReadingTest {

    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final Site SITE = new Site(37.6, -8.8, 20);

    private record Taken(FrameReading reading, double magnitude, double peak) {}

    private static Taken taken(String when, Direction aim, double zenith, Settings settings) {
        Optics lens = new Optics(SENSOR, 35, Projection.RECTILINEAR);
        Moment moment = Moment.at(Instant.parse(when));
        Scene scene = Scene.open(Standpoint.open(SITE, SkyGlow.ofZenith(zenith)), moment);
        Shot shot = new Shot(
                Framing.of(lens, aim, 0),
                Response.generic(6),
                Known.USUAL_EFFICIENCY,
                settings,
                2,
                0,
                4000,
                Support.TRIPOD);
        Photograph photograph = Photograph.take(scene, shot, Window.whole(SENSOR, 1200), 2);
        Known known =
                Known.NOTHING.taken(settings, moment.instant()).through(lens).from(SITE, aim);
        double magnitude = scene.from()
                .glow()
                .towards(aim.vector(), moment, scene.observer(), scene.lamps())
                .magnitude();
        return new Taken(
                LightTable.read(Pixels.of(photograph), known),
                magnitude,
                photograph.histogram().peak());
    }

    /** From a natural sky to a suburb's, and with the moon up. */
    @ParameterizedTest(name = "{0} towards {1}/{2}, zenith {3}")
    @CsvSource({
        "2027-06-08T01:30:00Z, 300, 50, 21.8",
        "2027-06-08T01:30:00Z, 330, 45, 20.5",
        "2027-06-08T01:30:00Z, 330, 45, 18.5",
        "2027-06-18T00:30:00Z, 20, 40, 21.5"
    })
    void the_skys_brightness_and_its_peak_are_measured(String when, double az, double alt, double zenith) {
        Taken t = taken(when, new Direction(az, alt), zenith, new Settings(8, 2, 1600));
        SkyReading sky = t.reading.sky();
        assertThat(sky.magnitude().orElseThrow()).isCloseTo(t.magnitude, within(0.15));
        assertThat(sky.peak()).isCloseTo(t.peak, within(0.02));
        assertThat(sky.magnitudeError()).isBetween(0.1, 0.5);
    }

    @Test
    void the_milky_way_stands_out_more_where_it_is_darker() {
        Direction band = new Direction(170, 32);
        double dark = taken("2027-06-08T01:30:00Z", band, 21.8, new Settings(8, 2, 3200))
                .reading
                .sky()
                .contrast()
                .orElseThrow();
        double town = taken("2027-06-08T01:30:00Z", band, 19.5, new Settings(8, 2, 1600))
                .reading
                .sky()
                .contrast()
                .orElseThrow();
        assertThat(dark).isBetween(0.15, 0.8);
        assertThat(town).isBetween(0.0, dark / 2);
    }

    @Test
    void hot_pixels_and_lines_are_no_stars() {
        MadeUpFrame frame =
                new MadeUpFrame(900, 600, 3).sky(0.03).stars(150, 0.02, 0.4, 0, (x, y) -> new double[] {1, 0, 0});
        for (int i = 0; i < 12; i++) {
            frame.light[(40 + 41 * i) * 900 + 30 + 67 * i] += 0.6f;
        }
        frame.star(500, 300, 0.8 * 100, 1, 300, 0.4, 0);
        FrameReading r = LightTable.read(frame.noise(0.002, 0.01).linear16(), Known.NOTHING);
        assertThat(r.hot()).isBetween(9, 14);
        assertThat(r.lines()).hasSize(1);
        assertThat(r.lines().get(0).lengthPx()).isCloseTo(300, within(20.0));
        assertThat(r.lines().get(0).angleDeg()).isCloseTo(22.9, within(1.0));
        assertThat(r.lines().get(0).kind()).isEqualTo(Line.Kind.SATELLITE);
        assertThat(r.lines().get(0).fades()).isFalse();
        assertThat(r.lengthPx().orElseThrow()).isLessThan(0.5);
    }
}
