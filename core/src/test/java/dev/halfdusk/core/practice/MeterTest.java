package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.sky.Site;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** The meter believes that all is grey. By how much that is wrong is reckoned here by other ways. */
class MeterTest {

    private static final Outfit MOON = Outfit.of(Outfit.SensorSize.FOURTHIRDS, 400, 400, 5.6);
    private static final Outfit WIDE = Outfit.of(Outfit.SensorSize.FULL, 20, 20, 1.8);

    private static Belief at(String stage, Outfit outfit, Map<String, String> set) {
        return Viewfinder.at(Courses.stage(stage), Dials.of(outfit).with(set), 0)
                .belief();
    }

    /**
     * A half moon of 31′ fills half of a disc of 3.6 mm in a frame of 17.3 × 13 mm: 2.3 % of it, so that the whole frame reads it by log2(1/0.023) = 5.5
     * stops too dark and burns it by as much, less the crescent's own fall towards the shadow.
     */
    @Test
    void the_whole_frame_burns_a_half_moon_by_five_stops() {
        double whole = at("half-moon", MOON, Map.of("metering", "whole")).ev100();
        double discMm = 400 * Math.tan(Math.toRadians(31 / 60.0));
        double share = Math.PI / 8 * discMm * discMm / (17.3 * 13);
        double sunlit = 12.8; // a half moon's mean exposure value, metered
        double expected = sunlit + Math.log(share) / Math.log(2);
        assertThat(whole).isCloseTo(expected, within(0.8));
        assertThat(sunlit - whole)
                .as("stops by which its exposure burns the moon")
                .isBetween(4.5, 6.5);
    }

    /**
     * Eight cells by eight of 1 cd/m², the four in the middle of 100: all of them 460 / 64; the middle twelve, within a quarter of the height, 408 / 12, and
     * six tenths of that; the spot, a fortieth of the frame, the four alone; the darkest third 1. An exposure value is that of eight times
     * the luminance.
     */
    @Test
    void what_each_way_of_metering_holds() {
        float[] cells = new float[64];
        Arrays.fill(cells, 1);
        for (int middle : new int[] {27, 28, 35, 36}) {
            cells[middle] = 100;
        }
        Metered m = new Metered(cells, 8);
        Map<Dials.Metering, Double> held = Map.of(
                Dials.Metering.WHOLE,
                460 / 64.0,
                Dials.Metering.MIDDLE,
                0.6 * 408 / 12 + 0.4 * 460 / 64,
                Dials.Metering.SPOT,
                100.0,
                Dials.Metering.SHADOWS,
                1.0);
        held.forEach((how, cdM2) ->
                assertThat(m.ev100(how)).as("%s", how).isCloseTo(Math.log(8 * cdM2) / Math.log(2), within(1e-6)));
    }

    /** The spot holds 2.5 % of the frame, all of it moon where the moon is full and fills 4.6 %. */
    @Test
    void the_spot_reads_a_full_moon_and_the_whole_does_not() {
        double spot = at("full-moon", MOON, Map.of("metering", "spot")).ev100();
        double middle = at("full-moon", MOON, Map.of("metering", "middle")).ev100();
        double whole = at("full-moon", MOON, Map.of("metering", "whole")).ev100();
        assertThat(spot).isCloseTo(15.25 - 0.35, within(0.6)); // 15.25 high up, and 0.2 mag an airmass of 1.4
        assertThat(middle).isBetween(whole + 0.5, spot);
        double disc = Math.PI / 4 * 3.6 * 3.6;
        double share = disc / (17.3 * 13);
        double circle = disc / (Math.PI * 3.25 * 3.25); // half as high as the frame
        assertThat(spot - middle)
                .as("sixty of a hundred from the circle")
                .isCloseTo(-Math.log(0.6 * circle + 0.4 * share) / Math.log(2), within(0.5));
        assertThat(spot - whole).isCloseTo(-Math.log(share) / Math.log(2), within(0.6));
    }

    /** A sky of 21.4 mag is 2.97e-4 cd/m²: EV −8.7. No meter sees that; it says so, and offers far too little. */
    @Test
    void the_night_is_beyond_the_meter() {
        Belief b = at("dark-field", WIDE, Map.of("mode", "aperture first", "aperture", "1.8", "iso", "800"));
        assertThat(b.tooDark()).isTrue();
        assertThat(b.ev100()).isCloseTo(Math.log(108_000 * Math.pow(10, -0.4 * 21.3) * 8) / Math.log(2), within(0.6));
        assertThat(b.dials().value(Control.SHUTTER)).as("3.24 / 2^-5 / 8").isCloseTo(12.96, within(0.6));
        Belief dusk = at("shore-dusk", WIDE, Map.of());
        assertThat(dusk.tooDark()).isFalse();
    }

