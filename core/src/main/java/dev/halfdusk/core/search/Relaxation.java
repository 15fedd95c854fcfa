package dev.halfdusk.core.search;

import dev.halfdusk.core.night.Dark;
import dev.halfdusk.core.night.Sight;
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

    private static final double LOW = 5;
    private static final Dark NAUTICAL = Dark.sun(12);

    /** Every way to let go of one limit that the wish really sets. */
    public static List<Relaxation> of(NightWish w, Sight sight) {
        List<Relaxation> all = new ArrayList<>();
        if (w.hours() > 0.5) {
            all.add(new Relaxation("half the hours", w.withHours(w.hours() / 2)));
        }
        if (w.wanted() instanceof Wanted.Standing standing && standing.fromAltitudeDeg() > LOW) {
            Wanted lower = new Wanted.Standing(
                    LOW, standing.toAltitudeDeg(), standing.fromAzimuthDeg(), standing.toAzimuthDeg());
            all.add(new Relaxation(sight.name() + " from 5\u00b0 up", w.of(lower)));
        }
        if (!w.dark().orDeepest() && w.dark().sunDepressionDeg() > NAUTICAL.sunDepressionDeg()) {
            all.add(new Relaxation(NAUTICAL.words(), w.asDarkAs(NAUTICAL)));
        }
        if (w.moonAllowanceMag() < 0.5) {
            all.add(new Relaxation("moonlight up to half a magnitude", w.withMoonAllowance(0.5)));
        }
        if (w.wanted() instanceof Wanted.Standing standing && !standing.anywhere()) {
            Wanted anywhere = new Wanted.Standing(standing.fromAltitudeDeg(), standing.toAltitudeDeg(), 0, 0);
            all.add(new Relaxation(sight.name() + " in any direction", w.of(anywhere)));
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
