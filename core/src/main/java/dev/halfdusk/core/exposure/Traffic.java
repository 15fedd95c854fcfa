package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;

/**
 * Lights of vehicles that draw lines: v sin a f / d millimetres a second on the sensor near the axis, exact for a small part of the frame.
 *
 * @param acrossDeg between the way they go and the line of sight: 90 straight across, 0 towards the camera
 */
public record Traffic(double speedKmh, double distanceM, double acrossDeg) {

    public static final Range SPEED = new Range("speed", 1, 300, " km/h");
    public static final Range DISTANCE = new Range("distance", 1, 20_000, " m");
    public static final Range ACROSS = new Range("angle to the line of sight", 0, 90, "\u00b0");

    private static final double MS_OF_KMH = 1 / 3.6;

    public Traffic {
        SPEED.check(speedKmh);
        DISTANCE.check(distanceM);
        ACROSS.check(acrossDeg);
    }

    public double metresASecond() {
        return speedKmh * MS_OF_KMH;
    }

    /** On the sensor, millimetres a second. */
    public double mmPerSecond(double focalMm) {
        return metresASecond() * Math.sin(Math.toRadians(acrossDeg)) * focalMm / distanceM;
    }

    /** Part of a frame's width that a shutter draws, at most 1. */
    public double drawn(double seconds, double focalMm, double widthMm) {
        return Math.min(1, mmPerSecond(focalMm) * seconds / widthMm);
    }

    /** Seconds for a line from edge to edge; infinite for what comes straight on. */
    public double secondsAcross(double focalMm, double widthMm) {
        return widthMm / mmPerSecond(focalMm);
    }
}
