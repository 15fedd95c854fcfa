package dev.halfdusk.core.frame;

import dev.halfdusk.core.ground.Mark;
import java.util.List;

/**
 * One lamp, swept evenly over the ground as far as the nearest mark; beyond, its light falls with the square of the distance.
 *
 * @param lux where it sweeps
 * @param sweptM as far as it does
 * @param marks each lit by its own distance
 */
record SweptLamp(double lux, double sweptM, List<Mark> marks) implements GroundLamps {

    private static final double USUAL_M = 15;
    private static final double FARTHEST_M = 60;
    private static final double[] WHITE = {1, 1, 1};

    static SweptLamp of(Scene scene) {
        double mark = scene.marks().stream().mapToDouble(Mark::distanceM).min().orElse(USUAL_M);
        double swept = Math.min(FARTHEST_M, mark);
        return new SweptLamp(scene.lampLux(), swept, scene.marks());
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
        double away = marks.stream()
                .filter(m -> covers(m, azimuthDeg))
                .mapToDouble(Mark::distanceM)
                .min()
                .orElseGet(
                        () -> marks.stream().mapToDouble(Mark::distanceM).min().orElse(USUAL_M));
        double share = Math.min(1, sweptM / away);
        return lux * share * share;
    }

    private static boolean covers(Mark m, double azimuthDeg) {
        double aside = Math.abs(((azimuthDeg - m.bearingDeg()) % 360 + 540) % 360 - 180);
        return aside <= m.widthDeg() / 2;
    }

    @Override
    public double[] tint() {
        return WHITE;
    }
}
