package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.take.Need;
import dev.halfdusk.core.take.Plan;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The way to the place, or from one place to the next, and back. All go together and in the order of the places, so that those
 * after the first are reached in the dark; a place without takes is passed by.
 *
 * @param there from arriving to the last moment of leaving; work lies between
 * @param stops in their order, one at least
 * @param turnBack when everyone must be on the way back, where that is set
 */
public record Trip(Interval there, List<Stop> stops, Optional<Instant> turnBack) {

    /** Places of a night beside its first. */
    public static final int MOST_FURTHER = 5;

    /** Before work begins on a take by day. */
    private static final Duration ARRIVE_BEFORE = Duration.ofMinutes(30);

    /** To walk the ground by daylight, and to hold a spot. */
    private static final Duration ARRIVE_BEFORE_SUNSET = Duration.ofMinutes(60);

    private static final Duration AFTER_SUNRISE = Duration.ofMinutes(30);
    static final Duration PACK = Duration.ofMinutes(15);

    public Trip {
        if (stops.isEmpty()) {
            throw new IllegalArgumentException("no stop");
        }
        stops = List.copyOf(stops);
    }

    /** Time at a spot. */
    public record Stay(int stop, Interval when) {}

    /** From one spot to the next. */
    public record Move(int from, int to, Interval when) {}

    /**
     * From an hour before sunset until after sunrise, or until one must turn back; the whole night where the sun does neither.
     *
     * @param turnBack by the clock of the night
     */
    public static Trip of(Night night, List<Stop> stops, Optional<LocalTime> turnBack) {
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
        return new Trip(new Interval(whole.from(), last), stops, back);
    }

    /** The night with neither way nor turning back. */
    public static Trip of(Night night) {
        return of(night, List.of(Stop.HERE), Optional.empty());
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
        return new Trip(new Interval(from, last.isBefore(from) ? from : last), stops, turnBack);
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
        return stops.stream().anyMatch(s -> !s.drive().plus(s.walk()).isZero());
    }

    /** A place that a take names; the last where there are fewer. */
    public Stop stop(int number) {
        return stops.get(Math.min(number, stops.size() - 1));
    }

    /** From spot to spot, forwards: back to the road, along it and out again, with nothing between. */
    public Duration way(int from, int to) {
        return from == to
                ? Duration.ZERO
                : stop(from).walk().plus(road(from, to)).plus(stop(to).walk());
    }

    /** From packing at one to beginning work at another. */
    public Duration change(int from, int to) {
        return from == to ? Duration.ZERO : PACK.plus(way(from, to));
    }

    private Duration road(int from, int to) {
        return stops.subList(from + 1, Math.min(to, stops.size() - 1) + 1).stream()
                .map(Stop::drive)
                .reduce(Duration.ZERO, Duration::plus);
    }

    /** Whether one can be at both, the place that comes first before the other. */
    public boolean reaches(Slot a, Slot b) {
        Slot first = a.stop() <= b.stop() ? a : b;
        Slot then = first == a ? b : a;
        return first.stop() == then.stop()
                || !first.runs()
                        .to()
                        .plus(change(first.stop(), then.stop()))
                        .isAfter(then.prepares().from());
    }

    /** The first place that one goes to. */
    public int first(Schedule schedule) {
        return schedule.slots().stream().mapToInt(Slot::stop).min().orElse(0);
    }

    /** The place from which one goes home. */
    public int last(Schedule schedule) {
        return schedule.slots().stream().mapToInt(Slot::stop).max().orElse(0);
    }

    /** The ways between places, each as soon as all is packed; where takes are held that cannot be reached, as soon as one is there at all. */
    public List<Move> moves(Schedule schedule) {
        List<Integer> visited =
                schedule.slots().stream().map(Slot::stop).distinct().sorted().toList();
        List<Move> moves = new ArrayList<>();
        Instant arrived = there.from();
        for (int i = 1; i < visited.size(); i++) {
            int from = visited.get(i - 1);
            int to = visited.get(i);
            Instant packed = schedule.slots().stream()
                    .filter(s -> s.stop() == from)
                    .map(s -> s.runs().to())
                    .max(Instant::compareTo)
                    .orElseThrow()
                    .plus(PACK);
            Instant leaves = packed.isBefore(arrived) ? arrived : packed;
            arrived = leaves.plus(way(from, to));
            moves.add(new Move(from, to, new Interval(leaves, arrived)));
        }
        return moves;
    }

    /** At which places one is, and when: from arriving to leaving. */
    public List<Stay> stays(Schedule schedule) {
        List<Stay> stays = new ArrayList<>();
        int at = first(schedule);
        Instant from = there.from();
        for (Move m : moves(schedule)) {
            stays.add(new Stay(at, new Interval(from, m.when().from())));
            at = m.to();
            from = m.when().to();
        }
        Instant leaves = leaves(schedule);
        stays.add(new Stay(at, new Interval(from, leaves.isBefore(from) ? from : leaves)));
        return stays;
    }

    /** From home to a place, the road first. */
    public Duration wayTo(int stop) {
        return stops.get(0).drive().plus(road(0, stop)).plus(stop(stop).walk());
    }

    /** When one must leave home to arrive as planned. */
    public Instant leavesHome(Schedule schedule) {
        return there.from().minus(wayTo(first(schedule)));
    }

    /** The first place at which something is taken, with all the way from home. */
    public Stop fromHome(Schedule schedule) {
        int first = first(schedule);
        Stop stop = stop(first);
        return new Stop(stop.name(), wayTo(first).minus(stop.walk()), stop.walk(), stop.hazards());
    }

    /** Back home the way one came; empty where there is none. */
    public Optional<Instant> home(Schedule schedule) {
        return Optional.of(leaves(schedule).plus(wayTo(last(schedule)))).filter(t -> away());
    }

    /** When one leaves the last spot: packed after the last take, but no later than one must. */
    public Instant leaves(Schedule schedule) {
        Instant packed = schedule.ends().map(t -> t.plus(PACK)).orElse(there.to());
        return packed.isBefore(there.to()) ? packed : there.to();
    }
}
