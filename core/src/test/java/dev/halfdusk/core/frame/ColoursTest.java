package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.glow.Air;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a picture's three colours and its bright things add up to, worked out from the light that falls in. */
class ColoursTest {

    private static final Observer LEDGE = Observer.at(new Site(37.6012, -8.7921, 31));
    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final Response QUIET = new Response(500_000, 100, 0.1, 0.1, 0, 0.5);

    private static Scene scene(String when, SkyGlow glow, Mark... marks) {
        return Scene.open(new Standpoint(LEDGE, Skyline.FLAT, glow), Moment.at(Instant.parse(when)))
                .marked(List.of(marks));
    }

    private static Shot shot(double focal, Direction at, double seconds, double aperture) {
        Framing framing = Framing.of(new Optics(SENSOR, focal, Projection.RECTILINEAR), at, 0);
        return new Shot(framing, QUIET, 0.45, new Settings(seconds, aperture, 100), 2.8, 0, 5500, Support.TRIPOD);
    }

    private static double mean(Photograph p, int channel) {
        double sum = 0;
        for (float e : p.electrons(channel)) {
            sum += e / p.electrons(channel).length;
        }
        return sum;
    }

    /** Electrons a second of a pixel for each cd/m². */
    private static double perLuminance(double aperture) {
        return SkyElectrons.perSecond(20, aperture, SENSOR.pitchUm(), 0.45) / Luminance.of(20);
    }

    /** Each source has its colour: town, dusk, moon, the natural sky; away from the band, where no star is bright. */
    @ParameterizedTest
    @CsvSource({
        "2027-06-09T00:10:00Z, 310, 62, NONE, 0",
        "2027-06-09T00:10:00Z, 310, 62, WARM, 2700",
        "2027-06-09T00:10:00Z, 310, 62, WHITE, 7500",
        "2027-06-08T20:40:00Z, 310, 42, NONE, 0",
        "2027-06-19T00:44:00Z, 310, 62, NONE, 0"
    })
    void the_sky_has_the_colours_of_its_sources(
            String when, double azimuth, double altitude, String lamps, double kelvin) {
        SkyGlow glow = SkyGlow.of(
                OptionalDouble.empty(),
                SkyGlow.CLEAR,
                kelvin == 0 ? List.of() : List.of(new Dome("Town", 310, 8, 90_000, Dome.Lamps.valueOf(lamps))));
        Scene scene = scene(when, glow);
        Direction at = new Direction(azimuth, altitude);
        Photograph p = Photograph.take(
                scene,
                shot(200, at, 4, 2.8),
                Window.crop(SENSOR, 0, 0, 160, 100),
                7,
                TrailFrames.NONE,
                Photograph.Stars.CATALOGUED);
        SkyGlow.Parts parts = glow.towards(at.vector(), scene.moment(), LEDGE, scene.lamps());
        Vector moon = scene.moment().local(Body.MOON, LEDGE).unit();
        double veil = scene.lamps().moonAltitudeDeg() <= 0
                ? 0
                : 0.2
                        * dev.halfdusk.core.glow.GroundLight.moonLux(
                                scene.lamps().moonPhaseAngleDeg(), 90)
                        / Math.pow(moon.angleTo(at.vector()), 2);
        for (int c = 0; c < 3; c++) {
            double light = parts.natural() * Tint.NATURAL[c]
                    + (kelvin == 0 ? 0 : parts.towns() * Tint.of(kelvin)[c])
                    + parts.twilight() * Tint.of(14_000)[c]
                    + parts.moon() * Tint.of(9500)[c]
                    + veil * Tint.of(5200)[c]
                    + parts.milkyWay() * Tint.of(4700)[c];
            double expected = 4 * perLuminance(2.8) * light;
            assertThat(mean(p, c)).as("colour %s", c).isCloseTo(expected, within(0.02 * expected));
        }
    }

    /** Even pictures of a share of white: worked out from the black point, the lift, sRGB and the S, step by step. */
    @ParameterizedTest
    @CsvSource({"0.01, 30.15", "0.04, 69.17", "0.2, 171.02", "0.9, 252.2", "1.5, 255"})
    void light_of_the_lamp_becomes_grey_by_the_curve(double share, double grey) {
        double[] lamp = Tint.of(4000);
        double least = Math.min(1, Math.min(1 / lamp[0], 1 / lamp[2]));
        float[][] even = new float[3][60 * 40];
        for (int c = 0; c < 3; c++) {
            java.util.Arrays.fill(even[c], (float) (3000 * share * lamp[c] * least));
        }
        int[] rgb = new Development(4000, 0).rgb(even, Window.whole(SENSOR, 60), 3000);
        for (int c = 0; c < 3; c++) {
            assertThat((double) (rgb[77] >> (16 - 8 * c) & 0xff)).isCloseTo(grey, within(1.0));
        }
    }

