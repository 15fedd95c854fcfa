package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.Anchor;
import dev.halfdusk.core.eclipse.Discs;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.SolarLight;
import dev.halfdusk.core.eclipse.Suns;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The sun of the photograph against the geometry of the eclipse and the exponents that one exposes it by. */
class SunDiscTest {

    private static final Observer HERE = Observer.at(Suns.STRAIT);
    private static final int SIDE = 720;

    private static LocalSolarEclipse eclipse() {
        return Suns.at(Suns.STRAIT, "2027-08-02");
    }

    private static Instant from(Anchor anchor, double seconds) {
        return eclipse().contact(anchor).orElseThrow().when().plusMillis(Math.round(1000 * seconds));
    }

    /** A square in the middle of a frame of 400 mm: the sun is 620 pixels wide. */
    private static Photograph take(Instant t, double q, boolean filtered) {
        Gear[] gear = filtered ? new Gear[] {Suns.DENSITY_5} : new Gear[0];
        Setup s = Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY, gear)
                .at(t)
                .pointing(Pointing.level(Direction.of(Moment.at(t).local(Body.SUN, HERE))));
        Scene scene = Scene.open(Standpoint.open(Suns.STRAIT, SkyGlow.natural()), Moment.at(t));
        return Photograph.take(
                scene,
                Shot.of(s, new Settings(SolarLight.seconds(q, 8, 200), 8, 200), 5500),
                Window.crop(Suns.BODY.sensor(), 0, 0, SIDE, SIDE),
                3,
                TrailFrames.NONE,
                Photograph.Stars.CATALOGUED);
    }

    private static double share(Photograph p, int x, int y) {
        double sum = 0;
        for (int j = -2; j <= 2; j++) {
            for (int i = -2; i <= 2; i++) {
                sum += p.electrons(1)[(y + j) * SIDE + x + i] / 25;
            }
        }
        return sum / p.saturationE();
    }

    private static int lit(Photograph p, double above) {
        int lit = 0;
        for (float e : p.electrons(1)) {
            lit += e > above * p.saturationE() ? 1 : 0;
        }
        return lit;
    }

    /** Pixels that the whole disc covers, from its angular radius. */
    private static double whole(Instant t) {
        double radius = Discs.at(Moment.at(t), HERE).sunDeg();
        double px = Math.tan(Math.toRadians(radius)) * 400 / 0.006;
        return Math.PI * px * px;
    }

    /** Through the filter the part of the disc that is lit is what the discs leave, within a percent of it. */
    @ParameterizedTest
    @ValueSource(doubles = {-4200, -3000, -1800, -900, -300, -60})
    void the_sickle_is_as_large_as_it_should_be(double seconds) {
        Instant t = from(Anchor.C2, seconds);
        double left = 1 - Discs.at(Moment.at(t), HERE).obscuration();
        assertThat(lit(take(t, 8, true), 0.05) / whole(t)).isCloseTo(left, within(0.01));
    }

    /** Exposed by its exponent the disc is bright and not burnt, darker at its limb. */
    @Test
    void a_whole_disc_is_exposed_well() {
        Photograph p = take(from(Anchor.C1, -300), 8, true);
        double middle = share(p, SIDE / 2, SIDE / 2);
        double limb = share(p, SIDE / 2 + 290, SIDE / 2);
        assertThat(middle).isBetween(0.2, 0.98);
        assertThat(limb / middle).isBetween(0.5, 0.8);
        assertThat(share(p, SIDE / 2 + 340, SIDE / 2)).isLessThan(0.03);
    }

    /** It lies on the side of the sun where the last light should be: opposite the way the moon comes from. */
    @Test
    void the_last_light_is_where_the_contact_is() {
        Photograph p = take(from(Anchor.C2, -30), 8, true);
        double x = 0;
        double y = 0;
        double n = 0;
        for (int i = 0; i < SIDE * SIDE; i++) {
            if (p.electrons(1)[i] > 0.05 * p.saturationE()) {
                x += i % SIDE - SIDE / 2.0;
                y += SIDE / 2.0 - i / SIDE;
                n++;
            }
        }
        double fromZenith = Math.toDegrees(Math.atan2(-x / n, y / n)); // through the left
        double expected = eclipse().contact(Anchor.C2).orElseThrow().fromZenithDeg();
        assertThat(Math.IEEEremainder(fromZenith - expected, 360)).isCloseTo(0, within(3.0));
    }

    /** Each step of the ladder shows its height: bright there, not burnt. */
    @ParameterizedTest
    @CsvSource({"0.1, 7, 0.15", "0.2, 5, 0.1"})
    void the_corona_is_exposed_by_its_ladder(double radii, double q, double least) {
        Photograph p = take(from(Anchor.MAX, 0), q, false);
        double px = Math.sqrt(whole(from(Anchor.MAX, 0)) / Math.PI) * (1 + radii);
        double sum = 0;
        for (int a = 0; a < 36; a++) {
            double angle = Math.toRadians(10 * a);
            int x = (int) Math.min(SIDE - 4, Math.max(3, SIDE / 2 + px * Math.cos(angle)));
            int y = (int) Math.min(SIDE - 4, Math.max(3, SIDE / 2 + px * Math.sin(angle)));
            sum += share(p, x, y) / 36;
        }
        assertThat(sum).isBetween(least, 0.9);
        assertThat(share(p, SIDE / 2, SIDE / 2)).isLessThan(0.02);
    }

    /** Two seconds before the second contact some beads are left, and three after it none. */
    @Test
    void beads_go_out_at_the_contact() {
        assertThat(lit(take(from(Anchor.C2, -2), 11, false), 0.99)).isBetween(20, 20_000);
        assertThat(lit(take(from(Anchor.C2, 4), 11, false), 0.99)).isZero();
    }

    /** Before the second contact the chromosphere's red is hidden by none, in the middle of totality by all of the moon. */
    @Test
    void chromosphere_and_prominences_are_red() {
        Photograph p = take(from(Anchor.C2, 3), 9, false);
        double red = 0;
        for (int i = 0; i < SIDE * SIDE; i++) {
            double green = p.electrons(1)[i];
            red += p.electrons(0)[i] > 1.8 * green && green > 0.01 * p.saturationE() ? 1 : 0;
        }
        assertThat(red).isGreaterThan(100);
    }

    /** What an eclipse leaves of the sun, for the light of the sky. */
    @Test
    void the_sky_darkens_with_the_sun() {
        SunAndMoon half = SunAndMoon.at(Moment.at(from(Anchor.C2, -1800)), HERE);
        assertThat(half.sunShare())
                .isCloseTo(1 - Discs.at(Moment.at(from(Anchor.C2, -1800)), HERE).obscuration(), within(1e-3));
        SunAndMoon dark = SunAndMoon.at(Moment.at(from(Anchor.MAX, 0)), HERE);
        assertThat(dark.sunShare()).isZero();
        assertThat(SunAndMoon.at(Moment.at(from(Anchor.C1, -60)), HERE).sunShare())
                .isEqualTo(1);
        SkyGlow glow = SkyGlow.natural();
        double day = glow.zenith(half.sunLeft(1)).total();
        assertThat(glow.zenith(half).total() / day).isCloseTo(half.sunShare(), within(0.01));
        assertThat(glow.zenith(dark).magnitude()).isBetween(11.5, 13.5); // as bright as some minutes after sunset
        double low = glow.withoutMilkyWay(new Direction(273, 2), dark).total();
        double high = glow.withoutMilkyWay(new Direction(273, 60), dark).total();
        assertThat(low / high).isBetween(4.0, 20.0);
    }
}
