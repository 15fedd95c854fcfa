package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import java.util.Optional;

/**
 * A camera pointed somewhere: where a direction falls on the sensor, and what a point of the sensor sees.
 *
 * <p>Directions are unit vectors east, north, up. Image points are millimetres as seen in the picture, x right, y down,
 * origin in the centre. Without distortion unless one is asked for; no refraction.
 */
public final class Framing {

    private final Optics optics;
    private final Vector forward;
    private final Vector right;
    private final Vector down;
    /** How much farther out than it should a point half a sensor's diagonal from the centre falls, as a share. */
    private final double distortion;

    public static final Range DISTORTION = new Range("distortion", -10, 10, " %");

    private static final int ROUNDS = 12;

    private Framing(Optics optics, Vector forward, Vector right, Vector down, double distortion) {
        this.optics = optics;
        this.forward = forward;
        this.right = right;
        this.down = down;
        this.distortion = distortion;
    }

    /** A point of the picture in millimetres. */
    public record Point(double x, double y) {}

    /** @param rollDeg of the camera, positive clockwise seen from behind it */
    public static Framing of(Optics optics, Direction axis, double rollDeg) {
        Vector forward = axis.vector();
        double az = Math.toRadians(axis.azimuthDeg());
        Vector levelRight = new Vector(Math.cos(az), -Math.sin(az), 0);
        Vector right = levelRight.turnedAbout(forward, Math.toRadians(rollDeg));
        return new Framing(optics, forward, right, forward.cross(right), 0);
    }

    /**
     * The same through a lens that draws everything a little farther out, by the square of the distance from the centre.
     *
     * @param percent at half the sensor's diagonal: below 0 a barrel, above 0 a cushion
     */
    public Framing distorted(double percent) {
        return new Framing(optics, forward, right, down, DISTORTION.check(percent) / 100);
    }

    /** The same camera turned about an axis, a unit vector. */
    public Framing turnedAbout(Vector axis, double radians) {
        return new Framing(
                optics,
                forward.turnedAbout(axis, radians),
                right.turnedAbout(axis, radians),
                down.turnedAbout(axis, radians),
                distortion);
    }

    /** Where a point falls that should fall at a distance from the centre, mm. */
    private double drawn(double radius) {
        if (distortion == 0) {
            return radius;
        }
        double share = radius / (optics.sensor().diagonalMm() / 2);
        return radius * (1 + distortion * Math.min(1.5, share * share));
    }

    /** Where a point should fall that falls at a distance from the centre. */
    private double undistorted(double radius) {
        double right = radius;
        for (int i = 0; i < ROUNDS && distortion != 0; i++) {
            right = radius * right / drawn(right);
        }
        return right;
    }

    public Optics optics() {
        return optics;
    }

    /** Where a direction falls, whether on the sensor or beside it; empty where the lens cannot draw it at all. */
    public Optional<Point> project(Vector direction) {
        double x = direction.dot(right);
        double y = direction.dot(down);
        double z = direction.dot(forward);
        double off = Math.sqrt(x * x + y * y); // hypot takes as long as all the rest
        double radius = optics.projection().radius(off, z, optics.focalMm());
        if (!Double.isFinite(radius)) {
            return Optional.empty();
        }
        double scale = off == 0 ? 0 : drawn(radius) / off;
        return Optional.of(new Point(x * scale, y * scale));
    }

    /** The direction that a point of the picture sees; beyond what the lens draws, that of the nearest point it does draw. */
    public Vector see(Point point) {
        double off = Math.sqrt(point.x * point.x + point.y * point.y);
        if (off == 0) {
            return forward;
        }
        double radius = Math.min(undistorted(off), optics.circleMm() / 2);
        double theta = optics.projection().angle(radius, optics.focalMm());
        double across = Math.sin(theta) / off;
        return forward.times(Math.cos(theta))
                .plus(right.times(point.x * across))
                .plus(down.times(point.y * across));
    }

    /** Whether the lens draws at a point of the picture. */
    public boolean draws(Point point) {
        return optics.draws(point.x, point.y);
    }

    /** Whether a point lies on the sensor, where the lens draws. */
    public boolean holds(Point point) {
        return draws(point)
                && Math.abs(point.x) <= optics.sensor().widthMm() / 2
                && Math.abs(point.y) <= optics.sensor().heightMm() / 2;
    }
}
