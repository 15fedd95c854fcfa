package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.take.Answer;
import dev.halfdusk.core.take.Plan;
import java.time.Duration;
import java.time.Instant;
import java.util.List;

/**
 * A take that has its time.
 *
 * @param prepares hands are at the camera
 * @param runs from the first opening to the last closing
 * @param swap whether the battery is changed before it
 */
public record Slot(Plan plan, Interval prepares, Interval runs, boolean swap) {

    static Slot of(Plan plan, Instant opens, Duration before, boolean swap) {
        return new Slot(
                plan, new Interval(opens.minus(before), opens), new Interval(opens, opens.plus(plan.lasts())), swap);
    }

    /** Of its take. */
    public Id id() {
        return plan.id();
    }

    public String name() {
        return plan.take().name();
    }

    /** Name of the rig. */
    public String camera() {
        return plan.take().camera().name();
    }

    public Id cameraId() {
        return plan.take().camera().id();
    }

    /** The place at which it is taken, of those of the night. */
    public int stop() {
        return plan.take().stop();
    }

    /** Two rigs may be built on one. */
    public Named body() {
        return plan.take().camera().body();
    }

    public Program program() {
        return plan.program().apply(runs.from());
    }

    /** What else is said of it at its opening. */
    public Answer answer() {
        return plan.answer(runs.from());
    }

    /** What the camera does first, as its dial says it. */
    public String words() {
        return program().steps().get(0).words(plan.take().camera().rig().body());
    }

    /** An instant, or its first opening while that is still to come. */
    public Instant from(Instant now) {
        return now.isBefore(runs.from()) ? runs.from() : now;
    }

    Slot later(Duration by) {
        return new Slot(
                plan,
                new Interval(prepares.from().plus(by), prepares.to().plus(by)),
                new Interval(runs.from().plus(by), runs.to().plus(by)),
                swap);
    }

    /** When the camera is taken. */
    public Interval busy() {
        return new Interval(prepares.from(), runs.to());
    }

    /** When someone must be with it. */
    public Interval hands() {
        return plan.hands() ? busy() : prepares;
    }

    /** Whether both want one body at a time. */
    public boolean sharesBody(Slot other) {
        return body().id().equals(other.body().id()) && overlap(busy(), other.busy());
    }

    /** Whether both want someone at a time. */
    public boolean sharesHands(Slot other) {
        return overlap(hands(), other.hands());
    }

    /** Whether there is someone for it at any time, beside the others. */
    boolean attended(List<Slot> others, int people) {
        List<Slot> near = others.stream()
                .filter(o -> !o.id().equals(id()) && sharesHands(o))
                .toList();
        return busiest(near) < people;
    }

    /** The most of some slots that want hands at one time within those of this. */
    private long busiest(List<Slot> near) {
        long most =
                near.stream().filter(o -> o.hands().contains(hands().from())).count();
        for (Slot begins : near) {
            Instant t = begins.hands().from();
            if (hands().contains(t)) {
                most = Math.max(
                        most, near.stream().filter(o -> o.hands().contains(t)).count());
            }
        }
        return most;
    }

    static boolean overlap(Interval a, Interval b) {
        return a.from().isBefore(b.to()) && b.from().isBefore(a.to());
    }
}
