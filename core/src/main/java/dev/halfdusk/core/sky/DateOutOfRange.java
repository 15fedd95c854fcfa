package dev.halfdusk.core.sky;

import java.time.Instant;

/** A date for which the shipped ephemeris has no positions. */
public final class DateOutOfRange extends IllegalArgumentException {

    public DateOutOfRange(Instant given) {
        this(given.toString());
    }

    public DateOutOfRange(String given) {
        super(given + " is outside the years that can be computed: 2000\u20132059");
    }
}
