package dev.halfdusk.core.sky;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/** A stretch of time, start included, end excluded. Lists of intervals are in order and do not touch. */
public record Interval(Instant from, Instant to) {

    public Interval {
        if (to.isBefore(from)) {
            throw new IllegalArgumentException("an interval cannot end before it begins: " + from + " to " + to);
        }
    }

    public Duration length() {
        return Duration.between(from, to);
    }

    public boolean contains(Instant instant) {
        return !instant.isBefore(from) && instant.isBefore(to);
    }

    public Instant middle() {
        return from.plus(length().dividedBy(2));
    }

    /** What lies in both lists. */
    public static List<Interval> common(List<Interval> a, List<Interval> b) {
        List<Interval> result = new ArrayList<>();
        for (Interval one : a) {
            for (Interval other : b) {
                Instant from = one.from.isAfter(other.from) ? one.from : other.from;
                Instant to = one.to.isBefore(other.to) ? one.to : other.to;
                if (from.isBefore(to)) {
                    result.add(new Interval(from, to));
                }
            }
        }
        return List.copyOf(result);
    }

    /** What of the whole lies in none of the list. */
    public static List<Interval> without(Interval whole, List<Interval> holes) {
        List<Interval> result = new ArrayList<>();
        Instant from = whole.from;
        for (Interval hole : holes) {
            if (from.isBefore(hole.from)) {
                result.add(new Interval(from, hole.from));
            }
            from = hole.to.isAfter(from) ? hole.to : from;
        }
        if (from.isBefore(whole.to)) {
            result.add(new Interval(from, whole.to));
        }
        return List.copyOf(result);
    }

    public static Duration total(List<Interval> intervals) {
        return intervals.stream().map(Interval::length).reduce(Duration.ZERO, Duration::plus);
    }
}
