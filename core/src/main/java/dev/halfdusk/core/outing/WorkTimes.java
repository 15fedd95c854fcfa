package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Range;
import java.time.Duration;

/**
 * How long the work around a take takes in the dark, and how many do it.
 *
 * @param setUp unpack, tripod, level: once for each rig
 * @param focus once for each rig
 * @param reAim from one framing to the next
 * @param test a composition frame and a look at it
 * @param swap a battery, where what is left in it is too little
 * @param people pairs of hands
 */
public record WorkTimes(Duration setUp, Duration focus, Duration reAim, Duration test, Duration swap, int people) {

    public static final Range PEOPLE = new Range("people", 1, 9, "");

    /** Until the first frame of a rig: it must be focused and a test looked at, whoever is quick. */
    public static final Range FIRST = new Range("set-up", 9, 120, " min");

    public static final WorkTimes USUAL = new WorkTimes(
            Duration.ofMinutes(8),
            Duration.ofMinutes(5),
            Duration.ofMinutes(3),
            Duration.ofMinutes(3),
            Duration.ofMinutes(1),
            1);

    public WorkTimes {
        PEOPLE.check(people);
    }

    public WorkTimes with(int otherPeople) {
        return new WorkTimes(setUp, focus, reAim, test, swap, otherPeople);
    }

    /** For someone whose rig is ready after so many minutes: what that leaves beside focus and test goes to setting it up. */
    public WorkTimes ready(double minutes) {
        Duration whole = Duration.ofSeconds(Math.round(60 * FIRST.check(minutes)));
        return new WorkTimes(whole.minus(focus).minus(test), focus, reAim, test, swap, people);
    }

    /** Before the first take of a rig. */
    public Duration first() {
        return setUp.plus(focus).plus(test);
    }

    /** Before its others. */
    public Duration next() {
        return reAim.plus(test);
    }
}
