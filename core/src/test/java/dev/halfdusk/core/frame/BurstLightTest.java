package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.fireworks.Fired;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
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
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How much light a burst sends while the shutter is open: candela by the square of the way, times the seconds of each part. */
class BurstLightTest {

    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final FiringPoint BARGE = new FiringPoint(640, 248, 0);
    private static final Shell SHELL = Shell.of(150);
    private static final double FLIGHT = SHELL.flightSeconds();
    private static final double SHOW = SHELL.showSeconds();

    /** Of the white: what its green counts for. */
    private static final double WHITE = 1.1;

    /** Behind a filter that lets through so little that nothing burns. */
    private static final double EFFICIENCY = 1e-9;

    /** Electrons of one candela for one second, as the picture counts them. */
    private static double ofACandela() {
        double slant = BARGE.slantM(SHELL);
        return SkyElectrons.ofStar(0, 20, 2.8, EFFICIENCY) / 2.54e-6 / (6.25 * 6.25) / (slant * slant);
    }

    /** Sum of the picture's green in candela times seconds. */
    private double light(double seconds, boolean sea, double altitude, Fired... fired) {
        Canvas canvas = new Canvas(960, 640);
        Arrays.fill(canvas.open, sea ? 0 : 1);
        Framing framing = Framing.of(new Optics(SENSOR, 20, Projection.RECTILINEAR), new Direction(248, altitude), 0);
        Response deep = new Response(500_000, 100, 1, 1, 0, 0.5);
        Shot shot = new Shot(framing, deep, EFFICIENCY, new Settings(seconds, 2.8, 100), 2.8, 0, 5500, Support.TRIPOD);
        Scene scene = Scene.open(
                        Standpoint.open(new Site(37.6, -8.7, 5), SkyGlow.ofZenith(20.5)),
                        Moment.at(Instant.parse("2027-08-14T22:30:00Z")))
                .bySea(sea);
        new Bursts(List.of(fired))
                .paint(new Exposure(scene, shot, Window.whole(SENSOR, 960), TrailFrames.NONE, canvas, 1000));
        canvas.finish();
        double sum = 0;
        for (float e : canvas.electrons[1]) {
            sum += e;
        }
        return sum / ofACandela();
    }

    private static Fired launched(double seconds) {
        return new Fired(BARGE, SHELL, seconds, 0, Fired.Colour.WHITE, 7);
    }

    private static void near(double found, double wanted, double percent) {
        assertThat(found).isCloseTo(wanted, within(percent / 100 * wanted));
    }

    /** 500 candela for as long as it climbs while the shutter is open; its tail is gold. */
    @ParameterizedTest
    @CsvSource({"0, 2, 2", "-1, 0.5, 0.5", "0.5, 2, 1.5", "3, 2, 0"})
    void a_tail_is_seen_while_it_climbs(double launch, double seconds, double seen) {
        assertThat(FLIGHT).isGreaterThan(2.5);
        near(light(seconds, false, 10, launched(launch)), seen * 500 * 1.1, 3);
    }

    /** A flash of 60 000 cd for four hundredths of a second, and seventy stars of 2200 cd, 0.6 to 1.2 of it each. */
    @Test
    void the_break_flashes_once() {
        double stars = 70 * 0.9 * 2200 * 0.04;
        near(light(0.04, false, 16, launched(-FLIGHT)), (60_000 * 0.04 + stars) * WHITE, 5);
        near(light(0.04, false, 16, launched(-FLIGHT - 0.01)), stars * WHITE, 6);
        near(light(0.02, false, 16, launched(-FLIGHT)), (60_000 * 0.02 + stars / 2) * WHITE, 5);
    }

    /** They burn down evenly: half of their first light over the whole show, in steps of 0.12 s; none afterwards. */
    @Test
    void stars_burn_down() {
        double stars = 70 * 0.9 * 2200 * WHITE;
        near(light(SHOW + 1, false, 12, launched(-FLIGHT - 0.01)), stars * (SHOW / 2 + 0.06), 5);
        double half = light(SHOW / 2, false, 12, launched(-FLIGHT - 0.01));
        near(half, stars * (SHOW * 3 / 8 + 0.03), 5);
        assertThat(light(1, false, 12, launched(-FLIGHT - SHOW - 0.1))).isZero();
    }

    /** A quarter of all light, in the water as far below: both in the middle of their picture, where the lens takes none. */
    @Test
    void water_mirrors_a_quarter() {
        double above = light(1, false, 16, launched(-FLIGHT + 0.3));
        near(light(1, true, -16, launched(-FLIGHT + 0.3)), above / 4, 3);
    }

    /** Six hundredths of half of the stars' light, thinner by e in 12 s since its own break; smoke that is not there yet sends none. */
    @ParameterizedTest
    @CsvSource({"6, 1", "12, 2"})
    void smoke_is_lit_by_later_bursts(double before, double seconds) {
        Fired now = launched(-FLIGHT - 0.01);
        Fired earlier = launched(-FLIGHT - 0.01 - before);
        assertThat(SHOW).isLessThan(6);
        double alone = light(seconds, false, 16, now);
        double both = light(seconds, false, 16, earlier, now);
        double smoke = 0.06 * 70 * 2200 * 0.5 * Math.exp(-before / 12) * seconds * WHITE;
        near(both - alone, smoke, 8);
        near(light(seconds, false, 16, now, earlier), both, 1);
        near(light(seconds, false, 16, now, launched(30)), alone, 1);
    }
}
