package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.fireworks.Fired;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class BurstsTest {

    private static final CameraBody BODY = CameraBody.generic(Sensor.of(23.5, 15.7, 6240), Dial.THIRD, 25_600);
    private static final FiringPoint BARGE = new FiringPoint(640, 248, 0);
    private static final int WIDTH = 480;

    private static Fired shell(double launch, double aside, Fired.Colour colour) {
        return new Fired(BARGE, Shell.of(150), launch, aside, colour, 7);
    }

    private static Photograph take(double seconds, double aperture, boolean sea, Fired... fired) {
        Standpoint from = Standpoint.open(new Site(37.6, -8.7, 5), SkyGlow.ofZenith(20.5));
        Setup s = new Setup(
                Rig.of(BODY, new Lens(18, 55, 3.5, 5.6, Projection.RECTILINEAR)),
                24,
                aperture,
                Pointing.level(new Direction(248, 9)),
                from,
                Instant.parse("2027-08-14T22:30:00Z"),
                Demand.USUAL);
        Scene scene = Scene.open(from, s.moment()).bySea(sea).firing(List.of(fired));
        return Photograph.take(
                scene,
                Shot.of(s, new Settings(seconds, aperture, 100), 5200),
                Window.whole(BODY.sensor(), WIDTH),
                1,
                TrailFrames.NONE,
                Photograph.Stars.CATALOGUED);
    }

    /** Sum of a colour and its middle, in pixels of the picture, of what is well above the sky. */
    private record Light(double[] sum, double x, double y, int pixels) {

        static Light of(Photograph p, int fromRow, int toRow) {
            double[] sum = new double[3];
            double x = 0;
            double y = 0;
            int pixels = 0;
            for (int i = fromRow * WIDTH; i < toRow * WIDTH; i++) {
                if (p.electrons(1)[i] > 0.01 * p.saturationE()) {
                    for (int c = 0; c < 3; c++) {
                        sum[c] += p.electrons(c)[i];
                    }
                    x += p.electrons(1)[i] * (i % WIDTH);
                    y += p.electrons(1)[i] * (i / WIDTH);
                    pixels++;
                }
            }
            return new Light(sum, x / sum[1], y / sum[1], pixels);
        }

        static Light of(Photograph p) {
            return of(p, 0, p.window().height());
        }
    }

    /** A burst just broken lies round where its height and distance put it: 16.5° up, 7.5° above the axis. */
    @Test
    void a_burst_stands_where_it_should() {
        Light l = Light.of(take(0.6, 16, false, shell(-4.5, 0, Fired.Colour.WHITE)));
        double pixelMm = 23.5 / WIDTH;
        int high = (int) Math.round(15.7 / pixelMm);
        assertThat(l.x()).isCloseTo(WIDTH / 2.0, within(4.0));
        double up = 24 * Math.tan(Math.toRadians(16.54 - 9)) / pixelMm;
        assertThat(l.y()).isCloseTo(high / 2.0 - up, within(5.0));
    }

    /** A longer shutter draws more of it; a narrower aperture the same, darker by its square. */
    @Test
    void shutter_and_aperture_do_what_they_do() {
        Light brief = Light.of(take(0.4, 11, false, shell(-4.5, 0, Fired.Colour.WHITE)));
        Light whole = Light.of(take(2, 11, false, shell(-4.5, 0, Fired.Colour.WHITE)));
        assertThat(whole.pixels()).isGreaterThan((int) (1.4 * brief.pixels()));
        double[] wide = total(take(0.3, 16, false, shell(-5.5, 0, Fired.Colour.WHITE)));
        double[] narrow = total(take(0.3, 22, false, shell(-5.5, 0, Fired.Colour.WHITE)));
        assertThat(wide[1] / narrow[1]).isCloseTo(Math.pow(22 / 16.0, 2), within(0.25));
    }

    private static double[] total(Photograph p) {
        double[] sum = new double[3];
        for (int c = 0; c < 3; c++) {
            for (float e : p.electrons(c)) {
                sum[c] += e;
            }
        }
        return sum;
    }

    @Test
    void it_has_its_colour() {
        double[] red =
                Light.of(take(1, 16, false, shell(-5, 0, Fired.Colour.RED))).sum();
        double[] blue =
                Light.of(take(1, 16, false, shell(-5, 0, Fired.Colour.BLUE))).sum();
        assertThat(red[0]).isGreaterThan(1.5 * red[1]);
        assertThat(blue[2]).isGreaterThan(1.5 * blue[1]);
    }

    /** Before its launch and after it has faded nothing is drawn; water mirrors what is above it. */
    @Test
    void only_what_burns_while_the_shutter_is_open_is_drawn() {
        assertThat(Light.of(take(2, 11, false, shell(3, 0, Fired.Colour.WHITE))).pixels())
                .isZero();
        assertThat(Light.of(take(2, 11, false, shell(-20, 0, Fired.Colour.WHITE)))
                        .pixels())
                .isZero();
        int horizon = (int) (320 / 2.0 + 24 * Math.tan(Math.toRadians(9)) / (23.5 / WIDTH)) + 4;
        Fired low = new Fired(BARGE, Shell.of(50), -2.6, 0, Fired.Colour.WHITE, 7);
        assertThat(Light.of(take(1, 8, false, low), horizon, 320).pixels()).isZero();
        assertThat(Light.of(take(1, 8, true, low), horizon, 320).pixels()).isGreaterThan(5);
    }

    /** A second burst lights the smoke of the first, which alone would be dark by then. */
    @Test
    void smoke_is_lit_by_the_next() {
        Fired old = shell(-12, -150, Fired.Colour.WHITE);
        Fired now = shell(-4.6, 150, Fired.Colour.WHITE);
        double alone = left(take(1.5, 11, false, now));
        assertThat(left(take(1.5, 11, false, old, now))).isGreaterThan(alone * 1.02);
    }

    private static double left(Photograph p) {
        double sum = 0;
        for (int i = 0; i < p.electrons(1).length; i++) {
            sum += i % WIDTH < WIDTH / 2 - 30 ? p.electrons(1)[i] : 0;
        }
        return sum;
    }

    /** What hung from an earlier burst glows in a later one, and the less the longer ago it broke. */
    @Test
    void smoke_thins() {
        Fired now = shell(-4.5, 0, Fired.Colour.WHITE);
        double[] none = total(take(1.5, 8, false, now));
        double[] fresh = total(take(1.5, 8, false, now, shell(-4.5 - 4, 60, Fired.Colour.WHITE)));
        double[] old = total(take(1.5, 8, false, now, shell(-4.5 - 30, 60, Fired.Colour.WHITE)));
        assertThat(fresh[1] - none[1]).isGreaterThan(1.5 * (old[1] - none[1]));
        assertThat(old[1]).isGreaterThanOrEqualTo(none[1]);
    }
}
