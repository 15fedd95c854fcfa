package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
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
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Water, ground and what passes: how bright and how large, whatever the chance in them. */
class SceneryTest {

    private static final SkyGlow GLOW = SkyGlow.ofZenith(21.5);
    private static final Scene SCENE = Scene.open(
            Standpoint.open(new Site(37.6012, -8.7921, 31), GLOW), Moment.at(Instant.parse("2027-06-08T01:00:00Z")));

    /** Of 360 directions those in which water is seen so far below the horizon. */
    private static double reached(double skyline, double below) {
        return IntStream.range(0, 360)
                        .filter(azimuth -> Sea.reaches(skyline, azimuth, below))
                        .count()
                / 360.0;
    }

    /** Where the skyline stays a tenth of a degree under its limit, water reaches 4° down, 3.5° more or less at a rough shore. */
    @ParameterizedTest
    @CsvSource({
        "0, 30, 1, 1",
        "0, 45, 0, 0",
        "0.9, 0.4, 1, 1",
        "0.9, 1.5, 0.9, 1",
        "0.9, 4, 0.3, 0.7",
        "0.9, 6.5, 0, 0.1",
        "0.9, 7.6, 0, 0",
        "1, 1.5, 0, 0.02",
        "1, 0.1, 0, 0.02",
        "1.1, 0.5, 0, 0"
    })
    void a_shore_runs_down_where_the_skyline_rises(double skyline, double below, double least, double most) {
        assertThat(reached(skyline, below)).isBetween(least, most);
    }

    private static double[] sky(SunAndMoon lamps, double azimuth, double altitude) {
        Direction at = new Direction(azimuth, altitude);
        return Tint.sky(GLOW, GLOW.withoutMilkyWay(at, lamps), at, lamps);
    }

    /** 62 % of the sky 6° above the horizon where one looks along it; 14° below what is over 3 % is less by e, of the sky at 20°. */
    @Test
    void water_mirrors_less_before_one_s_feet() {
        Sea sea = new Sea(SCENE, SunAndMoon.NEITHER);
        for (int c = 0; c < 3; c++) {
            assertThat(sea.luminance(100, 0)[c]).isCloseTo(0.62 * sky(SunAndMoon.NEITHER, 100, 6)[c], within(1e-9));
            assertThat(sea.luminance(100, 14)[c])
                    .isCloseTo((0.03 + 0.59 / Math.E) * sky(SunAndMoon.NEITHER, 100, 20)[c], within(1e-9));
            assertThat(sea.luminance(100, 88)[c])
                    .isCloseTo(
                            (0.03 + 0.59 * Math.exp(-88 / 14.0)) * sky(SunAndMoon.NEITHER, 100, 89)[c], within(1e-9));
        }
    }

    /** Brightest as far below as the moon is above; by e less 4° + a quarter of that aside, or 8° + half of the moon's altitude down. */
    @ParameterizedTest
    @CsvSource({"180, 20, 1", "189, 20, 0.36787944", "171, 20, 0.36787944", "180, 38, 0.36787944", "180, 2, 0.36787944"
    })
    void the_moon_has_a_path_on_it(double azimuth, double below, double share) {
        SunAndMoon moon = new SunAndMoon(-40, 0, 20, 180, 10);
        double[] found = new Sea(SCENE, moon).luminance(azimuth, below);
        double mirrored = 0.03 + 0.59 * Math.exp(-below / 14);
        for (int c = 0; c < 3; c++) {
            double path = found[c] - mirrored * sky(moon, azimuth, below + 6)[c];
            assertThat(path / (0.9 * GroundLight.moonLux(moon) * Tint.MOON[c])).isCloseTo(share, within(1e-6));
        }
    }

    /** Slopes that face the moon get half as much again, those before it half. */
    @Test
    void ground_is_brighter_with_the_moon_behind_one() {
        Soil soil = new Soil(2, 10, 100, null, 0, 5);
        assertThat(soil.towards(100)).isCloseTo(2 + 10 * 0.45, within(1e-9));
        assertThat(soil.towards(280)).isCloseTo(2 + 10 * 1.55, within(1e-9));
        assertThat(soil.towards(190)).isCloseTo(12, within(1e-9));
        assertThat(new Soil(2, 0, 100, null, 0, 5).towards(280)).isEqualTo(2);
    }

