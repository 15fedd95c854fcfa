package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Stops;

/**
 * How much darker the moon is in an eclipse than a full moon, in stops. The lit limb by what of the sun its brightest point still sees
 * past a straight edge of the earth; the shadow by Danjon's class L of its darkness, magnitude 4 − 2 L of the whole moon within one
 * magnitude, which nobody knows beforehand. To a stop on the limb, to two in totality.
 */
public final class EclipsedLight {

    public static final Range DANJON = new Range("darkness of totality", 0, 4, "");

    /** Copper red, the middle of what happens. */
    public static final double USUAL_DANJON = 2;

    private static final double FULL_MAGNITUDE = -12.73;

    /** No part of the sun at all would be endless stops. */
    private static final double LEAST = 1e-6;

    private EclipsedLight() {}

    /** Of the limb that is farthest from the axis of the shadow; 0 outside of the penumbra. */
    public static double limbStops(Shadow s) {
        double x = (s.separationDeg() + s.moonDeg() - s.umbraDeg()) / (s.penumbraDeg() - s.umbraDeg());
        return -Stops.of(Math.max(LEAST, visible(x)));
    }

    /** Part of the sun's disc that shows over a straight edge, from 0 at the umbra to 1 at the end of the penumbra. */
    static double visible(double x) {
        if (x <= 0) {
            return 0;
        }
        if (x >= 1) {
            return 1;
        }
        double h = 1 - 2 * x;
        return (Math.acos(h) - h * Math.sqrt(1 - h * h)) / Math.PI;
    }

    /** Of the part in the umbra, by the class of its darkness: 0 all but black, 4 bright orange. */
    public static double shadowStops(double danjon) {
        return Stops.ofMagnitudes(4 - 2 * DANJON.check(danjon) - FULL_MAGNITUDE);
    }
}
