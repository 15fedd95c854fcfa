package dev.halfdusk.core.exposure;

/**
 * Why a proposal says what it says: one line of its working.
 *
 * @param what in words
 * @param value the number that came out
 * @param unit of the number, may be empty
 * @param formula with the numbers that went in
 * @param source of the formula
 */
public record Reason(String what, double value, String unit, String formula, String source) {}
