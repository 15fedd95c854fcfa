package dev.halfdusk.core.lighttable;

/**
 * Where a star is drawn.
 *
 * @param x pixels from the left edge, a pixel's own middle at .5
 * @param y from the top
 * @param light of it above the sky, in the file's numbers
 */
public record StarPlace(double x, double y, double light) {}
