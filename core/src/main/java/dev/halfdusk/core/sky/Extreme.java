package dev.halfdusk.core.sky;

import java.time.Instant;

/**
 * A moment at which a fact turns round.
 *
 * @param value of the fact there
 * @param highest whether it is a maximum
 */
public record Extreme(Instant when, double value, boolean highest) {}
