package dev.halfdusk.core.ground;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import java.util.List;

/**
 * Something one composes with, seen from a place.
 *
 * @param bearingDeg of its middle, from north through east
 * @param distanceM along the ground
 * @param heightM of its top above its foot
 * @param widthM across
 * @param footM height of its foot above the camera, negative below
 * @param silhouette its shape against the sky
 */
public record Mark(
        String name,
        double bearingDeg,
        double distanceM,
        double heightM,
        double widthM,
        double footM,
        Silhouette silhouette) {

    public static final Range DISTANCE = new Range("distance", 1, 200_000, " m");
    public static final Range HEIGHT = new Range("height", 0.1, 9000, " m");
    public static final Range WIDTH = new Range("width", 0.1, 20_000, " m");
    public static final Range FOOT = new Range("height of its foot", -2000, 9000, " m");

    /** As a plain block. */
    public Mark(String name, double bearingDeg, double distanceM, double heightM, double widthM, double footM) {
        this(name, bearingDeg, distanceM, heightM, widthM, footM, Silhouette.BLOCK);
    }

    public Mark {
        Range.AZIMUTH.check(bearingDeg);
        DISTANCE.check(distanceM);
        HEIGHT.check(heightM);
        WIDTH.check(widthM);
        FOOT.check(footM);
    }

    /** Where its top stands. */
    public Direction top() {
        return new Direction(bearingDeg, topAltitudeDeg());
    }

    /** Altitude of the top in degrees, on a flat earth: right to 0.01° within 5 km. */
    public double topAltitudeDeg() {
        return Math.toDegrees(Math.atan2(footM + heightM, distanceM));
    }

    public double footAltitudeDeg() {
        return Math.toDegrees(Math.atan2(footM, distanceM));
    }

    /** Where the corners of its silhouette stand. */
    public List<Direction> outline() {
        return silhouette.corners().stream()
                .map(c -> new Direction(
                        Angles.turn(bearingDeg + c.across() * widthDeg()),
                        Math.toDegrees(Math.atan2(footM + c.up() * heightM, distanceM))))
                .toList();
    }

    /** How wide it looks, degrees. */
    public double widthDeg() {
        return Math.toDegrees(2 * Math.atan2(widthM / 2, distanceM));
    }
}
