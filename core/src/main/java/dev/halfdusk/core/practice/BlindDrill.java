package dev.halfdusk.core.practice;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;

/**
 * Settings changed with the screen dark, against the clock: the camera stands somewhere, is to stand elsewhere, and hands find the way. Times come
 * from outside; it has no clock of its own.
 *
 * @param tasks one after the other
 */
public record BlindDrill(List<Task> tasks) {

    /** Whatever takes longer than that has taken that long. */
    public static final double LONGEST_S = 60;

    private static final int MOST_CLICKS = 6;

    private static final Set<Control> LIGHT = EnumSet.of(Control.SHUTTER, Control.APERTURE, Control.ISO);

    private static final List<List<Control>> TURNED = List.of(
            List.of(Control.SHUTTER),
            List.of(Control.ISO),
            List.of(Control.APERTURE),
            List.of(Control.SHUTTER, Control.ISO),
            List.of(Control.TIMER, Control.ISO),
            List.of(Control.SHUTTER, Control.APERTURE, Control.ISO));

    /** From here to there. */
    public record Task(Dials from, Dials to) {

        /** "shutter 20 to 13, ISO 3200 to 6400". */
        public String words() {
            List<String> all = new ArrayList<>();
            to.differing(from).forEach((c, label) -> all.add(c.words() + " " + from.label(c) + " \u2192 " + label));
            return String.join(", ", all);
        }
    }

    /**
     * What came of a task.
     *
     * @param stopsOff by which the settings missed; a switch that stands wrong counts as one
     */
    public record Score(double stopsOff, double seconds) {

        private static final double RIGHT = 0.05;

        public boolean right() {
            return stopsOff < RIGHT;
        }
    }

    public BlindDrill {
        tasks = List.copyOf(tasks);
    }

    /** The same for the same seed. */
    public static BlindDrill of(Outfit outfit, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Task> all = new ArrayList<>();
        Dials now = Dials.of(outfit)
                .nearest(Control.SHUTTER, 20)
                .nearest(Control.ISO, 3200)
                .nearest(Control.APERTURE, 2.8);
        for (List<Control> turned : TURNED) {
            Dials next = now;
            for (Control c : turned) {
                next = next.at(c, elsewhere(now, c, random));
            }
            all.add(new Task(now, next));
            now = next;
        }
        return new BlindDrill(all);
    }

    private static int elsewhere(Dials now, Control c, SplittableRandom random) {
        Wheel wheel = now.outfit().wheel(c);
        int at = now.position(c);
        int last = wheel.positions().size() - 1 - (c == Control.ISO ? 1 : 0); // not to automatic
        for (int i = 0; i < 50; i++) {
            int clicks = random.nextInt(1, MOST_CLICKS + 1) * (random.nextBoolean() ? 1 : -1);
            int to = c.round() ? wheel.turned(at, clicks) : at + clicks;
            if (to >= 0 && to <= last && to != at) {
                return to;
            }
        }
        return at == 0 ? 1 : at - 1;
    }

    /** @param seconds that it took */
    public static Score score(Task task, Dials reached, double seconds) {
        double off = 0;
        for (Control c : Control.values()) {
            off += off(c, task.to, reached);
        }
        return new Score(off, Math.max(0, Math.min(LONGEST_S, seconds)));
    }

    private static double off(Control c, Dials wanted, Dials reached) {
        if (wanted.position(c) == reached.position(c)) {
            return 0;
        }
        double stops = Math.abs(c.inSteps(reached.value(c)) - c.inSteps(wanted.value(c)));
        return LIGHT.contains(c) && Double.isFinite(stops) ? stops : 1; // a switch, or automatic
    }
}
