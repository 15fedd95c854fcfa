package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.measure.Values;
import java.util.List;
import java.util.function.Function;

/**
 * To a place.
 *
 * @param driveMinutes from home, or from where one left the road for the place before
 * @param walkMinutes from the road to the spot
 */
public record Way(int driveMinutes, int walkMinutes) {

    private static final Range DRIVE = new Range("drive", 0, 1440, " min");
    private static final Range WALK = new Range("walk", 0, 600, " min");

    /** At the door. */
    public static final Way NONE = new Way(0, 0);

    /** From one place to the next. */
    public static final Shape<Way> SHAPE = new Shape<>("way", "way", fields("from the last", w -> w), Way::of);

    /** @throws dev.halfdusk.core.measure.OutOfRange beyond a day's drive or ten hours on foot */
    public Way {
        DRIVE.check(driveMinutes);
        WALK.check(walkMinutes);
    }

    /** Of whatever has a way. */
    static <T> List<Field<T>> fields(String from, Function<T, Way> way) {
        return List.of(
                Field.<T>whole(
                                "driveMinutes",
                                "Drive, min",
                                DRIVE,
                                t -> way.apply(t).driveMinutes())
                        .hinted(from)
                        .starting(0)
                        .usually(0.0),
                Field.<T>whole(
                                "walkMinutes",
                                "Walk, min",
                                WALK,
                                t -> way.apply(t).walkMinutes())
                        .hinted("to the spot")
                        .starting(0)
                        .usually(0.0));
    }

    static Way of(Values v) {
        return new Way(v.whole("driveMinutes"), v.whole("walkMinutes"));
    }
}
