package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Correction;

/**
 * One cause, with what was measured for it.
 *
 * @param evidence in numbers
 * @param weight by how much it spoils the frame; 1 is just not tolerable
 * @param change what is turned; no turns where it is no dial
 * @param remedy what else is done; empty where the dial is all
 */
public record Finding(Cause cause, String evidence, double weight, Correction change, String remedy) {}
