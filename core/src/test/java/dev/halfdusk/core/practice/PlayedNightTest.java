package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.practice.PlayedNight.Choice;
import dev.halfdusk.core.practice.PlayedNight.Kind;
import dev.halfdusk.core.practice.PlayedNight.Part;
import dev.halfdusk.core.practice.PlayedNight.Trouble;
import dev.halfdusk.core.practice.PlayedNight.Went;
import java.time.Instant;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Costs of decisions, counted by hand on an hour of 120 frames. */
class PlayedNightTest {

    private static final Instant TEN = Instant.parse("2027-06-08T22:00:00Z");

    private static Part part(String name, int from, int to, int frames) {
        return new Part(name, new Interval(TEN.plusSeconds(60L * from), TEN.plusSeconds(60L * to)), frames);
    }

    private static final List<Part> PARTS = List.of(part("Stack", 0, 60, 120), part("Trails", 65, 185, 240));

    private static int[] lost(Kind kind, int atMinute) {
        PlayedNight night = new PlayedNight(PARTS, List.of());
        return night.choices(new Trouble(kind, 0, TEN.plusSeconds(60L * atMinute))).stream()
                .mapToInt(Choice::lost)
                .toArray();
    }

    @Test
    void a_decision_costs_its_minutes_in_frames() {
        assertThat(lost(Kind.CLOUD, 20))
                .as("19 min, 40 min, 17 min at two frames a minute")
                .containsExactly(38, 80, 34);
        assertThat(lost(Kind.CLOUD, 55)).as("what is left is lost either way").containsExactly(10, 10, 10);
        assertThat(lost(Kind.DEW, 20)).containsExactly(4, 64, 62);
        assertThat(lost(Kind.BATTERY, 20)).as("25 min of 40 are left in it").containsExactly(3, 30, 24);
        assertThat(lost(Kind.BATTERY, 40)).as("it lasts to the end").containsExactly(3, 0, 0);
        assertThat(lost(Kind.TORCH, 20)).containsExactly(1, 40, 5);
        assertThat(lost(Kind.LATE, 0))
                .as("14 min, 9 beyond the room there is, all")
                .containsExactly(28, 18, 120);
    }

    /** A take begun anew by as much later, one left out by all that is left of it; each trouble has its own words. */
    @Test
    void a_decision_moves_a_take() {
        PlayedNight night = new PlayedNight(PARTS, List.of());
        Choice anew =
                night.choices(new Trouble(Kind.TORCH, 0, TEN.plusSeconds(1200))).get(1);
        assertThat(anew.begins()).isEqualTo(20);
        assertThat(anew.ends()).isZero();
        assertThat(anew.from()).isEqualTo(new Interval(TEN.plusSeconds(1200), TEN.plusSeconds(2400)));
        assertThat(anew.because()).isEqualTo("begun anew");
        Choice packed =
                night.choices(new Trouble(Kind.CLOUD, 0, TEN.plusSeconds(1200))).get(1);
        assertThat(packed.ends()).isEqualTo(40);
        assertThat(packed.begins()).isZero();
        Choice over = night.choices(new Trouble(Kind.LATE, 0, TEN)).get(1);
        assertThat(over.begins()).isEqualTo(14);
        assertThat(over.ends())
                .as("nine more than there is room for, of fourteen")
                .isEqualTo(-5);
        assertThat(Kind.values()).extracting(Kind::words).doesNotContain("").doesNotHaveDuplicates();
        assertThat(Kind.values()).extracting(Kind::told).doesNotContain("").doesNotHaveDuplicates();
    }

    @Test
    void what_costs_least_is_the_better_decision() {
        PlayedNight night = new PlayedNight(PARTS, List.of());
        assertThat(night.best(new Trouble(Kind.CLOUD, 0, TEN.plusSeconds(1200))).words())
                .isEqualTo("let it run");
        assertThat(night.best(new Trouble(Kind.DEW, 0, TEN.plusSeconds(1200))).words())
                .startsWith("heater on");
        assertThat(night.best(new Trouble(Kind.BATTERY, 0, TEN.plusSeconds(2400)))
                        .lost())
                .isZero();
    }

    @Test
    void what_came_of_it_adds_up_and_is_never_less_than_nothing() {
        Trouble late = new Trouble(Kind.LATE, 0, TEN);
        Trouble cloud = new Trouble(Kind.CLOUD, 0, TEN.plusSeconds(1200));
        PlayedNight night = new PlayedNight(PARTS, List.of(late, cloud));
        List<Went> none = night.went(List.of());
        assertThat(none).extracting(Went::kept).containsExactly(120, 240);
        assertThat(none.get(0).runs()).isEqualTo(PARTS.get(0).runs());
        List<Went> calm = night.went(List.of(0, 2));
        assertThat(calm.get(0).kept()).isEqualTo(120 - 28 - 34);
        assertThat(calm.get(0).runs().from()).isEqualTo(TEN.plusSeconds(14 * 60));
        assertThat(calm.get(0).lost()).containsExactly("28 begun late", "34 under cloud");
        assertThat(calm.get(1).kept()).isEqualTo(240);
        List<Went> over = night.went(List.of(1, 2));
        assertThat(over.get(0).runs().to()).as("five minutes over").isEqualTo(TEN.plusSeconds(65 * 60));
        List<Went> packed = night.went(List.of(2, 1));
        assertThat(packed.get(0).kept()).isZero();
        assertThat(packed.get(0).lost())
                .as("nothing is left to be lost to the cloud")
                .containsExactly("120 left out");
    }

    @Test
    void troubles_come_in_order_within_takes_that_are_long_enough() {
        List<Part> parts = List.of(part("Short", 0, 3, 9), part("Single", 10, 30, 1), PARTS.get(1));
        for (long seed = 0; seed < 100; seed++) {
            PlayedNight night = PlayedNight.of(parts, seed);
            assertThat(night).isEqualTo(PlayedNight.of(parts, seed));
            assertThat(night.troubles()).hasSize(Kind.values().length);
            assertThat(night.troubles()).extracting(Trouble::part).containsOnly(2);
            assertThat(night.troubles()).extracting(Trouble::at).isSorted();
            assertThat(night.troubles().get(0).kind()).isEqualTo(Kind.LATE);
            for (Trouble t : night.troubles()) {
                assertThat(parts.get(2).runs().contains(t.at())).isTrue();
                assertThat(night.choices(t)).hasSize(3);
                for (Choice c : night.choices(t)) {
                    assertThat(c.lost()).isBetween(0, 240);
                }
            }
            assertThat(night.went(Collections.nCopies(5, 2)).get(2).kept()).isBetween(0, 240);
        }
        assertThat(PlayedNight.of(parts.subList(0, 2), 1).troubles()).isEmpty();
        assertThat(PlayedNight.of(List.of(), 1).troubles()).isEmpty();
    }
}