    @Test
    void magenta_holds_green_back_and_burnt_pixels_are_white_in_any_balance() {
        float[][] even = new float[3][60 * 40];
        for (float[] plane : even) {
            java.util.Arrays.fill(plane, 300);
        }
        Window window = Window.whole(SENSOR, 60);
        int plain = new Development(5500, 0).rgb(even, window, 3000)[7];
        int magenta = new Development(5500, 8).rgb(even, window, 3000)[7];
        assertThat(plain >> 8 & 0xff).isEqualTo(plain & 0xff);
        assertThat(magenta >> 8 & 0xff).isLessThan((magenta & 0xff) - 4);
        for (float[] plane : even) {
            plane[7] = 3000;
        }
        for (double kelvin : new double[] {2800, 4000, 9000}) {
            assertThat(new Development(kelvin, 0).rgb(even, window, 3000)[7]).isEqualTo(0xffffff);
        }
    }

    /** A quarter burnt in blue alone, an eighth black, the rest between. */
    @Test
    void burnt_and_black_pixels_are_counted() {
        Scene scene = scene("2027-06-09T00:10:00Z", SkyGlow.ofZenith(21.5));
        Photograph p = Photograph.take(
                scene,
                shot(20, new Direction(310, 62), 8, 2.8),
                Window.whole(SENSOR, 48),
                1,
                TrailFrames.NONE,
                Photograph.Stars.CATALOGUED);
        float full = (float) p.saturationE();
        for (int i = 0; i < 48 * 32; i++) {
            for (int c = 0; c < 3; c++) {
                p.electrons(c)[i] = i % 4 == 0 ? (c == 2 ? full : 0.1f * full) : i % 8 == 1 ? 0 : 0.2f * full;
            }
        }
        assertThat(p.burnt()).isCloseTo(0.25, within(0.001)); // and a star or two
        assertThat(p.histogram().black()).isCloseTo(0.125, within(1e-9));
        // sRGB of 0.2 is 0.485
        assertThat(p.histogram().peak()).isCloseTo(0.485, within(0.011));
    }

    /** At full size a pixel keeps what its own colour counted and takes the others from its neighbours. */
    @Test
    void colours_between_the_filters_are_means_of_neighbours() {
        float[][] counted = new float[3][16];
        for (int i = 0; i < 16; i++) {
            counted[0][i] = 10 * i;
            counted[1][i] = 1000 + i;
            counted[2][i] = -5 * i;
        }
        float[][] seen = Mosaic.interpolated(counted, 4, 4);
        // 0 2 8 10 red; 5 7 13 15 blue; the rest green
        assertThat(seen[0][10]).isEqualTo(100);
        assertThat(seen[2][5]).isEqualTo(-25);
        assertThat(seen[0][5]).isEqualTo((0 + 20 + 80 + 100) / 4f);
        assertThat(seen[1][5]).isEqualTo((1001 + 1004 + 1006 + 1009) / 4f);
        assertThat(seen[2][10]).isEqualTo(-(25 + 35 + 65 + 75) / 4f);
        assertThat(seen[0][9]).isEqualTo((80 + 100) / 2f);
    }

    /** The disc of a full moon on the mean: magnitude \u221212.73 over 0.259\u00b0 across are 4890 cd/m², less 0.026 mag a degree of phase and what the air takes, of red two thirds as much. */
    @Test
    void a_full_moon_is_as_bright_as_its_luminance() {
        Scene scene = scene("2027-06-19T00:44:00Z", SkyGlow.ofZenith(21.5));
        Direction at = Direction.of(scene.moment().local(Body.MOON, LEDGE));
        Photograph p = Photograph.take(
                scene,
                shot(400, at, 0.001, 8),
                Window.crop(SENSOR, 0, 0, 900, 900),
                1,
                TrailFrames.NONE,
                Photograph.Stars.CATALOGUED);
        double magnitudes = SkyGlow.CLEAR * Air.path(at.altitudeDeg());
        double phase = Illumination.of(Body.MOON, scene.moment(), LEDGE).phaseAngleDeg();
        double expected = 0.001 * 4890 * perLuminance(8) * Math.pow(10, -0.4 * (magnitudes + 0.026 * phase));
        double radius = 400
                * Math.tan(
                        Math.toRadians(scene.moment().observed(Body.MOON, LEDGE).semidiameterDeg()))
                / (SENSOR.pitchUm() / 1000);
        double disc = mean(p, 1) * 900 * 900 / (Math.PI * radius * radius);
        assertThat(disc).isCloseTo(expected, within(0.05 * expected));
        double redder = Math.pow(10, 0.4 * magnitudes * 0.35);
        assertThat(mean(p, 0) / mean(p, 1)).isCloseTo(Tint.of(5200)[0] * redder, within(0.02));
    }

