package dev.halfdusk.app.web;

import java.util.Arrays;
import java.util.Locale;

/** The three ways the pages are lit. */
public enum Lamp {
    DUSK,
    DAY,
    RED;

    static final String COOKIE = "lamp";

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The lamp of that name; dusk for any other word. */
    static Lamp of(String key) {
        return Arrays.stream(values())
                .filter(lamp -> lamp.key().equals(key))
                .findFirst()
                .orElse(DUSK);
    }
}
