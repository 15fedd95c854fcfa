package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.glow.Air;
import dev.halfdusk.core.glow.GalacticLight;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Single pixels of sky, ground and skyline against what each is made of; no photograph is taken. */
class BackdropTest {

    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final SkyGlow GLOW = SkyGlow.ofZenith(21.5);
    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final int WIDTH = 480;
    private static final Window WHOLE = Window.whole(SENSOR, WIDTH);

    private static Shot shot(Direction at, double seconds) {
        Framing framing = Framing.of(new Optics(SENSOR, 24, Projection.RECTILINEAR), at, 0);
        Response deep = new Response(500_000, 100, 1, 1, 0, 0.5);
        return new Shot(framing, deep, 0.45, new Settings(seconds, 2.8, 1600), 2.8, 0, 5500, Support.TRIPOD);
    }

    private static Scene scene(String when) {
        return Scene.open(Standpoint.open(LEDGE, GLOW), Moment.at(Instant.parse(when)));
    }

    private static double[][] row(Scene scene, Shot shot, int y) {
        float[][] found = new float[3][WIDTH];
        float[] open = new float[WIDTH];
        Arrays.fill(open, 1);
        new Backdrop(scene, shot, WHOLE).band(y / 16 * 16, 16, WIDTH).line(y).sky(open, found);
        double[][] all = new double[3][WIDTH];
        for (int c = 0; c < 3; c++) {
            for (int x = 0; x < WIDTH; x++) {
                all[c][x] = found[c][x];
            }
        }
        return all;
    }

    /** Electrons a second from a direction: airglow in bands, town, twilight and moon through the clouds, the clouds, the lens' veil, the Milky Way. */
    private static double[] wanted(Scene scene, Shot shot, double x, double y) {
        Point at = WHOLE.onSensor(x, y);
        Vector v = shot.framing().see(at);
        Direction seen = Direction.of(v);
        SunAndMoon lamps = scene.lamps();
        Vector moon = scene.moment().local(Body.MOON, scene.observer()).unit();
        double lit = lamps.moonAltitudeDeg() > 0 ? GroundLight.moonLux(lamps.moonPhaseAngleDeg(), 90) : 0;
        double begin = scene.moment().instant().getEpochSecond() % 86_400;
        double apart = Math.toDegrees(4 * 6.25 * 2 * 0.006 / 24); // nodes in clouds
        Clouds.Veil cloud = scene.clouds().towards(v, begin, shot.seconds(), apart);
        double off = Math.max(0.3, moon.angleTo(v));
        double veil = 0.2
                * lit
                * scene.clouds().towards(moon, begin, shot.seconds(), apart).through()
                / off
                / off;
        SkyGlow.Parts parts = GLOW.withoutMilkyWay(seen, lamps);
        double[] sky = Tint.sky(GLOW, parts, seen, lamps);
        Vector icrs = scene.moment().icrs(v, scene.observer());
        double l = Galaxy.longitudeDeg(icrs);
        double b = Galaxy.latitudeDeg(icrs);
        double fall = SkyElectrons.perSecond(20, 2.8, 6, 0.45) / Luminance.of(20) * Backdrop.fallOff(shot, at);
        double[] all = new double[3];
        for (int c = 0; c < 3; c++) {
            double above = sky[c] + parts.natural() * (Airglow.factor(seen) - 1) * Tint.NATURAL[c];
            above += cloud.ice() * lit * (cloud.ice() == 0 ? 0 : Tint.halo(off)[c]);
            double clouds =
                    cloud.through() == 1 ? 0 : Tint.clouds(GLOW, parts, seen, lamps, cloud.townGain(), lit, off)[c];
            double air = Air.transmission(GLOW.extinction() * Tint.EXTINCTION[c], Air.mass(seen.altitudeDeg()));
            double galaxy = Tint.of(Tint.galaxyKelvin(l, b))[c]
                    * air
                    * (GalacticLight.stars(l, b) + 0.25 * GalacticLight.nebulae(l, b) * Tint.NEBULA[c]);
            all[c] = fall * (cloud.through() * (above + galaxy) + (1 - cloud.through()) * clouds + veil * Tint.MOON[c]);
        }
        return all;
    }

