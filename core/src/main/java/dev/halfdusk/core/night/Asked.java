package dev.halfdusk.core.night;

/**
 * What someone asks of the sky: what to see in it, how dark, and how high.
 *
 * @param leastAltitudeDeg how high the sight must stand, airless
 */
public record Asked(Sight sight, Dark dark, double leastAltitudeDeg) {

    /** The core 10\u00b0 high, without twilight. */
    public static final Asked USUAL =
            new Asked(Sight.CORE, NightRules.USUAL.dark(), NightRules.USUAL.leastAltitudeDeg());

    public Asked {
        NightRules.LEAST_ALTITUDE.check(leastAltitudeDeg);
    }

    public static Asked of(Sight sight) {
        return new Asked(sight, USUAL.dark, USUAL.leastAltitudeDeg);
    }

    public Asked asDarkAs(Dark other) {
        return new Asked(sight, other, leastAltitudeDeg);
    }

    public Asked from(double altitudeDeg) {
        return new Asked(sight, dark, altitudeDeg);
    }

    /** A night by these rules, of the same skyline and moonlight. */
    public Night in(Night night) {
        return night.by(night.rules().asking(dark, leastAltitudeDeg));
    }

    /** What is seen of the sight in a night. */
    public Showing showing(Night night) {
        return in(night).showing(sight);
    }
}
