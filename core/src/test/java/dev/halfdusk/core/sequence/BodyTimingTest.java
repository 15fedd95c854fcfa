package dev.halfdusk.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Sensor;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BodyTimingTest {

    /**
     * Worked out by hand. A buffer that empties faster than it fills: only 0.1 s counts. A card that needs 6 s for a frame of
     * one: 100 frames with a buffer of 5 need (1.1 + 95 × 6) / 99 = 5.768 s from opening to opening; with one of 200 nothing.
     * A buffer of one: exposure, 0.1 s and writing.
     */
    @ParameterizedTest
    @CsvSource({
        "30, false, 40, 30, 150, 121, 0.1",
        "30, true, 40, 30, 150, 121, 30.1",
        "1, false, 60, 5, 10, 100, 4.768",
        "1, false, 60, 200, 10, 100, 0.1",
        "1, false, 60, 1, 10, 100, 6.1",
        "1, false, 60, 5, 10, 5, 0.1",
        "1, false, 60, 5, 10, 6, 0.42"
    })
    void the_smallest_safe_pause(
            double exposure, boolean reduction, double mb, int buffer, double speed, int frames, double pause) {
        BodyTiming pace = new BodyTiming(exposure, reduction, 0, mb, buffer, speed);
        assertThat(pace.smallestSafePause(frames)).isCloseTo(pause, within(0.001));
    }

    /** Just as long nothing is late or lost; a hundredth of a second less and something is. */
    @Test
    void it_is_the_smallest_indeed() {
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < 400; i++) {
            double exposure = 0.5 + random.nextInt(40) / 2.0;
            BodyTiming pace = new BodyTiming(
                    exposure,
                    random.nextInt(5) == 0,
                    random.nextInt(3),
                    5 + random.nextInt(100),
                    1 + random.nextInt(12),
                    1 + random.nextInt(60));
            int frames = 2 + random.nextInt(300);
            double safe = pace.smallestSafePause(frames);
            BodyTiming.Outcome fine = pace.outcome(frames, exposure + safe + 1e-6);
            assertThat(fine.lost() + fine.late()).as("%s %s", pace, frames).isZero();
            BodyTiming.Outcome shorter = pace.outcome(frames, exposure + safe - 0.01);
            assertThat(shorter.lost() + shorter.late())
                    .as("%s %s", pace, frames)
                    .isPositive();
        }
    }

    /** 30 s every 30 s: the body is busy for 30.1 s, so every other press is lost, and those taken are 60 s apart. */
    @Test
    void an_interval_just_too_short_loses_every_other_frame() {
        // a mirror that waits two seconds puts off opening and closing alike: 80 s after the first the third opens for
        // 30 s
        assertThat(new BodyTiming(30, false, 2, 40, 30, 150).outcome(3, 40).seconds())
                .isCloseTo(110, within(1e-9));
        BodyTiming.Outcome outcome = new BodyTiming(30, false, 0, 40, 30, 150).outcome(121, 30);
        assertThat(outcome.taken()).isEqualTo(61);
        assertThat(outcome.lost()).isEqualTo(60);
        assertThat(outcome.seconds()).isCloseTo(60 * 60 + 30, within(1e-6));
    }

    /** Buffer of 2, writing 6 s, 1 s each two seconds: at 0 and 2 s; the third waits for the first to be written at 7.1 s. */
    @Test
    void a_full_buffer_delays_and_what_is_asked_meanwhile_is_lost() {
        BodyTiming pace = new BodyTiming(1, false, 0, 60, 2, 10);
        BodyTiming.Outcome three = pace.outcome(3, 2);
        assertThat(three.late()).isEqualTo(1);
        assertThat(three.seconds()).isCloseTo(8.1, within(1e-6));
        // asked for at 6 s and 8 s while it waits and is busy until 8.2 s: lost
        assertThat(pace.outcome(5, 2).lost()).isEqualTo(2);
        assertThat(pace.outcome(5, 2).fullest()).isEqualTo(2);
    }

    /** Raw and JPEG of 52 MB go to a card of 20 MB/s, though the body could do 100. */
    @Test
    void a_body_writes_as_fast_as_its_card() {
        CameraBody body = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 6400)
                .withFiles(new CameraBody.Files(40, 12, 7, 100));
        BodyTiming pace = BodyTiming.of(body, 8, FileFormat.RAW_AND_JPEG, Optional.of(new Gear.Card(64, 20)));
        assertThat(pace).isEqualTo(new BodyTiming(8, false, 0, 52, 7, 20));
        assertThat(BodyTiming.of(body, 8, FileFormat.JPEG, Optional.of(new Gear.Card(64, 300))))
                .isEqualTo(new BodyTiming(8, false, 0, 12, 7, 100));
        assertThat(BodyTiming.of(body, 8, FileFormat.RAW, Optional.empty()).writeMbPerSecond())
                .isEqualTo(100);
    }

    /** 40 MB at 150 MB/s are 0.267 s; a second more is 31.6 MB/s. Noise reduction takes the exposure twice. */
    @Test
    void it_may_write_slower_and_reduce_noise() {
        BodyTiming pace = new BodyTiming(30, false, 0.5, 40, 30, 150);
        assertThat(pace.writeSeconds()).isCloseTo(0.2667, within(1e-4));
        assertThat(pace.writingSlower(1).writeMbPerSecond()).isCloseTo(31.579, within(1e-3));
        assertThat(pace.busySeconds()).isCloseTo(30.6, within(1e-9));
        assertThat(pace.withNoiseReduction(true).busySeconds()).isCloseTo(60.6, within(1e-9));
        assertThat(new BodyTiming(1, false, 0, 0.1, 1, 1).writingSlower(1).writeMbPerSecond())
                .isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"START, 31", "PAUSE, 61"})
    void both_readings_of_an_interval(IntervalTimer.Meaning meaning, double step) {
        assertThat(meaning.stepSeconds(30, 31)).isEqualTo(step);
    }
}
