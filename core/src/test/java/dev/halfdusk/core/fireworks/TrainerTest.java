package dev.halfdusk.core.fireworks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.fireworks.Trainer.Launch;
import dev.halfdusk.core.fireworks.Trainer.Press;
import dev.halfdusk.core.fireworks.Trainer.Scored;
import dev.halfdusk.core.fireworks.Trainer.Verdict;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class TrainerTest {

    /** A frame that opened at 5 s sees a shell of second 7 launched 2 s later, and one of second 3 two seconds before. */
    @Test
    void shells_of_a_round_count_from_the_frame() {
        Trainer round =
                new Trainer(List.of(new Trainer.Launch(3, Shell.of(100)), new Trainer.Launch(7, Shell.of(150))));
        FiringPoint left = new FiringPoint(600, 240, 0);
        FiringPoint right = new FiringPoint(600, 260, 0);
        List<Fired> fired = round.during(new Trainer.Press(5, 9), List.of(left, right));
        assertThat(fired).extracting(Fired::launchSeconds).containsExactly(-2.0, 2.0);
        assertThat(fired).extracting(Fired::from).containsExactly(left, right);
        assertThat(fired).extracting(f -> f.shell().mm()).containsExactly(100.0, 150.0);
    }

    /** Fired at 10 s, breaks at 14.5, fades at 16.5. */
    private static final Launch SHELL = new Launch(10, Shell.of(150));

    private static Scored one(double opens, double closes) {
        return new Trainer(List.of(SHELL))
                .score(List.of(new Press(opens, closes)))
                .get(0);
    }

    @ParameterizedTest
    @CsvSource({
        "9.5, 16.5, WHOLE",
        "10.4, 16.2, WHOLE",
        "9.01, 16.5, WHOLE",
        "8.9, 16.5, EARLY",
        "10.95, 16.5, LATE",
        "13, 16.5, LATE",
        "10, 16.0, CUT",
        "10, 15, CUT",
        "10, 14.4, MISSED",
        "10, 17.9, WHOLE",
        "10, 18.1, LONG",
        "2, 5, MISSED",
        "17, 20, MISSED"
    })
    void a_press_is_judged(double opens, double closes, Verdict verdict) {
        assertThat(one(opens, closes).verdict()).isEqualTo(verdict);
    }

    @Test
    void parts_that_were_drawn() {
        Scored s = one(12.25, 15.5);
        assertThat(s.climb()).isCloseTo(0.5, within(1e-9));
        assertThat(s.burst()).isCloseTo(0.5, within(1e-9));
        assertThat(new Trainer(List.of(SHELL)).score(List.of()).get(0).verdict())
                .isEqualTo(Verdict.MISSED);
    }

    /** One press over two bursts spoils both; two presses take each. */
    @Test
    void two_bursts_in_one_frame() {
        Launch next = new Launch(13, Shell.of(150));
        Trainer t = new Trainer(List.of(SHELL, next));
        assertThat(t.score(List.of(new Press(10, 19.5))))
                .extracting(Scored::verdict)
                .containsExactly(Verdict.OVERLAPPED, Verdict.OVERLAPPED);
        Launch later = new Launch(20, Shell.of(75));
        assertThat(new Trainer(List.of(SHELL, later)).score(List.of(new Press(20, 24.5), new Press(10, 16.5))))
                .extracting(Scored::verdict)
                .containsExactly(Verdict.WHOLE, Verdict.WHOLE);
    }

    @Test
    void a_round_is_the_same_for_the_same_seed_and_leaves_time_between() {
        Trainer round = Trainer.of(Show.TOWN, 10, 4);
        assertThat(round).isEqualTo(Trainer.of(Show.TOWN, 10, 4)).isNotEqualTo(Trainer.of(Show.TOWN, 10, 5));
        assertThat(round.launches()).hasSize(10);
        assertThat(round.seconds()).isGreaterThan(round.launches().get(9).fades());
    }

    /** Whoever opens at each launch and closes as it fades takes them all, in any round of any show. */
    @ParameterizedTest
    @EnumSource(Show.class)
    void perfect_play_wins(Show show) {
        for (int seed = 0; seed < 100; seed++) {
            Trainer round = Trainer.of(show, 10, seed);
            List<Press> perfect = round.launches().stream()
                    .map(l -> new Press(l.fires(), l.fades()))
                    .toList();
            assertThat(round.score(perfect)).extracting(Scored::verdict).containsOnly(Verdict.WHOLE);
            List<Press> byHand = round.launches().stream()
                    .map(l -> new Press(l.fires() + 0.25, l.fades() + 0.2))
                    .toList();
            assertThat(round.score(byHand)).extracting(Scored::verdict).containsOnly(Verdict.WHOLE);
        }
    }

    @Test
    void a_shutter_cannot_close_before_it_opens() {
        assertThatThrownBy(() -> new Press(3, 2)).isInstanceOf(IllegalArgumentException.class);
    }
}
