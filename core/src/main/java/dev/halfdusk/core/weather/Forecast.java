package dev.halfdusk.core.weather;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * One source's forecast.
 *
 * @param issued when it was made
 * @param hours in order of time, no two at one instant
 */
public record Forecast(Source source, Instant issued, List<WeatherHour> hours) {

    /** Older than this it is shown as stale. */
    public static final Duration FRESH = Duration.ofHours(12);

    private static final Duration REACH = Duration.ofMinutes(100);

    /** Where a forecast comes from. */
    public enum Source {
        SERVICE("forecast service"),
        IMPORT("imported forecast"),
        HAND("your own entry");

        private final String words;

        Source(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @throws IllegalArgumentException where two hours are the same instant */
    public Forecast {
        hours = hours.stream().sorted(Comparator.comparing(WeatherHour::when)).toList();
        for (int i = 1; i < hours.size(); i++) {
            if (hours.get(i).when().equals(hours.get(i - 1).when())) {
                throw new IllegalArgumentException(
                        "two forecasts for " + hours.get(i).when());
            }
        }
    }

    public boolean staleAt(Instant now) {
        return Duration.between(issued, now).compareTo(FRESH) > 0;
    }

    /**
     * The weather at an instant, evenly between the hours on both sides if they are at most 200 minutes apart, else that
     * of an hour at most 100 minutes away; empty where neither is.
     */
    public Optional<WeatherHour> at(Instant when) {
        WeatherHour before = null;
        WeatherHour after = null;
        for (WeatherHour h : hours) {
            if (!h.when().isAfter(when)) {
                before = h;
            } else if (after == null) {
                after = h;
            }
        }
        boolean near = before != null && near(before, when);
        boolean soon = after != null && near(after, when);
        if (near && soon) {
            double whole = Duration.between(before.when(), after.when()).toSeconds();
            double share = Duration.between(before.when(), when).toSeconds() / whole;
            return Optional.of(before.towards(after, share, when));
        }
        return near ? Optional.of(before) : soon ? Optional.of(after) : Optional.empty();
    }

    private static boolean near(WeatherHour hour, Instant when) {
        return Duration.between(hour.when(), when).abs().compareTo(REACH) <= 0;
    }
}
