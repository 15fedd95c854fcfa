package dev.halfdusk.core.exposure;

import java.util.Locale;
import java.util.OptionalDouble;

/** Which stars of a frame must stay within the tolerance. */
public enum Sharp {
    ALL("every star", OptionalDouble.empty()),
    MOST("nine tenths of the frame", OptionalDouble.of(0.9)),
    HALF("half of the frame", OptionalDouble.of(0.5)),
    AIM("what it is aimed at", OptionalDouble.empty());

    private final String words;
    private final OptionalDouble share;

    Sharp(String words, OptionalDouble share) {
        this.words = words;
        this.share = share;
    }

    /** Of the frame's sky; empty for those that are not told by a share. */
    OptionalDouble share() {
        return share;
    }

    /** Stable name for addresses and interfaces. */
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return words;
    }
}
