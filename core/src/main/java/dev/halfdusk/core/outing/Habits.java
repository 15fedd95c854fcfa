package dev.halfdusk.core.outing;

import java.time.Duration;

/**
 * How long the work around a take takes, by one pair of hands in the dark.
 *
 * @param setUp unpack, tripod, level: once for each camera
 * @param focus once for each camera
 * @param reAim from one framing to the next
 * @param test a composition frame and a look at it
 */
public record Habits(Duration setUp, Duration focus, Duration reAim, Duration test) {

    public static final Habits USUAL =
            new Habits(Duration.ofMinutes(8), Duration.ofMinutes(5), Duration.ofMinutes(3), Duration.ofMinutes(3));

    /** Before the first take of a camera. */
    public Duration first() {
        return setUp.plus(focus).plus(test);
    }

    /** Before its others. */
    public Duration next() {
        return reAim.plus(test);
    }
}
