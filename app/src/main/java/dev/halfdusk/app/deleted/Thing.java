package dev.halfdusk.app.deleted;

import java.time.Instant;

/**
 * Something that was deleted and can be brought back.
 *
 * @param words what it is
 * @param restore address that brings it back
 */
public record Thing(String words, String name, Instant when, String restore) {}
