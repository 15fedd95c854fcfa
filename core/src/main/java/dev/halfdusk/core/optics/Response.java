package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Range;

/**
 * How a sensor answers to light, in electrons per pixel.
 *
 * @param fullWellE electrons a pixel holds at base ISO
 * @param baseIso lowest ISO that is not a trick of arithmetic
 * @param readBeforeE read noise that arises before the amplifier
 * @param readAfterE read noise that arises after it, as electrons at base ISO
 * @param darkEPerSecond dark current at 20 °C
 * @param quantumEfficiency electrons for each photon of green light, 0 to 1
 */
public record Response(
        double fullWellE,
        double baseIso,
        double readBeforeE,
        double readAfterE,
        double darkEPerSecond,
        double quantumEfficiency) {

    public static final Range FULL_WELL = new Range("full well", 500, 500_000, " e\u207b");
    public static final Range READ_NOISE = new Range("read noise", 0, 100, " e\u207b");
    public static final Range DARK = new Range("dark current", 0, 50, " e\u207b/s");
    public static final Range EFFICIENCY = new Range("quantum efficiency", 0.01, 1, "");

    private static final double WELL_PER_SQUARE_UM = 1800;
    private static final double LEAST_NOISE_E = 0.1;

    public Response {
        FULL_WELL.check(fullWellE);
        Range.ISO.check(baseIso);
        READ_NOISE.check(readBeforeE);
        READ_NOISE.check(readAfterE);
        DARK.check(darkEPerSecond);
        EFFICIENCY.check(quantumEfficiency);
    }

    /**
     * A typical sensor of its pixel size, made in the last ten years: 1800 electrons per square micrometre, 1.6 electrons
     * before and 4.5 after the amplifier, half of the photons counted. Real ones differ by half of that either way.
     */
    public static Response generic(double pitchUm) {
        double well = Math.round(WELL_PER_SQUARE_UM * pitchUm * pitchUm / 100) * 100.0;
        return new Response(Math.max(FULL_WELL.min(), well), 100, 1.6, 4.5, 0.03, 0.5);
    }

    /** Electrons at which a pixel is white: full well × base ISO ÷ ISO. */
    public double saturationE(double iso) {
        return fullWellE * baseIso / iso;
    }

    /** Stops from the read noise up to white at an ISO: what engineers call the dynamic range of a pixel. */
    public double rangeStops(double iso) {
        return Stops.of(saturationE(iso) / Math.max(LEAST_NOISE_E, readNoiseE(iso)));
    }

    /** √(before² + (after ÷ gain)²), with the gain 1 at base ISO. */
    public double readNoiseE(double iso) {
        return Math.hypot(readBeforeE, readAfterE * baseIso / iso);
    }
}
