package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.lighttable.SoftCause.Sign;
import java.util.List;
import org.junit.jupiter.api.Test;

class SoftCauseTest {

    private static List<SoftCause> of(Cause spoilt) {
        return SoftCause.of(new SpoiltFrames(11L + spoilt.ordinal()).frame(spoilt));
    }

    private static Sign sign(Cause spoilt, int number) {
        return of(spoilt).get(number - 1).sign();
    }

    @Test
    void each_is_for_what_it_was_spoilt_by() {
        assertThat(sign(Cause.DRIFT, 2)).isEqualTo(Sign.FOR);
        assertThat(sign(Cause.DRIFT, 4)).isEqualTo(Sign.AGAINST);
        assertThat(sign(Cause.FOCUS, 4)).isEqualTo(Sign.FOR);
        assertThat(sign(Cause.FOCUS, 2)).isEqualTo(Sign.AGAINST);
        assertThat(sign(Cause.KNOCK, 5)).isEqualTo(Sign.FOR);
        assertThat(sign(Cause.GOOD, 5)).isEqualTo(Sign.ASK);
        assertThat(sign(Cause.CURVATURE, 6)).isEqualTo(Sign.FOR);
        assertThat(sign(Cause.GOOD, 6)).isEqualTo(Sign.AGAINST);
        assertThat(of(Cause.GOOD).get(0).evidence()).contains("as far as the stars");
    }

    /** Without anything to measure all that is left is to ask. */
    @Test
    void what_cannot_be_measured_is_asked() {
        FrameReading grey = LightTable.read(
                new MadeUpFrame(300, 200, 1).sky(0.1).noise(0.01, 0).srgb8(), Known.NOTHING);
        assertThat(SoftCause.of(grey).stream().filter(c -> c.sign() == Sign.ASK))
                .hasSize(5);
    }
}
