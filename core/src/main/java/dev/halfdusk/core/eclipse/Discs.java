package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Circles;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Shadow;

/**
 * Sun and moon as they are seen from a place, airless, degrees. Smooth limbs: sun 696 000 km, moon 0.2725076 earth radii of 6378.137 km for
 * the outer contacts and 0.272281, nearer the valleys of its limb, for the inner ones. Real valleys shift totality by up to some seconds.
 *
 * @param separationDeg of their centres
 * @param sunDeg radius of the sun
 * @param moonDeg radius of the moon for the outer contacts
 * @param innerDeg radius of the moon for the inner ones
 */
public record Discs(double separationDeg, double sunDeg, double moonDeg, double innerDeg) {

    static final double EARTH_KM = Shadow.EARTH_KM;
    static final double SUN_KM = Body.SUN.radiusKm();
    static final double MOON_KM = 0.2725076 * EARTH_KM;

    /** Radius of the moon that the inner contacts are reckoned by, km. */
    public static final double INNER_KM = 0.272281 * EARTH_KM;

    public static Discs at(Moment moment, Observer observer) {
        Vector sun = moment.local(Body.SUN, observer);
        Vector moon = moment.local(Body.MOON, observer);
        return new Discs(
                sun.angleTo(moon),
                degrees(SUN_KM / sun.length()),
                degrees(MOON_KM / moon.length()),
                degrees(INNER_KM / moon.length()));
    }

    private static double degrees(double sine) {
        return Math.toDegrees(Angles.arcSine(sine));
    }

    /** Zero at the first and last contact, below while the moon is before the sun. */
    public double apartDeg() {
        return separationDeg - sunDeg - moonDeg;
    }

    /** Zero at the second and third contact, below while one disc lies within the other. */
    public double insideDeg() {
        return separationDeg - Math.abs(innerDeg - sunDeg);
    }

    /** Part of the sun's diameter that is covered; 0 outside of an eclipse, above 1 in totality. */
    public double magnitude() {
        return Math.max(0, (sunDeg + moonDeg - separationDeg) / (2 * sunDeg));
    }

    /** Part of the sun's area that is covered; of a moon that covers all of it the ratio of their areas. */
    public double obscuration() {
        if (separationDeg <= Math.abs(sunDeg - moonDeg)) {
            return moonDeg * moonDeg / (sunDeg * sunDeg);
        }
        return Circles.covered(sunDeg, moonDeg, separationDeg);
    }
}
