package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.sky.HorizonEvent;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.Optional;

/**
 * The way to the place and back.
 *
 * @param there from arriving to the last moment of leaving; work lies between
 * @param drive from home to where one leaves the road
 * @param walk from there to the spot
 * @param turnBack when everyone must be on the way back, where that is set
 * @param hazards of the ground, in words; may be empty
 */
public record Trip(Interval there, Duration drive, Duration walk, Optional<Instant> turnBack, String hazards) {

    public static final Range DRIVE = new Range("drive", 0, 1440, " min");
    public static final Range WALK = new Range("walk", 0, 600, " min");

    /** To walk the ground by daylight, and to hold a spot. */
    private static final Duration ARRIVE_BEFORE_SUNSET = Duration.ofMinutes(60);

    private static final Duration AFTER_SUNRISE = Duration.ofMinutes(30);
    static final Duration PACK = Duration.ofMinutes(15);

    /**
     * From an hour before sunset until after sunrise, or until one must turn back; the whole night where the sun does neither.
     *
     * @param turnBack by the clock of the night
     */
    public static Trip of(Night night, Duration drive, Duration walk, Optional<LocalTime> turnBack, String hazards) {
        Instant from = night.set(HorizonEvent.Kind.SUN)
                .map(t -> t.minus(ARRIVE_BEFORE_SUNSET))
                .orElse(night.span().from());
        Instant to = night.rise(HorizonEvent.Kind.SUN)
                .map(t -> t.plus(AFTER_SUNRISE))
                .orElse(night.span().to());
        Interval whole = from.isBefore(to) ? new Interval(from, to) : night.span();
        Optional<Instant> back =
                turnBack.map(t -> Night.at(night.date(), t, night.zone())).filter(whole::contains);
        return new Trip(new Interval(whole.from(), back.orElse(whole.to())), drive, walk, back, hazards);
    }

    /** The night with neither way nor turning back. */
    public static Trip of(Night night) {
        return of(night, Duration.ZERO, Duration.ZERO, Optional.empty(), "");
    }

    /** What is left of it from an instant on. */
    public Interval from(Instant now) {
        Instant from = now.isAfter(there.from()) ? now : there.from();
        return new Interval(from, from.isAfter(there.to()) ? from : there.to());
    }

    /** Whether there is a way to go. */
    public boolean away() {
        return !drive.plus(walk).isZero();
    }

    /** "40 min on the road, 15 min on foot". */
    public String way() {
        return drive.toMinutes() + " min on the road, " + walk.toMinutes() + " min on foot";
    }

    /** When one must leave home to arrive as planned. */
    public Instant leavesHome() {
        return there.from().minus(drive).minus(walk);
    }

    /** When one leaves the spot: packed after the last take, but no later than one must. */
    public Instant leaves(Schedule schedule) {
        Instant packed = schedule.ends().map(t -> t.plus(PACK)).orElse(there.to());
        return packed.isBefore(there.to()) ? packed : there.to();
    }
}
