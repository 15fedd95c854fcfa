package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;

/**
 * Gaps between vehicles that come by chance, so many an hour and none because of another (Poisson). True of a quiet road; behind a
 * light or a slow one they come in groups, and gaps are longer.
 */
public record Gaps(double perHour) {

    public static final Range PER_HOUR = new Range("cars an hour", 0, 5000, "");

    private static final double HOUR = 3600;

    /** One wants to be so sure of a frame without any. */
    public static final double SURE = 0.95;

    private static final int MOST = 10_000;

    public Gaps {
        PER_HOUR.check(perHour);
    }

    /** Chance that none comes while a frame is open. */
    public double free(double seconds) {
        return Math.exp(-perHour * seconds / HOUR);
    }

    /** Frames of which one is free with that certainty; the most that anyone counts where hardly any is. */
    public int frames(double seconds) {
        double hit = 1 - free(seconds);
        if (hit > 1 - 1e-9) {
            return MOST;
        }
        return hit <= 1 - SURE ? 1 : (int) Math.min(MOST, Math.ceil(Math.log(1 - SURE) / Math.log(hit)));
    }
}
