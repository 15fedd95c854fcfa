package dev.halfdusk.app.outings;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.CompositionFrame;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.RunSheet;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.outing.Stop;
import dev.halfdusk.core.outing.Task;
import dev.halfdusk.core.sequence.Panorama;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.take.Focus;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.Function;

/** What to do when, in sentences: each can be done by one person who reads it at that minute. */
public final class SheetWords {

    private static final Map<Class<? extends Task>, BiFunction<Task, Night, String>> SAID = new HashMap<>();

    private SheetWords() {}

    /**
     * A line of the sheet.
     *
     * @param act whether it asks for something to be done
     * @param take to which it belongs; empty for none
     * @param exact whether it counts by the second
     */
    public record Line(Instant when, String what, boolean act, String take, boolean exact) {

        /** @param night by whose clock times within it are said */
        static Line of(RunSheet.Line l, Night night) {
            return new Line(l.when(), words(l.task(), night), l.task().act(), l.take(), l.exact());
        }
    }

    private static <T extends Task> void say(Class<T> of, BiFunction<T, Night, String> words) {
        SAID.put(of, (task, night) -> words.apply(of.cast(task), night));
    }

    private static <T extends Task> void say(Class<T> of, Function<T, String> words) {
        say(of, (task, night) -> words.apply(task));
    }

    static {
        say(Task.Sky.class, t -> t.event().words());
        say(Task.LeaveHome.class, t -> "Leave home: " + way(t.to()) + "; say where you go and when you will be back");
        say(
                Task.Arrive.class,
                (t, night) -> "Arrive" + (t.several() ? " at " + t.at().name() : "")
                        + ": walk the ground by daylight, note the way back"
                        + t.turnBack()
                                .map(b -> "; on the way back by " + night.clock(b) + " at the latest")
                                .orElse(""));
        say(Task.SeeByDaylight.class, t -> "See by daylight: " + t.at().hazards());
        say(
                Task.GoOn.class,
                t -> "Leave " + t.from().name() + " for " + t.to().name() + ": count what you carry; "
                        + t.from().walk().toMinutes() + " min back to the road, "
                        + t.road().toMinutes()
                        + " min along it, " + t.to().walk().toMinutes() + " min on foot");
        say(
                Task.ArriveInTheDark.class,
                t -> "Arrive at " + t.at().name() + ": look over the ground with a lamp before anything is set up"
                        + hazards(t.at()));
        say(
                Task.Leave.class,
                t -> "Leave" + (t.several() ? " " + t.from().name() : "")
                        + ": count what you carry, and say that you are on the way");
        say(Task.TurnBack.class, t -> "Turn back now, whatever is unfinished");
        say(Task.Home.class, t -> "Home: say so; dry lenses, charge, copy the cards");
        work();
    }

    private static void work() {
        say(
                Task.ChangeBattery.class,
                t -> "Change the battery of " + t.slot().body().name() + " before "
                        + t.slot().name());
        say(
                Task.SetUp.class,
                t -> "Set up " + t.slot().camera() + " for " + t.slot().name() + ": tripod, level; focus"
                        + focus(t.slot(), t.aid()));
        say(
                Task.AimAnew.class,
                t -> "Aim " + t.slot().camera() + " anew for " + t.slot().name() + ", " + look(t.slot()));
        say(
                Task.TurnRing.class,
                t -> "Turn the lens of " + t.slot().camera() + " to f/"
                        + Numbers.trimmed(t.slot().plan().take().setting().aperture(), 1) + " by hand");
        say(
                Task.Compose.class,
                t -> "Composition frame of " + t.slot().name() + aimed(t.slot()) + ": " + words(t.frame()));
        say(Task.Script.class, (t, night) -> t.slot().name() + ": " + script(t, night));
        say(
                Task.Shoot.class,
                t -> t.slot().name() + ": " + words(t.slot(), t.step())
                        + front(t.slot().program(), t.step()));
        say(
                Task.TurnCamera.class,
                t -> t.slot().name() + ": "
                        + turn(
                                t.slot().answer().turns(),
                                t.frame(),
                                t.slot().plan().c().declinationDeg()));
        say(
                Task.ChangeBatteryAfter.class,
                t -> "Change the battery of " + t.slot().body().name() + " after frame " + t.frame() + " of "
                        + t.slot().name());
        say(
                Task.Refocus.class,
                t -> Numbers.text(
                        "It is %.0f \u00b0C colder than when %s was focused: look at its last frame at full size,"
                                + " refocus between two frames",
                        t.colderK(), t.slot().camera()));
        say(Task.Stay.class, t -> t.slot().name() + ": stay with the camera");
        say(
                Task.Chore.class,
                t -> t.chore().exact()
                        ? t.chore().what()
                        : t.slot().name() + ": " + t.chore().what());
    }

