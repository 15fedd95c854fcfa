package dev.halfdusk.core.lighttable;

/**
 * A patch of light brighter than the sky around it: a star, a lamp, a hot pixel, a line.
 *
 * @param x of its middle, pixels from the left edge, a pixel's own middle at .5
 * @param y from the top
 * @param flux above the sky, in the file's numbers of 65 535
 * @param peak its brightest pixel, of 65 535
 * @param signal peak above the sky against the sky's noise
 * @param area pixels
 * @param xx second moments of what is above the sky, pixels²
 * @param left of the pixels that it covers, with top, right and bottom
 */
record Spot(
        double x,
        double y,
        double flux,
        int peak,
        double signal,
        int area,
        double xx,
        double yy,
        double xy,
        int left,
        int top,
        int right,
        int bottom) {

    private static final double WHITE = 0.97 * Encoding.WHITE;

    boolean burnt() {
        return peak >= WHITE;
    }

    /** Variance along its longer and its shorter side. */
    double longer() {
        return (xx + yy) / 2 + Math.hypot((xx - yy) / 2, xy);
    }

    double shorter() {
        return (xx + yy) / 2 - Math.hypot((xx - yy) / 2, xy);
    }
}
