package dev.halfdusk.core.ground;

import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import java.util.List;

/**
 * What readings of the zenith say of the light of a region: by how much its towns are brighter or darker than the estimate from
 * their people. Where at least two lie within {@value #REACH_KM} km, the logarithms of their proportions to the estimate are averaged,
 * each by how near it is, {@code exp(-(d / 30 km)²)}, against a weight of {@value #DOUBT} for the estimate as it is. A single reading
 * speaks for its own place only, since it may be of a lamp over the car park. Corrections lie between a tenth and tenfold; near a
 * reading its own value is met to a tenth of its distance from the estimate.
 */
public record Readings(List<Reading> all) {

    public static final Readings NONE = new Readings(List.of());

    /** Beyond this a reading says nothing. */
    public static final double REACH_KM = 60;

    private static final double SCALE_KM = 30;

    /** Of the estimate: its square of 0.3 magnitudes against a reading's 0.1. */
    private static final double DOUBT = 0.1;

    private static final double MOST = 10;

    /** Of the natural sky: what is less cannot be told from it. */
    private static final double LEAST_SHARE = 0.01;

    public Readings {
        all = List.copyOf(all);
    }

    /**
     * A reading.
     *
     * @param times the light of towns that it found, of that estimated
     */
    public record Reading(double latitudeDeg, double longitudeDeg, double times) {

        /**
         * @param zenithMagnitude as read, V per square arcsecond
         * @param estimatedMagnitude by the towns, without reading
         */
        public static Reading of(
                double latitudeDeg, double longitudeDeg, double zenithMagnitude, double estimatedMagnitude) {
            double times = share(SkyGlow.ZENITH.check(zenithMagnitude)) / share(estimatedMagnitude);
            return new Reading(latitudeDeg, longitudeDeg, Math.max(1 / MOST, Math.min(MOST, times)));
        }
    }

    /** Light of towns at the zenith, of the natural sky. */
    private static double share(double magnitude) {
        return Math.max(LEAST_SHARE, Luminance.of(magnitude) / Luminance.of(SkyGlow.NATURAL_MAGNITUDE) - 1);
    }

    /** Those within reach of a place. */
    public int near(double latitudeDeg, double longitudeDeg) {
        return (int) all.stream()
                .filter(r -> km(r, latitudeDeg, longitudeDeg) <= REACH_KM)
                .count();
    }

    /** How much brighter towns are at a place than estimated; 1 where fewer than two readings are within reach. */
    public double times(double latitudeDeg, double longitudeDeg) {
        double sum = 0;
        double weights = DOUBT;
        int near = 0;
        for (Reading r : all) {
            double away = km(r, latitudeDeg, longitudeDeg);
            if (away <= REACH_KM) {
                double weight = Math.exp(-(away / SCALE_KM) * (away / SCALE_KM));
                sum += weight * Math.log(r.times);
                weights += weight;
                near++;
            }
        }
        return near < 2 ? 1 : Math.exp(sum / weights);
    }

    private static double km(Reading r, double latitudeDeg, double longitudeDeg) {
        return Geodesy.distanceKm(r.latitudeDeg, r.longitudeDeg, latitudeDeg, longitudeDeg);
    }
}
