package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.sky.TimeScale;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/** New or full moons of a moon that runs evenly: where to look for eclipses. */
final class MeanMoons {

    /** By so much a true one is before or after the mean one. */
    static final Duration REACH = Duration.ofHours(20);

    /** Before and after a greatest eclipse nothing of it is left. */
    static final Duration LONGEST = Duration.ofHours(4);

    static final Instant NEW = Instant.parse("2000-01-06T14:20:00Z");
    static final Instant FULL = Instant.parse("2000-01-21T08:42:00Z");

    private static final double MONTH_SECONDS = 29.530588861 * 86_400;

    private MeanMoons() {}

    /** Those from some days before an instant to some days after another, whose surroundings can be reckoned. */
    static List<Instant> between(Instant first, Instant asked, Instant until) {
        Instant from = asked.isBefore(TimeScale.FIRST) ? TimeScale.FIRST : asked;
        Instant to = until.isAfter(TimeScale.LAST) ? TimeScale.LAST : until;
        List<Instant> means = new ArrayList<>();
        long begin = (long) Math.floor(Duration.between(first, from).getSeconds() / MONTH_SECONDS) - 1;
        for (long k = begin; ; k++) {
            Instant mean = first.plusSeconds(Math.round(k * MONTH_SECONDS));
            if (mean.minus(REACH).isAfter(to)) {
                return means;
            }
            Duration around = REACH.plus(LONGEST);
            if (TimeScale.covers(mean.minus(around)) && TimeScale.covers(mean.plus(around))) {
                means.add(mean);
            }
        }
    }
}