    private static double change(Soil soil, double altitude, double byDeg) {
        return IntStream.range(0, 340)
                .mapToDouble(a -> Math.abs(soil.patch(a + byDeg, altitude) - soil.patch(a, altitude)))
                .average()
                .orElseThrow();
    }

    /** Patches are metres wide on a plain, so that they are wide before one's feet and narrow far off; on slopes near the horizon as wide as high. */
    @Test
    void patches_of_the_ground() {
        Soil soil = new Soil(2, 10, 100, null, 0, 5);
        for (double altitude : new double[] {-0.5, -1.4, -2, -10, -45}) {
            double[] all = IntStream.range(0, 360 * 4)
                    .mapToDouble(a -> soil.patch(a / 4.0, altitude))
                    .toArray();
            assertThat(Arrays.stream(all).average().orElseThrow()).isCloseTo(1, within(0.2));
            assertThat(Arrays.stream(all).min().orElseThrow()).isBetween(0.3, 0.95);
            assertThat(Arrays.stream(all).max().orElseThrow()).isBetween(1.05, 1.7);
        }
        // 1° is 0.8 m 46 m away and 3 cm at 1.6 m
        assertThat(change(soil, -2, 1)).isGreaterThan(3 * change(soil, -45, 1));
        assertThat(change(soil, -45, 1)).isPositive();
        assertThat(change(soil, -1, 0.05)).isLessThan(0.3 * change(soil, -1, 2));
        // 45 m and 90 m away, at about the same distance from one patch to the next
        assertThat(change(soil, -2, 0.1)).isGreaterThan(1.3 * change(soil, -4, 0.1));
    }

    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);

    private static float[] passes(Passing.Kind kind, long seed) {
        Framing framing = Framing.of(new Optics(SENSOR, 20, Projection.RECTILINEAR), new Direction(180, 50), 0);
        Response deep = new Response(500_000, 100, 1, 1, 0, 0.5);
        Shot shot = new Shot(framing, deep, 0.45, new Settings(20, 2.8, 100), 2.8, 0, 5500, Support.TRIPOD);
        Canvas canvas = new Canvas(960, 640);
        Arrays.fill(canvas.open, 1);
        new Passing(kind, seed)
                .paint(new Exposure(SCENE, shot, Window.whole(SENSOR, 960), TrailFrames.NONE, canvas, 1000));
        canvas.finish();
        return canvas.electrons[1];
    }

    private static double sum(float[] light) {
        double sum = 0;
        for (float e : light) {
            sum += e;
        }
        return sum;
    }

    /** Length of an even line with so much spread: its variance is a twelfth of its length's square. */
    private static double length(float[] light) {
        double x = 0;
        double y = 0;
        double squares = 0;
        for (int at = 0; at < light.length; at++) {
            x += light[at] * (at % 960);
            y += light[at] * (at / 960);
            squares += light[at] * (Math.pow(at % 960, 2) + Math.pow(at / 960, 2));
        }
        double all = sum(light);
        return Math.sqrt(12 * (squares / all - Math.pow(x / all, 2) - Math.pow(y / all, 2)));
    }

    /**
     * A satellite of magnitude 2.5 for 20 s at 0.6° a second, an aircraft of 0.5 at 0.35° that flashes eighteen times for a twentieth of a second at −2.5:
     * as much light as the air lets through, and as long, if the whole of its way lies in the picture.
     */
    @ParameterizedTest
    @CsvSource({"SATELLITE, 2.0, 12", "AIRCRAFT, 21.6, 7"})
    void what_passes_is_as_bright_and_as_fast_as_it_is(Passing.Kind kind, double zeros, double degrees) {
        double atZero = SkyElectrons.ofStar(0, 20, 2.8, 0.45) / (6.25 * 6.25);
        int whole = 0;
        for (long seed = 1; seed <= 30; seed++) {
            float[] light = passes(kind, seed);
            double share = sum(light) / (zeros * atZero);
            assertThat(share).isLessThan(1);
            if (share > 0.72) { // the air takes a fifth, the lens' corners some more
                whole++;
                // 9.31 pixels a degree on the axis, more towards the corners
                assertThat(length(light) / 9.31).isBetween(0.8 * degrees, 2.2 * degrees);
            }
        }
        assertThat(whole).isGreaterThan(4);
    }
}
