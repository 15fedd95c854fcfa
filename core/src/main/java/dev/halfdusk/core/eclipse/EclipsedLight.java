package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sky.Shadow;

/**
 * How much darker the moon is in an eclipse than a full moon, in stops. The lit limb by what of the sun its brightest point still sees
 * past a straight edge of the earth; the shadow by Danjon's class L of its darkness, magnitude 4 − 2 L of the whole moon within one
 * magnitude, which nobody knows beforehand. To a stop on the limb, to two in totality.
 */
public final class EclipsedLight {

    /** No part of the sun at all would be endless stops. */
    private static final double LEAST = 1e-6;

    private EclipsedLight() {}

    /** Of the limb that is farthest from the axis of the shadow; 0 outside of the penumbra. */
    public static double limbStops(Shadow s) {
        double x = (s.separationDeg() + s.moonDeg() - s.umbraDeg()) / (s.penumbraDeg() - s.umbraDeg());
        return -Stops.of(Math.max(LEAST, ShadowedMoon.visible(x)));
    }

    /** Of the part in the umbra, by the class of its darkness: 0 all but black, 4 bright orange. */
    public static double shadowStops(double danjon) {
        return -Stops.of(ShadowedMoon.umbra(danjon));
    }
}
