package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.MoonAxes;
import dev.halfdusk.core.sky.Shadow;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Light of single places of the moon, by formulas worked out beside them; no picture is taken. */
class MoonGroundTest {

    private static final MoonAxes AXES = new MoonAxes(new Vector(1, 0, 0), new Vector(0, 1, 0), new Vector(0, 0, 1));

    /** Seen from where its zero meridian faces. */
    private static final Vector TOWARDS = new Vector(-1, 0, 0);

    private static final double SMALL_PX = 40;

    private static Vector sun(double phaseDeg) {
        double a = Math.toRadians(phaseDeg);
        return new Vector(Math.cos(a), Math.sin(a), 0);
    }

    /** The disc of even ground that scatters by Lommel and Seeliger, against the full one: summed over the disc. */
    private static double scattered(double phaseDeg) {
        Vector light = sun(phaseDeg);
        double sum = 0;
        double all = 0;
        int n = 700;
        for (int j = 0; j < n; j++) {
            for (int i = 0; i < n; i++) {
                double y = (2 * i + 1.0) / n - 1;
                double z = (2 * j + 1.0) / n - 1;
                double out2 = 1 - y * y - z * z;
                if (out2 > 0) {
                    double out = Math.sqrt(out2);
                    double in = new Vector(out, y, z).dot(light);
                    sum += in > 0 ? 2 * in / (in + out) : 0;
                    all++;
                }
            }
        }
        return sum / all;
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.03, 1, 20, 60, 90, 120, 150})
    void a_disc_is_as_bright_as_its_phase_is_known_to_be(double phaseDeg) {
        double known = Math.pow(10, -0.4 * (0.026 * phaseDeg + 4e-9 * Math.pow(phaseDeg, 4)));
        assertThat(MoonDisc.Ground.byPhase(Math.toRadians(phaseDeg)))
                .isCloseTo(known / scattered(phaseDeg), within(0.01 * known / scattered(phaseDeg)));
    }

    /** Where the ground is level: light comes in at one angle and leaves at another, through its slopes of the map. */
    @ParameterizedTest(name = "phase {0}°, at {1}° east, {2}° north")
    @CsvSource({
        "10, 0, 0",
        "40, 20, -30",
        "40, -35, 41",
        "85, 60, 20",
        "85, 75, -5",
        "120, 70, 33",
        "158, 80, -20",
        "170, 84, 4"
    })
    void a_place_is_lit_by_the_sun(double phaseDeg, double longitude, double latitude) {
        Vector light = sun(phaseDeg);
        Vector surface = Vector.towards(longitude, latitude);
        MoonDisc.Ground ground = new MoonDisc.Ground(AXES, TOWARDS, light, SMALL_PX);
        int detail = LunarGround.slopeLevel(SMALL_PX);
        double flat = Math.min(1, 1.7 * surface.x());
        double eastward = flat * LunarGround.slopeEast(detail, longitude, latitude);
        double northward = flat * LunarGround.slopeNorth(detail, longitude, latitude);
        double l = Math.toRadians(longitude);
        double b = Math.toRadians(latitude);
        Vector east = new Vector(-Math.sin(l), Math.cos(l), 0);
        Vector north = new Vector(-Math.sin(b) * Math.cos(l), -Math.sin(b) * Math.sin(l), Math.cos(b));
        Vector normal = surface.minus(east.times(eastward))
                .minus(north.times(northward))
                .unit();
        double in = normal.dot(light);
        double out = Math.max(0.02, normal.x());
        assertThat(in).isPositive();
        double grazing = Math.min(1, 1 + surface.dot(light) / 0.035);
        double albedo = LunarGround.albedo(LunarGround.level(SMALL_PX), longitude, latitude);
        double lit = MoonDisc.Ground.byPhase(Math.toRadians(Math.min(155, phaseDeg))) * 2 * in / (in + out) * grazing;
        double phase = Math.toRadians(phaseDeg);
        double earth = 1.18e-4 * (Math.sin(phase) - phase * Math.cos(phase)) / Math.PI;
        assertThat(ground.of(surface)).isCloseTo(albedo * (lit + earth), within(1e-6 * lit));
    }

    /** The earth's light alone: 1.18e−4 of the sun's from a full earth, which is that of the new moon; its phase is the rest of the moon's. */
    @ParameterizedTest
    @CsvSource({"180, 1", "90, 0.31830989", "120, 0.6089978"})
    void a_dark_place_is_lit_by_the_earth(double phaseDeg, double share) {
        MoonDisc.Ground ground = new MoonDisc.Ground(AXES, TOWARDS, sun(phaseDeg), SMALL_PX);
        double albedo = LunarGround.albedo(LunarGround.level(SMALL_PX), -30, 10);
        assertThat(ground.of(Vector.towards(-30, 10))).isCloseTo(1.18e-4 * share * albedo, within(1e-9));
    }

    /** The sun's middle 2.02° below the level lights nothing, 0.8° below some high ground; at a pole no slope is asked for. */
    @Test
    void light_ends_beyond_the_level() {
        MoonDisc.Ground half = new MoonDisc.Ground(AXES, TOWARDS, sun(90), SMALL_PX);
        double dark = 1.18e-4 / Math.PI;
        int lit = 0;
        for (int latitude = -6; latitude <= 6; latitude += 2) {
            double albedo = LunarGround.albedo(LunarGround.level(SMALL_PX), -2.02, latitude);
            assertThat(half.of(Vector.towards(-2.02, latitude))).isCloseTo(dark * albedo, within(1e-9));
        }
        for (int latitude = -60; latitude <= 60; latitude += 3) {
            lit += half.of(Vector.towards(-0.8, latitude)) > 2 * dark ? 1 : 0;
        }
        assertThat(lit).isBetween(1, 40);
        assertThat(half.of(new Vector(0, 0, 1))).isFinite().isPositive();
    }

    private static double[] arrives(Shadow shadow, double danjon, double offDeg) {
        double[] rgb = new double[3];
        Vector moon = new Vector(0, 384_400, 0);
        double off = Math.toRadians(offDeg);
        // the axis so that the middle of the moon's face lies so far from it, seen from the earth's middle
        Vector centre = new Vector(0, 0, -6378);
        Vector surface = new Vector(0, -1, 0);
        Vector seen =
                moon.plus(surface.times(Body.MOON.radiusKm())).minus(centre).unit();
        Vector side = new Vector(1, 0, 0);
        Vector axis = seen.times(Math.cos(off)).plus(side.times(Math.sin(off)));
        new MoonDisc.Darkening(moon, Optional.of(new Shadow.Cone(shadow, centre, axis)), danjon).of(surface, rgb);
        return rgb;
    }

    /** Red and blue against green by class of darkness, straight between classes; blue at the edge of the umbra, where ozone takes the red. */
    @ParameterizedTest(name = "class {0}, {1}° from the axis")
    @CsvSource({
        "0, 0.1, 1.4, 0.9",
        "1, 0.1, 2.2, 0.8",
        "1.5, 0.2, 2.7, 0.75",
        "2, 0.3, 3.2, 0.7",
        "3.25, 0.1, 2.9, 0.6375",
        "4, 0.2, 2.6, 0.6",
        "4, 0.66, 2.6, 0.6",
        "2, 0.7, 3.2, 0.7",
        "2, 0.9, 3.2, 0.7",
        "2, 1.19, 3.2, 0.7",
        "2, 1.3, 3.2, 0.7"
    })
    void the_shadow_s_colour(double danjon, double offDeg, double red, double blue) {
        Shadow shadow = new Shadow(0.3, 0.7, 1.2, 0.26);
        double direct = ShadowedMoon.visible((offDeg - 0.7) / 0.5);
        double bent = (1 - direct) * ShadowedMoon.umbra(danjon) * Math.pow(2, 3 * (Math.min(1, offDeg / 0.7) - 0.5));
        double edge = Math.pow(Math.min(1, offDeg / 0.7), 14);
        double[] rgb = arrives(shadow, danjon, offDeg);
        double[] deep = {red, 1, blue};
        for (int c = 0; c < 3; c++) {
            double wanted = Tint.MOON[c] * (direct + bent * (deep[c] + (1 - deep[c]) * edge));
            assertThat(rgb[c]).isCloseTo(wanted, within(1e-5 * wanted));
        }
    }

    @Test
    void without_a_shadow_it_is_the_moon_s_own() {
        double[] rgb = new double[3];
        new MoonDisc.Darkening(new Vector(0, 384_400, 0), Optional.empty(), 2).of(new Vector(0, -1, 0), rgb);
        assertThat(rgb).containsExactly(Tint.MOON);
    }
}
