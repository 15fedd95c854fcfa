package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.take.Need;
import dev.halfdusk.core.take.Plan;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
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

    /** Before work begins on a take by day. */
    private static final Duration ARRIVE_BEFORE = Duration.ofMinutes(30);

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
        Optional<Instant> back = turnBack.map(t -> Night.at(night.date(), t, night.zone()))
                .filter(t -> !t.isBefore(whole.from()) && night.span().contains(t));
        Instant last = back.filter(whole::contains).orElse(whole.to());
        return new Trip(new Interval(whole.from(), last), drive, walk, back, hazards);
    }

    /** The night with neither way nor turning back. */
    public static Trip of(Night night) {
        return of(night, Duration.ZERO, Duration.ZERO, Optional.empty(), "");
    }

    /**
     * The same for takes by day, which would begin before one arrives or end after one has left: there early or long enough for them,
     * and for nothing else where there is nothing else. Nobody turns back later for it.
     */
    public Trip reaching(List<Plan> plans, WorkTimes habits) {
        List<Interval> beyond = plans.stream()
                .filter(p -> !p.take().subject().needs().contains(Need.DARK) && p.possible() && !reached(p, habits))
                .map(p -> work(p, habits))
                .toList();
        if (beyond.isEmpty()) {
            return this;
        }
        Instant from =
                beyond.stream().map(Interval::from).min(Instant::compareTo).orElseThrow();
        Instant to = beyond.stream().map(Interval::to).max(Instant::compareTo).orElseThrow();
        if (beyond.size() < plans.size()) {
            from = from.isBefore(there.from()) ? from : there.from();
            to = to.isAfter(there.to()) ? to : there.to();
        }
        Instant last = turnBack.orElse(to);
        return new Trip(new Interval(from, last.isBefore(from) ? from : last), drive, walk, turnBack, hazards);
    }

    private boolean reached(Plan p, WorkTimes habits) {
        Instant ready = there.from().plus(habits.first());
        if (p.take().pinned().isPresent()) {
            Instant opens = p.take().pinned().get();
            return !opens.isBefore(ready) && !opens.plus(p.lasts()).isAfter(there.to());
        }
        return p.when().windows().stream().anyMatch(w -> {
            Instant opens = w.from().isAfter(ready) ? w.from() : ready;
            Instant closes = opens.plus(p.lasts());
            return !closes.isAfter(w.to()) && !closes.isAfter(there.to());
        });
    }

    /** From arriving for a take to having packed after it: where it is held, or its first window. */
    private static Interval work(Plan p, WorkTimes habits) {
        Instant opens =
                p.take().pinned().orElseGet(() -> p.when().windows().get(0).from());
        return new Interval(
                opens.minus(habits.first()).minus(ARRIVE_BEFORE),
                opens.plus(p.lasts()).plus(PACK));
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
