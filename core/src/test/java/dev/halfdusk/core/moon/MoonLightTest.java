package dev.halfdusk.core.moon;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MoonLightTest {

    /** Outside the air. */
    private static MoonLight at(double phase) {
        return new MoonLight(phase, 90, 0);
    }

    @ParameterizedTest
    @CsvSource({"0, 15.25", "30, 14.31", "60, 13.53", "90, 12.80", "120, 12.01"})
    void a_meter_says_what_the_model_does(double phase, double ev) {
        assertThat(at(phase).meteredEv100()).isCloseTo(ev, within(0.02));
    }

    /** A full high moon between 13 and 15; a half one a stop to a stop and a half less. */
    @Test
    void what_is_proposed_lies_where_photographers_end_up() {
        double full = new MoonLight(0, 70, MoonLight.USUAL_EXTINCTION).proposedEv100();
        double half = new MoonLight(90, 70, MoonLight.USUAL_EXTINCTION).proposedEv100();
        assertThat(full).isBetween(13.0, 15.0);
        assertThat(full - half).isBetween(1.0, 1.5);
        assertThat(at(179).proposedEv100()).isFinite();
    }

    /** Lommel and Seeliger at the quarter: mean 1 − ln(1 + √2)/√2 = 0.3768; nineteen twentieths of it lie at sin λ = 0.95, where it is 0.7526. */
    @Test
    void the_bright_limb_of_a_half_moon_is_a_stop_over_its_mean() {
        assertThat(at(0).limbStops()).isCloseTo(0, within(1e-4));
        assertThat(at(90).limbStops()).isCloseTo(Math.log(0.7526 / 0.3768) / Math.log(2), within(0.003));
        assertThat(at(90).limbEv100()).isCloseTo(at(90).meteredEv100() + 0.998, within(0.003));
    }

    /** 0.2 mag at the zenith are 0.266 stops; by the tables 1.995 times as much at 30°, 10.04 at 5° airless, 31.5 at the airless horizon. */
    @Test
    void air_takes_its_share() {
        assertThat(new MoonLight(0, 90, 0.2).airStops()).isCloseTo(0.2 / 0.75257, within(1e-4));
        assertThat(new MoonLight(0, 0, 0.2).airStops()).isCloseTo(31.54 * 0.2 / 0.75257, within(0.06));
        assertThat(new MoonLight(0, 5, 0.2).airStops()).isCloseTo(10.04 * 0.2 / 0.75257, within(0.03));
        assertThat(new MoonLight(0, 30, 0.2).airStops()).isCloseTo(1.995 * 0.2 / 0.75257, within(0.001));
        assertThat(new MoonLight(0, 30, 0.3).meteredEv100()).isLessThan(new MoonLight(0, 60, 0.3).meteredEv100());
        assertThatThrownBy(() -> new MoonLight(0, 30, 3.1)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new MoonLight(181, 30, 0)).isInstanceOf(OutOfRange.class);
    }

    /** 121 / (2^14 × 1) s at f/11, ISO 100. */
    @Test
    void exposure_values_are_settings() {
        assertThat(MoonLight.seconds(14, 11, 100)).isCloseTo(121 / 16384.0, within(1e-12));
        assertThat(MoonLight.ev100(MoonLight.seconds(12.3, 5.6, 640), 5.6, 640)).isCloseTo(12.3, within(1e-12));
        assertThat(MoonSchool.ALL.get(0).ev100()).isCloseTo(13.56, within(0.01));
        assertThat(MoonSchool.ALL.get(0).brighterThan(14.56)).isCloseTo(1, within(0.01));
        assertThat(MoonSchool.ALL).hasSize(5);
    }

    /** The sky turns 15.04 cos δ ″/s, the moon falls behind by about 0.55, parallax gives some of it back; f / 110 on the sensor. */
    @ParameterizedTest
    @CsvSource({"2027-06-18T23:30:00Z, 300", "2027-06-18T23:30:00Z, 800", "2027-12-13T22:00:00Z, 300"})
    void the_moon_crosses_the_frame_at_the_ephemeris_rate(String time, double focal) {
        Observer observer = Observer.at(new Site(37.6, -8.8, 20));
        Instant when = Instant.parse(time);
        MoonMotion motion = MoonMotion.at(when, observer);
        double declination = Moment.at(when).apparent(Body.MOON).declinationDeg();
        double expected = (15.041 - 0.55) * Math.cos(Math.toRadians(declination));
        assertThat(motion.arcsecPerSecond()).isCloseTo(expected, within(0.4));
        Optics optics = new Optics(Sensor.of(36, 24, 6000), focal, Projection.RECTILINEAR);
        double scale = 206.265 * 6 / focal;
        assertThat(motion.pxPerSecond(optics)).isCloseTo(motion.arcsecPerSecond() / scale, within(0.01));
        assertThat(motion.longestSeconds(optics, 2)).isCloseTo(2 / motion.pxPerSecond(optics), within(1e-9));
        assertThat(motion.widthPx(optics)).isCloseTo(focal / 110 / 0.006, within(focal / 110 / 0.006 * 0.08));
    }

    /** Where the law of the phases ends the brightness is held: a thinner crescent never asks for less light. */
    @Test
    void a_thinner_crescent_is_never_brighter() {
        for (double phase = 1; phase <= 180; phase++) {
            assertThat(at(phase).meteredEv100())
                    .as("at %s", phase)
                    .isLessThanOrEqualTo(at(phase - 1).meteredEv100());
            assertThat(at(phase).limbEv100()).as("limb at %s", phase).isLessThan(16.5);
        }
        assertThat(at(180).meteredEv100()).isEqualTo(at(155).meteredEv100()).isBetween(10.0, 12.0);
    }

    /** The total eclipse of 31 December 2028, in the middle of totality and at its ends: as dark as the eclipse's own page has it. */
    @Test
    void the_shadow_of_the_earth_counts() {
        Observer there = Observer.at(new Site(20, 110, 0)); // the moon is high
        double before = MoonLight.at(Moment.at(Instant.parse("2028-12-31T13:00:00Z")), there, 0.2)
                .meteredEv100();
        MoonLight middle = MoonLight.at(Moment.at(Instant.parse("2028-12-31T16:52:00Z")), there, 0.2);
        assertThat(before - middle.meteredEv100()).isBetween(15.0, 19.0);
        MoonLight half = MoonLight.at(Moment.at(Instant.parse("2028-12-31T15:40:00Z")), there, 0.2);
        assertThat(before - half.meteredEv100()).as("its lit limb").isBetween(0.3, 4.0);
    }
}
