package dev.halfdusk.core.sky;

import java.time.Instant;

/** A date for which the shipped ephemeris has no positions. */
public final class DateOutOfRange extends IllegalArgumentException {

    public DateOutOfRange(Instant given) {
        this(given.toString());
    }

    public DateOutOfRange(String given) {
        this(given, "2000\u20132059");
    }

    /** @param allowed in words, where less than all years can be used */
    public DateOutOfRange(String given, String allowed) {
        super(given + " is outside what can be computed: " + allowed);
    }
}
