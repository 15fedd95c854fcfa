package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.sky.Sidereal;

/**
 * Frames one after the other, laid over each other so that the brightest counts.
 *
 * @param frames 1 for a single picture
 * @param pauseSeconds between the end of one and the start of the next
 */
public record TrailFrames(int frames, double pauseSeconds) {

    public static final Range FRAMES = new Range("frames", 1, 2000, "");
    public static final Range PAUSE = new Range("pause", 0, 600, " s");

    public static final TrailFrames NONE = new TrailFrames(1, 0);

    public TrailFrames {
        FRAMES.check(frames);
        PAUSE.check(pauseSeconds);
    }

    /** With frames that are open so long. */
    public Sequence sequence(double shutterSeconds) {
        return new Sequence(frames, shutterSeconds, pauseSeconds);
    }

    /** From the first opening to the last closing, seconds. */
    public double seconds(double shutterSeconds) {
        return sequence(shutterSeconds).seconds();
    }

    /** How far the sky turns in that time, degrees. */
    public double turnDeg(double shutterSeconds) {
        return sequence(shutterSeconds).turnDeg();
    }

    /** The widest gap that a pause leaves, near the axis and on the celestial equator, pixels. */
    public double gapPx(Optics optics) {
        return optics.driftPx(Sidereal.ARCSEC_PER_SECOND, pauseSeconds);
    }
}
