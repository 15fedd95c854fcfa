package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Star;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * What to do when, for one night of takes: the sky's times and the work, in order. It begins at home and ends there, and each
 * line can be done by one person who reads it at that minute.
 */
public final class RunSheet {

    /** More steps than this that follow each other within the next are one line. */
    private static final int LONG_RUN = 8;

    private static final double BREATH_SECONDS = 5;

    /** Heights between which one looks at a star through a camera without lying down. */
    private static final double LOWEST_STAR = 20;

    private static final double HIGHEST_STAR = 65;

    /** Height of the sun below which the first stars show. */
    private static final double STARS_FROM = -7;

    /** A lens goes out of focus by a colder tube and front. */
    private static final double REFOCUS_K = 4;

    private static final Duration LOOK = Duration.ofMinutes(10);

    /** At arriving, what the ground has; after this, what one does there. */
    private static final Duration MOMENT = Duration.ofMinutes(1);

    private final Circumstances c;
    private final Schedule schedule;
    private final Trip trip;
    private final WorkTimes habits;
    private final List<Line> lines = new ArrayList<>();

    private RunSheet(Circumstances c, Schedule schedule, Trip trip, WorkTimes habits) {
        this.c = c;
        this.schedule = schedule;
        this.trip = trip;
        this.habits = habits;
    }

    /**
     * A line.
     *
     * @param take to which it belongs; empty for none
     * @param exact whether it counts by the second
     */
    public record Line(Instant when, Task task, String take, boolean exact) {}

    public static List<Line> of(Circumstances c, Schedule schedule, Trip trip, WorkTimes habits) {
        RunSheet sheet = new RunSheet(c, schedule, trip, habits);
        sheet.sky();
        sheet.wayThere();
        sheet.ways();
        Set<List<Object>> known = new HashSet<>();
        for (Slot slot : schedule.slots()) {
            sheet.prepare(slot, known.add(List.of(slot.cameraId(), slot.stop())));
            sheet.run(slot);
        }
        sheet.wayBack();
        sheet.lines.sort(Comparator.comparing(Line::when)); // stable: work stays in the order in which it was added
        return List.copyOf(sheet.lines);
    }

    private void sky() {
        for (HorizonEvent event : c.night().events()) {
            add(event.when(), new Task.Sky(event), "");
        }
    }

    private void add(Instant when, Task task, String take) {
        lines.add(new Line(when, task, take, false));
    }

    private void add(Instant when, Task task, Slot of) {
        add(when, task, of.name());
    }

    private void wayThere() {
        if (trip.away()) {
            add(trip.leavesHome(schedule), new Task.LeaveHome(trip.fromHome(schedule)), "");
        }
        Stop first = trip.stop(trip.first(schedule));
        add(trip.there().from(), new Task.Arrive(first, several(), trip.turnBack()), "");
        if (!first.hazards().isEmpty()) {
            add(trip.there().from().plus(MOMENT), new Task.SeeByDaylight(first), "");
        }
    }

    private boolean several() {
        return trip.stops().size() > 1;
    }

    /** From place to place, on ground that one has not seen by daylight. */
    private void ways() {
        for (Trip.Move m : trip.moves(schedule)) {
            Stop from = trip.stop(m.from());
            Stop to = trip.stop(m.to());
            Duration road = m.when().length().minus(from.walk()).minus(to.walk());
            add(m.when().from(), new Task.GoOn(from, to, road), "");
            add(m.when().to(), new Task.ArriveInTheDark(to), "");
        }
    }

    private void prepare(Slot slot, boolean first) {
        Instant begins = slot.prepares().from();
        if (slot.swap()) {
            add(begins, new Task.ChangeBattery(slot), slot);
        }
        add(begins, first ? new Task.SetUp(slot, aid(slot, begins)) : new Task.AimAnew(slot), slot);
        if (!slot.plan().take().camera().rig().lens().electronic()) {
            add(begins, new Task.TurnRing(slot), slot);
        }
        Instant looks = slot.runs().from().minus(habits.test());
        if (!slot.prepares().length().isZero()) {
            slot.answer()
                    .test()
                    .ifPresent(
                            test -> add(looks.isBefore(begins) ? begins : looks, new Task.Compose(slot, test), slot));
        }
    }

    private void run(Slot slot) {
        List<Program.Step> steps = slot.program().steps();
        for (int i = 0; i < steps.size(); i++) {
            Program.Step step = steps.get(i);
            int last = fast(steps, i);
            if (last > i) {
                add(step.begins(), new Task.Script(slot, steps.subList(i, last + 1)), slot);
                i = last;
                continue;
            }
            add(step.begins(), new Task.Shoot(slot, step), slot);
            turns(slot, step);
            if (!step.dark()) {
                swaps(slot, step);
            }
        }
        if (slot.plan().hands()) {
            add(slot.runs().from(), new Task.Stay(slot), slot);
        }
        chores(slot);
        refocus(slot);
    }

