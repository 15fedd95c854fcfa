package dev.halfdusk.core.exposure;

import java.util.Locale;

/** Which stars of a frame must stay within the tolerance. */
public enum Sharp {
    ALL("every star"),
    MOST("nine tenths of the frame"),
    HALF("half of the frame"),
    AIM("what it is aimed at");

    private final String words;

    Sharp(String words) {
        this.words = words;
    }

    /** Stable name for addresses and interfaces. */
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return words;
    }
}
