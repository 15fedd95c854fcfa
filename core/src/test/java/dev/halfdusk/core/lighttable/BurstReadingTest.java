package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.fireworks.Fired;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.TrailFrames;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class BurstReadingTest {

    private static final CameraBody BODY = CameraBody.generic(Sensor.of(23.5, 15.7, 6240), Dial.THIRD, 25_600);
    private static final FiringPoint BARGE = new FiringPoint(640, 248, 0);
    private static final Instant WHEN = Instant.parse("2027-08-14T22:30:00Z");
    private static final int WIDTH = 1600;
    /** Of a shell of 150 mm, until it breaks. */
    private static final double FLIGHT = 4.5;

    private static Fired shell(double launch, double aside) {
        return new Fired(BARGE, Shell.of(150), launch, aside, Fired.Colour.RED, 7);
    }

    private static FrameReading read(Settings settings, Fired... fired) {
        Scene scene = Scene.open(Standpoint.open(new Site(37.6, -8.7, 5), SkyGlow.ofZenith(20.5)), Moment.at(WHEN))
                .firing(List.of(fired));
        Shot shot = new Shot(
                Framing.of(new Optics(BODY.sensor(), 24, Projection.RECTILINEAR), new Direction(248, 14), 0),
                BODY.response(),
                Known.USUAL_EFFICIENCY,
                settings,
                3.5,
                0,
                5200,
                Support.TRIPOD);
        Photograph photograph = Photograph.take(
                scene, shot, Window.whole(BODY.sensor(), WIDTH), 1, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
        return LightTable.read(
                Pixels.of(photograph), Known.NOTHING.taken(settings, WHEN).of(Motif.FIREWORKS));
    }

    private static Finding first(FrameReading r) {
        return Judge.of(r, Optional.of(new Correction.Limits(BODY, new Range("aperture", 3.5, 22, ""), 30)))
                .get(0);
    }

    /** 640 m away, 190 m high, 130 m wide: 16.5° up, and seen from there 11.1° wide. */
    @Test
    void a_burst_is_found_where_it_stands() {
        BurstReading b = read(new Settings(8, 11, 100), shell(1, 0)).bursts().orElseThrow();
        assertThat(b.bursts()).hasSize(1);
        double pixelMm = 23.5 / WIDTH;
        double up = 24 * Math.tan(Math.toRadians(16.54 - 14)) / pixelMm;
        assertThat(b.bursts().get(0).x()).isCloseTo(WIDTH / 2.0, within(12.0));
        assertThat(b.bursts().get(0).y()).isCloseTo(WIDTH * 15.7 / 23.5 / 2 - up, within(20.0));
        // few of its stars fly straight across the line of sight
        assertThat(b.bursts().get(0).radiusPx() / (65 / 667.6 * 24 / pixelMm)).isBetween(0.65, 1.05);
        assertThat(b.late()).isZero();
        assertThat(b.cut()).isZero();
    }

    @Test
    void an_opening_after_the_flash_and_a_closing_before_the_end_are_told() {
        assertThat(first(read(new Settings(3, 11, 100), shell(-FLIGHT - 0.4, 0)))
                        .cause())
                .isEqualTo(Cause.LATE);
        Finding early = first(read(new Settings(5, 11, 100), shell(5 - FLIGHT - 0.35, 0)));
        assertThat(early.cause()).isEqualTo(Cause.EARLY);
        assertThat(early.change().turns().get(0).to().seconds()).isGreaterThan(7);
        assertThat(early.change().turns().get(0).to().aperture()).isEqualTo(11);
    }

    @Test
    void its_changes_lead_to_a_good_frame_by_the_aperture() {
        for (Settings begin : List.of(new Settings(8, 3.5, 100), new Settings(8, 22, 100), new Settings(8, 11, 800))) {
            Settings now = begin;
            Finding first = null;
            for (int i = 0; i < 4; i++) {
                first = first(read(now, shell(1, 0)));
                if (first.change().turns().isEmpty()) {
                    break;
                }
                now = first.change()
                        .turns()
                        .get(first.change().turns().size() - 1)
                        .to();
            }
            assertThat(first.cause()).as("from %s to %s: %s", begin, now, first).isEqualTo(Cause.GOOD);
            assertThat(now.seconds()).isEqualTo(8);
        }
    }

    @Test
    void bursts_beside_each_other_are_counted_and_too_many_are_too_many() {
        assertThat(read(new Settings(8, 11, 100), shell(1, -110), shell(0.4, 100))
                        .bursts()
                        .orElseThrow()
                        .bursts())
                .hasSize(2);
        FrameReading many = read(
                new Settings(10, 11, 100),
                shell(0, -220),
                shell(0.5, -110),
                shell(1, 0),
                shell(1.5, 110),
                shell(2, 220));
        assertThat(many.bursts().orElseThrow().bursts()).hasSizeBetween(4, 6);
        assertThat(Judge.of(many)).extracting(Finding::cause).contains(Cause.CROWDED);
        assertThat(read(new Settings(8, 11, 100)).bursts()).isEmpty();
        assertThat(Judge.of(read(new Settings(8, 11, 100))).get(0).evidence()).contains("no burst");
    }

    @Test
    void stars_are_no_fireworks() {
        for (Cause cause : List.of(Cause.GOOD, Cause.DRIFT, Cause.COMA, Cause.ROTATION, Cause.FOCUS)) {
            SpoiltFrames frames = new SpoiltFrames(31L + cause.ordinal());
            assertThat(frames.frame(cause).bursts()).as("%s", cause).isEmpty();
        }
    }
}