    private Instant arrives(int stop) {
        return trip.stays(schedule).stream()
                .filter(s -> s.stop() == stop)
                .map(s -> s.when().from())
                .findFirst()
                .orElseThrow();
    }

    /** What hands do for a take; nothing before one is there. */
    private void chores(Slot slot) {
        Instant there = arrives(slot.stop()).plus(MOMENT);
        for (Plan.Chore chore : slot.plan().chores()) {
            Instant at = slot.runs().from().plus(chore.after());
            if (chore.exact()) {
                Instant counted = slot.program().span().from().plus(chore.after()); // a script keeps its times
                lines.add(new Line(counted, new Task.Chore(slot, chore), slot.name(), true));
                continue;
            }
            add(at.isBefore(there) ? there : at, new Task.Chore(slot, chore), slot);
        }
    }

    /** The last of the steps that follow one without a breath, where they are so many that nobody does them by hand; else itself. */
    public static int fast(List<Program.Step> steps, int first) {
        int last = run(steps, first);
        return last - first >= LONG_RUN ? last : first;
    }

    /** The last of the steps that follow each other without a breath. */
    private static int run(List<Program.Step> steps, int first) {
        int last = first;
        while (last + 1 < steps.size()
                && steps.get(last + 1).front() == steps.get(first).front()
                && Instants.seconds(steps.get(last).ends(), steps.get(last + 1).begins()) < BREATH_SECONDS) {
            last++;
        }
        return last;
    }

    private void swaps(Slot slot, Program.Step step) {
        Optional<Gear.Battery> battery = slot.plan().take().camera().battery();
        if (slot.plan().battery() <= 1 || battery.isEmpty()) {
            return;
        }
        double celsius = celsius(slot.plan().c(), step.begins());
        if (Power.frames(battery.get(), celsius, step.sequence()) > 0) {
            for (int after : Power.swaps(battery.get(), celsius, step.sequence())) {
                add(
                        Instants.after(step.opening(after), -step.pauseSeconds()),
                        new Task.ChangeBatteryAfter(slot, after),
                        slot);
            }
        }
    }

    private static double celsius(Circumstances c, Instant t) {
        return c.weather().apply(t).map(WeatherHour::temperatureC).orElse(c.celsius());
    }

    /** Once, when it has become so much colder since the work on the take began. */
    private void refocus(Slot slot) {
        OptionalDouble warm = temperature(slot, slot.prepares().from());
        for (Instant t = slot.runs().from();
                warm.isPresent() && t.isBefore(slot.runs().to());
                t = t.plus(LOOK)) {
            OptionalDouble now = temperature(slot, t);
            if (now.isPresent() && warm.getAsDouble() - now.getAsDouble() >= REFOCUS_K) {
                add(t, new Task.Refocus(slot, warm.getAsDouble() - now.getAsDouble()), slot);
                return;
            }
        }
    }

    private static OptionalDouble temperature(Slot slot, Instant t) {
        return slot.plan()
                .c()
                .weather()
                .apply(t)
                .map(h -> OptionalDouble.of(h.temperatureC()))
                .orElse(OptionalDouble.empty());
    }

    private void wayBack() {
        Instant leaves = trip.leaves(schedule);
        add(leaves, new Task.Leave(trip.stop(trip.last(schedule)), several()), "");
        trip.turnBack().filter(t -> !t.isAfter(leaves)).ifPresent(t -> add(t, new Task.TurnBack(), ""));
        trip.home(schedule).ifPresent(t -> add(t, new Task.Home(), ""));
    }

    /** Frame by frame where the camera is turned between them. */
    private void turns(Slot slot, Program.Step step) {
        int turns = slot.answer().turns().size();
        for (int i = 0; i < turns && i < step.frames(); i++) {
            add(step.opening(i), new Task.TurnCamera(slot, i), slot);
        }
    }

    /** The brightest star that is neither too low nor too high to look at; before there are any, something far. */
    private static Task.FocusAid aid(Slot slot, Instant when) {
        Circumstances c = slot.plan().c();
        Moment moment = Moment.at(when);
        Night night = c.night();
        boolean light = moment.local(Body.SUN, night.observer()).latitudeDeg() > STARS_FROM;
        Optional<Star> star = Star.all().stream()
                .filter(s -> !light && !s.name().isEmpty())
                .filter(s -> comfortable(c, moment.observed(s.place(), night.observer())))
                .min(Comparator.comparingDouble(Star::magnitude));
        return new Task.FocusAid(light, star, star.map(s -> moment.observed(s.place(), night.observer())));
    }

    private static boolean comfortable(Circumstances c, Horizontal at) {
        return at.altitudeDeg() > Math.max(LOWEST_STAR, c.from().skyline().altitudeAt(at.azimuthDeg()))
                && at.altitudeDeg() < HIGHEST_STAR;
    }
}
