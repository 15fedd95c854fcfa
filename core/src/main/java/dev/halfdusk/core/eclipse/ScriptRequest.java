package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;

/**
 * What a script should do.
 *
 * @param everySeconds from frame to frame of the partial phase
 * @param equalSteps frames from first contact to the second at equal steps of the covered diameter; 0 to go by the interval
 * @param iso where the shutter need not be shorter
 * @param partial what is written in the partial phase
 * @param total what is written from the burst before totality to the one after it
 * @param burstSeconds before the second contact that frames follow each other fast
 * @param pauseSeconds between frames of totality, in which the link sets the body anew
 */
public record ScriptRequest(
        Role role,
        double everySeconds,
        int equalSteps,
        double iso,
        FileFormat partial,
        FileFormat total,
        double burstSeconds,
        double pauseSeconds,
        FilterWindow.Margins margins) {

    public static final Range EVERY = new Range("interval", 5, 900, " s");
    public static final Range STEPS = new Range("steps of coverage", 0, 60, "");
    public static final Range BURST = new Range("burst", 0, 30, " s");

    public static final Range PAUSE = new Range("pause in totality", 0.2, 30, " s");

    public ScriptRequest {
        EVERY.check(everySeconds);
        STEPS.check(equalSteps);
        Range.ISO.check(iso);
        BURST.check(burstSeconds);
        PAUSE.check(pauseSeconds);
    }

    /** As one begins: every five minutes, raw alone in totality. */
    public static ScriptRequest usual(Role role) {
        return new ScriptRequest(
                role,
                role == Role.LAND ? 20 : 300,
                0,
                200,
                FileFormat.RAW_AND_JPEG,
                FileFormat.RAW,
                8,
                0.8,
                FilterWindow.Margins.LEAST);
    }

    public ScriptRequest atIso(double other) {
        return new ScriptRequest(
                role, everySeconds, equalSteps, other, partial, total, burstSeconds, pauseSeconds, margins);
    }

    public ScriptRequest within(FilterWindow.Margins other) {
        return new ScriptRequest(
                role, everySeconds, equalSteps, iso, partial, total, burstSeconds, pauseSeconds, other);
    }

    public ScriptRequest written(FileFormat partialAs, FileFormat totalAs) {
        return new ScriptRequest(
                role, everySeconds, equalSteps, iso, partialAs, totalAs, burstSeconds, pauseSeconds, margins);
    }
}
