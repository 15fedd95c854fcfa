package dev.halfdusk.core.fireworks;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import java.util.List;
import java.util.stream.Stream;

/**
 * Where shells are fired, as seen from the camera.
 *
 * @param distanceM over the ground
 * @param bearingDeg from the camera
 * @param heightM it lies above the camera; below it where negative
 */
public record FiringPoint(double distanceM, double bearingDeg, double heightM) {

    public static final Range DISTANCE = new Range("distance to the firing point", 20, 20_000, " m");
    public static final Range HEIGHT = new Range("height of the firing point", -1000, 1000, " m");

    public static final Range FRONT = new Range("width of the firing front", 0, 2000, " m");

    public FiringPoint {
        DISTANCE.check(distanceM);
        Range.AZIMUTH.check(bearingDeg);
        HEIGHT.check(heightM);
    }

    /** Elevation of what is so high above it, degrees. */
    public double elevationDeg(double aboveM) {
        return Math.toDegrees(Math.atan2(heightM + aboveM, distanceM));
    }

    /** Towards what is so far to the right of it, seen from the camera, and so high above it. */
    public Direction towards(double rightM, double aboveM) {
        double away = Math.hypot(distanceM, rightM);
        return new Direction(
                Angles.turn(bearingDeg + Math.toDegrees(Math.atan2(rightM, distanceM))),
                Math.toDegrees(Math.atan2(heightM + aboveM, away)));
    }

    /** Points of a front that lies across the line of sight, itself in the middle: one where it is narrow, else three. */
    public List<FiringPoint> front(double widthM) {
        if (FRONT.check(widthM) == 0) {
            return List.of(this);
        }
        return Stream.of(-0.5, 0.0, 0.5).map(s -> beside(s * widthM)).toList();
    }

    private FiringPoint beside(double rightM) {
        return new FiringPoint(
                Math.min(DISTANCE.max(), Math.hypot(distanceM, rightM)),
                Angles.turn(bearingDeg + Math.toDegrees(Math.atan2(rightM, distanceM))),
                heightM);
    }

    /** To itself, through the air, metres. */
    public double slantM() {
        return Math.hypot(distanceM, heightM);
    }

    /**
     * By so much a burst reaches beyond the direction of its middle, up, down and to both sides, degrees: a sphere is seen to where a
     * line of sight touches it, asin(R / slant). Who stands inside sees it all round: 90.
     *
     * @param times its radius
     */
    public double reachDeg(Shell shell, double times) {
        return Math.toDegrees(Math.asin(Math.min(1, times * shell.widthM() / 2 / slantM(shell))));
    }

    /** Elevation of the top of a burst, degrees; beyond 90 it reaches over one's head. */
    public double topDeg(Shell shell) {
        return elevationDeg(shell.heightM()) + reachDeg(shell, 1);
    }

    /** To a burst of a shell, through the air, metres. */
    public double slantM(Shell shell) {
        return Math.hypot(distanceM, heightM + shell.heightM());
    }
}
