package dev.halfdusk.core.fireworks;

import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Settings;

/**
 * Writing into a long exposure with a sparkler or a lamp: how long, from where, and how dark it must be around. Rules of those who do it; a test
 * with a torch is better.
 *
 * @param letters to be written
 * @param letterM height of a letter
 * @param secondsALetter pace of the hand
 */
public record LightWriting(int letters, double letterM, double secondsALetter) {

    public static final Range LETTERS = new Range("letters", 1, 20, "");
    public static final Range LETTER = new Range("height of a letter", 0.2, 1.5, " m");
    public static final Range PACE = new Range("seconds a letter", 0.3, 5, " s");

    /** Clear of people and of what burns around whoever writes, and of the camera. */
    public static final double CLEAR_M = 2;

    /** A common sparkler of 25 cm burns so long; letters must be done before. */
    public static final double BURNS_SECONDS = 40;

    /** To be lit and in place before, and out of the way after. */
    private static final double AROUND_SECONDS = 2;

    /** Width of a letter with the gap after it, against its height. */
    private static final double WIDTH = 0.75;

    /** Top of the writing of someone with a raised arm. */
    private static final double REACH_M = 2.2;

    /** Writing takes so much of the frame at the most, that hands may stray. */
    private static final double FILLED = 0.7;

    /** Stops by which the surroundings stay below middle grey. */
    private static final double DARK_STOPS = 4;

    public LightWriting {
        LETTERS.check(letters);
        LETTER.check(letterM);
        PACE.check(secondsALetter);
    }

    /** The shutter is open so long. */
    public double seconds() {
        return letters * secondsALetter + AROUND_SECONDS;
    }

    /** Whether one sparkler lasts for all of it. */
    public boolean burnsLongEnough() {
        return seconds() <= BURNS_SECONDS;
    }

    public double widthM() {
        return letters * letterM * WIDTH;
    }

    /** From the lens to the writer so that writing and writer fit, no nearer than is safe, metres. */
    public double distanceM(Optics optics) {
        double wide = widthM() / (FILLED * optics.sensor().widthMm());
        double tall = REACH_M / (FILLED * optics.sensor().heightMm());
        return Math.max(CLEAR_M, optics.focalMm() * Math.max(wide, tall));
    }

    /** Exposure value at ISO 100 that the surroundings may have at the most, or they show through. */
    public double brightestEv(double aperture, double iso) {
        return SceneLight.ev(new Settings(seconds(), aperture, iso)) - DARK_STOPS;
    }
}
