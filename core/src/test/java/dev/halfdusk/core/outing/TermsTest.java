package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.OutOfRange;
import java.time.Duration;
import java.time.LocalTime;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class TermsTest {

    private static final Demand LARGE = Demand.USUAL.within(1.5, Sharp.values()[1]);
    private static final Terms TERMS =
            new Terms(3, new Way(40, 25), Optional.of(LocalTime.of(4, 10)), LARGE, "mind the tide");

    /** Each copy changes what it says, and keeps all else. */
    @Test
    void copies_keep_what_they_do_not_change() {
        assertThat(TERMS.going(2, Way.NONE, Optional.empty()))
                .isEqualTo(new Terms(2, Way.NONE, Optional.empty(), LARGE, "mind the tide"));
        assertThat(TERMS.with(Demand.USUAL))
                .isEqualTo(
                        new Terms(3, new Way(40, 25), Optional.of(LocalTime.of(4, 10)), Demand.USUAL, "mind the tide"));
        assertThat(TERMS.noted("bring tea"))
                .isEqualTo(new Terms(3, new Way(40, 25), Optional.of(LocalTime.of(4, 10)), LARGE, "bring tea"));
    }

    /** Each field of the form takes its own: no two of these values are alike. */
    @Test
    void its_fields_are_those_of_the_record() {
        assertThat(Terms.SHAPE.fields())
                .extracting(Field::key)
                .containsExactly("people", "driveMinutes", "walkMinutes", "turnBack", "tolerancePx", "sharp", "note");
        assertThat(Way.SHAPE.fields()).extracting(Field::key).containsExactly("driveMinutes", "walkMinutes");
    }

    @Test
    void nobody_and_a_way_beyond_a_day_are_refused() {
        assertThatThrownBy(() -> new Terms(0, Way.NONE, Optional.empty(), LARGE, ""))
                .isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new Way(1441, 0)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new Way(0, 601)).isInstanceOf(OutOfRange.class);
        assertThat(new Way(1440, 600).walkMinutes()).isEqualTo(600);
    }

    /** Of twenty minutes until the first frame focus takes five and the test three: twelve are left for setting up. */
    @Test
    void who_takes_longer_sets_up_longer() {
        WorkTimes slow = WorkTimes.USUAL.ready(20);
        assertThat(slow.setUp()).isEqualTo(Duration.ofMinutes(12));
        assertThat(slow.first()).isEqualTo(Duration.ofMinutes(20));
        assertThat(slow.next()).isEqualTo(WorkTimes.USUAL.next());
        assertThat(WorkTimes.USUAL.ready(9.5).setUp()).isEqualTo(Duration.ofSeconds(90));
        assertThatThrownBy(() -> WorkTimes.USUAL.ready(8.9)).isInstanceOf(OutOfRange.class);
    }
}
