package dev.halfdusk.core.measure;

/** Three right-handed rectangular components; unit and frame are those of whoever made it. */
public record Vector(double x, double y, double z) {

    /** The unit vector towards a longitude-like and a latitude-like angle in degrees (RA and declination, for example). */
    public static Vector towards(double longitudeDeg, double latitudeDeg) {
        double lon = Math.toRadians(longitudeDeg);
        double lat = Math.toRadians(latitudeDeg);
        return new Vector(Math.cos(lat) * Math.cos(lon), Math.cos(lat) * Math.sin(lon), Math.sin(lat));
    }

    public Vector plus(Vector o) {
        return new Vector(x + o.x, y + o.y, z + o.z);
    }

    public Vector minus(Vector o) {
        return new Vector(x - o.x, y - o.y, z - o.z);
    }

    public Vector times(double factor) {
        return new Vector(x * factor, y * factor, z * factor);
    }

    public double dot(Vector o) {
        return x * o.x + y * o.y + z * o.z;
    }

    public Vector cross(Vector o) {
        return new Vector(y * o.z - z * o.y, z * o.x - x * o.z, x * o.y - y * o.x);
    }

    public double length() {
        return Math.sqrt(x * x + y * y + z * z);
    }

    public Vector unit() {
        return times(1 / length());
    }

    /** Turned about a unit axis by an angle in radians, counter-clockwise seen from the axis' tip (Rodrigues). */
    public Vector turnedAbout(Vector axis, double radians) {
        double cos = Math.cos(radians);
        double sin = Math.sin(radians);
        return times(cos).plus(axis.cross(this).times(sin)).plus(axis.times(axis.dot(this) * (1 - cos)));
    }

    /** Angle to another vector in degrees, 0 to 180, exact also for tiny and for opposite angles. */
    public double angleTo(Vector o) {
        return Math.toDegrees(Angles.arcTangent(cross(o).length(), dot(o)));
    }

    /** Longitude-like angle in degrees, 0 to 360. */
    public double longitudeDeg() {
        return Angles.turn(Math.toDegrees(Angles.arcTangent(y, x)));
    }

    /** Latitude-like angle in degrees, −90 to 90. */
    public double latitudeDeg() {
        return Math.toDegrees(Angles.arcTangent(z, Math.sqrt(x * x + y * y)));
    }
}
