package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Sight;

/**
 * What a photographer asks of a picture of stars.
 *
 * @param tolerancePx drift in pixels that still counts as a point
 * @param sharp which stars must stay within it
 * @param signalToNoise wanted of the clouds of a sight after stacking
 * @param plannedBy the school that decides on the shutter; it is judged by the drift whichever it is
 * @param slowestSeconds that no shutter for stars exceeds, as the dial says it; infinite for none
 * @param sight whose clouds those are; the core's where it has none
 */
public record Demand(
        double tolerancePx,
        Sharp sharp,
        double signalToNoise,
        PlannedBy plannedBy,
        double slowestSeconds,
        Sight sight) {

    public static final Range SIGNAL_TO_NOISE = new Range("signal to noise", 1, 500, "");

    /** Three pixels over nine tenths of the frame, and clouds that stand ten times above the noise. */
    public static final Demand USUAL = new Demand(3, Sharp.MOST, 10);

    /** By the drift in the frame. */
    public Demand(double tolerancePx, Sharp sharp, double signalToNoise) {
        this(tolerancePx, sharp, signalToNoise, PlannedBy.DRIFT, Double.POSITIVE_INFINITY, Sight.CORE);
    }

    public Demand {
        Range.TOLERANCE.check(tolerancePx);
        SIGNAL_TO_NOISE.check(signalToNoise);
    }

    public Demand within(double pixels, Sharp who) {
        return new Demand(pixels, who, signalToNoise, plannedBy, slowestSeconds, sight);
    }

    public Demand by(PlannedBy school) {
        return new Demand(tolerancePx, sharp, signalToNoise, school, slowestSeconds, sight);
    }

    public Demand slowest(double seconds) {
        return new Demand(tolerancePx, sharp, signalToNoise, plannedBy, seconds, sight);
    }

    public Demand of(Sight other) {
        return new Demand(tolerancePx, sharp, signalToNoise, plannedBy, slowestSeconds, other);
    }
}
