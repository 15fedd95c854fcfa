package dev.halfdusk.core.search;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Dark;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.sky.Galaxy;
import java.time.DayOfWeek;
import java.time.Month;
import java.util.EnumSet;
import java.util.Set;

/**
 * What someone asks of a night. A night that breaks a wish is not found; the rest are ranked.
 *
 * @param hours least time of dark, moonless sky in which it is as wanted
 * @param dark how dark it must be
 * @param moonAllowanceMag how much moonlight may brighten the zenith; 0: moon down
 * @param wanted for what
 * @param stances how the band may stand at the core, empty for any; asked of no other sight
 * @param weekdays of the evening, empty for any
 * @param months of the evening, empty for any
 */
public record NightWish(
        double hours,
        Dark dark,
        double moonAllowanceMag,
        Wanted wanted,
        Set<Galaxy.Stance> stances,
        Set<DayOfWeek> weekdays,
        Set<Month> months) {

    public static final Range HOURS = new Range("hours", 0, 24, " h");

    /** An hour of the sight above 10° in a dark sky without moon. */
    public static final NightWish USUAL =
            new NightWish(1, Dark.ASTRONOMICAL, 0, Wanted.Standing.above(10), Set.of(), Set.of(), Set.of());

    /** Three hours of dark sky without moon, whatever stands in it. */
    public static final NightWish DARK =
            new NightWish(3, Dark.ASTRONOMICAL, 0, new Wanted.DarkSky(), Set.of(), Set.of(), Set.of());

    /** An hour of a sight, as dark and high as is asked. */
    public static NightWish of(Asked asked) {
        return new NightWish(
                1, asked.dark(), 0, Wanted.Standing.above(asked.leastAltitudeDeg()), Set.of(), Set.of(), Set.of());
    }

    public NightWish {
        HOURS.check(hours);
        NightRules.MOON_ALLOWANCE.check(moonAllowanceMag);
        stances = Set.copyOf(stances);
        weekdays = weekdays.isEmpty() ? EnumSet.allOf(DayOfWeek.class) : Set.copyOf(weekdays);
        months = months.isEmpty() ? EnumSet.allOf(Month.class) : Set.copyOf(months);
    }

    NightWish withHours(double least) {
        return new NightWish(least, dark, moonAllowanceMag, wanted, stances, weekdays, months);
    }

    NightWish withMoonAllowance(double magnitudes) {
        return new NightWish(hours, dark, magnitudes, wanted, stances, weekdays, months);
    }

    NightWish of(Wanted other) {
        return new NightWish(hours, dark, moonAllowanceMag, other, stances, weekdays, months);
    }

    public NightWish asDarkAs(Dark other) {
        return new NightWish(hours, other, moonAllowanceMag, wanted, stances, weekdays, months);
    }

    NightWish anyStance() {
        return new NightWish(hours, dark, moonAllowanceMag, wanted, Set.of(), weekdays, months);
    }

    NightWish on(Set<DayOfWeek> otherWeekdays, Set<Month> otherMonths) {
        return new NightWish(hours, dark, moonAllowanceMag, wanted, stances, otherWeekdays, otherMonths);
    }
}
