package dev.halfdusk.core.log;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What its owner says of a frame, looked at at 100 %. */
public enum Said {
    NOTHING("not looked at"),
    KEPT("kept"),
    BEST("the best"),
    LINES("stars are lines"),
    GRAIN("too grainy"),
    SOFT("soft"),
    DARK("too dark"),
    BRIGHT("too bright"),
    OTHER("not kept");

    private final String words;

    Said(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    public String key() {
        return this == NOTHING ? "" : name().toLowerCase(Locale.ROOT);
    }

    public static Optional<Said> of(String key) {
        return Arrays.stream(values()).filter(s -> s.key().equals(key)).findFirst();
    }

    public boolean kept() {
        return this == KEPT || this == BEST;
    }
}