    /** Every sixteenth pixel is looked at, every eighth by moonlight, every fourth through clouds; between them all is even. */
    @ParameterizedTest(name = "{0} to {1}\u00b0, {2}\u00b0 high, low cloud {3}, high {4}")
    @CsvSource({
        "2027-06-08T01:00:00Z, 300, 45, 0, 0",
        "2027-06-08T01:00:00Z, 176, 24, 0, 0",
        "2027-06-08T21:20:00Z, 305, 20, 0, 0",
        "2027-06-19T00:40:00Z, 150, 40, 0, 0",
        "2027-06-19T00:40:00Z, 20, 50, 0, 0",
        "2027-06-08T01:00:00Z, 300, 45, 0.5, 0",
        "2027-06-19T00:40:00Z, 150, 40, 0, 1",
        "2027-06-19T00:40:00Z, 20, 50, 0.6, 0.4"
    })
    void a_pixel_of_the_sky(String when, double azimuth, double altitude, double low, double high) {
        Scene scene = scene(when).with(new Clouds(low, 0, high, 0, 250));
        Shot shot = shot(new Direction(azimuth, altitude), 10);
        for (int y : new int[] {3, 48, 111, 160}) {
            double[][] found = row(scene, shot, y);
            for (int x = 48; x < WIDTH; x += 48) { // a node between two pixels
                double[] one = wanted(scene, shot, x - 0.5, y + 0.5);
                double[] other = wanted(scene, shot, x + 0.5, y + 0.5);
                for (int c = 0; c < 3; c++) {
                    double most = Math.max(one[c], other[c]);
                    assertThat(found[c][x - 1]).isCloseTo(one[c], within((low + high > 0 ? 0.1 : 0.03) * most));
                    assertThat(found[c][x]).isCloseTo(other[c], within((low + high > 0 ? 0.1 : 0.03) * most));
                }
            }
        }
    }

    /** Half where a flat horizon runs through its middle; a degree is 3.5 pixels off the axis at 24 mm and 480 across. */
    @Test
    void a_skyline_is_as_sharp_as_a_pixel() {
        Shot shot = shot(new Direction(200, 0), 10);
        Backdrop backdrop = new Backdrop(scene("2027-06-08T01:00:00Z"), shot, WHOLE);
        double perPixel = Math.toDegrees(36.0 / WIDTH / 24);
        float[] open = new float[WIDTH];
        double[] sums = new double[320];
        for (int y = 0; y < 320; y++) {
            backdrop.band(y / 16 * 16, 16, WIDTH).line(y).open(perPixel, open);
            for (int x = 200; x < 280; x++) {
                sums[y] += open[x] / 80.0;
            }
        }
        for (int y = 0; y < 320; y++) {
            double above = 160 - (y + 0.5);
            assertThat(sums[y]).isCloseTo(Math.max(0, Math.min(1, 0.5 + above)), within(0.03));
        }
    }

    /** Humps of a drawn skyline stand where the ridge has them, and what is below is ground by its soil and patch. */
    @Test
    void ground_lies_below_the_ridge() {
        Skyline hills = Skyline.of(List.of(new Skyline.Point(150, 4), new Skyline.Point(210, 9)));
        Scene scene = Scene.open(
                new Standpoint(Observer.at(LEDGE), hills, GLOW), Moment.at(Instant.parse("2027-06-19T00:40:00Z")));
        Shot shot = shot(new Direction(180, 5), 10);
        Backdrop backdrop = new Backdrop(scene, shot, WHOLE);
        Ridge ridge = Ridge.of(scene.from());
        double perLux = SkyElectrons.perSecond(20, 2.8, 6, 0.45) / Luminance.of(20);
        Soil soil = Soil.of(scene, scene.lamps(), perLux);
        double perPixel = Math.toDegrees(36.0 / WIDTH / 24);
        float[] open = new float[WIDTH];
        double[] ground = new double[3];
        int above = 0;
        int below = 0;
        for (int y = 8; y < 312; y += 12) {
            Backdrop.Line line = backdrop.band(y / 16 * 16, 16, WIDTH).line(y);
            line.open(perPixel, open);
            for (int x = 8; x < WIDTH - 8; x += 14) {
                Direction seen = Direction.of(shot.framing().see(WHOLE.onSensor(x + 0.5, y + 0.5)));
                double off = (seen.altitudeDeg() - ridge.altitudeDeg(seen.azimuthDeg())) / perPixel;
                if (Math.abs(off) > 1.2) {
                    assertThat(open[x]).isEqualTo(off > 0 ? 1f : 0f);
                }
                if (off < -1.2) {
                    line.ground(x + 0.5, 1.3, ground);
                    double patch = soil.patch(seen.azimuthDeg(), seen.altitudeDeg());
                    for (int c = 0; c < 3; c++) {
                        double level = 1.3 * soil.towards(seen.azimuthDeg()) * Tint.SOIL[c];
                        assertThat(ground[c] / level).isCloseTo(patch, within(0.06));
                    }
                    below++;
                }
                above += off > 1.2 ? 1 : 0;
            }
        }
        assertThat(above).isGreaterThan(200);
        assertThat(below).isGreaterThan(200);
    }

