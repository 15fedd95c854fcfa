package dev.halfdusk.app.deleted;

/** Something that needs what was to be deleted, and where it is. */
public record Need(String name, String path) {}