    /** Jupiter four weeks after its opposition, V = −9.40 + 5 log (r Δ) + 0.005 α, through a pupil of 50 mm / 2.8, in the middle of the frame. */
    @Test
    void a_planet_has_its_flux() {
        Scene scene = scene("2027-03-08T23:00:00Z", SkyGlow.ofZenith(21.5));
        Direction at = Direction.of(scene.moment().local(Body.JUPITER, LEDGE));
        Window window = Window.crop(SENSOR, 0, 0, 60, 60);
        Photograph p = Photograph.take(
                scene, shot(50, at, 0.02, 2.8), window, 1, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
        double sum = mean(p, 1) * 3600;
        double airmass = 1 / Math.sin(Math.toRadians(at.altitudeDeg()));
        double cm2 = Math.PI / 4 * 1.7857 * 1.7857;
        Vector jupiter = scene.moment().local(Body.JUPITER, LEDGE);
        Vector sun = scene.moment().local(Body.SUN, LEDGE);
        double product = jupiter.length() / 1.495978707e8 * jupiter.minus(sun).length() / 1.495978707e8;
        double phase = Illumination.of(Body.JUPITER, scene.moment()).phaseAngleDeg();
        double magnitude = -9.40 + 5 * Math.log10(product) + 0.005 * phase;
        assertThat(magnitude).isCloseTo(-2.5, within(0.05)); // by the almanacs
        double expected = 0.02 * 8.8e5 * Math.pow(10, -0.4 * (magnitude + 0.17 * airmass)) * cm2 * 0.45;
        assertThat(sum).isCloseTo(expected, within(0.03 * expected));
    }

    /** A tower 20 m wide and 60 m high at 100 m: 11.42° by 30.96°, its foot on the horizon. */
    @Test
    void a_mark_covers_its_outline_and_no_more() {
        Mark tower = new Mark("Tower", 180, 100, 60, 20, 0);
        Shot shot = shot(20, new Direction(180, 0), 4, 2.8);
        Window window = Window.whole(SENSOR, 360);
        SkyGlow glow = SkyGlow.ofZenith(17);
        Photograph with = Photograph.take(
                scene("2027-06-09T00:10:00Z", glow, tower),
                shot,
                window,
                3,
                TrailFrames.NONE,
                Photograph.Stars.CATALOGUED);
        Photograph without = Photograph.take(
                scene("2027-06-09T00:10:00Z", glow), shot, window, 3, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
        int covered = 0;
        for (int i = 0; i < with.electrons(1).length; i++) {
            if (Math.abs(with.electrons(1)[i] - without.electrons(1)[i]) > 0.4 * without.electrons(1)[i]) {
                covered++;
            }
        }
        // on the picture 20 mm × tan: 2 × 2.0 mm wide; top edges a little higher than at the middle; 10 px a millimetre
        double width = 2 * 20 * Math.tan(Math.toRadians(5.7106));
        double height = 20 * Math.tan(Math.toRadians(30.9638)) / Math.cos(Math.toRadians(5.7106));
        assertThat((double) covered).isCloseTo(width * height * 100, within(0.06 * width * height * 100));
    }

    @Test
    void a_tracked_star_stays_a_point() {
        Scene scene = scene("2027-06-09T00:10:00Z", SkyGlow.ofZenith(21.5));
        Direction at = Direction.of(scene.moment()
                .local(dev.halfdusk.core.sky.Star.named("Altair").orElseThrow().place(), LEDGE));
        Shot still = shot(200, at, 10, 16);
        Shot tracked = new Shot(
                still.framing(), QUIET, 0.45, still.settings(), 2.8, 0, 5500, new Support(Support.Kind.SIDEREAL, 0));
        Window window = Window.crop(SENSOR, 0, 0, 120, 120);
        Photograph line = Photograph.take(scene, still, window, 1, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
        Photograph point = Photograph.take(scene, tracked, window, 1, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
        assertThat(bright(line)).isGreaterThan(3 * bright(point));
    }

    private static long bright(Photograph p) {
        long count = 0;
        for (float e : p.electrons(1)) {
            count += e > 5000 ? 1 : 0;
        }
        return count;
    }
}
