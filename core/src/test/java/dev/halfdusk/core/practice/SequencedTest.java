package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import org.junit.jupiter.api.Test;

/** What an interval timer gets out of a body: counted by hand. */
class SequencedTest {

    private static final Outfit O = Outfit.of(Outfit.SensorSize.FULL, 20, 20, 2.8);

    private static Sequenced of(Map<String, String> set) {
        Dials d = Dials.of(O).with(Map.of("frames", "40", "shutter", "20")).with(set);
        return Sequenced.of(d, d.settings());
    }

    @Test
    void a_dial_says_twenty_and_is_open_for_20_2() {
        Sequenced tight = of(Map.of("interval", "20"));
        assertThat(tight.lost()).as("every other press").isEqualTo(20);
        Sequenced good = of(Map.of("interval", "21"));
        assertThat(good.lost()).isZero();
        assertThat(good.pauseSeconds()).isCloseTo(21 - 20.159, within(0.01));
    }

    @Test
    void some_timers_count_the_pause() {
        Sequenced pause = of(Map.of("interval", "21", "counts", "the pause"));
        assertThat(pause.lost()).isZero();
        assertThat(pause.pauseSeconds()).isCloseTo(21, within(0.01));
    }

    @Test
    void noise_reduction_doubles_the_time_of_a_frame() {
        Sequenced doubled = of(Map.of("interval", "21", "reduction", "on"));
        assertThat(doubled.taken()).isEqualTo(20);
        assertThat(doubled.pauseSeconds()).isCloseTo(42 - 20.159, within(0.01));
        assertThat(of(Map.of("interval", "42", "reduction", "on")).lost()).isZero();
    }

    @Test
    void one_frame_has_no_pause() {
        assertThat(of(Map.of("frames", "1"))).isEqualTo(new Sequenced(1, 1, 0));
    }
}
