package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Apparent;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import java.util.Optional;

/**
 * The cone of the moon's shadow at an instant, in the true equator of date with the middle of the earth as origin, kilometres. The earth is
 * the WGS84 ellipsoid at sea level.
 *
 * @param moon where the cone begins to be reckoned from
 * @param axis from the sun through the moon, of length one
 * @param sunKm distance of sun and moon from each other
 */
record MoonShadow(Moment moment, Vector moon, Vector axis, double sunKm) {

    static final double FLATTENING = 1 / 298.257223563;
    private static final double POLAR = 1 - FLATTENING;

    static MoonShadow at(Moment moment) {
        Vector moon = geocentric(moment, Body.MOON);
        Vector apart = moon.minus(geocentric(moment, Body.SUN));
        return new MoonShadow(moment, moon, apart.unit(), apart.length());
    }

    private static Vector geocentric(Moment moment, Body body) {
        Apparent a = moment.apparent(body);
        return Vector.towards(a.rightAscensionDeg(), a.declinationDeg()).times(a.distanceKm());
    }

    /** The point of the axis that is nearest to the middle of the earth. */
    Vector nearest() {
        return moon.minus(axis.times(moon.dot(axis)));
    }

    /** Its distance in equatorial radii, above 0 to the north. */
    double gamma() {
        Vector near = nearest();
        return Math.signum(near.z()) * near.length() / Discs.EARTH_KM;
    }

    /** How far the axis passes the ellipsoid, kilometres; below 0 where it meets it. */
    double missesKm() {
        Vector squeezedMoon = stretched(moon);
        Vector along = stretched(axis).unit();
        Vector near = squeezedMoon.minus(along.times(squeezedMoon.dot(along)));
        return near.length() - Discs.EARTH_KM;
    }

    /** With the poles pulled out, so that the ellipsoid is a sphere. */
    private static Vector stretched(Vector v) {
        return new Vector(v.x(), v.y(), v.z() / POLAR);
    }

    /** Where the axis meets the ground on the side of the moon; empty where it misses. */
    Optional<Vector> ground() {
        Vector m = stretched(moon);
        Vector a = stretched(axis);
        double aa = a.dot(a);
        double ma = m.dot(a);
        double root = ma * ma - aa * (m.dot(m) - Discs.EARTH_KM * Discs.EARTH_KM);
        return root < 0 ? Optional.empty() : Optional.of(moon.plus(axis.times((-ma - Math.sqrt(root)) / aa)));
    }

    /** As a place. */
    Optional<Site> site() {
        return ground().map(this::place);
    }

    /** The place under a point on the ground or close to it. */
    Site place(Vector p) {
        double across = Math.hypot(p.x(), p.y());
        double latitude = Math.toDegrees(Math.atan2(p.z(), across * POLAR * POLAR));
        return new Site(latitude, moment.longitudeDeg(p), 0);
    }

    /** Radius of the umbra at a point by its distance along the axis, kilometres; below 0 beyond its tip, where it is annular. */
    double umbraKm(Vector at) {
        return radius(at, Discs.INNER_KM, (Discs.SUN_KM - Discs.INNER_KM) / sunKm);
    }

    /** Radius of the penumbra likewise. */
    double penumbraKm(Vector at) {
        return radius(at, Discs.MOON_KM, -(Discs.SUN_KM + Discs.MOON_KM) / sunKm);
    }

    private double radius(Vector at, double moonKm, double narrows) {
        double along = at.minus(moon).dot(axis);
        double cos = Math.sqrt(1 - narrows * narrows);
        return moonKm / cos - along * narrows / cos;
    }
}
