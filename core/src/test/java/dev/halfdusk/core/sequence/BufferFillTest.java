package dev.halfdusk.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** By hand: a tenth of a second each and as long again until the body is free; a raw file is written in two seconds, one after the other. */
class BufferFillTest {

    private static final Instant BEGINS = Instant.parse("2027-08-02T08:46:00Z");

    private static CameraBody body(int buffer) {
        return CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200)
                .withFiles(new CameraBody.Files(40, 10, buffer, 20));
    }

    private static List<Program.Shot> shots(FileFormat format, long... millis) {
        return IntStream.range(0, millis.length)
                .mapToObj(i -> new Program.Shot(
                        i + 1, BEGINS.plusMillis(millis[i]), new Settings(0.1, 8, 100), format, "corona", Front.OPEN))
                .toList();
    }

    private static void level(BufferFill.Level level, double late, boolean lost, int inBuffer) {
        assertThat(level.lateSeconds()).isCloseTo(late, within(1e-9));
        assertThat(level.lost()).isEqualTo(lost);
        assertThat(level.inBuffer()).isEqualTo(inBuffer);
    }

    /** The first is written at 2.2 s, the second at 4.2 s: what comes at 0.6 s waits for the first, and at 10 s all is written. */
    @Test
    void a_full_buffer_delays_and_a_busy_body_loses() {
        BufferFill filling =
                BufferFill.of(shots(FileFormat.RAW, 0, 100, 300, 600, 4200, 10_000), body(2), Optional.empty());
        level(filling.levels().get(0), 0, false, 1);
        level(filling.levels().get(1), 0, true, 1);
        level(filling.levels().get(2), 0, false, 2);
        level(filling.levels().get(3), 1.6, false, 2);
        level(filling.levels().get(4), 0, false, 2); // written just now
        level(filling.levels().get(5), 0, false, 1);
        assertThat(filling.smooth()).isFalse();
        assertThat(filling.fullest()).isEqualTo(2);
    }

    @Test
    void a_slow_card_delays_more() {
        BufferFill filling =
                BufferFill.of(shots(FileFormat.RAW, 0, 300, 600), body(2), Optional.of(new Gear.Card(64, 10)));
        level(filling.levels().get(2), 3.6, false, 2);
        assertThat(filling.smooth()).isFalse();
    }

    /** Free again at the very instant is free. */
    @Test
    void with_room_for_all_each_is_taken_in_time() {
        BufferFill filling = BufferFill.of(shots(FileFormat.RAW, 0, 200, 400, 600), body(4), Optional.empty());
        assertThat(filling.smooth()).isTrue();
        assertThat(filling.fullest()).isEqualTo(4);
    }

    @Test
    void lost_or_late_alone_is_not_smooth() {
        assertThat(BufferFill.of(shots(FileFormat.RAW, 0, 199), body(4), Optional.empty())
                        .smooth())
                .isFalse();
        assertThat(BufferFill.of(shots(FileFormat.RAW, 0, 300), body(1), Optional.empty())
                        .smooth())
                .isFalse();
    }

    /** Written in half a second, one every second finds the buffer empty. */
    @Test
    void small_files_are_gone_before_the_next() {
        BufferFill filling = BufferFill.of(shots(FileFormat.JPEG, 0, 1000, 2000, 3000), body(1), Optional.empty());
        assertThat(filling.smooth()).isTrue();
        assertThat(filling.fullest()).isEqualTo(1);
        assertThat(new BufferFill(List.of()).fullest()).isZero();
    }
}