    /** Every second pixel of every second row is looked at; between them patches are their mean. */
    @Test
    void patches_between_pixels() {
        Shot shot = shot(new Direction(180, -20), 10);
        Scene scene = scene("2027-06-19T00:40:00Z");
        Backdrop backdrop = new Backdrop(scene, shot, WHOLE);
        double perLux = SkyElectrons.perSecond(20, 2.8, 6, 0.45) / Luminance.of(20);
        Soil soil = Soil.of(scene, scene.lamps(), perLux);
        Backdrop.Band band = backdrop.band(192, 16, WIDTH);
        for (int y : new int[] {200, 201}) {
            for (int x = 41; x < 440; x += 7) {
                double sum = 0;
                for (int k = 0; k < 4; k++) { // of the pixels around, itself where it is one of them
                    int i = x + (x % 2 == 0 ? 0 : k % 2 == 0 ? -1 : 1);
                    int j = y + (y % 2 == 0 ? 0 : k / 2 == 0 ? -1 : 1);
                    Direction at = Direction.of(shot.framing().see(WHOLE.onSensor(i + 0.5, j + 0.5)));
                    sum += soil.patch(at.azimuthDeg(), at.altitudeDeg()) / 4;
                }
                double[] ground = new double[3];
                band.line(y).ground(x + 0.5, 1, ground);
                Direction here = Direction.of(shot.framing().see(WHOLE.onSensor(x + 0.5, y + 0.5)));
                double level = soil.towards(here.azimuthDeg()) * Tint.SOIL[1];
                assertThat(ground[1] / level).isCloseTo(sum, within(0.004));
            }
        }
    }

    /** A mark's side gives back two fifths of what the ground does. */
    @Test
    void a_mark_s_side() {
        Shot shot = shot(new Direction(180, 5), 10);
        Scene scene = scene("2027-06-19T00:40:00Z");
        Backdrop.Line line =
                new Backdrop(scene, shot, WHOLE).band(192, 16, WIDTH).line(200);
        double[] mark = new double[3];
        line.mark(100.5, 1.3, mark);
        double perLux = SkyElectrons.perSecond(20, 2.8, 6, 0.45) / Luminance.of(20);
        Direction seen = Direction.of(shot.framing().see(WHOLE.onSensor(100.5, 200.5)));
        double level = 1.3 * Soil.of(scene, scene.lamps(), perLux).towards(seen.azimuthDeg());
        for (int c = 0; c < 3; c++) {
            assertThat(mark[c]).isCloseTo(0.4 * level * Tint.SOIL[c], within(0.004 * level));
        }
    }

    /** Water sends back what its formula says, more and less by its patches, and only where the shore lets it be seen. */
    @Test
    void water_lies_below_a_flat_horizon() {
        Shot shot = shot(new Direction(180, 0), 10);
        Scene scene = scene("2027-06-19T00:40:00Z").bySea(true);
        Backdrop backdrop = new Backdrop(scene, shot, WHOLE);
        Sea sea = new Sea(scene, scene.lamps());
        double perLuminance = SkyElectrons.perSecond(20, 2.8, 6, 0.45) / Luminance.of(20);
        double[] into = new double[3];
        int looked = 0;
        for (int y = 176; y < 300; y += 17) {
            Backdrop.Line line = backdrop.band(y / 16 * 16, 16, WIDTH).line(y);
            for (int x = 24; x < WIDTH - 24; x += 48) {
                Point at = WHOLE.onSensor(x + 0.5, y + 0.5);
                Direction seen = Direction.of(shot.framing().see(at));
                line.ground(x + 0.5, 1.3, into);
                double[] plain = sea.luminance(seen.azimuthDeg(), -seen.altitudeDeg());
                for (int c = 0; c < 3; c++) {
                    double level = perLuminance * Backdrop.fallOff(shot, at) * plain[c];
                    assertThat(into[c] / level).isBetween(0.68, 1.32); // 0.4 of patches of seven tenths
                }
                looked++;
            }
        }
        assertThat(looked).isGreaterThan(50);
    }
}
