package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Stops;

/**
 * A meter that measures the whole frame puts its mean on middle grey, whatever is in it. What it does to a subject that fills only a
 * part of it follows from that; exact for a meter that weighs all parts alike.
 *
 * @param share of the frame that the subject fills
 * @param surroundingStops by which what surrounds it is brighter than the subject; below 0 darker
 */
public record FooledMeter(double share, double surroundingStops) {

    public static final Range SHARE = new Range("share of the frame", 0.0001, 1, "");
    public static final Range SURROUNDING = new Range("surroundings", -20, 20, " stops");

    public FooledMeter {
        SHARE.check(share);
        SURROUNDING.check(surroundingStops);
    }

    /** Stops by which the subject comes out brighter than middle grey; below 0 darker. To be taken off. */
    public double brighterStops() {
        return -Stops.of(share + (1 - share) * Stops.ratio(surroundingStops));
    }
}
