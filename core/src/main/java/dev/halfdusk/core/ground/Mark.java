package dev.halfdusk.core.ground;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
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

    public static final Shape<Mark> SHAPE = new Shape<>(
            "mark",
            "mark",
            List.of(
                    Field.<Mark>name("Something to compose with", Mark::name).hinted("a tree, an arch, a tower"),
                    Field.number("bearing", "Bearing", Range.AZIMUTH, Mark::bearingDeg),
                    Field.number("distance", "Distance, m", DISTANCE, Mark::distanceM),
                    Field.number("height", "Height, m", HEIGHT, Mark::heightM),
                    Field.number("width", "Width, m", WIDTH, Mark::widthM),
                    Field.<Mark>number("foot", "Foot above the camera, m", FOOT, Mark::footM)
                            .hinted("negative below; empty: level")
                            .usually(0.0),
                    Field.<Mark, Silhouette>choice(
                                    "silhouette", "Shape", Silhouette.class, Silhouette::words, Mark::silhouette)
                            .usually(Silhouette.BLOCK.name())),
            v -> new Mark(
                    v.text("name"),
                    v.number("bearing"),
                    v.number("distance"),
                    v.number("height"),
                    v.number("width"),
                    v.number("foot"),
                    v.choice("silhouette", Silhouette.class)));

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
