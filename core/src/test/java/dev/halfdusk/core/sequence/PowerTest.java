package dev.halfdusk.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.optics.Gear.Battery;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Sequence;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PowerTest {

    private static final Battery BATTERY = new Battery(500, 180);

    /** 180 min: 348 × 30 s every 31 s are 10 787 s, a 349th ends after 10 818 s. At −10 °C 0.65 of it, at 0 °C 0.8. Short frames end by count. */
    @ParameterizedTest
    @CsvSource({"20, 30, 1, 348", "0, 30, 1, 278", "-10, 30, 1, 226", "20, 1, 1, 500", "0, 1, 1, 400", "20, 12000, 1, 0"
    })
    void a_battery_takes_frames(double celsius, double exposure, double pause, int frames) {
        assertThat(Power.frames(BATTERY, celsius, new Sequence(1000, exposure, pause)))
                .isEqualTo(frames);
    }

    @Test
    void it_takes_no_more_than_there_are() {
        assertThat(Power.frames(BATTERY, 20, new Sequence(12, 30, 1))).isEqualTo(12);
    }

    /** 1000 frames by 348: two changes; the odd piece of 304 comes first, so that the rest is whole. */
    @Test
    void batteries_are_changed_early() {
        assertThat(Power.swaps(BATTERY, 20, new Sequence(1000, 30, 1))).containsExactly(304, 652);
        assertThat(Power.swaps(BATTERY, 20, new Sequence(348, 30, 1))).isEmpty();
        assertThat(Power.swaps(BATTERY, 20, new Sequence(349, 30, 1))).containsExactly(1);
        assertThatThrownBy(() -> Power.swaps(BATTERY, 20, new Sequence(3, 12_000, 1)))
                .hasMessageContaining("one frame");
    }

    /** 5 W for two hours are 10 Wh, of which a bank gives 85 %; 10 000 mAh at 3.7 V are 37 Wh, at 0 °C 29.6. */
    @Test
    void a_heater_needs_a_bank() {
        assertThat(Power.heaterWh(5, 7200)).isCloseTo(11.765, within(0.001));
        assertThat(Power.bankWh(10_000, 20)).isCloseTo(37, within(1e-9));
        assertThat(Power.bankWh(10_000, 0)).isCloseTo(29.6, within(1e-9));
        assertThatThrownBy(() -> Power.heaterWh(101, 1)).hasMessageContaining("0 to 100 W");
    }

    /** 10 s at 25 a second are 250 frames; every 15 s that is 249 × 15 + 10 s. */
    @Test
    void a_clip_and_its_frames() {
        Lapse lapse = Lapse.lasting(10, 25, 15);
        assertThat(lapse.frames()).isEqualTo(250);
        assertThat(lapse.clipSeconds()).isEqualTo(10);
        assertThat(lapse.sequence(10).seconds()).isEqualTo(249 * 15 + 10);
        assertThat(lapse.sequence(10).pauseSeconds()).isEqualTo(5);
        assertThat(Lapse.interval(3745, 10, 10, 25)).isCloseTo(15, within(1e-9));
        assertThat(Lapse.lasting(0.5, 1, 15).frames()).isEqualTo(1);
        // 15 s × 15.0411″ over 61.88″ a pixel (20 mm, 6 µm) = 3.646 px of 6000, 1.167 of 1920
        Optics optics = new Optics(Sensor.of(36, 24, 6000), 20, Projection.RECTILINEAR);
        assertThat(lapse.motionPx(optics, 1920)).isCloseTo(1.167, within(0.002));
        assertThatThrownBy(() -> Lapse.lasting(0, 25, 15)).hasMessageContaining("0.5 to 600");
    }

    /** A tenth from ten degrees upwards, a quarter from fifteen below zero on, a straight line between. */
    @Test
    void what_one_keeps_back_grows_with_the_cold() {
        assertThat(Power.reserve(25)).isEqualTo(0.1);
        assertThat(Power.reserve(10)).isEqualTo(0.1);
        assertThat(Power.reserve(-2.5)).isCloseTo(0.175, within(1e-12));
        assertThat(Power.reserve(0)).isCloseTo(0.16, within(1e-12));
        assertThat(Power.reserve(-15)).isCloseTo(0.25, within(1e-12));
        assertThat(Power.reserve(-40)).isCloseTo(0.25, within(1e-12));
    }
}
