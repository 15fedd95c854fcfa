package dev.halfdusk.core.sequence;

import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Sequence;
import java.util.ArrayList;
import java.util.List;

/**
 * A generic interval timer: whole seconds from 1 to 99 h 59 min 59 s, up to 399 times or endlessly. What it calls interval is
 * for some from opening to opening and for others the pause, so its card gives both.
 */
public final class IntervalTimer {

    /** What a timer, or a person, means by an interval. */
    public enum Meaning {
        /** From one opening to the next. */
        START,
        /** From a closing to the next opening. */
        PAUSE;

        /** From opening to opening, seconds. */
        public double stepSeconds(double exposureSeconds, double intervalSeconds) {
            return this == START ? intervalSeconds : exposureSeconds + intervalSeconds;
        }
    }

    public static final Range INTERVAL = new Range("interval", 0, 359_999, " s");
    public static final int MOST_TIMES = 399;

    private static final double LONGEST = 359_999;
    private static final double WHOLE = 1e-6;
    private static final double LONGEST_ON_DIAL = 30;

    private IntervalTimer() {}

    /**
     * What to set.
     *
     * @param bulb whether the timer holds the shutter open; otherwise the body's dial does, and the timer presses briefly
     * @param openSeconds on the timer; 1 where it only presses
     * @param stepSeconds for a timer that counts from opening to opening
     * @param pauseSeconds for one that counts from the end of its own press
     * @param times 0 where it must go on until it is stopped
     * @param remarks what cannot be set as wanted, and what to do about it
     */
    public record Card(
            int waitSeconds,
            boolean bulb,
            int openSeconds,
            int stepSeconds,
            int pauseSeconds,
            int times,
            List<String> remarks) {}

    /** The nearest program that a timer takes: whole seconds, held by the timer; others by the dial. Pauses are never shortened. */
    public static Card card(Sequence wanted, double waitSeconds, Dial dial) {
        List<String> remarks = new ArrayList<>();
        double exposure = wanted.exposureSeconds();
        boolean whole = exposure >= 1 && Math.abs(exposure - Math.rint(exposure)) < WHOLE;
        boolean bulb = whole || exposure > LONGEST_ON_DIAL;
        if (!whole && bulb) {
            remarks.add("A timer counts whole seconds: it opens for " + text((int) exposure) + ".");
        }
        if (!bulb) {
            remarks.add("Set the body's dial to " + dial.nearest(exposure).label() + " s; the timer only presses.");
        } else if (exposure > LONGEST_ON_DIAL) {
            remarks.add("Longer than the 30 s of a body's own shutter: set it to bulb.");
        } else {
            remarks.add("Set the body to bulb. With its dial at "
                    + dial.nearest(exposure).label() + " the shutter is open "
                    + Numbers.trimmed(dial.nearest(exposure).realSeconds(), 1) + " s: count that.");
        }
        int open = bulb ? (int) Math.min(LONGEST, exposure + WHOLE) : 1;
        double real = bulb ? open : exposure;
        int step = (int) Math.min(LONGEST, Math.ceil(real + wanted.pauseSeconds() - WHOLE));
        step = Math.max(step, open + 1);
        if (step - real > wanted.pauseSeconds() + WHOLE && wanted.frames() > 1) {
            remarks.add("Pauses of " + Numbers.trimmed(step - real, 2) + " s instead of "
                    + Numbers.trimmed(wanted.pauseSeconds(), 2) + ": a timer counts whole seconds.");
        }
        return card(waitSeconds, bulb, open, step, wanted.frames(), remarks);
    }

    /** A timer that only presses, since what the body is set to changes on the way. */
    public static Card presses(int frames, double stepSeconds, double waitSeconds) {
        List<String> remarks = new ArrayList<>();
        remarks.add("The body's dial times each frame, and is changed by the table; the timer only presses.");
        int step = (int) Math.max(2, Math.min(LONGEST, Math.ceil(stepSeconds - WHOLE)));
        return card(waitSeconds, false, 1, step, frames, remarks);
    }

    private static Card card(double waitSeconds, boolean bulb, int open, int step, int frames, List<String> remarks) {
        if (frames > MOST_TIMES) {
            remarks.add("More than " + MOST_TIMES + " frames: set it to endless and stop it at the end.");
        }
        int wait = (int) Math.max(0, Math.min(LONGEST, Math.round(waitSeconds)));
        return new Card(wait, bulb, open, step, step - open, frames > MOST_TIMES ? 0 : frames, List.copyOf(remarks));
    }

    /** "0:00:30". */
    public static String text(int seconds) {
        return String.format("%d:%02d:%02d", seconds / 3600, seconds / 60 % 60, seconds % 60);
    }
}
