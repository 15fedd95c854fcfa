package dev.halfdusk.core.moon;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sky.Shadow;

/**
 * The dark part of a crescent, lit by the earth. A full earth sends the moon 1.18e−4 of what the sun does (geometric albedo 0.43, radius
 * 6378 km at 384 400 km); its phase is the rest of the moon's and fades by Lambert's law. Clouds change it by a third of a stop.
 *
 * @param moon whose dark part it is
 */
public record Earthshine(MoonLight moon) {

    /** A phase angle below this leaves so little dark, beside so much light, that nobody sees it. */
    public static final Range SEEN = new Range("phase angle of a crescent", 110, 180, "\u00b0");

    private static final double FULL_EARTH = 0.43 * Math.pow(Shadow.EARTH_KM / 384_400, 2);

    public boolean seen() {
        return SEEN.holds(moon.phaseAngleDeg());
    }

    /** What a meter would say of it through the air. EV100. */
    public double ev100() {
        double full = new MoonLight(0, moon.altitudeDeg(), moon.extinction()).meteredEv100();
        return full + Stops.of(FULL_EARTH * earthPhase());
    }

    /** Part of a full earth's light, 0 to 1. */
    double earthPhase() {
        double a = Math.toRadians(180 - moon.phaseAngleDeg());
        return (Math.sin(a) + (Math.PI - a) * Math.cos(a)) / Math.PI;
    }

    /** Stops between the frame of the lit crescent and that of the dark part: what a blend has to bridge. */
    public double apartStops() {
        return moon.proposedEv100() - ev100();
    }
}
