package dev.halfdusk.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.OutOfRange;
import org.junit.jupiter.api.Test;

class TrafficTest {

    /** 36 km/h are 10 m/s: straight across at 50 m a lens of 50 mm draws 10 mm a second, 36 mm in 3.6 s. */
    @Test
    void a_line_by_hand() {
        Traffic t = new Traffic(36, 50, 90);
        assertThat(t.mmPerSecond(50)).isCloseTo(10, within(1e-9));
        assertThat(t.secondsAcross(50, 36)).isCloseTo(3.6, within(1e-9));
        assertThat(t.drawn(1.8, 50, 36)).isCloseTo(0.5, within(1e-9));
        assertThat(t.drawn(10, 50, 36)).isEqualTo(1);
        assertThat(new Traffic(36, 50, 30).mmPerSecond(50)).isCloseTo(5, within(1e-9));
        assertThat(new Traffic(36, 50, 0).secondsAcross(50, 36)).isInfinite();
    }

    @Test
    void what_cannot_be_is_refused() {
        assertThatThrownBy(() -> new Traffic(0, 50, 90)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new Traffic(50, 0, 90)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new Traffic(50, 50, 91)).isInstanceOf(OutOfRange.class);
    }
}
