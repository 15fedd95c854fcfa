package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

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
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class MoonReadingTest {

    private static final int SIDE = 500;
    private static final double RADIUS = 150;

    /** A lit ball seen from aside, blurred and drawn out by sums of displaced pictures: nothing of our camera in it. */
    private static Pixels ball(double phaseDeg, double level, double sigma, double smear, double angleDeg) {
        Random random = new Random(4);
        double sx = Math.sin(Math.toRadians(phaseDeg));
        double sz = Math.cos(Math.toRadians(phaseDeg));
        int samples = 60;
        double[][] shifts = new double[samples][];
        for (int i = 0; i < samples; i++) {
            double along = smear * ((i * 37 % samples + 0.5) / samples - 0.5);
            double off = sigma * Math.sqrt(-2 * Math.log(1 - (i + 0.5) / samples)); // a spiral, so that it is round
            double turn = 2.399963 * i;
            shifts[i] = new double[] {
                along * Math.cos(Math.toRadians(angleDeg)) + off * Math.cos(turn),
                along * Math.sin(Math.toRadians(angleDeg)) + off * Math.sin(turn)
            };
        }
        float[] light = new float[SIDE * SIDE];
        for (int y = 0; y < SIDE; y++) {
            for (int x = 0; x < SIDE; x++) {
                double sum = 0;
                for (double[] s : shifts) {
                    double u = (x + 0.5 - 260 - s[0]) / RADIUS;
                    double v = (y + 0.5 - 240 - s[1]) / RADIUS;
                    double w = 1 - u * u - v * v;
                    double up = w > 0 ? Math.sqrt(w) : 0;
                    double cos = w > 0 ? u * sx + up * sz : 0;
                    sum += cos > 0 ? 2 * cos / (cos + up) / (1 + sx) : 0; // Lommel and Seeliger: as bright at the limb
                }
                light[y * SIDE + x] = (float) (0.004 + level * sum / samples + 0.002 * random.nextGaussian());
            }
        }
        return Pixels.read(SIDE, SIDE, 16, Encoding.LINEAR, (y, red, green, blue) -> {
            for (int x = 0; x < SIDE; x++) {
                int value = (int) Math.round(65_535 * Math.max(0, Math.min(1, light[y * SIDE + x])));
                red[x] = value;
                green[x] = value;
                blue[x] = value;
            }
        });
    }

    @ParameterizedTest(name = "phase angle {0}, sigma {1}, smear {2} at {3}")
    @CsvSource({
        "5, 1, 0, 0",
        "60, 1, 0, 0",
        "100, 1.5, 0, 0",
        "130, 1, 0, 0",
        "40, 1, 9, 30",
        "60, 1.5, 14, 160",
        "20, 4, 0, 0"
    })
    void its_disc_and_its_edge_are_measured(double phase, double sigma, double smear, double angle) {
        MoonReading m = MoonReading.of(ball(phase, 0.5, sigma, smear, angle), Encoding.LINEAR)
                .orElseThrow();
        assertThat(m.x()).isCloseTo(260, within(3 + smear / 4));
        assertThat(m.y()).isCloseTo(240, within(3 + smear / 4));
        assertThat(m.radiusPx()).isCloseTo(RADIUS, within(4 + smear / 4));
        assertThat(m.litShare()).isCloseTo((1 + Math.cos(Math.toRadians(phase))) / 2, within(0.12));
        assertThat(m.burnt()).isZero();
        if (smear > 0) {
            assertThat(m.smearPx()).isCloseTo(smear, within(0.3 * smear));
            assertThat(Math.abs((m.smearDeg() - angle + 270) % 180 - 90)).isLessThan(15);
        } else {
            assertThat(m.smearPx()).isLessThan(2);
            assertThat(m.edgePx()).isCloseTo(2.355 * sigma, within(0.35 * 2.355 * sigma));
        }
    }

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
