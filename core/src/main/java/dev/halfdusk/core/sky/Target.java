package dev.halfdusk.core.sky;

/** Something in the sky whose place can be computed. */
public sealed interface Target permits Body, FixedPoint {

    /** Equatorial-independent mean radius in kilometres, 0 for points. */
    double radiusKm();
}
