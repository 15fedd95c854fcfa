package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import java.util.Locale;

/** The plane of the Milky Way: galactic coordinates, and how its arch stands against the horizon. */
public final class Galaxy {

    /** North galactic pole and ascending node of the galactic plane on the equator, ICRS. */
    private static final Vector POLE = Vector.towards(192.8595, 27.1283);

    private static final double NODE_LONGITUDE_DEG = 32.9319;
    private static final Vector NODE = new Vector(0, 0, 1).cross(POLE).unit();
    private static final Vector CENTRE = axis(0);

    private Galaxy() {}

    /** ICRS unit vector of a galactic longitude on the plane. */
    private static Vector axis(double longitudeDeg) {
        double fromNode = Math.toRadians(longitudeDeg - NODE_LONGITUDE_DEG);
        return NODE.times(Math.cos(fromNode)).plus(POLE.cross(NODE).times(Math.sin(fromNode)));
    }

    /** ICRS unit vector of galactic coordinates in degrees. */
    public static Vector icrs(double longitudeDeg, double latitudeDeg) {
        double b = Math.toRadians(latitudeDeg);
        return axis(longitudeDeg).times(Math.cos(b)).plus(POLE.times(Math.sin(b)));
    }

    /** The direction of galactic coordinates in degrees, as something in the sky. */
    public static FixedPoint point(double longitudeDeg, double latitudeDeg) {
        return fixed(icrs(longitudeDeg, latitudeDeg));
    }

    /** Galactic longitude (0 to 360) of an ICRS direction. */
    public static double longitudeDeg(Vector icrs) {
        return Angles.turn(Math.toDegrees(Angles.arcTangent(icrs.dot(POLE.cross(CENTRE)), icrs.dot(CENTRE))));
    }

    /** Galactic latitude (−90 to 90) of an ICRS direction. */
    public static double latitudeDeg(Vector icrs) {
        return Math.toDegrees(Math.asin(Math.max(-1, Math.min(1, icrs.dot(POLE)))));
    }

    /** How the band leans where the core is. */
    public enum Stance {
        LYING("lying along the horizon"),
        LEANING("leaning"),
        STANDING("standing upright");

        private final String words;

        Stance(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Stable name for interfaces. */
        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * The Milky Way against the horizon at one moment and place.
     *
     * @param tiltDeg angle at the core between the band and the horizontal, 0 lying to 90 standing
     * @param risesToLeft whether the band climbs to the left of the core
     * @param leftFootDeg azimuth where the arch meets the horizon on its left, seen facing its top
     * @param rightFootDeg azimuth where it meets the horizon on its right
     * @param topAltitudeDeg altitude of the highest point of the galactic plane
     * @param topAzimuthDeg azimuth of that point
     */
    public record Arch(
            double tiltDeg,
            boolean risesToLeft,
            double leftFootDeg,
            double rightFootDeg,
            double topAltitudeDeg,
            double topAzimuthDeg) {

        /** Under 30° lying, from 60° standing. */
        public Stance stance() {
            if (tiltDeg < 30) {
                return Stance.LYING;
            }
            return tiltDeg < 60 ? Stance.LEANING : Stance.STANDING;
        }
    }

    /** The arch without refraction; aberration of 20″ is left in, which no frame shows. */
    public static Arch arch(Moment moment, Observer observer) {
        Vector pole = moment.local(point(0, 90), observer);
        if (pole.z() < 0) {
            pole = pole.times(-1); // the plane has two poles; the upper one stands opposite the top of the arch
        }
        Vector core = moment.local(point(0, 0), observer);
        Vector along = moment.local(point(1, 0), observer).minus(core);
        Vector up = new Vector(0, 0, 1);
        Vector vertical = up.minus(core.times(core.z()));
        Vector horizontal = core.cross(up); // to the right of someone who faces the core
        double climb = along.dot(vertical.unit());
        double right = along.dot(horizontal.unit());
        double tilt = Math.toDegrees(Angles.arcTangent(Math.abs(climb), Math.abs(right)));
        double topAzimuth = Angles.turn(Direction.azimuthDeg(pole) + 180);
        return new Arch(
                tilt,
                climb * right < 0,
                Angles.turn(topAzimuth - 90),
                Angles.turn(topAzimuth + 90),
                90 - pole.latitudeDeg(),
                topAzimuth);
    }

    private static FixedPoint fixed(Vector icrs) {
        return new FixedPoint(icrs.longitudeDeg(), icrs.latitudeDeg());
    }
}
