package dev.halfdusk.core.sky;

import java.time.Instant;

/**
 * A moment at which a fact passes zero.
 *
 * @param rising whether the fact grows there
 */
public record Crossing(Instant when, boolean rising) {}
