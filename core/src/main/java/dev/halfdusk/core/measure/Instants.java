package dev.halfdusk.core.measure;

import java.time.Duration;
import java.time.Instant;

/** Instants and seconds with fractions, to the nanosecond. */
public final class Instants {

    private static final double NANOS = 1e9;

    private Instants() {}

    /** So many seconds later; earlier below 0. */
    public static Instant after(Instant t, double seconds) {
        return t.plusNanos(nanos(seconds));
    }

    public static long nanos(double seconds) {
        return Math.round(seconds * NANOS);
    }

    /** From one to another; negative where the other is earlier. */
    public static double seconds(Instant from, Instant to) {
        return Duration.between(from, to).toNanos() / NANOS;
    }
}
