package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.eclipse.SolarEclipse.Type;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import java.time.Instant;
import java.util.Optional;

/**
 * While filters may be off: within totality, by margins that can only be widened. It exists for a total eclipse seen from the place itself and
 * for nothing else; every cue, script and page asks this and has no rule of its own.
 *
 * @param off from the cue to take them off to the moment at which they must be on again
 */
public record FilterWindow(Interval off) {

    /** Totality shorter than this, seconds, is eaten up by the margins and by the valleys of the moon's real limb: filters stay on. */
    public static final double SHORTEST_TOTALITY_S = 20;

    /** A window shorter than this, seconds, is not worth the danger: the filters stay on. */
    private static final double SHORTEST_SECONDS = 5;

    /**
     * How far it keeps from the contacts: real valleys of the moon, an error of the place and the clock, and hands that need their time.
     *
     * @param afterC2 seconds
     * @param beforeC3 seconds
     */
    public record Margins(double afterC2, double beforeC3) {

        public static final Range AFTER_C2 = new Range("filter off after C2", 2, 60, " s");
        public static final Range BEFORE_C3 = new Range("filter on before C3", 12, 120, " s");

        /** The least there may be. */
        public static final Margins LEAST = new Margins(AFTER_C2.min(), BEFORE_C3.min());

        public Margins {
            AFTER_C2.check(afterC2);
            BEFORE_C3.check(beforeC3);
        }
    }

    /** Empty unless the eclipse is total here, the sun is seen at both contacts, and enough of it is left. */
    public static Optional<FilterWindow> of(LocalSolarEclipse here, Margins margins) {
        Optional<LocalSolarEclipse.Contact> c2 = here.contact(Anchor.C2);
        Optional<LocalSolarEclipse.Contact> c3 = here.contact(Anchor.C3);
        if (here.type() != Type.TOTAL || c2.isEmpty() || c3.isEmpty() || !whole(c2.get()) || !whole(c3.get())) {
            return Optional.empty();
        }
        Instant from = Instants.after(c2.get().when(), margins.afterC2);
        Instant to = Instants.after(c3.get().when(), -margins.beforeC3);
        return here.inner().toNanos() < SHORTEST_TOTALITY_S * 1e9 || Instants.seconds(from, to) < SHORTEST_SECONDS
                ? Optional.empty()
                : Optional.of(new FilterWindow(new Interval(from, to)));
    }

    /** Not with half a sun on the horizon. */
    private static boolean whole(LocalSolarEclipse.Contact c) {
        return c.up() && c.sun().altitudeDeg() > 0;
    }

    /** Whether a shutter that is open for so long stays within it. */
    public boolean holds(Instant opens, double seconds) {
        return !opens.isBefore(off.from()) && !Instants.after(opens, seconds).isAfter(off.to());
    }

    /** What holds for the filter, in words for every page and sheet. */
    public static String words(LocalSolarEclipse here, Optional<FilterWindow> window) {
        if (window.isPresent()) {
            return "The filter stays on until totality has begun and is on again before it ends. Outside of totality it never comes off.";
        }
        return here.type() == Type.TOTAL
                ? "The filter never comes off: totality lasts "
                        + Math.round(here.inner().toMillis() / 1e3)
                        + " s here, too little of it is seen to take the filter off safely (less than "
                        + Math.round(SHORTEST_TOTALITY_S)
                        + " s, a sun that is hidden, or margins that leave nothing)."
                : "The filter never comes off: this eclipse is " + here.type().words() + " here.";
    }
}
