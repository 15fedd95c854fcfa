package dev.halfdusk.app.log;

import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.core.measure.Interval;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * A night in the log.
 *
 * @param id null until stored
 * @param outing number of the outing that it was; empty for a night without plan
 * @param where its place, by the name that it had
 * @param sky as its ribbon showed it
 * @param moon its lit part, 0 to 1
 * @param told by whoever was there
 * @param best number of its best frame
 */
public record Entry(
        Long id,
        Optional<Long> outing,
        String title,
        Where where,
        LocalDate night,
        Ribbon sky,
        double moon,
        Told told,
        Optional<Long> best) {

    /** @param place its number; empty where it is gone */
    public record Where(Optional<Long> place, String name, ZoneId zone) {}

    /**
     * @param rating of the night, 1 to 5
     * @param good what was
     * @param better what is to be, next time
     * @param celsius of the air
     * @param cloudPercent of the sky, on the whole
     */
    public record Told(
            OptionalInt rating, String good, String better, OptionalDouble celsius, OptionalDouble cloudPercent) {

        public static final Told NOTHING =
                new Told(OptionalInt.empty(), "", "", OptionalDouble.empty(), OptionalDouble.empty());
    }

    private Instant noon() {
        return night.atTime(LocalTime.NOON).atZone(where.zone).toInstant();
    }

    /** From noon to noon: what was taken then is of this night. */
    Interval day() {
        return new Interval(noon(), noon().plus(Duration.ofDays(1)));
    }

    /** What its ribbon shows. */
    Interval span() {
        return new Interval(
                noon().plus(Duration.ofMinutes(sky.firstMinute())), noon().plus(Duration.ofMinutes(sky.lastMinute())));
    }
}
