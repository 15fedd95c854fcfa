package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;

/**
 * What a photographer asks of a picture of stars.
 *
 * @param tolerancePx drift in pixels that still counts as a point
 * @param sharp which stars must stay within it
 * @param signalToNoise wanted of the core's clouds after stacking
 */
public record Demand(double tolerancePx, Sharp sharp, double signalToNoise) {

    public static final Range SIGNAL_TO_NOISE = new Range("signal to noise", 1, 500, "");

    /** Three pixels over nine tenths of the frame, and clouds that stand ten times above the noise. */
    public static final Demand USUAL = new Demand(3, Sharp.MOST, 10);

    public Demand {
        Range.TOLERANCE.check(tolerancePx);
        SIGNAL_TO_NOISE.check(signalToNoise);
    }

    public Demand within(double pixels, Sharp who) {
        return new Demand(pixels, who, signalToNoise);
    }
}
