package dev.halfdusk.core.moon;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.moon.MeterReading.Mode;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What a picture of the moon asks beside its light: meters, limits, earthshine, and the land below. */
class MoonPictureTest {

    private static final Sensor FULL_FRAME = Sensor.of(36, 24, 6000);
    private static final Standpoint COAST = Standpoint.open(new Site(37.6, -8.8, 5), SkyGlow.ofZenith(21));
    private static final Instant FULL_MOON = Instant.parse("2027-06-18T23:30:00Z");

    private static Setup setup(double focal, Support.Kind held) {
        List<Gear> gear = List.of(new Support(held, 0));
        Rig rig = Rig.of(
                CameraBody.generic(FULL_FRAME, Dial.THIRD, 25_600),
                new Lens(focal, focal, 5.6, 5.6, Projection.RECTILINEAR),
                gear);
        Pointing aim = Pointing.level(new Direction(180, 25));
        return new Setup(rig, focal, 8, aim, COAST, FULL_MOON, Demand.USUAL);
    }

    /** Lommel and Seeliger ten degrees inside a half moon: 0.1736 / (0.1736 + 0.9848) = 0.1499, the mean is 0.3768. */
    @Test
    void the_terminator_of_a_half_moon_is_a_stop_and_a_third_below_its_mean() {
        MoonLight half = new MoonLight(90, 90, 0);
        assertThat(half.terminatorEv100() - half.meteredEv100()).isCloseTo(-1.330, within(0.003));
        MoonLight full = new MoonLight(0, 90, 0);
        assertThat(full.terminatorEv100()).isCloseTo(full.meteredEv100(), within(0.01));
        assertThat(full.terminatorEv100()).isLessThanOrEqualTo(full.limbEv100() + 1e-9);
    }

    /** A full moon of EV 15.25 has 2^15.25 / 8 = 4870 cd/m². */
    @Test
    void exposure_values_are_luminances() {
        assertThat(SceneLight.luminance(15.25)).isCloseTo(4871, within(1.0));
        assertThat(SceneLight.evOf(SceneLight.luminance(-3.3))).isCloseTo(-3.3, within(1e-9));
    }

    /**
     * Five days before new: the earth's phase angle is 30°, its phase (0.5 + 2.618 × 0.866) / π = 0.881 of full, 1.04e−4 of the sun's
     * light, 0.51 cd/m²: 13.3 magnitudes a square arcsecond, as crescents are measured.
     */
    @Test
    void earthshine_is_thirteen_stops_below_a_full_moon() {
        Earthshine shine = new Earthshine(new MoonLight(150, 90, 0));
        assertThat(shine.earthPhase()).isCloseTo(0.881, within(1e-3));
        double luminance = SceneLight.luminance(shine.ev100());
        assertThat(-2.5 * Math.log10(luminance / 108_000)).isCloseTo(13.3, within(0.05));
        assertThat(shine.seen()).isTrue();
        assertThat(shine.apartStops()).isBetween(7.0, 11.0);
        assertThat(new Earthshine(new MoonLight(90, 40, 0.2)).seen()).isFalse();
        assertThat(new Earthshine(new MoonLight(0, 40, 0.2)).earthPhase()).isCloseTo(0, within(1e-9));
    }

    private static double over(double focal, Mode mode) {
        Setup s = setup(focal, Support.Kind.TRIPOD);
        MoonMotion motion = MoonMotion.at(FULL_MOON, COAST.observer());
        MoonLight full = new MoonLight(0, 25, 0.2);
        return MeterReading.of(s, full, motion, full.proposedEv100()).stream()
                .filter(r -> r.mode() == mode)
                .findFirst()
                .orElseThrow()
                .overStops();
    }

    /**
     * At 300 mm the disc (2.6 mm, 5.5 mm²) fills 0.64 % of the frame: 7.3 stops below its own light, one of which is wanted. A spot of
     * 2.5 % (21.6 mm²) takes it for 2 stops darker; at 800 mm it sees nothing else and gives a stop too little.
     */
    @Test
    void meters_are_fooled_by_the_black_around() {
        assertThat(over(300, Mode.WHOLE)).isCloseTo(7.3 - 1, within(0.3));
        assertThat(over(300, Mode.SPOT)).isCloseTo(1.97 - 1, within(0.2));
        assertThat(over(800, Mode.SPOT)).isCloseTo(-1, within(0.01));
        assertThat(over(300, Mode.MIDDLE)).isBetween(over(300, Mode.SPOT), over(300, Mode.WHOLE));
    }

    private static String limits(Support.Kind held, double stabiliser, double wind) {
        Setup s = setup(300, held);
        return MoonLimit.of(s, MoonMotion.at(FULL_MOON, COAST.observer()), 2, stabiliser, wind).stream()
                .map(l -> l.cause().key() + " " + Math.round(1 / l.seconds()))
                .collect(Collectors.joining(", "));
    }

