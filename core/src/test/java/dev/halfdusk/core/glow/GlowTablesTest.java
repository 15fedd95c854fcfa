package dev.halfdusk.core.glow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
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

/** Every part of the sky's light, direction by direction, against the formulas of docs/formulas.md reckoned elsewhere. */
class GlowTablesTest {

    /** Far from the Milky Way. */
    private static final double LONGITUDE = 90;

    private static final double LATITUDE = 80;
    private static final List<Dome> TOWNS =
            List.of(new Dome("east", 60, 25, 200_000), new Dome("south", 200, 10, 50_000));

    private static SkyGlow.Parts towards(SkyGlow glow, double azimuth, double altitude, SunAndMoon lamps) {
        return glow.towards(new Direction(azimuth, altitude), LONGITUDE, LATITUDE, lamps);
    }

    private static void assertMagnitude(double luminance, double magnitude) {
        assertThat(Luminance.magnitude(luminance)).isCloseTo(magnitude, within(0.002));
    }

    @ParameterizedTest
    @CsvSource({
        "90, 21.9, 20.87",
        "45, 21.6108, 20.9357",
        "20, 21.144, 21.1356",
        "5, 20.8552, 21.4817",
        "0, 20.8326, 21.55"
    })
    void air_brightens_and_dims_towards_the_horizon(double altitude, double natural, double core) {
        SkyGlow.Parts parts = SkyGlow.natural().core(new Direction(180, altitude), SunAndMoon.NEITHER);
        assertMagnitude(parts.natural(), natural);
        assertMagnitude(parts.milkyWay(), core);
        assertThat(parts.towns() + parts.twilight() + parts.moon()).isZero();
        assertThat(parts.total()).isCloseTo(parts.natural() + parts.milkyWay(), within(1e-12));
    }

    @ParameterizedTest(name = "sun {0}° down, {1}° up, {2}° from it")
    @CsvSource({
        "12, 90, 0, 19.8224",
        "12, 10, 0, 17.7566",
        "12, 10, 180, 20.2356",
        "9, 30, 90, 16.512",
        "16.5, 20, 45, 22.4271",
        "17.9, 90, 0, 29.6635",
        // anchors of the bright end and the middle between two of them
        "5, 90, 0, 11.84",
        "2.5, 90, 0, 9.42",
        "0, 90, 0, 7",
        "-20, 90, 0, 4.1",
        "-95, 90, 0, 3.5"
    })
    void twilight(double depression, double altitude, double fromSun, double magnitude) {
        SunAndMoon lamps = new SunAndMoon(-depression, 250, -40, 0, 180);
        assertMagnitude(
                towards(SkyGlow.natural(), 250 + fromSun, altitude, lamps).twilight(), magnitude);
    }

    @ParameterizedTest(name = "phase {0}°, moon {1}° {2}°, looking {3}° {4}°")
    @CsvSource({
        "0, 180, 40, 0, 50, 18.772",
        "40, 120, 5, 130, 30, 19.573",
        "90, 200, 60, 20, 80, 20.7593",
        "0, 180, 40, 180, 90, 18.4707"
    })
    void moonlight(double phase, double azimuth, double altitude, double towards, double up, double magnitude) {
        SunAndMoon lamps = new SunAndMoon(-40, 0, altitude, azimuth, phase);
        SkyGlow.Parts parts = towards(SkyGlow.natural(), towards, up, lamps);
        assertMagnitude(parts.moon(), magnitude);
        assertThat(parts.background()).isCloseTo(parts.natural() + parts.moon(), within(1e-12));
    }

    @ParameterizedTest
    @CsvSource({"0, 45, 3.6053", "60, 20, 1.558", "120, 5, 0.1201", "0, -1, 0"})
    void what_the_moon_does_to_the_zenith(double phase, double altitude, double magnitudes) {
        assertThat(Moonlight.zenithBrightening(new SunAndMoon(-40, 0, altitude, 0, phase)))
                .isCloseTo(magnitudes, within(0.001));
    }

