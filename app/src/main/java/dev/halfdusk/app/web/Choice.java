package dev.halfdusk.app.web;

/** One of a list to choose from: what a field holds, and what is read. */
public record Choice(String id, String name) {}
