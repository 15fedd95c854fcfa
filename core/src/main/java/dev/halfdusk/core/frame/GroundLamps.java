package dev.halfdusk.core.frame;

/** Lamps that light the ground and what stands on it. */
sealed interface GroundLamps permits SweptLamp, LampRow {

    /** How bright it is where one sees the ground in a direction below the horizon, lux. */
    double onGround(double azimuthDeg, double altitudeDeg);

    /** The same on what stands there. */
    double onMarks(double azimuthDeg, double altitudeDeg);

    /** Their colour: red, green and blue, green 1. */
    double[] tint();
}
