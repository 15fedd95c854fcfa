package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;

/**
 * Topocentric apparent place against the horizon.
 *
 * @param altitudeDeg of the centre, airless: without refraction
 * @param azimuthDeg from north through east, 0 to 360
 * @param distanceKm from the observer; infinite for stars
 * @param semidiameterDeg 0 for points
 */
public record Horizontal(double altitudeDeg, double azimuthDeg, double distanceKm, double semidiameterDeg) {

    /** Airless. */
    public Direction direction() {
        return new Direction(azimuthDeg, altitudeDeg);
    }

    /**
     * Whether some of it is seen, as in rise and set: its upper limb, lifted by the air, over the level horizon and over what hides the
     * sky there.
     *
     * @param hiddenDeg altitude below which the ground hides the sky in its direction
     */
    public boolean up(double hiddenDeg) {
        double limb = altitudeDeg + semidiameterDeg;
        return limb > Facts.HORIZON_DEG && (hiddenDeg <= 0 || Refraction.STANDARD.lifted(limb) > hiddenDeg);
    }

    /** "35\u00b0 high", airless as all places are; "on the horizon" within a degree of it, as what rises or sets is. */
    public String high() {
        return Math.abs(altitudeDeg) < 1
                ? "on the horizon"
                : altitudeDeg < 0 ? "below the horizon" : Numbers.text("%.0f\u00b0 high", altitudeDeg);
    }

    /** Altitude as seen through average air. */
    public double refractedAltitudeDeg() {
        return Refraction.STANDARD.lifted(altitudeDeg);
    }
}
