package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Circles;
import dev.halfdusk.core.measure.Vector;

/**
 * The earth's shadow at the moon's distance, seen from the middle of the earth. Danjon's enlargement: umbra 1.01 π☾ + π☉ − s☉,
 * penumbra 1.01 π☾ + π☉ + s☉, with the equatorial radius of the earth and a sun of 696 000 km. All in degrees.
 *
 * @param separationDeg of the moon's centre from the axis of the shadow
 * @param moonDeg radius of the moon
 */
public record Shadow(double separationDeg, double umbraDeg, double penumbraDeg, double moonDeg) {

    /** Equatorial radius of the earth. */
    public static final double EARTH_KM = 6378.137;

    private static final double ENLARGED = 1.01;

    public static Shadow at(Moment moment) {
        Apparent moon = moment.apparent(Body.MOON);
        Apparent sun = moment.apparent(Body.SUN);
        double moonParallax = degrees(EARTH_KM / moon.distanceKm());
        double sunParallax = degrees(EARTH_KM / sun.distanceKm());
        double sunRadius = degrees(Body.SUN.radiusKm() / sun.distanceKm());
        double middle = ENLARGED * moonParallax + sunParallax;
        return new Shadow(
                direction(moon).angleTo(direction(sun).times(-1)),
                middle - sunRadius,
                middle + sunRadius,
                degrees(Body.MOON.radiusKm() / moon.distanceKm()));
    }

    private static Vector direction(Apparent a) {
        return Vector.towards(a.rightAscensionDeg(), a.declinationDeg());
    }

    /** Where the moon's centre stands against the axis, degrees to the east and to the north on the sky. */
    public record Offset(double eastDeg, double northDeg) {

        public static Offset at(Moment moment) {
            Vector axis = direction(moment.apparent(Body.SUN)).times(-1);
            Vector off = direction(moment.apparent(Body.MOON)).minus(axis);
            Vector east = new Vector(0, 0, 1).cross(axis).unit();
            return new Offset(Math.toDegrees(off.dot(east)), Math.toDegrees(off.dot(axis.cross(east))));
        }
    }

    /**
     * The same shadow where it lies seen from a place: its axis begins in the middle of the earth.
     *
     * @param centre of the earth from the place, east, north and up, km
     * @param axis of the shadow, east, north and up
     */
    public record Cone(Shadow shadow, Vector centre, Vector axis) {

        public static Cone at(Moment moment, Observer observer) {
            Vector axis =
                    moment.localOfDate(direction(moment.apparent(Body.SUN)).times(-1), observer);
            return new Cone(Shadow.at(moment), observer.centre(), axis);
        }

        /** How far something is from the axis, seen from the middle of the earth, degrees. */
        public double separationDeg(Vector fromPlaceKm) {
            return fromPlaceKm.minus(centre).angleTo(axis);
        }
    }

    /** Whether some of the moon is in the penumbra. */
    public boolean falls() {
        return separationDeg < penumbraDeg + moonDeg;
    }

    private static double degrees(double sine) {
        return Math.toDegrees(Angles.arcSine(sine));
    }

    /** Part of the moon's diameter that is in the umbra; below 0 outside of it, above 1 where it is deeper in than its own width. */
    public double umbralMagnitude() {
        return (umbraDeg + moonDeg - separationDeg) / (2 * moonDeg);
    }

    public double penumbralMagnitude() {
        return (penumbraDeg + moonDeg - separationDeg) / (2 * moonDeg);
    }

    /** Part of the moon's disc that the umbra covers, 0 to 1: the lens that two circles share. */
    public double covered() {
        return Circles.shared(moonDeg, umbraDeg, separationDeg) / (Math.PI * moonDeg * moonDeg);
    }
}
