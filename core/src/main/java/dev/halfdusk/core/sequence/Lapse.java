package dev.halfdusk.core.sequence;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.sky.Sidereal;

/**
 * A clip from frames taken at even intervals: frames ÷ frames per second = seconds of clip.
 *
 * @param intervalSeconds from opening to opening
 * @param perSecond frames of the clip
 */
public record Lapse(int frames, double intervalSeconds, double perSecond) {

    public static final Range CLIP = new Range("clip", 0.5, 600, " s");
    public static final Range PER_SECOND = new Range("frames a second", 1, 120, "");

    public Lapse {
        Sequence.FRAMES.check(frames);
        IntervalTimer.INTERVAL.check(intervalSeconds);
        PER_SECOND.check(perSecond);
    }

    /** Frames for a clip of so many seconds. */
    public static Lapse lasting(double clipSeconds, double perSecond, double intervalSeconds) {
        int frames = (int) Math.ceil(CLIP.check(clipSeconds) * PER_SECOND.check(perSecond) - 1e-9);
        return new Lapse(frames, intervalSeconds, perSecond);
    }

    /** The interval at which a time becomes a clip of so many seconds, seconds. */
    public static double interval(double seconds, double exposureSeconds, double clipSeconds, double perSecond) {
        double frames = Math.ceil(CLIP.check(clipSeconds) * PER_SECOND.check(perSecond) - 1e-9);
        return frames <= 1 ? seconds : (seconds - exposureSeconds) / (frames - 1);
    }

    public double clipSeconds() {
        return frames / perSecond;
    }

    /** Frames of an exposure with what is left of the interval as their pause. */
    public Sequence sequence(double exposureSeconds) {
        return new Sequence(frames, exposureSeconds, Math.max(0, intervalSeconds - exposureSeconds));
    }

    /** How far a star on the equator moves from frame to frame in a clip of some pixels across; a tenth looks still, three hurried. */
    public double motionPx(Optics optics, int clipAcross) {
        return optics.driftPx(Sidereal.ARCSEC_PER_SECOND, intervalSeconds)
                * clipAcross
                / optics.sensor().pixelsAcross();
    }
}
