package dev.halfdusk.core.log;

import java.time.LocalDate;
import java.util.OptionalDouble;

/**
 * What one night showed of something.
 *
 * @param whose number of the place, body, lens or battery, key of the subject; empty for oneself
 * @param celsius of the air, where it matters and is known
 * @param counts whether its owner lets it count
 * @param how it came about, in words
 */
public record Observation(
        Learnable what,
        String whose,
        LocalDate night,
        double value,
        OptionalDouble celsius,
        boolean counts,
        String how) {

    public Observation {
        what.range().check(value);
    }
}
