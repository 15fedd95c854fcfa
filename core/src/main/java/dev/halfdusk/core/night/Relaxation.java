package dev.halfdusk.core.night;

import java.time.DayOfWeek;
import java.time.Month;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * A wish with one of its limits let go, to tell what would have to give for more nights.
 *
 * @param what was let go, in words that follow "with"
 */
public record Relaxation(String what, NightWish wish) {

    /** Every way to let go of one limit that the wish really sets. */
    public static List<Relaxation> of(NightWish w) {
        List<Relaxation> all = new ArrayList<>();
        if (w.hours() > 0.5) {
            all.add(new Relaxation(
                    "half the hours", copy(w, w.hours() / 2, w.moonAllowanceMag(), w.coreAltitudeDeg())));
        }
        if (w.coreAltitudeDeg() > 5) {
            all.add(new Relaxation("the core from 5\u00b0 up", copy(w, w.hours(), w.moonAllowanceMag(), 5)));
        }
        if (w.moonAllowanceMag() < 0.5) {
            all.add(new Relaxation("moonlight up to half a magnitude", copy(w, w.hours(), 0.5, w.coreAltitudeDeg())));
        }
        if (w.fromAzimuthDeg() != w.toAzimuthDeg()) {
            all.add(new Relaxation(
                    "the core in any direction",
                    new NightWish(
                            w.hours(),
                            w.sunDepressionDeg(),
                            w.moonAllowanceMag(),
                            w.coreAltitudeDeg(),
                            0,
                            0,
                            w.stances(),
                            w.weekdays(),
                            w.months())));
        }
        if (!w.stances().isEmpty()) {
            all.add(new Relaxation(
                    "the Milky Way any way up",
                    new NightWish(
                            w.hours(),
                            w.sunDepressionDeg(),
                            w.moonAllowanceMag(),
                            w.coreAltitudeDeg(),
                            w.fromAzimuthDeg(),
                            w.toAzimuthDeg(),
                            Set.of(),
                            w.weekdays(),
                            w.months())));
        }
        if (w.weekdays().size() < DayOfWeek.values().length) {
            all.add(new Relaxation(
                    "any weekday",
                    new NightWish(
                            w.hours(),
                            w.sunDepressionDeg(),
                            w.moonAllowanceMag(),
                            w.coreAltitudeDeg(),
                            w.fromAzimuthDeg(),
                            w.toAzimuthDeg(),
                            w.stances(),
                            Set.of(),
                            w.months())));
        }
        if (w.months().size() < Month.values().length) {
            all.add(new Relaxation(
                    "any month",
                    new NightWish(
                            w.hours(),
                            w.sunDepressionDeg(),
                            w.moonAllowanceMag(),
                            w.coreAltitudeDeg(),
                            w.fromAzimuthDeg(),
                            w.toAzimuthDeg(),
                            w.stances(),
                            w.weekdays(),
                            Set.of())));
        }
        return List.copyOf(all);
    }

    private static NightWish copy(NightWish w, double hours, double moonAllowanceMag, double coreAltitudeDeg) {
        return new NightWish(
                hours,
                w.sunDepressionDeg(),
                moonAllowanceMag,
                coreAltitudeDeg,
                w.fromAzimuthDeg(),
                w.toAzimuthDeg(),
                w.stances(),
                w.weekdays(),
                w.months());
    }
}
