package dev.halfdusk.core.measure;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** A stretch of time, start included, end excluded. Lists of intervals are in order and do not touch. */
public record Interval(Instant from, Instant to) {

    /** @throws IllegalArgumentException where the end lies before the start */
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

    /** An instant within, or the end nearer to it. */
    public Instant nearest(Instant instant) {
        return instant.isBefore(from) ? from : instant.isAfter(to) ? to : instant;
    }

    public Instant middle() {
        return from.plus(length().dividedBy(2));
    }

    /** What lies in both; empty where they only touch. */
    public Optional<Interval> and(Interval other) {
        Instant begin = from.isAfter(other.from) ? from : other.from;
        Instant end = to.isBefore(other.to) ? to : other.to;
        return begin.isBefore(end) ? Optional.of(new Interval(begin, end)) : Optional.empty();
    }

    /** What lies in both lists. */
    public static List<Interval> common(List<Interval> a, List<Interval> b) {
        List<Interval> result = new ArrayList<>();
        for (Interval one : a) {
            for (Interval other : b) {
                one.and(other).ifPresent(result::add);
            }
        }
        return List.copyOf(result);
    }

    /** What of the whole lies in none of the list; holes may reach beyond its ends, or lie outside. */
    public static List<Interval> without(Interval whole, List<Interval> holes) {
        List<Interval> result = new ArrayList<>();
        Instant from = whole.from;
        for (Interval hole : holes) {
            Instant end = hole.from.isBefore(whole.to) ? hole.from : whole.to;
            if (from.isBefore(end)) {
                result.add(new Interval(from, end));
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

    /** The longest of the list, the first of equals; empty for an empty list. */
    public static Optional<Interval> longest(List<Interval> intervals) {
        // of equals a stream's max would hand back the last
        return intervals.stream()
                .sorted(Comparator.comparing(Interval::length).reversed())
                .findFirst();
    }
}
