package dev.halfdusk.core.ground;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Vector;
import java.util.OptionalDouble;

/** Distances and bearings on a sphere of 6371.0 km; the real earth differs by up to 0.5 %. */
public final class Geodesy {

    public static final double EARTH_RADIUS_KM = 6371.0;

    private Geodesy() {}

    /** Great-circle distance in kilometres between points in degrees. */
    public static double distanceKm(double latitude1, double longitude1, double latitude2, double longitude2) {
        Vector a = Vector.towards(longitude1, latitude1);
        return EARTH_RADIUS_KM * Math.toRadians(a.angleTo(Vector.towards(longitude2, latitude2)));
    }

    /** Bearing at the first point towards the second, from north through east. */
    public static double bearingDeg(double latitude1, double longitude1, double latitude2, double longitude2) {
        double a = Math.toRadians(latitude1);
        double b = Math.toRadians(latitude2);
        double d = Math.toRadians(longitude2 - longitude1);
        double east = Math.sin(d) * Math.cos(b);
        double north = Math.cos(a) * Math.sin(b) - Math.sin(a) * Math.cos(b) * Math.cos(d);
        return Angles.turn(Math.toDegrees(Math.atan2(east, north)));
    }

    /** The point at a bearing and distance. */
    public static Coordinates destination(double latitude, double longitude, double bearingDeg, double distanceKm) {
        double a = Math.toRadians(latitude);
        double along = distanceKm / EARTH_RADIUS_KM;
        double bearing = Math.toRadians(bearingDeg);
        double sin = Math.sin(a) * Math.cos(along) + Math.cos(a) * Math.sin(along) * Math.cos(bearing);
        double east = Math.sin(bearing) * Math.sin(along) * Math.cos(a);
        double north = Math.cos(along) - Math.sin(a) * sin;
        double longitude2 = longitude + Math.toDegrees(Math.atan2(east, north));
        double latitude2 = Math.toDegrees(Math.asin(Math.max(-1, Math.min(1, sin))));
        return new Coordinates(latitude2, Angles.halfTurn(longitude2), OptionalDouble.empty());
    }
}
