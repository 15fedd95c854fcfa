package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.sky.Sidereal;

/**
 * Equal frames one after the other: n exposures and n − 1 pauses between them. Everything that counts frames and pauses counts
 * them here. Times are exact; arcs leave out precession, and pixels are those near the axis of a rectilinear lens.
 *
 * @param exposureSeconds each is open
 * @param pauseSeconds from a closing to the next opening
 */
public record Sequence(int frames, double exposureSeconds, double pauseSeconds) {

    public static final Range FRAMES = new Range("frames", 1, 20_000, "");
    public static final Range PAUSE = new Range("pause", 0, 3600, " s");
    public static final Range ARC = new Range("arc", 0.01, 360, "\u00b0");

    private static final double ROUNDING = 1e-9;

    public Sequence {
        FRAMES.check(frames);
        Range.SHUTTER.check(exposureSeconds);
        PAUSE.check(pauseSeconds);
    }

    /** One frame alone. */
    public static Sequence single(double exposureSeconds) {
        return new Sequence(1, exposureSeconds, 0);
    }

    /** As many frames as a time holds, at least one. */
    public static Sequence within(double seconds, double exposureSeconds, double pauseSeconds) {
        return of(Math.floor(steps(seconds, exposureSeconds, pauseSeconds) + ROUNDING), exposureSeconds, pauseSeconds);
    }

    /** As few frames as reach an arc from the first opening to the last closing. */
    public static Sequence reaching(double arcDeg, double exposureSeconds, double pauseSeconds) {
        double seconds = ARC.check(arcDeg) / Sidereal.DEGREES_PER_SECOND;
        return of(Math.ceil(steps(seconds, exposureSeconds, pauseSeconds) - ROUNDING), exposureSeconds, pauseSeconds);
    }

    private static double steps(double seconds, double exposure, double pause) {
        return (seconds + pause) / (exposure + pause);
    }

    private static Sequence of(double frames, double exposureSeconds, double pauseSeconds) {
        return new Sequence((int) Math.max(1, Math.min(Integer.MAX_VALUE, frames)), exposureSeconds, pauseSeconds);
    }

    public Sequence withFrames(int other) {
        return new Sequence(other, exposureSeconds, pauseSeconds);
    }

    public Sequence withPause(double other) {
        return new Sequence(frames, exposureSeconds, other);
    }

    public int pauses() {
        return frames - 1;
    }

    /** From an opening to the next, seconds. */
    public double stepSeconds() {
        return exposureSeconds + pauseSeconds;
    }

    /** From the first opening to the last closing, seconds. */
    public double seconds() {
        return frames * exposureSeconds + pauses() * pauseSeconds;
    }

    /** How far the sky turns about the pole in that time, degrees. */
    public double turnDeg() {
        return Sidereal.DEGREES_PER_SECOND * seconds();
    }

    /** Length of the arc of a star at a declination, pixels. */
    public double arcPx(Optics optics, double declinationDeg) {
        return px(optics, declinationDeg, seconds());
    }

    /** What a pause leaves open in it, pixels. */
    public double gapPx(Optics optics, double declinationDeg) {
        return px(optics, declinationDeg, pauseSeconds);
    }

    private static double px(Optics optics, double declinationDeg, double seconds) {
        double cos = Math.cos(Math.toRadians(Range.DECLINATION.check(declinationDeg)));
        return optics.driftPx(Sidereal.ARCSEC_PER_SECOND * cos, seconds);
    }
}
