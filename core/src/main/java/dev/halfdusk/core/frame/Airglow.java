package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Direction;

/** The natural sky's own faint bands: they lie along the horizon and brighten by some percent; always the same ones. */
final class Airglow {

    private static final double DEPTH = 0.09;
    private static final long SEED = 91;

    private Airglow() {}

    /** Times the even sky; one on the average. */
    static double factor(Direction seen) {
        double x = seen.azimuthDeg() / 45;
        double y = seen.altitudeDeg() / 7 + 0.8 * Noise.smooth(SEED + 1, seen.azimuthDeg() / 60, 0);
        return 1 + DEPTH * (Noise.fractal(SEED, x, y, 3) - 0.5);
    }
}
