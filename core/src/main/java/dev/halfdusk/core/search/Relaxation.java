package dev.halfdusk.core.search;

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

    private static final double LOW_CORE = 5;

    /** Every way to let go of one limit that the wish really sets. */
    public static List<Relaxation> of(NightWish w) {
        List<Relaxation> all = new ArrayList<>();
        if (w.hours() > 0.5) {
            all.add(new Relaxation("half the hours", w.withHours(w.hours() / 2)));
        }
        if (w.wanted() instanceof Wanted.Core core && core.fromAltitudeDeg() > LOW_CORE) {
            Wanted lower = new Wanted.Core(LOW_CORE, core.toAltitudeDeg(), core.fromAzimuthDeg(), core.toAzimuthDeg());
            all.add(new Relaxation("the core from 5\u00b0 up", w.of(lower)));
        }
        if (w.moonAllowanceMag() < 0.5) {
            all.add(new Relaxation("moonlight up to half a magnitude", w.withMoonAllowance(0.5)));
        }
        if (w.wanted() instanceof Wanted.Core core && !core.anywhere()) {
            Wanted anywhere = new Wanted.Core(core.fromAltitudeDeg(), core.toAltitudeDeg(), 0, 0);
            all.add(new Relaxation("the core in any direction", w.of(anywhere)));
        }
        if (!w.stances().isEmpty()) {
            all.add(new Relaxation("the Milky Way any way up", w.anyStance()));
        }
        if (w.weekdays().size() < DayOfWeek.values().length) {
            all.add(new Relaxation("any weekday", w.on(Set.of(), w.months())));
        }
        if (w.months().size() < Month.values().length) {
            all.add(new Relaxation("any month", w.on(w.weekdays(), Set.of())));
        }
        return List.copyOf(all);
    }
}
