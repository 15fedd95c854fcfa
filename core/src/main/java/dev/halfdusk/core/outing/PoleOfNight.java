package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.PoleSigns;
import dev.halfdusk.core.take.Circumstances;
import java.time.Instant;

/**
 * How to find the pole where and when the first take of a night begins in the dark; without one, when it gets dark at the first place.
 *
 * @param c of that place
 */
public record PoleOfNight(Circumstances c, PoleSigns signs) {

    public static PoleOfNight of(Circumstances first, Schedule schedule) {
        return schedule.slots().stream()
                .filter(s -> !s.runs().from().isBefore(dark(s.plan().c().night())))
                .findFirst()
                .map(s -> at(s.plan().c(), s.runs().from()))
                .orElseGet(() -> at(first, dark(first.night())));
    }

    private static PoleOfNight at(Circumstances c, Instant when) {
        return new PoleOfNight(
                c, PoleSigns.of(c.night().observer(), when, c.from().skyline()));
    }

    /** When it gets dark; where it never does, when it is darkest. */
    private static Instant dark(Night night) {
        return night.dark().stream()
                .map(Interval::from)
                .findFirst()
                .orElseGet(() -> night.sunLowest().when());
    }

    public String clock() {
        return c.night().clock(signs.when());
    }

    /** "The pole is due north, 38° up; the compass shows 1°." */
    public String words() {
        double azimuth = signs.north() ? 0 : 180;
        String compass = c.declinationDeg().isEmpty()
                ? ""
                : "; the compass shows "
                        + Numbers.fixed(
                                Angles.magneticDeg(azimuth, c.declinationDeg().getAsDouble()), 0)
                        + "\u00b0";
        return signs.words() + compass + ".";
    }
}
