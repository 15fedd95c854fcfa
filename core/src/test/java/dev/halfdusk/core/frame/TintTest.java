package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Direction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Colours of the sky where they are one of their parts, or two of them half and half. */
class TintTest {

    private static final double[] BLUE = Tint.of(14_000);
    private static final double[] ORANGE = Tint.of(2500);
    private static final double[] ROSY = {1.35, 1, 1.2};
    private static final double SUNWARDS = 290;
    private static final double OPPOSITE = 110;

    private static double[] seen(double sunAltitude, double sunShare, double azimuth, double altitude) {
        SunAndMoon lamps = new SunAndMoon(sunAltitude, SUNWARDS, -90, 0, 180, 1, sunShare);
        return Tint.twilight(new Direction(azimuth, altitude), lamps);
    }

    private static double[] mixed(double[] a, double shareOfA, double[] b) {
        double[] sum = new double[3];
        for (int c = 0; c < 3; c++) {
            sum[c] = shareOfA * a[c] + (1 - shareOfA) * b[c];
        }
        return sum;
    }

    private static void same(double[] found, double[] wanted) {
        assertThat(found).containsExactly(wanted, within(1e-9));
    }

    /**
     * Towards the sun orange at the horizon, half as much 6.24° above it (9° times ln 2), less by the root of eight at a right angle to it; with the
     * sun 6° high half as much, from 12° on none.
     */
    @ParameterizedTest
    @CsvSource({
        "-6, 290, 0, 1",
        "-6, 290, 6.238324625, 0.5",
        "-6, 200, 0, 0.353553390593",
        "-6, 110, 0, 0",
        "6, 290, 0, 0.5",
        "12, 290, 0, 0",
        "30, 290, 0, 0"
    })
    void a_sunset_is_orange_low_towards_the_sun(double sun, double azimuth, double altitude, double orange) {
        double[] found = seen(sun, 1, azimuth, altitude);
        if (azimuth != OPPOSITE) {
            same(found, mixed(ORANGE, orange, BLUE));
        } else {
            assertThat(found[0]).isLessThan(ORANGE[0] / 2);
        }
    }

    /** Four degrees above the earth's shadow most, five more a factor of e less; none by day and none when the shadow is 8° high. */
    @ParameterizedTest
    @CsvSource({"-4, 8, 0.9", "-4, 13, 0.331091497", "-4, 3, 0.331091497", "-8, 12, 0", "1, 3, 0", "-7.9, 11.9, 0.9"})
    void the_belt_of_venus_is_opposite(double sun, double altitude, double rosy) {
        same(seen(sun, 1, OPPOSITE, altitude), mixed(ROSY, rosy, BLUE));
    }

    /** All round orange when nothing of the sun is left, half as much with a sixtieth of it; high up the blue of 9000 K. */
    @Test
    void totality_has_a_sunset_all_round() {
        double[] high = Tint.of(9000);
        for (double azimuth : new double[] {SUNWARDS, OPPOSITE, 20}) {
            same(seen(40, 0, azimuth, 0), ORANGE);
            same(seen(40, 0, azimuth, 6.238324625), mixed(ORANGE, 0.5, high));
            same(seen(40, 1 / 60.0, azimuth, 0), mixed(ORANGE, 0.5, mixed(high, 0.5, BLUE)));
            same(seen(40, 1 / 30.0, azimuth, 0), BLUE);
        }
    }

    private static double[] clouds(SkyGlow.Parts parts, double townGain, double moonLux, double fromMoon) {
        SunAndMoon lamps = new SunAndMoon(-6, SUNWARDS, -90, 0, 180);
        return Tint.clouds(
                SkyGlow.ofZenith(21.5), parts, new Direction(SUNWARDS, 0), lamps, townGain, moonLux, fromMoon);
    }

    private static double[] times(double by, double[] tint) {
        return new double[] {by * tint[0], by * tint[1], by * tint[2]};
    }

    /** Six tenths of what comes from above, what towns send up as often as they are told to, and the moon with a silver lining. */
    @Test
    void clouds_send_on_what_falls_on_them() {
        same(clouds(new SkyGlow.Parts(2, 0, 0, 0, 0), 1, 0, 50), times(1.2, Tint.NATURAL));
        same(clouds(new SkyGlow.Parts(0, 0, 5, 0, 0), 1, 0, 50), times(3, ORANGE));
        double[] once = clouds(new SkyGlow.Parts(0, 3, 0, 0, 0), 1, 0, 50);
        assertThat(once[1]).isCloseTo(3, within(1e-9));
        assertThat(once[0]).isGreaterThan(once[2]);
        same(clouds(new SkyGlow.Parts(0, 3, 0, 0, 0), 4, 0, 50), times(4, once));
        SkyGlow.Parts none = new SkyGlow.Parts(0, 0, 0, 0, 0);
        same(clouds(none, 1, Math.PI, 0), times(6.6, Tint.MOON));
        same(clouds(none, 1, 2 * Math.PI, 5), times(2 * (0.6 + 6 / Math.E), Tint.MOON));
    }

    /** Sharp within (half a degree for a factor of e), drawn out beyond (2.4°), red nearest to the moon. */
    @Test
    void a_halo_is_sharp_within() {
        double[] moon = times(0.35, Tint.MOON);
        assertThat(Tint.halo(21.6)[0]).isCloseTo(moon[0], within(1e-9));
        assertThat(Tint.halo(21.1)[0]).isCloseTo(moon[0] / Math.E, within(1e-9));
        assertThat(Tint.halo(24)[0]).isCloseTo(moon[0] / Math.E, within(1e-9));
        assertThat(Tint.halo(24.2)[1]).isCloseTo(moon[1] / Math.E, within(1e-9));
        assertThat(Tint.halo(24.6)[2]).isCloseTo(moon[2] / Math.E, within(1e-9));
    }

    /** 4150 K in the middle of the bulge, by a factor of e nearer to the arms' 5300 K 28° along and 14° across. */
    @ParameterizedTest
    @CsvSource({
        "0, 0, 4150",
        "28, 0, 4876.9387",
        "332, 0, 4876.9387",
        "0, 14, 4876.9387",
        "0, -14, 4876.9387",
        "28, 14, 5144.3644",
        "14, 7, 4602.4898",
        "180, 80, 5300"
    })
    void the_bulge_is_redder(double longitude, double latitude, double kelvin) {
        assertThat(Tint.galaxyKelvin(longitude, latitude)).isCloseTo(kelvin, within(1e-3));
    }

    /** In steps of a hundredth, and no further than the table: 1500 K and 1500 K times e to the 3.4. */
    @Test
    void stars_have_the_colour_of_their_temperature() {
        for (double kelvin : new double[] {2000, 4300, 5800, 9600, 25_000}) {
            double[] wanted = Tint.of(kelvin);
            double[] found = Tint.star(kelvin);
            assertThat(found[0]).isCloseTo(wanted[0], within(0.006 * wanted[0]));
            assertThat(found[2]).isCloseTo(wanted[2], within(0.006 * wanted[2] * Math.max(1, 5000 / kelvin)));
        }
        assertThat(Tint.star(200_000)).containsExactly(Tint.of(1500 * Math.exp(3.4)), within(1e-9));
        assertThat(Tint.star(800)).containsExactly(Tint.of(1500), within(1e-9));
    }
}
