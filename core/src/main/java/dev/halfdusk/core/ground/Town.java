package dev.halfdusk.core.ground;

import java.util.OptionalDouble;

/**
 * A populated place of the gazetteer (GeoNames, state of March 2023).
 *
 * @param country two-letter code
 * @param people counted; where a whole municipality is counted, more than light up the sky
 * @param zone name of its time zone
 */
public record Town(
        String name,
        String plainName,
        double latitudeDeg,
        double longitudeDeg,
        String country,
        int people,
        OptionalDouble elevationM,
        String zone) {

    public double distanceKm(double latitude, double longitude) {
        return Geodesy.distanceKm(latitude, longitude, latitudeDeg, longitudeDeg);
    }
}
