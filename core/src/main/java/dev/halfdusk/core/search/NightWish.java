package dev.halfdusk.core.search;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.sky.Galaxy;
import java.time.DayOfWeek;
import java.time.Month;
import java.util.EnumSet;
import java.util.Set;

/**
 * What someone asks of a night. A night that breaks a wish is not found; the rest are ranked.
 *
 * @param hours least time of dark, moonless sky with the core where it is wanted
 * @param moonAllowanceMag how much moonlight may brighten the zenith; 0: moon down
 * @param fromAzimuthDeg the core must stand between these azimuths, clockwise; equal for anywhere
 * @param stances how the band may stand at the core, empty for any
 * @param weekdays of the evening, empty for any
 * @param months of the evening, empty for any
 */
public record NightWish(
        double hours,
        double sunDepressionDeg,
        double moonAllowanceMag,
        double coreAltitudeDeg,
        double fromAzimuthDeg,
        double toAzimuthDeg,
        Set<Galaxy.Stance> stances,
        Set<DayOfWeek> weekdays,
        Set<Month> months) {

    public static final Range HOURS = new Range("hours", 0, 24, " h");

    /** An hour of core above 10° in a dark sky without moon. */
    public static final NightWish USUAL = new NightWish(1, 18, 0, 10, 0, 0, Set.of(), Set.of(), Set.of());

    public NightWish {
        HOURS.check(hours);
        NightRules.DEPRESSION.check(sunDepressionDeg);
        NightRules.MOON_ALLOWANCE.check(moonAllowanceMag);
        NightRules.CORE_ALTITUDE.check(coreAltitudeDeg);
        Range.AZIMUTH.check(fromAzimuthDeg);
        Range.AZIMUTH.check(toAzimuthDeg);
        stances = Set.copyOf(stances);
        weekdays = weekdays.isEmpty() ? EnumSet.allOf(DayOfWeek.class) : Set.copyOf(weekdays);
        months = months.isEmpty() ? EnumSet.allOf(Month.class) : Set.copyOf(months);
    }

    NightWish withHours(double least) {
        return new NightWish(
                least,
                sunDepressionDeg,
                moonAllowanceMag,
                coreAltitudeDeg,
                fromAzimuthDeg,
                toAzimuthDeg,
                stances,
                weekdays,
                months);
    }

    NightWish withMoonAllowance(double magnitudes) {
        return new NightWish(
                hours,
                sunDepressionDeg,
                magnitudes,
                coreAltitudeDeg,
                fromAzimuthDeg,
                toAzimuthDeg,
                stances,
                weekdays,
                months);
    }

    NightWish withCoreAltitude(double degrees) {
        return new NightWish(
                hours,
                sunDepressionDeg,
                moonAllowanceMag,
                degrees,
                fromAzimuthDeg,
                toAzimuthDeg,
                stances,
                weekdays,
                months);
    }

    NightWish anywhere() {
        return new NightWish(
                hours, sunDepressionDeg, moonAllowanceMag, coreAltitudeDeg, 0, 0, stances, weekdays, months);
    }

    NightWish anyStance() {
        return new NightWish(
                hours,
                sunDepressionDeg,
                moonAllowanceMag,
                coreAltitudeDeg,
                fromAzimuthDeg,
                toAzimuthDeg,
                Set.of(),
                weekdays,
                months);
    }

    NightWish on(Set<DayOfWeek> otherWeekdays, Set<Month> otherMonths) {
        return new NightWish(
                hours,
                sunDepressionDeg,
                moonAllowanceMag,
                coreAltitudeDeg,
                fromAzimuthDeg,
                toAzimuthDeg,
                stances,
                otherWeekdays,
                otherMonths);
    }

    boolean wantsAzimuth(double azimuthDeg) {
        if (fromAzimuthDeg == toAzimuthDeg) {
            return true;
        }
        return Angles.turn(azimuthDeg - fromAzimuthDeg) <= Angles.turn(toAzimuthDeg - fromAzimuthDeg);
    }
}
