package dev.halfdusk.core.lighttable;

import java.util.Locale;

/** What a frame is of, where somebody says so; else it is told by what is found in it. */
public enum Motif {
    STARS("stars"),
    MOON("the moon"),
    FIREWORKS("fireworks"),
    /** People, streets and land, whose sky is not what counts. */
    GROUND("people or land"),
    /** A scan of a frame on film, as a positive. */
    FILM("a scan of film"),
    /** Photographed at a slant, to see where the focus lies. */
    RULER("a ruler, for the focus");

    private final String words;

    Motif(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
