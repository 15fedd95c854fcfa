package dev.halfdusk.core.lighttable;

import java.util.Optional;

/**
 * A part of the frame: a ninth of it, or a corner.
 *
 * @param x of its middle from the left, as a share of the width
 * @param y from the top, as a share of the height
 * @param shape of its stars; empty where there are too few
 * @param drift that a star there should show, empty where time, lens or direction are not known
 */
public record Part(double x, double y, Optional<StarShape> shape, Optional<Drift> drift) {

    /** The way of a star while the shutter is open: pixels, and degrees from +x towards +y, 0 to 180. */
    public record Drift(double lengthPx, double angleDeg) {}
}
