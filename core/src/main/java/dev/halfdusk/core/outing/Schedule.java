package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.take.Plan;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Takes in the order of a night: each in a window of its own wish, with the work before it, the way from place to place, so many
 * pairs of hands and as many cameras as there are. The same takes always give the same night.
 *
 * <p>Those that are pinned come first, then those with the least choice; each is put as near to its best instant as what
 * stands already allows, by full minutes. Where one finds no room, those in its way are moved if they all find another place.
 * That is not the best of all orders, and good enough for a night of some dozen.
 *
 * @param slots in the order of their time
 * @param left those without a place
 */
public record Schedule(List<Slot> slots, List<Left> left) {

    /** A take that found no place, and why. */
    public record Left(Plan plan, Why why) {}

    /** Why a take found no place, in values. */
    public sealed interface Why {

        /** The night has none for its wish. */
        record NoWindow() implements Why {}

        /**
         * @param by names of those that stand in its window
         * @param several whether the way between places counts
         */
        record Taken(List<String> by, boolean several) implements Why {}

        /** Its window lies before one arrives or after one leaves. */
        record NotThere() implements Why {}
    }

    private static final Duration MINUTE = Duration.ofMinutes(1);

    /** More than these are not moved to make room for one. */
    private static final int MOST_AWAY = 3;

    /** For so many takes room is made, at so many of their openings. */
    private static final int MOST_STUCK = 6;

    private static final int MOST_TRIES = 40;

    public Schedule {
        slots = List.copyOf(slots);
        left = List.copyOf(left);
    }

    /** When the last of it closes; empty where nothing stands. */
    public Optional<Instant> ends() {
        return slots.stream().map(s -> s.runs().to()).max(Comparator.naturalOrder());
    }

    /** The takes that run or are prepared at an instant; else the next that is not over. Those that are done do not count. */
    public List<Slot> at(Instant now, Predicate<Slot> done) {
        List<Slot> open = slots.stream()
                .filter(s -> !done.test(s) && s.runs().to().isAfter(now))
                .toList();
        List<Slot> busy = open.stream().filter(s -> s.busy().contains(now)).toList();
        return busy.isEmpty() ? open.stream().limit(1).toList() : busy;
    }

    /** Openings with which a take and the one before it change places; none for the first at its stop. */
    public Map<Slot, Instant> earlier(Slot slot, WorkTimes habits) {
        int i = slots.stream().map(Slot::id).toList().indexOf(slot.id());
        if (i < 1) {
            return Map.of();
        }
        Slot before = slots.get(i - 1);
        if (before.stop() != slot.stop()) {
            return Map.of();
        }
        Instant opens = before.runs().from();
        return Map.of(slot, opens, before, opens.plus(slot.runs().length()).plus(habits.next()));
    }

    /** At one place. */
    public static Schedule arrange(List<Plan> plans, WorkTimes habits, Interval there) {
        return arrange(plans, habits, new Trip(there, List.of(Stop.HERE), Optional.empty()), there);
    }

    /**
     * @param plans of one night, each of a take of its own
     * @param open when there is still work, from arriving to leaving; work before takes may begin no earlier
     * @throws IllegalArgumentException for two plans of one take
     */
    public static Schedule arrange(List<Plan> plans, WorkTimes habits, Trip trip, Interval open) {
        if (plans.stream().map(Plan::id).distinct().count() < plans.size()) {
            throw new IllegalArgumentException("one take is planned twice");
        }
        List<Plan> order = new ArrayList<>(plans);
        order.sort(Comparator.comparing((Plan p) -> p.take().pinned().isEmpty())
                .thenComparing(Schedule::freedom)
                .thenComparing(p -> p.take().name()));
        Trial trial = new Trial(habits, trip, open);
        order.forEach(trial::place);
        trial.stuck().stream().limit(MOST_STUCK).forEach(trial::makeRoom);
        return trial.schedule();
    }

    /** Time in which it may open, beyond the one instant that it needs. */
    private static Duration freedom(Plan p) {
        return p.when().windows().stream().map(w -> w.length().minus(p.lasts())).reduce(Duration.ZERO, Duration::plus);
    }

    /** What stands so far. */
    private static final class Trial {

        private final WorkTimes habits;
        private final Trip trip;
        private final Interval there;
        private final List<Slot> slots = new ArrayList<>();
        private final List<Left> left = new ArrayList<>();
        private final Map<Id, List<Instant>> nearest = new HashMap<>();

        Trial(WorkTimes habits, Trip trip, Interval there) {
            this.habits = habits;
            this.trip = trip;
            this.there = there;
        }

        void place(Plan plan) {
            if (!plan.possible()) {
                left.add(new Left(plan, new Why.NoWindow()));
            } else if (plan.take().pinned().isPresent()) {
                slots.add(slot(plan, plan.take().pinned().get()));
            } else if (!put(plan)) {
                left.add(new Left(plan, why(plan)));
            }
        }

        /** As near to its best instant as there is room; false where there is none. */
        private boolean put(Plan plan) {
            for (Instant t : nearest(plan)) {
                Slot slot = slot(plan, t);
                if (fits(slot)) {
                    slots.add(slot);
                    return true;
                }
            }
            return false;
        }

        private List<Instant> nearest(Plan plan) {
            return nearest.computeIfAbsent(plan.id(), id -> byDistance(plan));
        }

