package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.fireworks.Trainer;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What is measured on a frame without drawing it: times, rows of frames, filters, launches. */
class CountedTest {

    private static final Outfit O = Outfit.of(Outfit.SensorSize.FULL, 20, 20, 2.8);

    /** What 20 s on a dial really are: 2 to the power of 13 thirds. */
    private static final double TWENTY = 20.159;

    private static Exposed row(Map<String, String> set) {
        Dials dials = Dials.of(O).with(Map.of("shutter", "20", "frames", "40")).with(set);
        return Exposed.take(Courses.stage("pole-trails"), dials, 0, OptionalDouble.empty());
    }

    /** Forty frames each 21 s: the sky turns by 15.041\u2033 a second, a pixel of 6 \u00b5m behind 20 mm is 61.9\u2033. */
    @Test
    void a_row_of_frames_is_reckoned_with() {
        Exposed good = row(Map.of("interval", "21"));
        assertThat(Measure.TAKEN.of(good)).isEqualTo(40);
        assertThat(Measure.LOST.of(good)).isZero();
        assertThat(Measure.OPEN.of(good)).isCloseTo(TWENTY, within(0.01));
        assertThat(Measure.ARC.of(good)).isCloseTo((40 * TWENTY + 39 * (21 - TWENTY)) * 15.041 / 3600, within(0.002));
        double pixel = Math.toDegrees(36.0 / good.from().sensor().pixelsAcross() / 20) * 3600;
        assertThat(Measure.GAP.of(good)).isCloseTo((21 - TWENTY) * 15.041 / pixel, within(0.005));
        Exposed tight = row(Map.of("interval", "20"));
        assertThat(Measure.LOST.of(tight)).isEqualTo(20);
        assertThat(Measure.TAKEN.of(tight)).isEqualTo(20);
        Exposed one = row(Map.of("frames", "1"));
        assertThat(Measure.GAP.of(one)).isZero();
        assertThat(Measure.ARC.of(one)).isCloseTo(TWENTY * 15.041 / 3600, within(1e-3));
    }

    /** By hand it is open as long as it is held, else as the dial says. */
    @Test
    void only_bulb_is_held() {
        Stage stage = Courses.stage("bursts");
        Dials held = Dials.of(O).with(Map.of("mode", "bulb"));
        assertThat(Measure.OPEN.of(Exposed.take(stage, held, 0, OptionalDouble.of(7.5))))
                .isEqualTo(7.5);
        Dials dial = Dials.of(O).with(Map.of("mode", "manual", "shutter", "20"));
        assertThat(Measure.OPEN.of(Exposed.take(stage, dial, 0, OptionalDouble.of(7.5))))
                .isCloseTo(TWENTY, within(0.01));
    }

    private static Exposed without(Stage stage, double[]... spans) {
        return Exposed.take(stage, Dials.of(O), 0, OptionalDouble.empty()).unfiltered(List.of(spans));
    }

    /** Three seconds too early; five too late after three and two within; by day without an eclipse every second of it. */
    @Test
    void a_filter_is_counted_off_within_and_outside_its_time() {
        Stage total = Courses.stage("totality");
        double[] may = total.filterOff().orElseThrow();
        assertThat(may[1] - may[0]).isGreaterThan(20);
        Exposed early = without(total, new double[] {may[0] - 3, may[0] + 10});
        assertThat(Measure.DANGER.of(early)).isCloseTo(3, within(1e-6));
        assertThat(Measure.UNFILTERED.of(early)).isCloseTo(10, within(1e-6));
        Exposed late = without(total, new double[] {may[0] + 1, may[0] + 4}, new double[] {may[1] - 2, may[1] + 5});
        assertThat(Measure.DANGER.of(late)).isCloseTo(5, within(1e-6));
        assertThat(Measure.UNFILTERED.of(late)).isCloseTo(5, within(1e-6));
        Exposed before = without(total, new double[] {may[0] - 9, may[0] - 5});
        assertThat(Measure.DANGER.of(before)).isCloseTo(4, within(1e-6));
        assertThat(Measure.UNFILTERED.of(before)).isZero();
        assertThat(Measure.DANGER.of(without(total))).isZero();
        Stage moon = Courses.stage("half-moon");
        assertThat(moon.filterOff()).isEmpty();
        assertThat(Measure.DANGER.of(without(moon, new double[] {1, 5}))).isEqualTo(4);
    }

    /** Each by itself: the next goes up when the one before has faded and a while has passed, never the same one; or at an even pace. */
    @Test
    void launches_of_a_round() {
        FiringPoint point = Courses.stage("bursts").shells().orElseThrow().point();
        Shell shell = Shell.of(100);
        double each = shell.flightSeconds() + shell.showSeconds();
        List<Trainer.Launch> alone = new Stage.Shells(point, 100, OptionalDouble.empty(), 4, 1)
                .round()
                .launches();
        assertThat(alone).extracting(Trainer.Launch::shell).containsOnly(shell);
        assertThat(alone.get(0).fires()).isEqualTo(1); // two seconds, of which one has passed
        double[] idle = {1.4, 2.2, 1.0}; // 0.6 and 0.4 for each of 2, 4, 1
        for (int i = 0; i < idle.length; i++) {
            assertThat(alone.get(i + 1).fires() - alone.get(i).fires() - each).isCloseTo(idle[i], within(1e-9));
        }
        List<Trainer.Launch> even = new Stage.Shells(point, 100, OptionalDouble.of(0.5), 3, 5)
                .round()
                .launches();
        assertThat(even).extracting(Trainer.Launch::fires).containsExactly(-3.0, -2.5, -2.0);
    }

    @ParameterizedTest
    @EnumSource
    void every_measure_has_its_words(Measure m) {
        assertThat(m.words()).isNotBlank();
        assertThat(m.key()).isEqualTo(m.name().toLowerCase(Locale.ROOT));
        assertThat(m.decimals()).isBetween(0, 2);
        assertThat(m.unit()).matches("| %| px| s| stops|\u00b0");
    }
}
