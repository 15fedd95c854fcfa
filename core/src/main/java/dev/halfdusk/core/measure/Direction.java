package dev.halfdusk.core.measure;

/**
 * A direction against the horizon.
 *
 * @param azimuthDeg from north through east; any turn is allowed, {@link #of} gives 0 to 360
 * @param altitudeDeg above the level horizon, −90 to 90; with or without refraction as whoever made it says
 */
public record Direction(double azimuthDeg, double altitudeDeg) {

    /** @throws OutOfRange for an altitude beyond zenith or nadir, or anything that is not a number */
    public Direction {
        Range.ALTITUDE.check(altitudeDeg);
        if (!Double.isFinite(azimuthDeg)) {
            throw new OutOfRange(Range.AZIMUTH, azimuthDeg);
        }
    }

    /** Of east, north and up components, whatever their length. */
    public static Direction of(Vector local) {
        return new Direction(azimuthDeg(local), local.latitudeDeg());
    }

    /** Azimuth alone of east, north and up components, 0 to 360: cheaper where the altitude is not asked for. */
    public static double azimuthDeg(Vector local) {
        double degrees = Math.toDegrees(Angles.arcTangent(local.x(), local.y()));
        return degrees < 0 ? degrees + 360 : degrees;
    }

    /** Unit vector east, north, up. */
    public Vector vector() {
        return Vector.towards(90 - azimuthDeg, altitudeDeg);
    }

    /** Angle to another direction on the sky, degrees, 0 to 180. */
    public double angleTo(Direction other) {
        return vector().angleTo(other.vector());
    }

    /** The nearest of the sixteen compass points. */
    public String compass() {
        return Angles.compass(azimuthDeg);
    }
}