    /** Whether there are words for a sort of task. */
    static boolean says(Class<?> task) {
        return SAID.containsKey(task);
    }

    static String words(Task task, Night night) {
        return SAID.get(task.getClass()).apply(task, night);
    }

    /** "40 min on the road, 15 min on foot". */
    static String way(Stop to) {
        return to.drive().toMinutes() + " min on the road, " + to.walk().toMinutes() + " min on foot";
    }

    private static String hazards(Stop at) {
        return at.hazards().isEmpty() ? "" : "; hazards: " + at.hazards();
    }

    /** ", looking 172°, 23° up": where the camera must look when it opens. */
    private static String aimed(Slot slot) {
        Direction axis = slot.answer().aim();
        return ", looking " + bearing(axis.azimuthDeg(), slot.plan().c().declinationDeg()) + ", "
                + Numbers.fixed(axis.altitudeDeg(), 0) + "\u00b0 up";
    }

    /** "172°", or "172° (174° by compass)" where one knows how much that is off. */
    static String bearing(double azimuthDeg, OptionalDouble declinationDeg) {
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

    private static String script(Task.Script t, Night night) {
        Program.Step first = t.steps().get(0);
        Program.Step last = t.steps().get(t.steps().size() - 1);
        return t.steps().stream().mapToInt(Program.Step::frames).sum() + " frames by script, " + first.what() + " to "
                + last.what() + ", until " + Words.clockSeconds(last.ends(), night.zone())
                + front(t.slot().program(), first);
    }

    /** What stands before the lens, where that changes. */
    static String front(Program program, Program.Step step) {
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

    private static String focus(Slot slot, Task.FocusAid aid) {
        Focus focus = slot.answer().focus();
        String away = Double.isInfinite(focus.metres()) ? "" : ", " + Numbers.trimmed(focus.metres(), 1) + " m away";
        return switch (focus.on()) {
            case STARS -> star(aid) + infinity(slot);
            case MOON -> " on the moon: a crater or its edge at full size" + infinity(slot);
            case SUN -> " on the sun's edge, filter on";
            case LAMP_OF_PERSON -> " on a lamp in the person's hand" + away;
            case SCENE -> " on a lamp or an edge" + away;
            case BURST -> " on something as far as the bursts" + away + ", while there is light";
        };
    }

    /** " on Vega, in the east, 46° up". */
    private static String star(Task.FocusAid aid) {
        if (aid.stillLight()) {
            return " on something far while there is light";
        }
        return aid.at()
                .map(at -> " on " + aid.star().orElseThrow().name() + ", " + Angles.compass(at.azimuthDeg()) + ", "
                        + Numbers.text("%.0f", at.altitudeDeg()) + "\u00b0 up")
                .orElse(" on a distant light, ten metres off and more");
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

    /** "frame 2 of 14: 145° SE, 12° up; 3 clicks to the right". */
    static String turn(List<Panorama.Turn> turns, int i, OptionalDouble declinationDeg) {
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
}
