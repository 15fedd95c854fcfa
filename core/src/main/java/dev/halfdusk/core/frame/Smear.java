package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Sidereal;
import dev.halfdusk.core.sky.Site;

/**
 * How the ground passes through the frame while a tracker turns the camera after the sky: moments at which it is looked at.
 * On a tripod there is one, and nothing moves.
 *
 * @param seconds of sky between two of them
 */
record Smear(int steps, double seconds, Vector pole) {

    private static final int MOST = 64;

    static Smear of(Shot shot, Site site, Window window) {
        double rate = shot.support().kind().arcsecPerSecond();
        double px = shot.framing().optics().driftPx(rate, shot.seconds()) / window.binned();
        int steps = (int) Math.max(1, Math.min(MOST, Math.ceil(px)));
        double sky = shot.seconds() * rate / Sidereal.ARCSEC_PER_SECOND;
        return new Smear(steps, sky / steps, Sidereal.northPole(site));
    }

    /** What a point of the picture sees at a moment that saw a direction when the shutter opened. */
    Vector after(Vector direction, int step) {
        return steps == 1 ? direction : Sidereal.later(direction, pole, (step + 0.5) * seconds);
    }

    /** The direction at the opening whose point of the picture sees something of the ground at a moment. */
    Vector before(Vector ground, int step) {
        return steps == 1 ? ground : Sidereal.later(ground, pole, -(step + 0.5) * seconds);
    }
}
