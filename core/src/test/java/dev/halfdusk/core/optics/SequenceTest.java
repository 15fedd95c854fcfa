package dev.halfdusk.core.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SequenceTest {

    /** Fence posts: one frame has no pause. */
    @ParameterizedTest
    @CsvSource({
        "1, 30, 1, 0, 30",
        "2, 30, 1, 1, 61",
        "121, 30, 1, 120, 3750",
        "20, 120, 5, 19, 2495",
        "1, 3600, 0, 0, 3600"
    })
    void frames_and_one_pause_less(int frames, double exposure, double pause, int pauses, double seconds) {
        Sequence s = new Sequence(frames, exposure, pause);
        assertThat(s.pauses()).isEqualTo(pauses);
        assertThat(s.seconds()).isEqualTo(seconds);
    }

    /** 121 × 30 s with pauses of 1 s: 3750 s × 15.0411″ = 15.668°. */
    @Test
    void the_sky_turns_from_the_first_opening_to_the_last_closing() {
        assertThat(new Sequence(121, 30, 1).turnDeg()).isCloseTo(15.668, within(0.001));
    }

    /**
     * 20 mm on 5.94 µm: 206.265 × 5.94 / 20 = 61.261″ a pixel. 3750 s × 15.0411″ / 61.261″ = 920.7 px on the equator; times the
     * cosine of the declination elsewhere, north and south.
     */
    @ParameterizedTest
    @CsvSource({"0, 920.7, 0.2455", "60, 460.4, 0.1228", "-60, 460.4, 0.1228", "-35, 754.2, 0.2011", "90, 0, 0"})
    void arcs_and_gaps_shrink_towards_the_pole(double declination, double arc, double gap) {
        Optics optics = new Optics(new Sensor(36, 24, 5.94), 20, Projection.RECTILINEAR);
        Sequence s = new Sequence(121, 30, 1);
        assertThat(s.arcPx(optics, declination)).isCloseTo(arc, within(0.2));
        assertThat(s.gapPx(optics, declination)).isCloseTo(gap, within(0.0005));
    }

    /** In an hour 116 frames of 30 s and 1 s end after 3595 s, a 117th would end after 3626 s. */
    @ParameterizedTest
    @CsvSource({
        "3600, 30, 1, 116",
        "3595, 30, 1, 116",
        "3594.9, 30, 1, 115",
        "61, 30, 1, 2",
        "60, 30, 1, 1",
        "3, 30, 1, 1"
    })
    void a_time_holds_as_many_frames_as_close_in_it(double seconds, double exposure, double pause, int frames) {
        assertThat(Sequence.within(seconds, exposure, pause).frames()).isEqualTo(frames);
    }

    /** 15° are 3590.2 s: 116 frames last 3595 s and 115 only 3564 s. */
    @ParameterizedTest
    @CsvSource({"15, 30, 1, 116", "0.1253, 30, 1, 1", "0.1254, 30, 1, 2"})
    void an_arc_needs_as_few_frames_as_reach_it(double arc, double exposure, double pause, int frames) {
        assertThat(Sequence.reaching(arc, exposure, pause).frames()).isEqualTo(frames);
    }

    @Test
    void what_is_out_of_range_is_refused() {
        assertThatThrownBy(() -> new Sequence(0, 30, 1)).hasMessageContaining("1 to 20000");
        assertThatThrownBy(() -> new Sequence(100_000, 30, 1)).hasMessageContaining("1 to 20000");
        assertThatThrownBy(() -> new Sequence(5, 30, -1)).hasMessageContaining("0 to 3600");
        assertThatThrownBy(() -> new Sequence(5, 0, 1)).hasMessageContaining("shutter");
        assertThatThrownBy(() -> Sequence.reaching(361, 30, 1)).hasMessageContaining("0.01 to 360");
        assertThatThrownBy(() -> Sequence.within(1e6, 1, 0)).hasMessageContaining("20000");
        assertThat(FileFormat.RAW_AND_JPEG.megabytes(new CameraBody.Files(40, 12, 5, 100)))
                .isEqualTo(52);
        assertThat(FileFormat.RAW_AND_JPEG.key()).isEqualTo("raw-and-jpeg");
    }
}
