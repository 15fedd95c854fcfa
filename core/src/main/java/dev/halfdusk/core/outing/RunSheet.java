package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Star;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** What to do when, for one night of sharp stars: the sky's times and the work that hangs on them, in order. */
public final class RunSheet {

    private static final Duration ARRIVE_BEFORE_SUNSET = Duration.ofMinutes(60);
    private static final Duration PACK = Duration.ofMinutes(30);
    private static final Duration TEST_BEFORE_WINDOW = Duration.ofMinutes(20);
    private static final Duration REFOCUS_EVERY = Duration.ofMinutes(60);

    /** Heights between which one looks at a star through a camera without lying down. */
    private static final double LOWEST_STAR = 20;

    private static final double HIGHEST_STAR = 65;

    /** Height of the sun below which the first stars show. */
    private static final double STARS_FROM = -7;

    private RunSheet() {}

    /**
     * One line of the sheet.
     *
     * @param act whether it asks for something to be done, rather than telling what the sky does
     * @param take to which it belongs, empty for none
     */
    public record Line(Instant when, String what, boolean act, String take) {

        Line(Instant when, String what, boolean act) {
            this(when, what, act, "");
        }
    }

    /** Times of the sky under the usual conventions; times of work are the craft's habits and may be moved. */
    public static List<Line> of(Night night) {
        List<Line> lines = sky(night);
        night.set(HorizonEvent.Kind.SUN).ifPresent(sunset -> {
            lines.add(new Line(
                    sunset.minus(ARRIVE_BEFORE_SUNSET),
                    "Be there: walk the ground by daylight, note the way back, set up and level the tripod",
                    true));
            lines.add(new Line(
                    sunset.plus(Duration.ofMinutes(30)),
                    "First stars: focus on the brightest at full magnification, then fix the ring",
                    true));
        });
        night.window().ifPresent(window -> addWindow(lines, window));
        lines.sort(Comparator.comparing(Line::when));
        return List.copyOf(lines);
    }

    /**
     * A night of takes: what the sky does, arriving, the work before each take with the star to focus on, its program, dark
     * frames, leaving.
     *
     * @param there from arriving to leaving
     */
    public static List<Line> of(Night night, Schedule schedule, Interval there) {
        List<Line> lines = sky(night);
        lines.add(new Line(there.from(), "Arrive: walk the ground by daylight, note the way back", true));
        Set<String> known = new HashSet<>();
        for (Slot slot : schedule.slots()) {
            addSlot(lines, night, slot, known.add(slot.camera()));
        }
        lines.add(new Line(there.to(), "Leave: count what you carry, and say that you are on the way", true));
        lines.sort(Comparator.comparing(Line::when));
        return List.copyOf(lines);
    }

    private static List<Line> sky(Night night) {
        List<Line> lines = new ArrayList<>();
        for (HorizonEvent event : night.events()) {
            lines.add(new Line(event.when(), event.words(), false));
        }
        return lines;
    }

    /** From an hour before sunset, to walk the ground by daylight, until after sunrise; the whole night where there is neither. */
    public static Interval there(Night night) {
        Instant from = night.set(HorizonEvent.Kind.SUN)
                .map(t -> t.minus(ARRIVE_BEFORE_SUNSET))
                .orElse(night.span().from());
        Instant to = night.rise(HorizonEvent.Kind.SUN)
                .map(t -> t.plus(PACK))
                .orElse(night.span().to());
        return from.isBefore(to) ? new Interval(from, to) : night.span();
    }

    private static void addSlot(List<Line> lines, Night night, Slot slot, boolean first) {
        String name = slot.plan().take().name();
        Instant begins = slot.prepares().from();
        lines.add(new Line(
                begins,
                first
                        ? "Set up " + slot.camera() + " for " + name + ": tripod, level; focus" + star(night, begins)
                        : "Aim " + slot.camera() + " anew for " + name + ", look at a star at full size",
                true,
                name));
        for (Program.Step step : slot.program().steps()) {
            lines.add(new Line(step.begins(), name + ": " + words(step), true, name));
        }
        if (slot.plan().hands()) {
            lines.add(new Line(slot.runs().from(), name + ": stay with the camera", true, name));
        }
    }

    /** " on Vega, in the east, 46° up": the brightest that is neither too low nor too high to look at; before there are any, something far. */
    private static String star(Night night, Instant when) {
        Moment moment = Moment.at(when);
        if (moment.local(Body.SUN, night.observer()).latitudeDeg() > STARS_FROM) {
            return " on something far while there is light";
        }
        return Star.all().stream()
                .filter(s -> !s.name().isEmpty())
                .filter(s -> comfortable(moment.observed(s.place(), night.observer())))
                .min(Comparator.comparingDouble(Star::magnitude))
                .map(s -> {
                    Horizontal at = moment.observed(s.place(), night.observer());
                    return " on " + s.name() + ", " + Angles.compass(at.azimuthDeg()) + ", "
                            + Numbers.text("%.0f", at.altitudeDeg()) + "\u00b0 up";
                })
                .orElse("");
    }

    private static boolean comfortable(Horizontal at) {
        return at.altitudeDeg() > LOWEST_STAR && at.altitudeDeg() < HIGHEST_STAR;
    }

    private static String words(Program.Step step) {
        return step.words()
                + (step.frames() > 1 ? ", pause " + Numbers.trimmed(step.pauseSeconds(), 1) + " s" : "")
                + (step.dark() ? ": dark frames, cap on" : "");
    }

    private static void addWindow(List<Line> lines, Interval window) {
        lines.add(new Line(
                window.from().minus(TEST_BEFORE_WINDOW),
                "Composition test at the highest ISO, then check focus and the left edge of the histogram",
                true));
        lines.add(new Line(window.from(), "Begin: repeat the same frame, for stacking and against aircraft", true));
        Instant check = window.from().plus(REFOCUS_EVERY);
        while (check.isBefore(window.to().minus(REFOCUS_EVERY.dividedBy(2)))) {
            lines.add(new Line(check, "Check focus, front element for dew, battery", true));
            check = check.plus(REFOCUS_EVERY);
        }
        lines.add(new Line(window.to(), "Window ends. Dark frames with the cap on, then pack by red light", true));
    }

    /** What everyone should read before going out at night. */
    public static final List<String> CAUTIONS = List.of(
            "Do not go alone to remote ground; tell someone where you are and when you will be back.",
            "See the ground by day: drops, water, tide, loose rock, roads, animals.",
            "Know the tide and the weather, and set a time to turn back.",
            "Private land and closed sites need permission; local rules and local people know better than this sheet.");
}
