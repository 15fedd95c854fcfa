package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.take.Plan;
import java.time.Duration;
import java.time.Instant;
import java.util.List;

/**
 * A take that has its time.
 *
 * @param prepares hands are at the camera
 * @param runs from the first opening to the last closing
 */
public record Slot(Plan plan, Interval prepares, Interval runs) {

    static Slot of(Plan plan, Instant opens, Duration before) {
        return new Slot(plan, new Interval(opens.minus(before), opens), new Interval(opens, opens.plus(plan.lasts())));
    }

    public String camera() {
        return plan.take().camera();
    }

    public Program program() {
        return plan.program().apply(runs.from());
    }

    /** When the camera is taken. */
    public Interval busy() {
        return new Interval(prepares.from(), runs.to());
    }

    /** When someone must be with it. */
    public List<Interval> hands() {
        return List.of(plan.hands() ? busy() : prepares);
    }

    /** Whether two takes want one camera, or one pair of hands, at a time. */
    public boolean collides(Slot other) {
        boolean camera = camera().equals(other.camera()) && overlap(busy(), other.busy());
        return camera || hands().stream().anyMatch(a -> other.hands().stream().anyMatch(b -> overlap(a, b)));
    }

    static boolean overlap(Interval a, Interval b) {
        return a.from().isBefore(b.to()) && b.from().isBefore(a.to());
    }
}