    @ParameterizedTest
    @CsvSource({
        "120, 50000, 20, 120, 45, 0.279508",
        "120, 50000, 20, 120, 0, 2.16135",
        "120, 50000, 20, 30, 45, 0.0361464",
        "0, 1000, 1, 180, 80, 0.0526576",
        "350, 300000, 40, 20, 15, 0.50629"
    })
    void domes(double bearing, double people, double km, double azimuth, double altitude, double share) {
        assertThat(new Dome("town", bearing, km, people).share(azimuth, altitude))
                .isCloseTo(share, within(share * 1e-4));
    }

    @ParameterizedTest
    @CsvSource({"60, 10, 20.6496, 18.8465", "200, 30, 20.658, 18.8548", "330, 20, 24.1972, 22.3941"})
    void towns_estimated_and_scaled_to_a_reading(double azimuth, double altitude, double estimated, double measured) {
        SkyGlow byTowns = SkyGlow.of(OptionalDouble.empty(), SkyGlow.CLEAR, TOWNS);
        SkyGlow byMeter = SkyGlow.of(OptionalDouble.of(20.9), SkyGlow.CLEAR, TOWNS);
        assertThat(byTowns.zenith(SunAndMoon.NEITHER).magnitude()).isCloseTo(21.6259, within(0.001));
        assertThat(byMeter.zenith(SunAndMoon.NEITHER).magnitude()).isCloseTo(20.9, within(0.001));
        assertMagnitude(towards(byTowns, azimuth, altitude, SunAndMoon.NEITHER).towns(), estimated);
        assertMagnitude(towards(byMeter, azimuth, altitude, SunAndMoon.NEITHER).towns(), measured);
    }

    @Test
    void without_towns_a_bright_reading_is_spread_evenly_and_a_dark_one_is_natural() {
        assertMagnitude(
                towards(SkyGlow.ofZenith(20), 77, 30, SunAndMoon.NEITHER).towns(), 19.6675);
        SkyGlow.Parts dark = SkyGlow.ofZenith(22.2).zenith(SunAndMoon.NEITHER);
        assertThat(dark.towns()).isZero();
        assertMagnitude(dark.natural(), 22.2);
    }

    @ParameterizedTest
    @CsvSource({
        "0, 90, 0.26844",
        "0, 30, 0.11490",
        "0, 10, 0.022899",
        "60, 45, 0.040323",
        "90, 20, 0.0062075",
        "0, 0, 0"
    })
    void lux_of_the_moon_on_level_ground(double phase, double altitude, double lux) { // air by another formula
        assertThat(GroundLight.moonLux(phase, altitude)).isCloseTo(lux, within(lux * 5e-4));
    }

    /** A surface of 0 mag/arcsec² that fills a square arcsecond gives the light of a star of magnitude 0. */
    @Test
    void light_has_one_zero_point() {
        double perSquareArcsec = Math.pow(Math.toRadians(1 / 3600.0), 2);
        double lux = Luminance.of(0) * perSquareArcsec;
        assertThat(-2.5 * Math.log10(lux) + GroundLight.MAGNITUDE_OF_ONE_LUX).isCloseTo(0, within(0.002));
    }

    /** By its airless altitude: refracted with Saemundsson and put into the formula of Kasten and Young, which wants it so. */
    @ParameterizedTest
    @CsvSource({"0, 31.54", "1, 23.41", "2, 18.03", "5, 10.04", "30, 1.9926", "90, 0.9997"})
    void a_low_body_shines_through_much_air(double airlessDeg, double mass) {
        assertThat(Air.path(airlessDeg)).isCloseTo(mass, within(mass * 0.008));
    }

    @Test
    void ground_gives_back_a_tenth() {
        assertThat(GroundLight.luminance(SkyGlow.natural(), SunAndMoon.NEITHER)).isCloseTo(1.87682e-5, within(5e-9));
        SunAndMoon full = new SunAndMoon(-40, 0, 60, 180, 0);
        assertThat(GroundLight.luminance(SkyGlow.natural(), full)).isCloseTo(0.0079892, within(1e-6));
        assertThat(GroundLight.ofLux(10)).isCloseTo(0.31831, within(1e-5));
    }

    @Test
    void the_core_in_percent_of_its_sky() {
        Direction core = new Direction(180, 24);
        assertThat(SkyGlow.natural().coreContrastPercent(core, SunAndMoon.NEITHER))
                .isCloseTo(115.14, within(0.1));
        assertThat(SkyGlow.natural().coreContrastPercent(new Direction(180, 0), SunAndMoon.NEITHER))
                .isZero();
    }

