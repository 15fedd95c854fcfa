package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Settings;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What stands before the camera and on its lens at a second of practice, by the numbers of the scenes; nothing is drawn. */
class ViewfinderTest {

    private static final Outfit O = Outfit.of(Outfit.SensorSize.FULL, 20, 20, 2.8);
    private static final Settings TEN_SECONDS = new Settings(10, 2.8, 1600);

    private static Viewfinder at(String stage, double seconds, Map<String, String> set) {
        return Viewfinder.at(Courses.stage(stage), Dials.of(O).with(set), seconds);
    }

    private static Viewfinder at(String stage, double seconds) {
        return at(stage, seconds, Map.of());
    }

    private static Viewfinder turned(int sideways, int up, double seconds) {
        Dials d = Dials.of(O).turned(Control.SIDEWAYS, sideways).turned(Control.HEIGHT, up);
        return Viewfinder.at(Courses.stage("kicked"), d, seconds);
    }

    /** Looks to 165\u00b0, 45\u00b0 high; from 450 s on it stands 3\u00b0 further right, which there is 3\u00b0 / cos 42\u00b0 of azimuth, and 3\u00b0 lower. */
    @ParameterizedTest
    @CsvSource({"449.9, 0", "450, 3", "1000, 3"})
    void a_kick_turns_it_and_it_stays_so(double seconds, double kicked) {
        Viewfinder v = at("kicked", seconds);
        assertThat(v.kickedDeg(seconds)).isEqualTo(kicked);
        Direction aim = v.aim();
        assertThat(aim.altitudeDeg()).isCloseTo(45 - kicked, within(1e-9));
        assertThat(aim.azimuthDeg()).isCloseTo(165 + kicked / Math.cos(Math.toRadians(45 - kicked)), within(1e-9));
    }

    /** Turned right and up by its dials, and no further than the ground and nearly the zenith. */
    @Test
    void dials_turn_it_as_far_as_it_goes() {
        double click = Dials.of(O).turned(Control.HEIGHT, 1).value(Control.HEIGHT);
        Viewfinder v = turned(2, 1, 0);
        assertThat(v.aim().altitudeDeg()).isCloseTo(45 + click, within(1e-9));
        assertThat(v.aim().azimuthDeg())
                .isCloseTo(165 + 2 * click / Math.cos(Math.toRadians(45 + click)), within(1e-9));
        assertThat(v.aimEnds()).isFalse();
        int most = (int) Math.floor(44 / click);
        assertThat(turned(0, most, 0).aimEnds()).isFalse();
        assertThat(turned(0, most + 2, 0).aimEnds()).isTrue();
        assertThat(turned(0, most + 2, 0).aim().altitudeDeg()).isEqualTo(89);
        assertThat(turned(0, -(int) Math.floor(45 / click) - 1, 0).aimEnds()).isTrue();
    }

    /** A solar filter of density 5 lets a hundred thousandth through, a cap nothing that counts. */
    @Test
    void what_is_before_the_lens_takes_its_light() {
        double open = at("dark-field", 0).shot(TEN_SECONDS).efficiency();
        assertThat(at("dark-field", 0, Map.of("front", "solar filter"))
                        .shot(TEN_SECONDS)
                        .efficiency())
                .isCloseTo(open * 1e-5, within(open * 1e-7));
        assertThat(at("dark-field", 0, Map.of("front", "cap")).shot(TEN_SECONDS).efficiency())
                .isLessThan(open * 1e-8);
    }

    /** Dew from the fifth minute on: ten minutes later 12 % are gone and a spot is 16 \u00b5m wider; after an hour it has stopped dimming; a heater keeps it off. */
    @Test
    void dew_creeps_over_the_lens() {
        Shot dry = at("dewy-night", 300).shot(TEN_SECONDS);
        Shot later = at("dewy-night", 900).shot(TEN_SECONDS);
        Shot drowned = at("dewy-night", 3900).shot(TEN_SECONDS);
        Shot warm = at("dewy-night", 900, Map.of("heater", "on")).shot(TEN_SECONDS);
        assertThat(later.efficiency()).isCloseTo(0.88 * dry.efficiency(), within(1e-9));
        assertThat(later.defocusUm() - dry.defocusUm()).isCloseTo(16, within(1e-9));
        assertThat(drowned.efficiency()).isCloseTo(0.6 * dry.efficiency(), within(1e-9));
        assertThat(warm.efficiency()).isEqualTo(dry.efficiency());
        assertThat(warm.defocusUm()).isEqualTo(dry.defocusUm());
        assertThat(warm.details()).isEqualTo(dry.details());
        assertThat(later.details()).isNotEqualTo(dry.details());
    }

