package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.sky.HorizonEvent;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** What to do when, for one night of sharp stars: the sky's times and the work that hangs on them, in order. */
public final class RunSheet {

    private static final Duration ARRIVE_BEFORE_SUNSET = Duration.ofMinutes(60);
    private static final Duration TEST_BEFORE_WINDOW = Duration.ofMinutes(20);
    private static final Duration REFOCUS_EVERY = Duration.ofMinutes(60);

    private RunSheet() {}

    /**
     * One line of the sheet.
     *
     * @param act whether it asks for something to be done, rather than telling what the sky does
     */
    public record Line(Instant when, String what, boolean act) {}

    /** Times of the sky under the usual conventions; times of work are the craft's habits and may be moved. */
    public static List<Line> of(Night night) {
        List<Line> lines = new ArrayList<>();
        for (HorizonEvent event : night.events()) {
            lines.add(new Line(event.when(), event.words(), false));
        }
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
