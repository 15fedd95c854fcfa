package dev.halfdusk.core.assembly;

import dev.halfdusk.core.measure.Range;

/**
 * How trails are drawn.
 *
 * @param filled whether pauses between frames, and frames left out, are filled along the way of the stars
 * @param fade how much fainter trails begin than they end, stops; 0 for even ones
 * @param withoutLines whether aircraft and satellites are left out
 * @param even whether frames whose sky is brighter or darker than those before are evened out
 * @param steady whether frames of a camera that was knocked are laid back by the land
 */
public record TrailOptions(boolean filled, double fade, boolean withoutLines, boolean even, boolean steady) {

    public static final Range FADE = new Range("fade", 0, 8, " stops");

    /** The lightest of each pixel and nothing else. */
    public static final TrailOptions PLAIN = new TrailOptions(false, 0, false, false, false);

    public TrailOptions {
        FADE.check(fade);
    }

    public TrailOptions fill() {
        return new TrailOptions(true, fade, withoutLines, even, steady);
    }

    public TrailOptions fading(double stops) {
        return new TrailOptions(filled, stops, withoutLines, even, steady);
    }

    public TrailOptions clean() {
        return new TrailOptions(filled, fade, true, even, steady);
    }

    public TrailOptions evened() {
        return new TrailOptions(filled, fade, withoutLines, true, steady);
    }

    public TrailOptions steadied() {
        return new TrailOptions(filled, fade, withoutLines, even, true);
    }
}
