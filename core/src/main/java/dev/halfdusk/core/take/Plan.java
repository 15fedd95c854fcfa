package dev.halfdusk.core.take;

import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * What a take comes to in a night. Schedule, run sheet, exports, battery and card know only this.
 *
 * @param c place and night in which it was planned
 * @param when it may be, each window long enough for it
 * @param lasts from the first opening to the last closing, dark frames with it; up to a minute more
 * @param hands whether someone must stay with the camera while it runs
 * @param program what the camera does when it begins at an instant
 * @param answers what else is said of it when it begins at an instant
 * @param battery part of a full one that it takes, above 1 where one is not enough; 0 where nothing is known
 * @param megabytes that its files take
 * @param risks what can go wrong, in words
 * @param chores by hand at their time, beside what the camera does
 */
public record Plan(
        Take take,
        Circumstances c,
        Wish.When when,
        Duration lasts,
        boolean hands,
        Function<Instant, Program> program,
        Function<Instant, Answer> answers,
        double battery,
        double megabytes,
        List<String> risks,
        List<Chore> chores) {

    /**
     * Something to be done by hand.
     *
     * @param after the first opening; before it where negative
     * @param what in words
     * @param exact whether it counts by the second, and is read as it stands
     */
    public record Chore(Duration after, String what, boolean exact) {

        /** When it does not count by the second. */
        Chore(Duration after, String what) {
            this(after, what, false);
        }
    }

    public Plan {
        chores = List.copyOf(chores);
        risks = List.copyOf(risks);
    }

    /** Of its take: tells plans of one night apart, however often they were changed. */
    public Id id() {
        return take.id();
    }

    /** What is said of it when it begins at an instant. */
    public Answer answer(Instant opening) {
        return answers.apply(opening);
    }

    /** Whether the night has a window for it, or someone has pinned it. */
    public boolean possible() {
        return take.pinned().isPresent() || !when.windows().isEmpty();
    }

    /** The same where its windows are known better. */
    Plan within(Wish.When other) {
        return new Plan(take, c, other, lasts, hands, program, answers, battery, megabytes, risks, chores);
    }

    /** The same take held at an instant, or let go. */
    public Plan pinned(Optional<Instant> opening) {
        return new Plan(
                take.pinned(opening), c, when, lasts, hands, program, answers, battery, megabytes, risks, chores);
    }

    /** The same with work for hands. */
    Plan with(List<Chore> others) {
        return new Plan(take, c, when, lasts, hands, program, answers, battery, megabytes, risks, others);
    }

    /** The same with another length, for one that went on or was broken off. */
    public Plan lasting(Duration other) {
        return new Plan(take, c, when, other, hands, program, answers, battery, megabytes, risks, chores);
    }
}