    /** 170 \u00b5m for a millimetre of the ring at f/1, from where infinity really is. */
    @Test
    void a_ring_beside_infinity_widens_a_spot() {
        Viewfinder v = at("dark-field", 0);
        double off = Math.abs(v.dials().value(Control.FOCUS) - O.infinityMm());
        assertThat(off).as("the mark lies").isGreaterThan(0.01);
        assertThat(v.shot(TEN_SECONDS).defocusUm()).isCloseTo(off * 170 / 2.8, within(1e-9));
        assertThat(v.shot(new Settings(10, 5.6, 1600)).defocusUm()).isCloseTo(off * 170 / 5.6, within(1e-9));
    }

    /** As it is set; by itself it wanders about 4700 K from frame to frame. */
    @Test
    void an_automatic_balance_wanders() {
        assertThat(at("dark-field", 0, Map.of("balance", "5000"))
                        .shot(TEN_SECONDS)
                        .kelvin())
                .isEqualTo(5000);
        Map<String, String> automatic = Map.of("balance", "automatic");
        assertThat(at("dark-field", 0, automatic).shot(TEN_SECONDS).kelvin())
                .isCloseTo(4700 + 350 * 0.841471, within(0.01)); // the sine of 1
        assertThat(at("dark-field", 1, automatic).shot(TEN_SECONDS).kelvin())
                .isCloseTo(4700 - 350 * 0.756802, within(0.01)); // of 4
    }

    /** A stranger's torch from 70 to 130 s, of 0.8 lux: of twenty seconds from 60 on it lights ten, of those from 100 all, of those from 120 ten. */
    @ParameterizedTest
    @CsvSource({"40, 0", "50, 0", "60, 0.5", "100, 1", "120, 0.5", "130, 0", "200, 0"})
    void a_strangers_torch_lights_the_ground_while_it_is_there(double seconds, double share) {
        assertThat(at("pole-walker", seconds).scene(TEN_SECONDS.withSeconds(20)).lampLux())
                .isCloseTo(0.8 * share, within(1e-9));
    }

    /** Three strokes of 1.2 lux seconds in ten seconds are 0.36 lux; one's own white lamp adds 0.8, a red one nothing. */
    @Test
    void strokes_of_a_lamp_light_the_ground() {
        assertThat(at("portrait", 0, Map.of("strokes", "3")).scene(TEN_SECONDS).lampLux())
                .isCloseTo(0.36, within(1e-9));
        assertThat(at("portrait", 0, Map.of("strokes", "3", "lamp", "white"))
                        .scene(TEN_SECONDS)
                        .lampLux())
                .isCloseTo(1.16, within(1e-9));
        assertThat(at("portrait", 0, Map.of("lamp", "red")).scene(TEN_SECONDS).lampLux())
                .isZero();
        assertThat(at("portrait", 0).scene(TEN_SECONDS).lampLux()).isZero();
    }

    /** At 172\u00b0 and five metres, and by so much further right as she sways. */
    @Test
    void a_person_stands_in_the_aim() {
        Viewfinder v = at("portrait", 0);
        List<Mark> marks = v.withPerson(v.scene(TEN_SECONDS), 1.2).marks();
        assertThat(marks).hasSize(v.scene(TEN_SECONDS).marks().size() + 1);
        Mark person = marks.get(marks.size() - 1);
        assertThat(person.distanceM()).isEqualTo(5);
        assertThat(Angles.halfTurn(person.bearingDeg() - 173.2)).isCloseTo(0, within(1e-9));
        Viewfinder nobody = at("dark-field", 0);
        assertThat(nobody.withPerson(nobody.scene(TEN_SECONDS), 1.2).marks())
                .isEqualTo(nobody.scene(TEN_SECONDS).marks());
    }

    /** The meter sees the same whatever shutter, aperture and ISO are; another aim or filter it sees anew, and what moves at each second. */
    @Test
    void the_meter_is_asked_again_where_it_sees_something_else() {
        String still = at("half-moon", 0).meteredBy();
        assertThat(at("half-moon", 0, Map.of("shutter", "20", "aperture", "8", "iso", "6400"))
                        .meteredBy())
                .isEqualTo(still);
        assertThat(at("half-moon", 7).meteredBy()).isEqualTo(still);
        assertThat(at("half-moon", 0, Map.of("front", "cap")).meteredBy()).isNotEqualTo(still);
        assertThat(Viewfinder.at(Courses.stage("half-moon"), Dials.of(O).turned(Control.SIDEWAYS, 1), 0)
                        .meteredBy())
                .isNotEqualTo(still);
        for (String moving : List.of("bursts", "totality", "kicked")) {
            assertThat(at(moving, 7).meteredBy())
                    .as(moving)
                    .isNotEqualTo(at(moving, 0).meteredBy());
        }
        assertThat(at("full-moon", 0).meteredBy()).isNotEqualTo(still);
    }
}
