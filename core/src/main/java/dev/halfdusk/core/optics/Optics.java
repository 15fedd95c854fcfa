package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Range;

/**
 * A lens at one focal length in front of a sensor.
 *
 * @param focalMm focal length in use
 */
public record Optics(Sensor sensor, double focalMm, Projection projection) {

    /** Arcseconds in a radian divided by 1000: plate scale in ″ per pixel is this times µm over mm. */
    private static final double PLATE = 206.265;

    public Optics {
        Range.FOCAL_LENGTH.check(focalMm);
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
        return Math.toDegrees(2 * projection.angle(mm / 2, focalMm));
    }

    public Optics portrait() {
        return new Optics(sensor.portrait(), focalMm, projection);
    }
}
