package dev.halfdusk.core.glow;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.sky.Shadow;

/**
 * How much of its usual light a piece of the moon sends in an eclipse, 1 outside of the shadow. In the penumbra it is what of the sun
 * still shows past a straight edge of the earth; in the umbra what the earth's air bends inwards, by Danjon's class L of its darkness:
 * the whole moon in the middle of totality is of magnitude 4 − 2 L within one magnitude, which nobody knows beforehand. That the
 * umbra is brighter towards its edge is so in kind; the amount is a guess: three stops from the middle to the edge.
 *
 * @param danjon class of darkness, 0 all but black to 4 bright orange
 */
public record ShadowedMoon(Shadow shadow, double danjon) {

    public static final Range DANJON = new Range("darkness of totality", 0, 4, "");

    /** Copper red, the middle of what happens. */
    public static final double USUAL_DANJON = 2;

    /** Stops from the middle of the umbra to its edge; half a radius out it is as bright as its class says. */
    private static final double EDGE_STOPS = 3;

    private static final int RINGS = 24;

    public ShadowedMoon {
        DANJON.check(danjon);
    }

    /** Part of the sun's disc that shows over a straight edge, from 0 at the umbra to 1 at the end of the penumbra. */
    public static double visible(double x) {
        if (x <= 0) {
            return 0;
        }
        if (x >= 1) {
            return 1;
        }
        double h = 1 - 2 * x;
        return (Math.acos(h) - h * Math.sqrt(1 - h * h)) / Math.PI;
    }

    /** What the sun itself sends to a piece that is so far from the axis, past the edge of the earth. */
    public double direct(double separationDeg) {
        return visible((separationDeg - shadow.umbraDeg()) / (shadow.penumbraDeg() - shadow.umbraDeg()));
    }

    /** What the air of the earth sends there. */
    public double bent(double separationDeg) {
        double out = Math.min(1, separationDeg / shadow.umbraDeg());
        return umbra(danjon) * Math.pow(2, EDGE_STOPS * (out - 0.5));
    }

    /** Of the umbra as a whole. */
    public static double umbra(double danjon) {
        return Math.pow(10, -0.4 * (4 - 2 * DANJON.check(danjon) - Moonlight.FULL_MAGNITUDE));
    }

    /** Of a piece that is so far from the axis. */
    public double at(double separationDeg) {
        return Math.min(1, direct(separationDeg) + bent(separationDeg));
    }

    /** Of the whole disc. */
    public double whole() {
        if (!shadow.falls()) {
            return 1;
        }
        double sum = 0;
        double r = shadow.moonDeg();
        for (int i = 0; i < RINGS; i++) { // chords across the way to the axis
            double x = r * (2 * (i + 0.5) / RINGS - 1);
            double half = Math.sqrt(r * r - x * x);
            for (int j = 0; j < RINGS; j++) {
                double y = half * (2 * (j + 0.5) / RINGS - 1);
                sum += at(Math.hypot(shadow.separationDeg() + x, y)) * 2 * half / RINGS;
            }
        }
        return sum * 2 * r / RINGS / (Math.PI * r * r);
    }
}
