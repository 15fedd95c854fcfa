package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Framing;

/**
 * Where a frame looked, by its stars.
 *
 * @param axis direction of the picture's middle, without refraction
 * @param rollDeg of the camera, positive clockwise seen from behind it
 * @param focalMm as it really was
 * @param distortionPercent of the lens at half the diagonal
 * @param stars that were matched with the catalogue
 * @param errorPx root of the mean square by which they miss
 */
public record Aim(
        Direction axis,
        double rollDeg,
        double focalMm,
        double distortionPercent,
        int stars,
        double errorPx,
        Framing framing) {}
