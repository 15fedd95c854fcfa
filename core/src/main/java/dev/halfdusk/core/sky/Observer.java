package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Vector;

/** A site with what every look from it needs again: its place, its motion and its compass, fixed to the earth. */
public final class Observer {

    /** Rotation of the earth against the stars, radians per day (IERS). */
    private static final double EARTH_RATE = 2 * Math.PI * Sidereal.TURNS_PER_DAY;

    private final Site site;
    private final Vector position;
    private final Vector velocity;
    private final Vector up;
    private final Vector east;
    private final Vector north;

    private Observer(Site site) {
        this.site = site;
        position = site.earthFixed();
        velocity = new Vector(-EARTH_RATE * position.y(), EARTH_RATE * position.x(), 0);
        up = Vector.towards(site.longitudeDeg(), site.latitudeDeg());
        double lon = Math.toRadians(site.longitudeDeg());
        east = new Vector(-Math.sin(lon), Math.cos(lon), 0);
        north = up.cross(east);
    }

    public static Observer at(Site site) {
        return new Observer(site);
    }

    public Site site() {
        return site;
    }

    /** Observers of one site are alike. */
    @Override
    public boolean equals(Object other) {
        return other instanceof Observer o && o.site.equals(site);
    }

    @Override
    public int hashCode() {
        return site.hashCode();
    }

    /** The middle of the earth: east, north and up from here, kilometres. */
    public Vector centre() {
        return local(position).times(-1);
    }

    /** Kilometres. */
    Vector position() {
        return position;
    }

    /** Kilometres per day. */
    Vector velocity() {
        return velocity;
    }

    /** East, north and up components of an earth-fixed direction. */
    Vector local(Vector earthFixed) {
        return new Vector(earthFixed.dot(east), earthFixed.dot(north), earthFixed.dot(up));
    }

    /** Earth-fixed direction of east, north and up components. */
    Vector earthFixed(Vector local) {
        return east.times(local.x()).plus(north.times(local.y())).plus(up.times(local.z()));
    }
}
