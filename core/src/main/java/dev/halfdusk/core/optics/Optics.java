package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Range;

/**
 * A lens at one focal length in front of a sensor.
 *
 * @param focalMm focal length in use
 * @param circleMm diameter of the picture that the lens draws; infinite where it fills any sensor
 */
public record Optics(Sensor sensor, double focalMm, Projection projection, double circleMm) {

    /** Arcseconds in a radian divided by 1000: plate scale in ″ per pixel is this times µm over mm. */
    private static final double PLATE = 206.265;

    public Optics {
        Range.FOCAL_LENGTH.check(focalMm);
    }

    /** With the picture that such a lens usually draws: as large as wanted, or 180° of a fisheye. */
    public Optics(Sensor sensor, double focalMm, Projection projection) {
        this(sensor, focalMm, projection, usualCircleMm(projection, focalMm));
    }

    static double usualCircleMm(Projection projection, double focalMm) {
        return projection == Projection.FISHEYE ? Math.PI * focalMm : Double.POSITIVE_INFINITY;
    }

    /** Whether the lens draws that far from the middle of the sensor. */
    public boolean draws(double xMm, double yMm) {
        double radius = circleMm / 2 * (1 + 1e-9);
        return xMm * xMm + yMm * yMm <= radius * radius;
    }

    /** Arcseconds that one pixel sees on the axis. */
    public double plateScaleArcsec() {
        return PLATE * sensor.pitchUm() / focalMm;
    }

    /** Pixels by which something that turns at a rate moves on the axis in a time. */
    public double driftPx(double arcsecPerSecond, double seconds) {
        return arcsecPerSecond * seconds / plateScaleArcsec();
    }

    public double widthDeg() {
        return across(sensor.widthMm());
    }

    public double heightDeg() {
        return across(sensor.heightMm());
    }

    public double diagonalDeg() {
        return across(sensor.diagonalMm());
    }

    private double across(double mm) {
        return Math.toDegrees(2 * projection.angle(Math.min(mm, circleMm) / 2, focalMm));
    }

    public Optics portrait() {
        return new Optics(sensor.portrait(), focalMm, projection, circleMm);
    }

    /** What a hand holds without shaking, seconds: 1 / (focal length × crop). A rule of the craft. */
    public double handHeldSeconds() {
        return 1 / (focalMm * sensor.crop());
    }
}
