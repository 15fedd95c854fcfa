package dev.halfdusk.core.search;

import dev.halfdusk.core.night.YearOfNights;
import java.time.LocalDate;
import java.util.Optional;
import java.util.Set;

/**
 * When the core can be photographed at all, by sun and skyline and whatever the moon.
 *
 * @param inSeason whether the first night looked at is one of them
 * @param begins the first night of the next season; empty where none begins in the nights looked at
 * @param ends the last night of the running season, or of the one that begins; empty where it does not end in them
 */
public record CoreSeason(boolean inSeason, Optional<LocalDate> begins, Optional<LocalDate> ends) {

    /** With the core above 10° for an hour of darkness. */
    public static CoreSeason of(YearOfNights year) {
        Wanted core = NightWish.USUAL.wanted();
        NightWish whatever = new NightWish(1, 18, 0, core, Set.of(), Set.of(), Set.of());
        Sampled sampled = new Sampled(year, whatever);
        boolean first = night(year, sampled, 0);
        Optional<LocalDate> begins = Optional.empty();
        Optional<LocalDate> ends = Optional.empty();
        boolean before = first;
        for (int i = 1; i < year.nights(); i++) {
            boolean now = night(year, sampled, i);
            if (now && !before && begins.isEmpty()) {
                begins = Optional.of(year.date(i));
            }
            if (!now && before && ends.isEmpty()) {
                ends = Optional.of(year.date(i - 1));
            }
            before = now;
        }
        return new CoreSeason(first, begins, ends);
    }

    private static boolean night(YearOfNights year, Sampled sampled, int night) {
        return sampled.hoursWithoutMoon(night) >= NightWish.USUAL.hours();
    }
}
