package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;

/**
 * Where a camera looks and how it is held.
 *
 * @param axis of the lens
 * @param rollDeg −180 to 180, positive clockwise seen from behind the camera
 */
public record Pointing(Direction axis, double rollDeg, Orientation held) {

    /** Of what one aims at: straight down has no direction. */
    public static final Range AIM = new Range("altitude", -89, 90, "\u00b0");

    public static final Range ROLL = new Range("roll", -180, 180, "\u00b0");

    public Pointing {
        ROLL.check(rollDeg);
    }

    /** Level and in landscape. */
    public static Pointing level(Direction axis) {
        return new Pointing(axis, 0, Orientation.LANDSCAPE);
    }

    public Pointing at(Direction other) {
        return new Pointing(other, rollDeg, held);
    }

    /** What optics of a level camera frame so. */
    public Framing framing(Optics level) {
        return Framing.of(held.turn(level), axis, rollDeg);
    }
}
