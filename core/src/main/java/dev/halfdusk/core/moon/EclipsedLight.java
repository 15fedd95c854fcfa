package dev.halfdusk.core.moon;

import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sky.Shadow;

/**
 * How much darker the moon is in an eclipse than a full moon, in stops. The lit limb by what of the sun its brightest point still sees
 * past a straight edge of the earth; the shadow by Danjon's class of its darkness. To a stop on the limb, to two in totality.
 */
public final class EclipsedLight {

    /** No part of the sun at all would be endless stops. */
    private static final double LEAST = 1e-6;

    /** At which it is looked along the line through the axis. */
    private static final int PLACES = 12;

    private EclipsedLight() {}

    /** Coverage from which one exposes for the shadow: three quarters to four fifths is where people change over. */
    public static final double USUAL_SWITCH = 0.78;

    /** What is exposed for: the lit limb until so much of the disc is covered, then the shadow. 0 outside of an eclipse. */
    public static double stops(ShadowedMoon moon, double switchAt) {
        if (!moon.shadow().falls()) {
            return 0;
        }
        double darkest = shadowStops(moon);
        return moon.shadow().covered() >= switchAt ? darkest : Math.min(darkest, limbStops(moon.shadow()));
    }

    /** Of the limb that is farthest from the axis of the shadow; 0 outside of the penumbra. */
    public static double limbStops(Shadow s) {
        double x = (s.separationDeg() + s.moonDeg() - s.umbraDeg()) / (s.penumbraDeg() - s.umbraDeg());
        return -Stops.of(Math.max(LEAST, ShadowedMoon.visible(x)));
    }

    /** Of the middle of what lies in the umbra, which is darker the deeper it lies. */
    public static double shadowStops(ShadowedMoon moon) {
        Shadow s = moon.shadow();
        double from = s.separationDeg() - s.moonDeg();
        double to = Math.min(s.umbraDeg(), s.separationDeg() + s.moonDeg());
        double sum = 0;
        for (int i = 0; i < PLACES; i++) {
            sum += moon.bent(Math.abs(from + (to - from) * (i + 0.5) / PLACES));
        }
        return -Stops.of(sum / PLACES);
    }
}
