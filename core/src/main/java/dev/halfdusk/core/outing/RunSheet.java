package dev.halfdusk.core.outing;

import dev.halfdusk.core.exposure.CompositionFrame;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.sequence.Panorama;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Star;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Focus;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
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
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ENGLISH);

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
     * @param act whether it asks for something to be done
     * @param take to which it belongs; empty for none
     * @param exact whether it counts by the second
     */
    public record Line(Instant when, String what, boolean act, String take, boolean exact) {}

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
            lines.add(new Line(event.when(), event.words(), false, "", false));
        }
    }

    private void act(Instant when, String what, String take) {
        lines.add(new Line(when, what, true, take, false));
    }

    private void wayThere() {
        if (trip.away()) {
            act(
                    trip.leavesHome(schedule),
                    "Leave home: " + trip.way(schedule) + "; say where you go and when you will be back",
                    "");
        }
        String back = trip.turnBack()
                .map(t -> "; on the way back by " + c.night().clock(t) + " at the latest")
                .orElse("");
        Stop first = trip.stop(trip.first(schedule));
        act(trip.there().from(), "Arrive" + at(first) + ": walk the ground by daylight, note the way back" + back, "");
        if (!first.hazards().isEmpty()) {
            act(trip.there().from().plus(MOMENT), "See by daylight: " + first.hazards(), "");
        }
    }

    private String at(Stop stop) {
        return trip.stops().size() > 1 ? " at " + stop.name() : "";
    }

    /** From place to place, on ground that one has not seen by daylight. */
    private void ways() {
        for (Trip.Move m : trip.moves(schedule)) {
            Stop from = trip.stop(m.from());
            Stop to = trip.stop(m.to());
            long back = from.walk().toMinutes();
            act(
                    m.when().from(),
                    "Leave " + from.name() + " for " + to.name() + ": count what you carry; " + back
                            + " min back to the road, "
                            + (m.when().length().toMinutes() - back - to.walk().toMinutes())
                            + " min along it, " + to.walk().toMinutes() + " min on foot",
                    "");
            act(
                    m.when().to(),
                    "Arrive at " + to.name() + ": look over the ground with a lamp before anything is set up"
                            + (to.hazards().isEmpty() ? "" : "; mind " + to.hazards()),
                    "");
        }
    }

    private void prepare(Slot slot, boolean first) {
        String name = slot.name();
        Instant begins = slot.prepares().from();
        if (slot.swap()) {
            act(begins, "Change the battery of " + slot.body().name() + " before " + name, name);
        }
        act(
                begins,
                first
                        ? "Set up " + slot.camera() + " for " + name + ": tripod, level; focus" + focus(slot, begins)
                        : "Aim " + slot.camera() + " anew for " + name + ", " + look(slot),
                name);
        if (!slot.plan().take().camera().rig().lens().electronic()) {
            act(
                    begins,
                    "Turn the lens of " + slot.camera() + " to f/"
                            + Numbers.trimmed(slot.plan().take().setting().aperture(), 1) + " by hand",
                    name);
        }
        Instant looks = slot.runs().from().minus(habits.test());
        if (!slot.prepares().length().isZero()) {
            slot.answer()
                    .test()
                    .ifPresent(test -> act(
                            looks.isBefore(begins) ? begins : looks,
                            "Composition frame of " + name + aimed(slot) + ": " + words(test),
                            name));
        }
    }

    /** ", looking 172°, 23° up": where the camera must look when it opens. */
    private String aimed(Slot slot) {
        Direction axis = slot.answer().aim();
        return ", looking " + bearing(axis.azimuthDeg(), slot.plan().c().declinationDeg()) + ", "
                + Numbers.fixed(axis.altitudeDeg(), 0) + "\u00b0 up";
    }

    /** "172°", or "172° (174° by compass)" where one knows how much that is off. */
    public static String bearing(double azimuthDeg, OptionalDouble declinationDeg) {
        String bearing = Numbers.fixed(azimuthDeg, 0) + "\u00b0";
        return declinationDeg.isEmpty()
                ? bearing
                : bearing + " (" + Numbers.fixed(Angles.magneticDeg(azimuthDeg, declinationDeg.getAsDouble()), 0)
                        + "\u00b0 by compass)";
    }

    private static String words(CompositionFrame test) {
        return test.click().label() + " s at ISO "
                + Numbers.plain(test.settings().iso()) + " is as bright as the real one";
    }

    private void run(Slot slot) {
        String name = slot.name();
        List<Program.Step> steps = slot.program().steps();
        for (int i = 0; i < steps.size(); i++) {
            Program.Step step = steps.get(i);
            int last = fast(steps, i);
            if (last > i) {
                act(step.begins(), name + ": " + words(steps.subList(i, last + 1)) + front(slot.program(), step), name);
                i = last;
                continue;
            }
            act(step.begins(), name + ": " + words(slot, step) + front(slot.program(), step), name);
            turns(slot, step);
            if (!step.dark()) {
                swaps(slot, step);
            }
        }
        if (slot.plan().hands()) {
            act(slot.runs().from(), name + ": stay with the camera", name);
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
                lines.add(new Line(counted, chore.what(), true, slot.name(), true));
                continue;
            }
            act(at.isBefore(there) ? there : at, slot.name() + ": " + chore.what(), slot.name());
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

    /** A script's fast part: nobody does it by hand. */
    private String words(List<Program.Step> run) {
        Program.Step last = run.get(run.size() - 1);
        return run.stream().mapToInt(Program.Step::frames).sum() + " frames by script, "
                + run.get(0).what() + " to " + last.what() + ", until "
                + CLOCK.format(last.ends().atZone(c.night().zone()));
    }

    /** What stands before the lens, where that changes. */
    public static String front(Program program, Program.Step step) {
        return switch (step.front()) {
            case CAP -> ", cap on";
            case FILTER -> ", filter on";
            case OPEN -> program.filtered() ? ", filter off" : "";
        };
    }

    private static String words(Slot slot, Program.Step step) {
        String words = step.words(slot.plan().take().camera().rig().body());
        Optional<String> hand = slot.plan().take().subject().byHand();
        if (hand.isPresent()) {
            return words.replaceFirst("^\\d+ \u00d7 ", "about " + step.frames() + " \u00d7 ") + ", " + hand.get();
        }
        if (step.frames() == 1) {
            return words;
        }
        return words + ", pause " + Numbers.trimmed(step.pauseSeconds(), 1) + " s: timer "
                + Numbers.trimmed(step.sequence().stepSeconds(), 1) + " s from start to start"
                + (step.dark() ? "; dark frames" : "");
    }

    private void swaps(Slot slot, Program.Step step) {
        Optional<Gear.Battery> battery = slot.plan().take().camera().battery();
        if (slot.plan().battery() <= 1 || battery.isEmpty()) {
            return;
        }
        double celsius = celsius(slot.plan().c(), step.begins());
        if (Power.frames(battery.get(), celsius, step.sequence()) > 0) {
            for (int after : Power.swaps(battery.get(), celsius, step.sequence())) {
                act(
                        Instants.after(step.opening(after), -step.pauseSeconds()),
                        "Change the battery of " + slot.body().name() + " after frame " + after + " of " + slot.name(),
                        slot.name());
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
                act(
                        t,
                        Numbers.text(
                                "It is %.0f \u00b0C colder than when %s was focused: look at its last frame at full size,"
                                        + " refocus between two frames",
                                warm.getAsDouble() - now.getAsDouble(), slot.camera()),
                        slot.name());
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
        act(leaves, "Leave" + from() + ": count what you carry, and say that you are on the way", "");
        trip.turnBack()
                .filter(t -> !t.isAfter(leaves))
                .ifPresent(t -> act(t, "Turn back now, whatever is unfinished", ""));
        trip.home(schedule).ifPresent(t -> act(t, "Home: say so; dry lenses, charge, copy the cards", ""));
    }

    private String from() {
        return trip.stops().size() > 1 ? " " + trip.stop(trip.last(schedule)).name() : "";
    }

    /** " on Vega, in the east, 46° up": the brightest that is neither too low nor too high to look at; before there are any, something far. */
    private static String focus(Slot slot, Instant when) {
        Focus focus = slot.answer().focus();
        String away = Double.isInfinite(focus.metres()) ? "" : ", " + Numbers.trimmed(focus.metres(), 1) + " m away";
        return switch (focus.on()) {
            case STARS -> star(slot.plan().c(), when) + infinity(slot);
            case MOON -> " on the moon: a crater or its edge at full size" + infinity(slot);
            case SUN -> " on the sun's edge, filter on";
            case LAMP_OF_PERSON -> " on a lamp in the person's hand" + away;
            case SCENE -> " on a lamp or an edge" + away;
            case BURST -> " on something as far as the bursts" + away + ", while there is light";
        };
    }

    /** Where the ring was sharp before; the look at a star decides all the same. */
    private static String infinity(Slot slot) {
        OptionalDouble mm = slot.plan().take().camera().rig().lens().infinityMm();
        return mm.isEmpty()
                ? ""
                : mm.getAsDouble() == 0
                        ? "; the ring at its stop before"
                        : Numbers.text("; the ring %.1f mm before its stop, as last time", mm.getAsDouble());
    }

    private static String look(Slot slot) {
        return switch (slot.answer().focus().on()) {
            case STARS -> "look at a star at full size";
            case MOON -> "look at the moon at full size";
            case SUN -> "look at the sun's edge, filter on";
            case LAMP_OF_PERSON -> "focus on a lamp in the person's hand";
            case SCENE -> "focus on what must be sharp";
            case BURST -> "leave the focus where it is";
        };
    }

    /** Frame by frame where the camera is turned between them. */
    private void turns(Slot slot, Program.Step step) {
        List<Panorama.Turn> turns = slot.answer().turns();
        for (int i = 0; i < turns.size() && i < step.frames(); i++) {
            act(
                    step.opening(i),
                    slot.name() + ": " + turn(turns, i, slot.plan().c().declinationDeg()),
                    slot.name());
        }
    }

    /** "frame 2 of 14: 145° SE, 12° up; 3 clicks to the right". */
    public static String turn(List<Panorama.Turn> turns, int i, OptionalDouble declinationDeg) {
        Panorama.Turn t = turns.get(i);
        String at = "frame " + t.number() + " of " + turns.size() + ": "
                + bearing(t.axis().azimuthDeg(), declinationDeg) + " "
                + Angles.compass(t.axis().azimuthDeg()) + ", "
                + Numbers.fixed(t.axis().altitudeDeg(), 0) + "\u00b0 up";
        if (i == 0) {
            return at + ", row 1";
        }
        String side = t.azimuthStepDeg() < 0 ? " to the left" : " to the right";
        String far = t.clicks().isPresent()
                ? Math.abs(t.clicks().getAsInt()) + (Math.abs(t.clicks().getAsInt()) == 1 ? " click" : " clicks")
                : Numbers.trimmed(Math.abs(t.azimuthStepDeg()), 1) + "\u00b0";
        boolean row = t.row() != turns.get(i - 1).row();
        return at + "; " + (row ? "tilt, row " + t.row() + ", " : "") + far + side;
    }

    private static String star(Circumstances c, Instant when) {
        Moment moment = Moment.at(when);
        Night night = c.night();
        if (moment.local(Body.SUN, night.observer()).latitudeDeg() > STARS_FROM) {
            return " on something far while there is light";
        }
        return Star.all().stream()
                .filter(s -> !s.name().isEmpty())
                .filter(s -> comfortable(c, moment.observed(s.place(), night.observer())))
                .min(Comparator.comparingDouble(Star::magnitude))
                .map(s -> {
                    Horizontal at = moment.observed(s.place(), night.observer());
                    return " on " + s.name() + ", " + Angles.compass(at.azimuthDeg()) + ", "
                            + Numbers.text("%.0f", at.altitudeDeg()) + "\u00b0 up";
                })
                .orElse(" on a distant light, ten metres off and more");
    }

    private static boolean comfortable(Circumstances c, Horizontal at) {
        return at.altitudeDeg() > Math.max(LOWEST_STAR, c.from().skyline().altitudeAt(at.azimuthDeg()))
                && at.altitudeDeg() < HIGHEST_STAR;
    }
}