        /** Its openings, those near to the wanted instant first. */
        private static List<Instant> byDistance(Plan plan) {
            Instant wanted =
                    plan.when().best().orElse(plan.when().windows().get(0).from());
            return openings(plan).stream()
                    .sorted(Comparator.comparing(
                                    (Instant t) -> Duration.between(wanted, t).abs())
                            .thenComparing(t -> t))
                    .toList();
        }

        List<Plan> stuck() {
            return left.stream().map(Left::plan).filter(Plan::possible).toList();
        }

        /** Puts one where others stand that can all move; nothing changes where there is no such place. */
        void makeRoom(Plan plan) {
            List<Slot> stood = List.copyOf(slots);
            List<Instant> openings = nearest(plan);
            int step = Math.max(1, openings.size() / MOST_TRIES);
            for (int i = 0; i < openings.size(); i += step) {
                Slot wanted = slot(plan, openings.get(i));
                boolean attended = wanted.attended(stood, habits.people());
                List<Slot> away = stood.stream()
                        .filter(s ->
                                wanted.sharesBody(s) || !trip.reaches(wanted, s) || !attended && wanted.sharesHands(s))
                        .toList();
                if (away.size() > MOST_AWAY || away.stream().anyMatch(Trial::pinned) || !inTime(wanted)) {
                    continue;
                }
                slots.removeAll(away);
                slots.add(wanted);
                if (away.stream().allMatch(s -> put(s.plan())) && holds()) {
                    left.removeIf(l -> l.plan().id().equals(plan.id()));
                    return;
                }
                slots.clear();
                slots.addAll(stood);
            }
        }

        private static boolean pinned(Slot s) {
            return s.plan().take().pinned().isPresent();
        }

        /** Whether all still have time for their work: one that has become the first of its camera needs more. */
        private boolean holds() {
            List<Slot> now = ordered();
            return now.stream().allMatch(s -> pinned(s) || fits(s, now));
        }

        /** By full minutes, so that it closes within its window. */
        private static List<Instant> openings(Plan plan) {
            List<Instant> all = new ArrayList<>();
            for (Interval w : plan.when().windows()) {
                Instant last = w.to().minus(plan.lasts());
                Instant first = w.from().truncatedTo(ChronoUnit.MINUTES);
                if (first.isBefore(w.from())) {
                    first = first.plus(MINUTE);
                }
                if (first.isAfter(last) && !w.from().isAfter(last)) {
                    all.add(w.from()); // shorter than a minute of choice
                }
                for (Instant t = first; !t.isAfter(last); t = t.plus(MINUTE)) {
                    all.add(t);
                }
            }
            return all;
        }

        /**
         * The first take of a rig at a stop needs more work, one whose battery must be changed some more; one that is put before another
         * leaves that with more than it needs.
         */
        private Slot slot(Plan plan, Instant opens) {
            boolean used = false;
            List<Slot> ofBody = new ArrayList<>();
            for (Slot s : slots) {
                if (!s.id().equals(plan.id())
                        && s.runs().from().isBefore(opens)
                        && s.body().id().equals(plan.take().camera().body().id())) {
                    ofBody.add(s);
                    used |= s.cameraId().equals(plan.take().camera().id())
                            && s.stop() == plan.take().stop();
                }
            }
            boolean swap = plan.battery() > 0
                    && plan.take()
                            .camera()
                            .battery()
                            .filter(Gear.Battery::outside)
                            .isEmpty()
                    && swaps(plan, ofBody);
            Duration work = used ? habits.next() : habits.first();
            return Slot.of(plan, opens, swap ? work.plus(habits.swap()) : work, swap);
        }

        /** Whether what earlier takes leave in the battery is too little for one that a full battery would see through. */
        private static boolean swaps(Plan plan, List<Slot> earlier) {
            earlier.sort(Comparator.comparing((Slot s) -> s.runs().from()));
            double used = 0;
            for (Slot s : earlier) {
                used = Batteries.after(used, s.plan().battery());
            }
            return Batteries.swaps(used, plan.battery());
        }

        private boolean fits(Slot slot) {
            return fits(slot, slots);
        }

        private boolean fits(Slot slot, List<Slot> all) {
            return inTime(slot)
                    && all.stream()
                            .noneMatch(o -> !o.id().equals(slot.id()) && (slot.sharesBody(o) || !trip.reaches(slot, o)))
                    && slot.attended(all, habits.people());
        }

        private boolean inTime(Slot slot) {
            return !slot.prepares().from().isBefore(there.from())
                    && !slot.runs().to().isAfter(there.to());
        }

        private Why why(Plan plan) {
            List<String> others = openings(plan).stream()
                    .map(t -> slot(plan, t))
                    .flatMap(
                            s -> slots.stream().filter(o -> s.sharesBody(o) || s.sharesHands(o) || !trip.reaches(s, o)))
                    .map(Slot::name)
                    .distinct()
                    .sorted()
                    .toList();
            return others.isEmpty()
                    ? new Why.NotThere()
                    : new Why.Taken(others, trip.stops().size() > 1);
        }

        Schedule schedule() {
            return new Schedule(ordered(), left);
        }

        /** With as much work before each as it needs in this order. */
        private List<Slot> ordered() {
            List<Slot> ordered = new ArrayList<>();
            for (Slot s : slots) {
                ordered.add(slot(s.plan(), s.runs().from()));
            }
            ordered.sort(Comparator.comparing((Slot s) -> s.runs().from()).thenComparing(Slot::name));
            return ordered;
        }
    }
}
