package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;

/**
 * What a photographer asks of a picture of stars.
 *
 * @param tolerancePx drift in pixels that still counts as a point
 * @param sharp which stars must stay within it
 * @param signalToNoise wanted of the core's clouds after stacking
 * @param plannedBy the school that decides on the shutter; it is judged by the drift whichever it is
 * @param slowestSeconds that no shutter for stars exceeds, as the dial says it; infinite for none
 */
public record Demand(
        double tolerancePx, Sharp sharp, double signalToNoise, PlannedBy plannedBy, double slowestSeconds) {

    public static final Range SIGNAL_TO_NOISE = new Range("signal to noise", 1, 500, "");

    /** Three pixels over nine tenths of the frame, and clouds that stand ten times above the noise. */
    public static final Demand USUAL = new Demand(3, Sharp.MOST, 10);

    /** By the drift in the frame. */
    public Demand(double tolerancePx, Sharp sharp, double signalToNoise) {
        this(tolerancePx, sharp, signalToNoise, PlannedBy.DRIFT, Double.POSITIVE_INFINITY);
    }

    public Demand {
        Range.TOLERANCE.check(tolerancePx);
        SIGNAL_TO_NOISE.check(signalToNoise);
    }

    public Demand within(double pixels, Sharp who) {
        return new Demand(pixels, who, signalToNoise, plannedBy, slowestSeconds);
    }

    public Demand by(PlannedBy school) {
        return new Demand(tolerancePx, sharp, signalToNoise, school, slowestSeconds);
    }

    public Demand slowest(double seconds) {
        return new Demand(tolerancePx, sharp, signalToNoise, plannedBy, seconds);
    }
}
