package dev.halfdusk.core.ground;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

/**
 * What hides the low sky at a place: the altitude of ridges, trees and walls by azimuth, straight between the points and
 * around the north.
 */
public final class Skyline {

    /** Nothing in the way. */
    public static final Skyline FLAT = new Skyline(List.of());

    private final List<Point> points;
    private final NavigableMap<Double, Double> byAzimuth = new TreeMap<>();

    private Skyline(List<Point> points) {
        for (Point p : points) {
            if (byAzimuth.put(Angles.turn(p.azimuthDeg), p.altitudeDeg) != null) {
                throw new IllegalArgumentException(
                        "the skyline has two altitudes at azimuth " + p.azimuthDeg + "\u00b0");
            }
        }
        this.points = List.copyOf(points);
    }

    /** One corner of the skyline. */
    public record Point(double azimuthDeg, double altitudeDeg) {

        public Point {
            Range.AZIMUTH.check(azimuthDeg);
            Range.ALTITUDE.check(altitudeDeg);
        }
    }

    /** @throws IllegalArgumentException where two points share an azimuth */
    public static Skyline of(List<Point> points) {
        return points.isEmpty() ? FLAT : new Skyline(points);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Skyline s && s.points.equals(points);
    }

    @Override
    public int hashCode() {
        return points.hashCode();
    }

    public List<Point> points() {
        return points;
    }

    /** Whether the sky is open in an airless direction: above the skyline and the level horizon. */
    public boolean shows(Direction direction) {
        return direction.altitudeDeg() > Math.max(0, altitudeAt(direction.azimuthDeg()));
    }

    /** Altitude in degrees that hides the sky in a direction; 0 on a flat skyline. */
    public double altitudeAt(double azimuthDeg) {
        if (byAzimuth.isEmpty()) {
            return 0;
        }
        double azimuth = Angles.turn(azimuthDeg);
        Map.Entry<Double, Double> before = byAzimuth.floorEntry(azimuth);
        Map.Entry<Double, Double> after = byAzimuth.ceilingEntry(azimuth);
        double left = before == null ? byAzimuth.lastKey() - 360 : before.getKey();
        double right = after == null ? byAzimuth.firstKey() + 360 : after.getKey();
        double leftAltitude = before == null ? byAzimuth.lastEntry().getValue() : before.getValue();
        double rightAltitude = after == null ? byAzimuth.firstEntry().getValue() : after.getValue();
        if (right == left) {
            return leftAltitude;
        }
        return leftAltitude + (rightAltitude - leftAltitude) * (azimuth - left) / (right - left);
    }
}
