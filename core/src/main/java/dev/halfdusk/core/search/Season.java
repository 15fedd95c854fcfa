package dev.halfdusk.core.search;

import dev.halfdusk.core.night.YearOfNights;
import java.time.LocalDate;
import java.util.Optional;

/**
 * When a sight can be photographed at all, by sun and skyline and whatever the moon.
 *
 * @param inSeason whether the first night looked at is one of them
 * @param begins the first night of the next season; empty where none begins in the nights looked at
 * @param ends the last night of the running season, or of the one that begins; empty where it does not end in them
 */
public record Season(boolean inSeason, Optional<LocalDate> begins, Optional<LocalDate> ends) {

    /** With the year's sight above 10° for an hour of darkness. */
    public static Season of(YearOfNights year) {
        return of(year, NightWish.USUAL);
    }

    /** By what a wish asks of dark, height and hours. */
    public static Season of(YearOfNights year, NightWish wish) {
        Sampled sampled = new Sampled(year, wish);
        boolean first = night(sampled, 0, wish);
        Optional<LocalDate> begins = Optional.empty();
        Optional<LocalDate> ends = Optional.empty();
        boolean before = first;
        for (int i = 1; i < year.nights(); i++) {
            boolean now = night(sampled, i, wish);
            if (now && !before && begins.isEmpty()) {
                begins = Optional.of(year.date(i));
            }
            if (!now && before && ends.isEmpty()) {
                ends = Optional.of(year.date(i - 1));
            }
            before = now;
        }
        return new Season(first, begins, ends);
    }

    private static boolean night(Sampled sampled, int night, NightWish wish) {
        return sampled.hoursWithoutMoon(night) >= wish.hours();
    }
}
