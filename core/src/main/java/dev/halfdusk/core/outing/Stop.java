package dev.halfdusk.core.outing;

import java.time.Duration;

/**
 * A place of a night, with the way to it.
 *
 * @param name for people; empty where the night has only one
 * @param drive from home, or from where one left the road for the place before, to where one leaves it for this
 * @param walk from there to the spot, and back
 * @param hazards of the ground, in words; may be empty
 */
public record Stop(String name, Duration drive, Duration walk, String hazards) {

    /** Where one is already. */
    public static final Stop HERE = new Stop("", Duration.ZERO, Duration.ZERO, "");
}