    /** 1 / focal length in the hand, four stops of it 16 times as long; the wind from 4 m/s; the air at the moon's rate. */
    @Test
    void the_shutter_is_held_by_what_counts() {
        assertThat(limits(Support.Kind.HAND, 0, 20)).contains("hand 300").doesNotContain("wind");
        assertThat(limits(Support.Kind.HAND, 4, 0)).contains("hand 19");
        assertThat(limits(Support.Kind.TRIPOD, 4, 3.9)).startsWith("motion ").doesNotContain(",");
        assertThat(limits(Support.Kind.TRIPOD, 0, 4)).contains("wind 300");
        assertThat(limits(Support.Kind.LUNAR, 0, 0)).isEqualTo("seeing 1").doesNotContain("motion");
        assertThatThrownBy(() -> limits(Support.Kind.HAND, 9, 0)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> limits(Support.Kind.HAND, 0, 61)).isInstanceOf(OutOfRange.class);
    }

    /** The proposal keeps within the shortest: by hand a shorter shutter and a higher ISO than on a tripod. */
    @ParameterizedTest
    @EnumSource(
            value = Support.Kind.class,
            names = {"HAND", "TRIPOD", "LUNAR"})
    void the_proposal_keeps_within_the_shortest_limit(Support.Kind held) {
        MoonExposure e = MoonExposure.of(setup(300, held), 2, 0.2, 0, 8);
        assertThat(e.limitSeconds()).isEqualTo(MoonLimit.shortest(e.limits()));
        assertThat(e.settings().seconds()).isLessThanOrEqualTo(e.limitSeconds());
    }

    /** 2.5″ on 4.1″ pixels are 0.6 of them. */
    @Test
    void seeing_in_pixels() {
        double scale = 206.265 * 6 / 300;
        assertThat(MoonLimit.seeingPx(setup(300, Support.Kind.TRIPOD).optics())).isCloseTo(2.5 / scale, within(1e-3));
    }

    /** Two stops down from f/2.8 is f/5.6; on 6 µm diffraction is two pixels wide at f/8.9, so that an f/5.6 lens goes to f/9. */
    @ParameterizedTest
    @CsvSource({"2.8, 22, 5.6", "5.6, 32, 9", "1.4, 16, 2.8", "11, 32, 11", "2.8, 4, 4"})
    void the_sharpest_aperture(double widest, double narrowest, double best) {
        Range apertures = new Range("aperture f/", widest, narrowest, "");
        assertThat(Depth.sharpestAperture(apertures, FULL_FRAME)).isEqualTo(best);
    }

    /**
     * The moon of 17 June 2027, a day before full, rises at the coast before sunset: with the sun on the horizon the zenith has 7.0 magnitudes, 171
     * cd/m², 537 lux, EV 7.7 by incident light. The land falls by some ten stops in an hour, the moon rises out of the haze.
     */
    @Test
    void land_and_moon_balance_for_some_minutes() {
        LandBalance sunset = null;
        LandBalance before = null;
        StringBuilder ways = new StringBuilder();
        Instant from = Instant.parse("2027-06-17T19:20:00Z");
        for (int minute = 0; minute < 90; minute++) {
            LandBalance b = LandBalance.at(from.plusSeconds(60L * minute), COAST, 0.2);
            if (before != null && before.sunAltitudeDeg() > 0 && b.sunAltitudeDeg() <= 0) {
                sunset = b;
            }
            if (b.way() != LandBalance.Way.NO_MOON && !ways.toString().endsWith(b.way() + " ")) {
                ways.append(b.way()).append(' ');
            }
            before = b;
        }
        assertThat(sunset.landEv100()).isCloseTo(7.7, within(0.2));
        assertThat(ways.toString()).endsWith("ONE_FRAME BLEND APART ");
        assertThat(way(8, 10, 9.1, 5)).isEqualTo(LandBalance.Way.PALE);
        assertThat(way(8, 10, 8.9, 5)).isEqualTo(LandBalance.Way.ONE_FRAME);
        assertThat(way(8, 5, 3, 5)).isEqualTo(LandBalance.Way.ONE_FRAME);
        assertThat(way(8, 4.9, 3, 5)).isEqualTo(LandBalance.Way.BLEND);
        assertThat(way(8, 1, -2, 5)).isEqualTo(LandBalance.Way.BLEND);
        assertThat(way(8, 0.9, -2, 5)).isEqualTo(LandBalance.Way.APART);
        assertThat(way(8, 1, -2, 0)).isEqualTo(LandBalance.Way.NO_MOON);
    }

    private static LandBalance.Way way(double moonEv, double landEv, double skyEv, double moonAltitude) {
        return new LandBalance(FULL_MOON, moonEv, landEv, skyEv, moonAltitude, -2).way();
    }

    /** In a sky that is brighter than the moon the exposure follows the sky; at night the moon. */
    @Test
    void a_bright_sky_decides_over_a_dim_moon() {
        Setup atSunset = setup(300, Support.Kind.TRIPOD).at(Instant.parse("2027-06-17T19:35:00Z"));
        MoonExposure dim = MoonExposure.of(atSunset, 2, 0.4);
        assertThat(dim.ev100()).isGreaterThan(dim.light().proposedEv100() + 1);
        MoonExposure bright = MoonExposure.of(setup(300, Support.Kind.TRIPOD), 2, 0.2);
        assertThat(bright.ev100()).isEqualTo(bright.light().proposedEv100());
    }

