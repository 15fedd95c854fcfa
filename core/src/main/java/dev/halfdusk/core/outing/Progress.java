package dev.halfdusk.core.outing;

import dev.halfdusk.core.take.Plan;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * How far a take has come in the field.
 *
 * @param opened when it began, or will begin by what was said in the field; empty while the schedule decides
 * @param closed when it was done; empty while its length decides
 * @param skipped whether it is left out
 */
public record Progress(Optional<Instant> opened, Optional<Instant> closed, boolean skipped) {

    public static final Progress AHEAD = new Progress(Optional.empty(), Optional.empty(), false);

    public Progress {
        if (closed.isPresent() && opened.map(closed.get()::isBefore).orElse(true)) {
            throw new IllegalArgumentException("a take closes after it has opened");
        }
    }

    public static Progress leftOut() {
        return new Progress(Optional.empty(), Optional.empty(), true);
    }

    /** It has begun as scheduled. */
    private static Progress begun(Slot s) {
        return new Progress(Optional.of(s.runs().from()), Optional.empty(), false);
    }

    /** It is over now, whether it had begun or not. */
    public static Progress done(Slot s, Instant now) {
        Instant opened = s.runs().from().isBefore(now) ? s.runs().from() : now;
        Instant closed = s.runs().to().isBefore(now) ? s.runs().to() : now;
        return new Progress(Optional.of(opened), Optional.of(closed), false);
    }

    /** It begins, or has begun, so much later than it stands. */
    public static Progress late(Slot s, Duration by) {
        return new Progress(Optional.of(s.runs().from().plus(by)), Optional.empty(), false);
    }

    /**
     * What becomes of a night in which a take begins so much later: it, and those held after it that it then runs into, are late by
     * as much; what nobody holds is arranged anew around them.
     */
    public static Map<Slot, Progress> late(Schedule schedule, Slot first, Duration by) {
        Map<Slot, Progress> late = new LinkedHashMap<>();
        List<Slot> moved = new ArrayList<>();
        for (Slot s : schedule.slots()) {
            boolean pushed = s.plan().take().pinned().isPresent()
                    && s.runs().from().isAfter(first.runs().from())
                    && moved.stream().anyMatch(m -> m.sharesBody(s) || m.sharesHands(s));
            if (s.id().equals(first.id()) || pushed) {
                moved.add(s.later(by));
                late.put(s, late(s, by));
            }
        }
        return late;
    }

    /**
     * All that is kept when something is said in the field: what has been begun, as it stands, so that it stays; and what was said.
     *
     * @param begun whether something was said of a take before, which then counts
     */
    public static Map<Slot, Progress> said(
            Schedule schedule, Instant now, Predicate<Slot> begun, Map<Slot, Progress> said) {
        Map<Slot, Progress> all = new LinkedHashMap<>();
        schedule.slots().stream()
                .filter(s -> !s.prepares().from().isAfter(now) && !begun.test(s))
                .forEach(s -> all.put(s, begun(s)));
        all.putAll(said);
        return all;
    }

    public boolean done() {
        return closed.isPresent();
    }

    /** The plan as it went: held where it began, as long as it took. */
    public Plan of(Plan plan) {
        Plan held = opened.isPresent() ? plan.pinned(opened) : plan;
        return closed.map(c -> held.lasting(Duration.between(opened.orElseThrow(), c)))
                .orElse(held);
    }
}
