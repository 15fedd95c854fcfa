package dev.halfdusk.app.learned;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.log.Learnable;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Collectors;

/**
 * A value that was learned and is used.
 *
 * @param whose number of the place, body, lens or battery, key of the subject; empty for oneself
 * @param before what stood there; empty where nothing did
 * @param from "from 4 nights of yours"
 * @param nights that it is from, the last first
 */
public record Origin(
        Learnable what, String whose, OptionalDouble before, double used, String from, List<LocalDate> nights) {

    private static final int NAMED = 3;
    private static final double SAME = 1e-6;

    public Origin {
        nights = List.copyOf(nights);
    }

    /** Whether a value is still this one: its owner may have set another. */
    public boolean holds(OptionalDouble now) {
        return now.isPresent() && Math.abs(now.getAsDouble() - used) < SAME;
    }

    /** "darkness of the zenith 21.35 mag/arcsec², from 2 nights of yours: 8 Jun 2027, 6 Jul 2027; 20.9 before". */
    public String words() {
        return what.words() + " " + what.words(used) + ", " + from + ": " + named()
                + (before.isPresent() ? "; " + what.words(before.getAsDouble()) + " before" : "");
    }

    private String named() {
        return nights.stream().limit(NAMED).map(Words::day).collect(Collectors.joining(", "))
                + (nights.size() > NAMED ? " \u2026" : "");
    }
}
