package dev.halfdusk.core.practice;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * How sure someone is of a lesson, and when it is worth another round: what was easy comes back later each time, what was not comes back soon.
 * A spaced repetition of the plainest kind; the steps are chosen, not measured.
 *
 * @param sure 0 to 1, falling with time; 0 before the first pass
 * @param due when it is to be repeated; empty before the first pass
 * @param passed rounds that were
 */
public record Mastery(double sure, Optional<Instant> due, int passed) {

    public static final Mastery NONE = new Mastery(0, Optional.empty(), 0);

    /** Days until the second round, after a hard and an easy first one. */
    private static final double FIRST_HARD = 1;

    private static final double FIRST_EASY = 3;
    private static final double EASY = 2.5;
    private static final double HARD = 1.3;
    private static final double LONGEST_DAYS = 180;

    /** More frames than needed with which a round still was easy. */
    private static final int SPARE = 2;

    /** What is left of it on the day it is due. */
    private static final double AT_DUE = 0.8;

    /** Days that stand for half of all sureness there is. */
    private static final double HALF_DAYS = 4;

    private static final double SECONDS_A_DAY = 86_400;

    /**
     * A round of a lesson.
     *
     * @param extra frames beyond those that the lesson needs
     * @param passed or given up
     */
    public record Round(Instant when, int extra, boolean passed) {}

    /** @param rounds in the order of their time */
    public static Mastery of(List<Round> rounds, Instant now) {
        double days = 0;
        int passed = 0;
        Instant last = null;
        for (Round r : rounds) {
            boolean easy = r.extra <= SPARE;
            if (!r.passed) {
                days = Math.min(days, FIRST_HARD);
            } else if (days == 0) {
                days = easy ? FIRST_EASY : FIRST_HARD;
            } else {
                days = Math.min(LONGEST_DAYS, days * (easy ? EASY : HARD));
            }
            passed += r.passed ? 1 : 0;
            last = r.passed || last != null ? r.when : null;
        }
        if (passed == 0) {
            return NONE;
        }
        Duration until = Duration.ofSeconds(Math.round(days * SECONDS_A_DAY));
        double since = Math.max(0, Duration.between(last, now).toSeconds() / SECONDS_A_DAY);
        double held = Math.pow(AT_DUE, since / Math.max(days, 1 / SECONDS_A_DAY));
        return new Mastery(held * days / (days + HALF_DAYS), Optional.of(last.plus(until)), passed);
    }

    public boolean due(Instant now) {
        return due.map(d -> !now.isBefore(d)).orElse(false);
    }
}
