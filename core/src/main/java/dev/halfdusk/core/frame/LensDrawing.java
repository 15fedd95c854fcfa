package dev.halfdusk.core.frame;

import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Sensor;
import java.util.function.DoubleUnaryOperator;

/** How a lens draws a point by its distance from the middle of the sensor: spread, light that is left, corners. In even steps as far as a third beyond the corner. */
final class LensDrawing {

    /** Seeing, guiding and the pixel itself, sensor pixels. */
    static final double LEAST_SIGMA_PX = 0.6;

    /** A fast lens' corner wide open, micrometres. */
    private static final double CORNER_SIGMA_UM = 9;

    private static final int RADII = 512;
    private static final double FARTHEST = 4.0 / 3;

    private final double open;
    private final double halfDiagonal;
    private final float[] sigmas;
    private final float[] falls;

    LensDrawing(Shot shot, Sensor sensor) {
        open = shot.widest() / shot.aperture();
        halfDiagonal = sensor.diagonalMm() / 2;
        sigmas = byRadius(r -> sigma(r, shot, sensor.pitchUm()));
        falls = byRadius(r -> Backdrop.fallOff(shot, new Point(r, 0)));
    }

    private float[] byRadius(DoubleUnaryOperator of) {
        float[] table = new float[RADII + 2];
        for (int i = 0; i < table.length; i++) {
            table[i] = (float) of.applyAsDouble(i * halfDiagonal * FARTHEST / RADII);
        }
        return table;
    }

    private double along(float[] table, double radiusMm) {
        double at = Math.min(RADII, radiusMm / (halfDiagonal * FARTHEST) * RADII);
        int i = (int) at;
        return table[i] + (at - i) * (table[i + 1] - table[i]);
    }

    /** How far a point of the sensor suffers from the lens' corners wide open: one at the corner itself. */
    double corner(double radiusMm) {
        double share = radiusMm * open / halfDiagonal;
        return share * share * share;
    }

    /** Diffraction, focus, corners and the pixel. */
    private double sigma(double radiusMm, Shot shot, double pitch) {
        double airy = 0.42 * 0.55 * shot.aperture() / pitch;
        double focus = shot.defocusUm() / 2 / pitch;
        double corner = CORNER_SIGMA_UM / pitch * corner(radiusMm);
        return Math.sqrt(LEAST_SIGMA_PX * LEAST_SIGMA_PX + airy * airy + focus * focus + corner * corner);
    }

    /** Spread of a point in sensor pixels. */
    double sigmaPx(double radiusMm) {
        return along(sigmas, radiusMm);
    }

    /** Light that is left. */
    double fallOff(double radiusMm) {
        return along(falls, radiusMm);
    }
}
