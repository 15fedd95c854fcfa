package dev.halfdusk.core.frame;

import dev.halfdusk.core.ground.Mark;

/**
 * One lamp, swept evenly over the ground as far as the nearest mark; beyond, its light falls with the square of the distance.
 *
 * @param lux where it sweeps
 * @param sweptM as far as it does
 * @param markLit share of its light that the nearest mark gets
 */
record SweptLamp(double lux, double sweptM, double markLit) implements GroundLamps {

    private static final double USUAL_M = 15;
    private static final double FARTHEST_M = 60;
    private static final double[] WHITE = {1, 1, 1};

    static SweptLamp of(Scene scene) {
        double mark = scene.marks().stream().mapToDouble(Mark::distanceM).min().orElse(USUAL_M);
        double swept = Math.min(FARTHEST_M, mark);
        return new SweptLamp(scene.lampLux(), swept, swept * swept / (mark * mark));
    }

    @Override
    public double onGround(double azimuthDeg, double altitudeDeg) {
        if (lux == 0) {
            return 0;
        }
        double share = Math.min(1, sweptM * Math.tan(Math.toRadians(-altitudeDeg)) / Soil.EYE_M);
        return lux * share * share;
    }

    @Override
    public double onMarks(double azimuthDeg, double altitudeDeg) {
        return lux * markLit;
    }

    @Override
    public double[] tint() {
        return WHITE;
    }
}
