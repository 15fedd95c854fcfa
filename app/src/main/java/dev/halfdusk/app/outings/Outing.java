package dev.halfdusk.app.outings;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.Habits;
import dev.halfdusk.core.outing.Trip;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Optional;

/**
 * A night at a place, with the way there and who goes.
 *
 * @param id null until stored
 * @param tolerancePx drift that still counts as a point, for all its takes
 * @param sharp who must stay within it
 * @param people pairs of hands
 * @param driveMinutes from home
 * @param walkMinutes from the road to the spot
 * @param turnBack clock at which everyone must be on the way back
 * @param note in its owner's words
 * @param way of spending the night that was asked for last
 * @param resumed when something was last said in the field; nothing can be scheduled before
 * @param revision grows by one with each change, from 1
 */
public record Outing(
        Long id,
        String title,
        Place place,
        LocalDate night,
        double tolerancePx,
        Sharp sharp,
        int people,
        int driveMinutes,
        int walkMinutes,
        Optional<LocalTime> turnBack,
        String note,
        int way,
        Optional<Instant> resumed,
        long revision) {

    /** One that is not stored yet, by oneself and at the door. */
    public static Outing fresh(String title, Place place, LocalDate night) {
        return new Outing(
                null,
                title,
                place,
                night,
                Demand.USUAL.tolerancePx(),
                Demand.USUAL.sharp(),
                1,
                0,
                0,
                Optional.empty(),
                "",
                0,
                Optional.empty(),
                1);
    }

    public Outing withId(Long other) {
        return new Outing(
                other,
                title,
                place,
                night,
                tolerancePx,
                sharp,
                people,
                driveMinutes,
                walkMinutes,
                turnBack,
                note,
                way,
                resumed,
                revision);
    }

    public Outing withNight(LocalDate other) {
        return new Outing(
                id,
                title,
                place,
                other,
                tolerancePx,
                sharp,
                people,
                driveMinutes,
                walkMinutes,
                turnBack,
                note,
                way,
                resumed,
                revision);
    }

    public Outing titled(String other) {
        return new Outing(
                id,
                other,
                place,
                night,
                tolerancePx,
                sharp,
                people,
                driveMinutes,
                walkMinutes,
                turnBack,
                note,
                way,
                resumed,
                revision);
    }

    public Outing within(double otherPx, Sharp otherSharp) {
        return new Outing(
                id,
                title,
                place,
                night,
                otherPx,
                otherSharp,
                people,
                driveMinutes,
                walkMinutes,
                turnBack,
                note,
                way,
                resumed,
                revision);
    }

    public Outing going(int otherPeople, int drive, int walk, Optional<LocalTime> back) {
        return new Outing(
                id,
                title,
                place,
                night,
                tolerancePx,
                sharp,
                otherPeople,
                drive,
                walk,
                back,
                note,
                way,
                resumed,
                revision);
    }

    public Outing noted(String other) {
        return new Outing(
                id,
                title,
                place,
                night,
                tolerancePx,
                sharp,
                people,
                driveMinutes,
                walkMinutes,
                turnBack,
                other,
                way,
                resumed,
                revision);
    }

    Night night(Skies skies) {
        return skies.night(place, night);
    }

    Demand demand() {
        return Demand.USUAL.within(tolerancePx, sharp);
    }

    Habits habits() {
        return Habits.USUAL.with(people);
    }

    Trip trip(Night sky) {
        return Trip.of(
                sky,
                Duration.ofMinutes(driveMinutes),
                Duration.ofMinutes(walkMinutes),
                turnBack,
                place.notes().hazards());
    }

    /** When work may still be scheduled. */
    Interval open(Trip trip) {
        return resumed.map(trip::from).orElse(trip.there());
    }
}
