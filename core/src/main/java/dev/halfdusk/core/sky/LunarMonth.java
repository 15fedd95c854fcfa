package dev.halfdusk.core.sky;

import java.time.Instant;
import java.util.List;

/** The moon's distance through the month. */
public final class LunarMonth {

    /** Mean distance of the moon in kilometres (semi-major axis of its mean orbit), to which sizes are compared. */
    public static final double MEAN_DISTANCE_KM = 384_400;

    /** Width of the moon at that distance, degrees. */
    public static final double MEAN_WIDTH_DEG = 0.518;

    private LunarMonth() {}

    /**
     * A perigee or apogee.
     *
     * @param distanceKm centre to centre
     */
    public record Apsis(Instant when, double distanceKm, boolean perigee) {}

    /** Perigees and apogees in from (included) to to (excluded); times to a minute, where the distance is flat. */
    public static List<Apsis> apsides(Instant from, Instant to) {
        return Events.over(from, to, Events.MONTHLY_STEP).extremes(Facts.distanceKm(Body.MOON)).stream()
                .map(e -> new Apsis(e.when(), e.value(), !e.highest()))
                .toList();
    }

    /** How much wider than at mean distance the moon looks from the earth's centre: 1.07 wide, 0.93 narrow. */
    public static double size(Moment moment) {
        return MEAN_DISTANCE_KM / moment.geometricDistanceKm(Body.MOON);
    }
}