    /** Every two minutes, both ends with it; and the full moon of an instant stands as high as the real one. */
    @Test
    void a_span_is_looked_at_from_end_to_end() {
        Interval span = new Interval(FULL_MOON, FULL_MOON.plusSeconds(600));
        List<LandBalance> all = LandBalance.over(span, Duration.ofMinutes(2), COAST, 0.2);
        assertThat(all)
                .extracting(LandBalance::when)
                .hasSize(6)
                .startsWith(span.from())
                .endsWith(span.to());
        MoonLight full = MoonLight.full(Moment.at(FULL_MOON), COAST.observer(), 0.2);
        assertThat(full.phaseAngleDeg()).isZero();
        assertThat(full.altitudeDeg())
                .isCloseTo(
                        MoonLight.at(Moment.at(FULL_MOON), COAST.observer(), 0.2)
                                .altitudeDeg(),
                        within(1e-9))
                .isBetween(10.0, 40.0);
        assertThat(full.extinction()).isEqualTo(0.2);
    }

    /** At midnight the land has the moon's light alone: 0.05 lux or so, EV −5 to −6. */
    @Test
    void moonlit_land_is_five_stops_below_zero() {
        assertThat(LandBalance.at(FULL_MOON, COAST, 0.2).landEv100()).isBetween(-6.5, -4.0);
    }

    /** In a sky of its own brightness every meter says the same. */
    @Test
    void meters_agree_in_a_sky_as_bright_as_the_moon() {
        Setup s = setup(300, Support.Kind.TRIPOD).at(Instant.parse("2027-06-17T12:00:00Z")); // noon: 7000 cd/m²
        MoonLight dim = new MoonLight(0, 25, 0);
        MoonMotion motion = MoonMotion.at(FULL_MOON, COAST.observer());
        List<MeterReading> all = MeterReading.of(s, dim, motion, dim.proposedEv100());
        assertThat(all).extracting(MeterReading::ev100).allMatch(ev -> ev > 13 && ev < 17);
        assertThat(all.get(1).mode().key()).isEqualTo("middle");
        assertThat(all.get(1).ev100())
                .isBetween(
                        Math.min(all.get(0).ev100(), all.get(2).ev100()),
                        Math.max(all.get(0).ev100(), all.get(2).ev100()));
    }

    private static Setup filtered(double stops, double aperture) {
        Rig rig = Rig.of(
                CameraBody.generic(FULL_FRAME, Dial.THIRD, 25_600),
                new Lens(400, 400, 2.8, 2.8, Projection.RECTILINEAR),
                List.of(new Support(Support.Kind.TRIPOD, 0), new Gear.Filter(stops)));
        return new Setup(rig, 400, aperture, Pointing.level(new Direction(180, 25)), COAST, FULL_MOON, Demand.USUAL);
    }

    private static double light(Settings s) {
        return s.seconds() * s.iso() / (s.aperture() * s.aperture());
    }

    /** A filter of three stops asks for eight times the light, never for an eighth of it. */
    @Test
    void a_filter_asks_for_more_light() {
        Settings without = MoonExposure.of(filtered(0, 8), 2, 0.2).settings();
        Settings with = MoonExposure.of(filtered(3, 8), 2, 0.2).settings();
        assertThat(Math.log(light(with) / light(without)) / Math.log(2)).isCloseTo(3, within(0.34));
    }

    /** Wide open at f/2.8 a full moon asks 1/1600 s at ISO 100; a body whose shortest is 1/500 says what it is over. */
    @Test
    void the_end_of_the_dial_is_said() {
        assertThat(MoonExposure.of(filtered(0, 8), 2, 0.2).overStops()).isZero();
        assertThat(MoonExposure.over(new Settings(1 / 500.0, 2.8, 100), 14))
                .as("EV 11.94 of 14")
                .isCloseTo(2.06, within(0.01));
        assertThat(MoonExposure.over(new Settings(1 / 500.0, 2.8, 100), 12.2))
                .as("a quarter of a stop is the dial")
                .isZero();
        assertThat(MoonExposure.over(new Settings(1 / 500.0, 2.8, 100), 9))
                .as("too dark is not over")
                .isZero();
    }

    /** 1 / (300 × 1.53) on a half-frame sensor, not 1/300; twice as long for each stop of a stabiliser. */
    @Test
    void the_hand_counts_the_crop() {
        Optics half = new Optics(new Sensor(23.5, 15.7, 3.77), 300, Projection.RECTILINEAR);
        double crop = 43.2666 / Math.hypot(23.5, 15.7);
        assertThat(MoonLimit.handHeldSeconds(half, 0)).isCloseTo(1 / (300 * crop), within(1e-6));
        assertThat(MoonLimit.handHeldSeconds(half, 2)).isCloseTo(4 / (300 * crop), within(4e-6));
    }
}
