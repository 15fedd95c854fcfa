package dev.halfdusk.app.demo;

import dev.halfdusk.app.practice.Courses;
import dev.halfdusk.app.practice.Learners;
import dev.halfdusk.app.practice.Learners.Drill;
import dev.halfdusk.app.practice.Learners.Learner;
import dev.halfdusk.app.practice.Learners.Round;
import dev.halfdusk.app.practice.Rounds;
import dev.halfdusk.core.practice.Lesson;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** The two friends have practised through the winter: one is a third through, the other has just begun. */
@Component
class DemoPractice {

    private static final int PASSED = 24;
    private static final int DRILLS = 9;

    /** Lessons that were not easy, and one that was given up. */
    private static final List<String> HARD = List.of("half-moon", "compensation", "longest-24", "thin-moon");

    private static final String GIVEN_UP = "iso-or-lifting";

    private final Courses courses;
    private final Learners learners;
    private final Rounds rounds;
    private final TransactionTemplate transactions;
    private final Clock clock;

    DemoPractice(Courses courses, Learners learners, Rounds rounds, TransactionTemplate transactions, Clock clock) {
        this.courses = courses;
        this.learners = learners;
        this.rounds = rounds;
        this.transactions = transactions;
        this.clock = clock;
    }

    void fill() {
        if (!learners.all().isEmpty()) {
            return;
        }
        Instant now = clock.instant();
        Learner gull = transactions.execute(t -> {
            Learner first = learners.named("Gull");
            learners.named("Dune");
            List<Lesson> lessons = courses.course().lessons();
            for (int i = 0; i < PASSED; i++) {
                lesson(first, lessons.get(i).key(), i, now);
            }
            for (int i = 0; i < DRILLS; i++) {
                learners.add(first, drill(i, now));
            }
            return first;
        });
        for (String iso : List.of("6400", "3200", "1600")) { // and is at the moon again
            rounds.practise(gull, "half-moon", Map.of("shutter", "1/125", "aperture", "8", "iso", iso));
        }
    }

    /** Passed some weeks ago, the first ones several times. */
    private void lesson(Learner who, String key, int index, Instant now) {
        int times = index > PASSED - 4 ? 1 : Math.max(2, 4 - index / 6);
        for (int k = times; k > 0; k--) {
            Instant at = now.minus(Duration.ofHours(24L * (k * k * 3 + (PASSED - index) / 3) + index));
            Round r = learners.begin(who, key, at);
            boolean hard = HARD.contains(key);
            learners.end(r.id(), !key.equals(GIVEN_UP), hard ? 5 : 1, at.plusSeconds(240));
        }
    }

    private static Drill drill(int i, Instant now) {
        int wrong = i % 4 == 1 ? 1 : 0;
        return new Drill(
                Drill.Kind.BLIND,
                now.minus(Duration.ofDays(2L * (DRILLS - i))),
                6,
                6 - wrong,
                wrong * 0.7,
                6 * (9.5 - 0.7 * i + (i % 3) * 0.6));
    }
}
