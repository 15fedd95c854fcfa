package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.SolarLight;
import dev.halfdusk.core.measure.Vector;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Single places of the sun and of the moon before it, in radii of the sun; no picture is taken. */
class SunEdgeTest {

    private static final Vector TOWARDS = new Vector(0, 1, 0);
    private static final Vector WEST = new Vector(1, 0, 0);
    private static final Vector NORTH = new Vector(0, 0, 1);
    private static final double SUN_DEG = 0.265;
    private static final double[] AIR = {0.9, 0.8, 0.6};
    private static final double[] WHITE = Tint.of(5800);

    private static SunDisc.Before before(double moonX, double moonY, double moonRadius) {
        return new SunDisc.Before(TOWARDS, WEST, NORTH, SUN_DEG, moonX, moonY, moonRadius, AIR);
    }

    private static Vector at(double u, double v) {
        double radius = Math.sin(Math.toRadians(SUN_DEG));
        return TOWARDS.plus(WEST.times(u * radius)).plus(NORTH.times(v * radius));
    }

    /** Far from the sun. */
    private static final SunDisc.Before NO_MOON = before(5, 0, 1);

    @Test
    void a_place_is_told_in_radii() {
        assertThat(NO_MOON.right(at(0.4, -0.7))).isCloseTo(0.4, within(1e-9));
        assertThat(NO_MOON.up(at(0.4, -0.7))).isCloseTo(-0.7, within(1e-9));
    }

    /** 1 − u (1 − µ): half a radius out µ is 0.866, at 0.8 it is 0.6. */
    @ParameterizedTest
    @CsvSource({"0, 0, 1", "0.5, 0, 0.8660254", "0, -0.8, 0.6", "-0.6, 0.6, 0.5291503", "0.9999, 0, 0.0141418"})
    void it_darkens_to_its_limb(double u, double v, double mu) {
        double[] rgb = new double[3];
        assertThat(NO_MOON.light(at(u, v), rgb)).isTrue();
        double[] limb = {0.5, 0.6, 0.75};
        for (int c = 0; c < 3; c++) {
            double wanted = 1.6e9 * WHITE[c] * (1 - limb[c] * (1 - mu)) * AIR[c];
            assertThat(rgb[c]).isCloseTo(wanted, within(1e-5 * wanted));
        }
    }

    /** Red of hydrogen 0.006 of a radius high, and prominences higher: none where there is none. */
    @Test
    void chromosphere_and_prominences() {
        double[] rgb = new double[3];
        double[] hydrogen = {2.4, 0.5, 1.1};
        double a = Math.toRadians(28);
        for (double r : new double[] {1.0001, 1.0059}) {
            for (double angle : new double[] {a, Math.toRadians(80)}) {
                assertThat(NO_MOON.light(at(r * Math.cos(angle), r * Math.sin(angle)), rgb))
                        .isTrue();
                for (int c = 0; c < 3; c++) {
                    assertThat(rgb[c]).isCloseTo(37.5 * 1024 * hydrogen[c] * AIR[c], within(1e-3));
                }
            }
        }
        assertThat(NO_MOON.light(at(1.0061 * Math.cos(a), 1.0061 * Math.sin(a)), rgb))
                .isTrue();
        for (int c = 0; c < 3; c++) {
            assertThat(rgb[c]).isCloseTo(37.5 * 512 * hydrogen[c] * AIR[c], within(1e-3));
        }
        assertThat(NO_MOON.light(at(1.0061 * Math.cos(1.4), 1.0061 * Math.sin(1.4)), rgb))
                .isFalse();
        assertThat(NO_MOON.light(at(1.08 * Math.cos(a), 1.08 * Math.sin(a)), rgb))
                .isFalse();
        assertThat(NO_MOON.light(at(1.26, 0), rgb)).isFalse();
        assertThat(NO_MOON.light(at(0, 0).times(-1), rgb)).isFalse();
    }

    /** Valleys of its edge are at most 0.0011 radii deep or high: within all is dark, beyond nothing is hidden, between some of both. */
    @Test
    void the_moon_hides_what_lies_behind_it() {
        SunDisc.Before some = before(0.3, -0.2, 1.02);
        double[] rgb = new double[3];
        int dark = 0;
        int all = 0;
        for (int i = 0; i < 3600; i++) {
            double angle = Math.toRadians(i / 10.0);
            double x = Math.cos(angle);
            double y = Math.sin(angle);
            double inner = 1.02 * (1 - 0.0011);
            double outer = 1.02 * (1 + 0.0011);
            double u = 0.3 + inner * x;
            double v = -0.2 + inner * y;
            assertThat(some.hidden(u, v, 1e-5)).isEqualTo(1);
            assertThat(some.hidden(0.3 + outer * x, -0.2 + outer * y, 1e-5)).isZero();
            if (Math.hypot(u, v) < 0.98) {
                assertThat(some.light(at(u, v), rgb)).isFalse();
                assertThat(some.light(at(0.3 + outer * x, -0.2 + outer * y), rgb))
                        .isTrue();
                boolean hidden = !some.light(at(0.3 + 1.02 * x, -0.2 + 1.02 * y), rgb);
                assertThat(some.hidden(0.3 + 1.02 * x, -0.2 + 1.02 * y, 1e-9)).isEqualTo(hidden ? 1 : 0);
                dark += hidden ? 1 : 0;
                all++;
            }
        }
        assertThat(dark / (double) all).isBetween(0.3, 0.7);
        assertThat(some.hidden(0.3, -0.2, 0.01)).isEqualTo(1);
        assertThat(some.hidden(1.9, -0.2, 0.01)).isZero();
    }

    /** Half a pixel beyond its edge nothing is hidden, a quarter beyond a quarter; the edge is as soft as a pixel. */
    @ParameterizedTest
    @CsvSource({"-0.6, 1", "-0.25, 0.75", "0, 0.5", "0.25, 0.25", "0.6, 0"})
    void its_edge_is_as_soft_as_a_pixel(double pixels, double share) {
        SunDisc.Before some = before(0, 0, 1);
        double pixel = 0.1;
        assertThat(some.hidden(1 + pixels * pixel, 0, pixel)).isCloseTo(share, within(0.02));
        assertThat(some.hidden(0, -1 - pixels * pixel, pixel)).isCloseTo(share, within(0.02));
    }

    @Test
    void what_is_told_of_light_is_of_the_ladder() {
        assertThat(SolarLight.luminance(SolarLight.CHROMOSPHERE)).isCloseTo(37.5 * 1024, within(1e-6));
        assertThat(SolarLight.luminance(SolarLight.PROMINENCES)).isCloseTo(37.5 * 512, within(1e-6));
    }
}
