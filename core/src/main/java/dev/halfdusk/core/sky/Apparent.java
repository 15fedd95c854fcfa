package dev.halfdusk.core.sky;

/**
 * Geocentric apparent place, true equator and equinox of date.
 *
 * @param rightAscensionDeg 0 to 360
 * @param declinationDeg −90 to 90
 * @param distanceKm from the earth's centre, light time allowed for; infinite for stars
 */
public record Apparent(double rightAscensionDeg, double declinationDeg, double distanceKm) {

    /** IAU 2012. */
    public static final double KM_PER_AU = 149_597_870.7;

    public double distanceAu() {
        return distanceKm / KM_PER_AU;
    }
}