    @Test
    void sun_and_moon_at_a_moment_are_what_the_bodies_are() {
        Observer coast = Observer.at(new Site(37.6, -8.79, 30));
        Moment moment = Moment.at(Instant.parse("2027-06-11T21:30:00Z"));
        SunAndMoon lamps = SunAndMoon.at(moment, coast);
        var sun = moment.observed(Body.SUN, coast);
        var moon = moment.observed(Body.MOON, coast);
        assertThat(lamps.sunAltitudeDeg()).isCloseTo(sun.altitudeDeg(), within(1e-9));
        assertThat(lamps.sunAzimuthDeg()).isCloseTo(sun.azimuthDeg(), within(1e-9));
        assertThat(lamps.moonAltitudeDeg()).isCloseTo(moon.altitudeDeg(), within(1e-9));
        assertThat(lamps.moonAzimuthDeg()).isCloseTo(moon.azimuthDeg(), within(1e-9));
        // from the earth's centre the phase differs by the moon's parallax, a degree at the most
        Illumination centre = Illumination.of(Body.MOON, moment);
        assertThat(lamps.moonPhaseAngleDeg()).isCloseTo(centre.phaseAngleDeg(), within(1.0));
        assertThat(lamps.moonFraction()).isCloseTo(centre.fraction(), within(0.01));
        assertThat(new SunAndMoon(0, 0, 0, 0, 60).moonFraction()).isCloseTo(0.75, within(1e-12));
    }

    @Test
    void a_direction_of_a_moment_finds_its_place_in_the_milky_way() {
        Observer coast = Observer.at(new Site(37.6, -8.79, 30));
        Moment moment = Moment.at(Instant.parse("2027-06-09T00:10:00Z"));
        Vector clouds = Galaxy.icrs(2, -4);
        Vector core = moment.local(new FixedPoint(clouds.longitudeDeg(), clouds.latitudeDeg()), coast);
        SkyGlow.Parts there = SkyGlow.natural().towards(core, moment, coast, SunAndMoon.NEITHER);
        double expected = GalacticLight.stars(2, -4) * Air.transmission(0.17, Air.mass(core.latitudeDeg()));
        assertThat(there.milkyWay()).isCloseTo(expected, within(expected * 0.01));
        Vector below = new Vector(core.x(), core.y(), -0.4);
        assertThat(SkyGlow.natural()
                        .towards(below, moment, coast, SunAndMoon.NEITHER)
                        .natural())
                .isCloseTo(Luminance.of(20.8326), within(1e-7));
    }

    @Test
    void colours_between_their_anchors() {
        SkyGlow.Parts night = SkyGlow.natural().zenith(SunAndMoon.NEITHER);
        // half way from 2° to 0° of the sun: channel by channel
        assertThat(SkyColour.hex(SkyColour.of(1, night))).isEqualTo("#ca7652");
        assertThat(SkyColour.low(-2.5, night)).isEqualTo(SkyColour.of(0, night));
        assertThat(SkyColour.low(7, night)).isEqualTo(SkyColour.of(8, night));
        assertThat(SkyColour.hex(SkyColour.mix(0x102030, 0x304050, 0.5))).isEqualTo("#203040");
        assertThat(SkyColour.difference(0x102030, 0x1020ff)).isEqualTo(0xff - 0x30);
        assertThat(SkyColour.difference(0xf02030, 0x102030)).isEqualTo(0xe0);
        assertThat(SkyColour.withCore(0x0d0d18, 0)).isEqualTo(0x0d0d18);
        assertThat(SkyColour.hex(SkyColour.withCore(0x000000, 1))).isEqualTo("#be9d75");
        // a moon of twenty-five natural skies colours by its whole share, half night at −7.5°
        SkyGlow.Parts lit = new SkyGlow.Parts(night.natural(), 0, 0, 25 * night.natural(), 0);
        assertThat(SkyColour.of(-30, lit)).isEqualTo(SkyColour.mix(0x0d0d18, 0x707c8c, 0.62));
        assertThat(SkyColour.of(-7.5, lit)).isEqualTo(SkyColour.mix(SkyColour.of(-7.5, night), 0x707c8c, 0.31));
    }
}
