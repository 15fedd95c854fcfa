package dev.halfdusk.core.assembly;

import dev.halfdusk.core.measure.Range;

/**
 * How trails are drawn.
 *
 * @param filled whether pauses between frames, and frames left out, are filled along the way of the stars
 * @param fade how much fainter trails begin than they end, stops; 0 for even ones
 * @param withoutLines whether aircraft and satellites are left out
 */
public record TrailOptions(boolean filled, double fade, boolean withoutLines) {

    public static final Range FADE = new Range("fade", 0, 8, " stops");

    public TrailOptions {
        FADE.check(fade);
    }
}
