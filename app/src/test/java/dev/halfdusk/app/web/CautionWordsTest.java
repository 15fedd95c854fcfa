package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.take.Caution;
import dev.halfdusk.core.take.EclipsedSun;
import dev.halfdusk.core.take.People;
import dev.halfdusk.core.take.Take;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CautionWordsTest {

    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));

    @Test
    void those_of_the_place_come_first_then_the_subjects_each_once_then_what_holds_everywhere() {
        List<Take> takes = List.of(Take.of("a", new People(2, 4), "A", RIG), Take.of("b", new People(3, 4), "A", RIG));
        List<String> here = List.of("Here: cliff.", "Turn back: at high water.");
        List<String> all = CautionWords.of(here, takes);
        assertThat(all).startsWith("Here: cliff.", "Turn back: at high water.").containsAll(CautionWords.GENERAL);
        assertThat(all).hasSize(here.size() + 1 + CautionWords.GENERAL.size());
        assertThat(all.get(2)).contains("lead them there and back with a lamp");
        assertThat(CautionWords.of(List.of(), List.of())).isEqualTo(CautionWords.GENERAL);
    }

    /** The one for which people lost their sight. */
    @Test
    void whoever_takes_the_sun_is_told_of_their_eyes() {
        assertThat(CautionWords.of(List.of(), List.of(Take.of("sun", EclipsedSun.KIND.usual(), "A", RIG))))
                .contains(CautionWords.SUN)
                .anyMatch(w -> w.contains("in a partial or annular eclipse it never comes off"));
        assertThat(CautionWords.SUN).contains("Never look at the sun").contains("certified solar protection");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "false | The usual clear distance is 126 m for shells of 150 mm; the organiser's cordon",
                "true | At 125 m this is inside the usual clear distance, 126 m for shells of 150 mm: stand farther off. The organiser's cordon"
            })
    void how_far_one_stands_off_shells(boolean near, String words) {
        assertThat(CautionWords.words(new Caution.ClearDistance(126.4, 150, 125.2, near)))
                .startsWith(words)
                .contains("local rules");
    }

    @Test
    void no_two_are_said_alike() {
        List<String> said =
                Arrays.stream(Caution.Known.values()).map(CautionWords::words).toList();
        assertThat(said).doesNotHaveDuplicates().allMatch(w -> w.endsWith("."));
        assertThat(Caution.class.getPermittedSubclasses())
                .containsExactlyInAnyOrder(Caution.Known.class, Caution.ClearDistance.class);
    }
}