    /** On what really is grey the needle is right: the frame's mean stands where it says. */
    @Test
    void on_an_even_sky_the_needle_and_the_frame_agree() {
        Stage even = even();
        for (String shutter : List.of("8", "15", "30")) {
            Dials d = Dials.of(WIDE).with(Map.of("shutter", shutter, "aperture", "4", "iso", "1600", "timer", "2 s"));
            Exposed taken = Exposed.take(even, d, 0, OptionalDouble.empty());
            assertThat(Measure.BRIGHTNESS.of(taken)).isCloseTo(taken.belief().needle(), within(0.5));
        }
    }

    private static Stage even() {
        Stage dark = Courses.stage("dark-field");
        return new Stage(
                "even",
                "an even sky",
                dark.at(),
                Standpoint.open(new Site(37.6, -8.8, 20), SkyGlow.ofZenith(17.5)),
                "180 60",
                Motif.STARS,
                List.of(),
                Optional.empty(),
                Optional.empty(),
                false,
                dark.clouds(),
                dark.danjon(),
                Optional.empty(),
                0,
                dark.trouble());
    }

    /** Shadows are darker than the mean, by stops in a town at night; what was metered so is placed two stops lower by compensation alone. */
    @Test
    void shadows_read_darker_than_the_whole() {
        double whole = at("harbour-blue", WIDE, Map.of("metering", "whole")).ev100();
        double shadows = at("harbour-blue", WIDE, Map.of("metering", "shadows")).ev100();
        assertThat(whole - shadows).isGreaterThan(1);
        Map<String, String> set = Map.of("mode", "aperture first", "metering", "shadows", "aperture", "2.8");
        Belief plain = at("harbour-blue", WIDE, set);
        Belief less = at("harbour-blue", WIDE, with(set, "compensation", "\u22122"));
        assertThat(less.dials().position(Control.SHUTTER) - plain.dials().position(Control.SHUTTER))
                .as("six clicks shorter")
                .isEqualTo(6);
        assertThat(less.needle()).isCloseTo(plain.needle(), within(0.2));
    }

    private static Map<String, String> with(Map<String, String> set, String key, String value) {
        Map<String, String> all = new java.util.HashMap<>(set);
        all.put(key, value);
        return all;
    }

    @Test
    void modes_turn_what_is_theirs_and_nothing_else() {
        Map<String, String> set = Map.of("aperture", "4", "shutter", "1/4", "iso", "800");
        Belief manual = at("harbour-blue", WIDE, set);
        assertThat(manual.dials()).isEqualTo(Dials.of(WIDE).with(set));
        Belief aperture = at("harbour-blue", WIDE, with(set, "mode", "aperture first"));
        assertThat(aperture.dials().label(Control.APERTURE)).isEqualTo("4");
        assertThat(aperture.dials().label(Control.ISO)).isEqualTo("800");
        assertThat(Math.abs(aperture.needle())).isLessThan(0.2);
        Belief shutter = at("harbour-blue", WIDE, with(set, "mode", "shutter first"));
        assertThat(shutter.dials().label(Control.SHUTTER)).isEqualTo("1/4");
        Belief iso = at("harbour-blue", WIDE, with(set, "iso", "auto"));
        assertThat(iso.dials().label(Control.SHUTTER)).isEqualTo("1/4");
        assertThat(Math.abs(iso.needle())).isLessThan(0.2);
        Belief automatic = at("harbour-blue", WIDE, with(set, "mode", "automatic"));
        assertThat(automatic.dials().label(Control.APERTURE)).isEqualTo("1.8");
        assertThat(automatic.dials().value(Control.ISO)).isLessThanOrEqualTo(3200);
        assertThat(Math.abs(automatic.needle())).isLessThan(0.2);
        // compensation is the camera's business in its modes alone
        assertThat(at("harbour-blue", WIDE, with(set, "compensation", "+2")).needle())
                .isEqualTo(manual.needle());
    }

    /** Through a filter of density 5 the meter sees 16.6 stops less, as the frame does. */
    @Test
    void what_is_before_the_lens_is_before_the_meter() {
        double open = at("half-moon", MOON, Map.of()).ev100();
        double filtered = at("half-moon", MOON, Map.of("front", "solar filter")).ev100();
        assertThat(open - filtered).isCloseTo(16.6, within(0.3));
    }
}
