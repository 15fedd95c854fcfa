package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Vector;
import org.jastronomy.jsofa.JSOFA;

/**
 * How the moon is turned: directions fixed in its ground, by Cassini's laws. Its equator is inclined by 1.54242° to the ecliptic, its
 * descending node lies at the ascending node of the orbit, and it turns once while it goes round. That is the optical libration (Meeus,
 * ch. 53); the physical one, up to 0.04°, and nutation, 0.005°, are left out.
 *
 * @param prime where its zero meridian meets its equator: the middle of the disc, on the mean
 * @param east a right angle along the equator, towards the limb on the side of Mare Crisium
 * @param north its north pole
 */
public record MoonAxes(Vector prime, Vector east, Vector north) {

    private static final double INCLINATION = Math.toRadians(1.54242);
    private static final double DAYS_IN_A_CENTURY = 36_525;

    /** Longitude and latitude on the moon, degrees: longitude east positive, as seen there. */
    public record Place(double longitudeDeg, double latitudeDeg) {}

    /** In the directions of the mean ecliptic of date, whose x axis points to the equinox. */
    static MoonAxes ecliptic(double centuries) {
        double node = JSOFA.jauFaom03(centuries);
        double along = JSOFA.jauFaf03(centuries); // from the node to the mean moon
        double sin = Math.sin(INCLINATION);
        Vector ascending = new Vector(Math.cos(node), Math.sin(node), 0);
        Vector north = new Vector(-sin * Math.sin(node), sin * Math.cos(node), Math.cos(INCLINATION));
        Vector ahead = north.cross(ascending);
        Vector prime = ascending
                .times(Math.cos(along))
                .plus(ahead.times(Math.sin(along)))
                .times(-1);
        return new MoonAxes(prime, north.cross(prime), north);
    }

    /** In east, north and up of a place. */
    public static MoonAxes local(Moment moment, Observer observer) {
        MoonAxes e = ecliptic(moment.days() / DAYS_IN_A_CENTURY);
        return new MoonAxes(
                moment.localOfEcliptic(e.prime, observer),
                moment.localOfEcliptic(e.east, observer),
                moment.localOfEcliptic(e.north, observer));
    }

    /** The place whose ground faces a direction, from the moon's middle. */
    public Place facing(Vector direction) {
        Vector u = direction.unit();
        return new Place(
                Math.toDegrees(Math.atan2(u.dot(east), u.dot(prime))),
                Math.toDegrees(Math.asin(Math.max(-1, Math.min(1, u.dot(north))))));
    }

    /** The place in the middle of the disc as it is seen from a site: libration in longitude and latitude, parallax with it. */
    public static Place libration(Moment moment, Observer observer) {
        return local(moment, observer).facing(moment.local(Body.MOON, observer).times(-1));
    }
}
