package dev.halfdusk.core.sky;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** A principal phase: apparent geocentric ecliptic longitudes of moon and sun differ by 0, 90, 180 or 270°. */
public record MoonPhase(Quarter quarter, Instant when) {

    public enum Quarter {
        NEW("new", 0),
        FIRST_QUARTER("first_quarter", 90),
        FULL("full", 180),
        LAST_QUARTER("last_quarter", 270);

        private final String key;
        private final double elongationDeg;

        Quarter(String key, double elongationDeg) {
            this.key = key;
            this.elongationDeg = elongationDeg;
        }

        /** Stable name for interfaces. */
        public String key() {
            return key;
        }
    }

    /** Three or four of them from a phase to the next. */
    private static final Duration STEP = Duration.ofDays(2);

    /** All phases in from (included) to to (excluded), in order; to 2 s against an independent ephemeris (tested). */
    public static List<MoonPhase> between(Instant from, Instant to) {
        List<MoonPhase> phases = new ArrayList<>();
        Events sampled = Events.over(from, to, STEP);
        for (Quarter quarter : Quarter.values()) {
            Fact fact = Facts.longitudeDifference(Body.MOON, Body.SUN, quarter.elongationDeg);
            for (Crossing crossing : sampled.find(fact)) {
                phases.add(new MoonPhase(quarter, crossing.when()));
            }
        }
        phases.sort(Comparator.comparing(MoonPhase::when));
        return List.copyOf(phases);
    }
}
