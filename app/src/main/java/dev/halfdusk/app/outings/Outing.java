package dev.halfdusk.app.outings;

import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.setup.Asked;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.night.Night;
import java.time.Instant;
import java.time.LocalDate;

/**
 * A night at a place with a rig.
 *
 * @param id null until stored
 * @param focalMm set on the lens, without a converter
 * @param aperture f-number to shoot at, as it works with the converter
 * @param tolerancePx drift that still counts as a point
 * @param sharp who must stay within it
 * @param iso the photographer intends to shoot at
 * @param revision grows by one with each change, from 1
 */
public record Outing(
        Long id,
        String title,
        Place place,
        LocalDate night,
        NamedRig rig,
        double focalMm,
        double aperture,
        double tolerancePx,
        Sharp sharp,
        int iso,
        long revision) {

    /** One that is not stored yet. */
    public static Outing fresh(
            String title,
            Place place,
            LocalDate night,
            NamedRig rig,
            double focalMm,
            double aperture,
            double tolerancePx,
            Sharp sharp,
            int iso) {
        return new Outing(null, title, place, night, rig, focalMm, aperture, tolerancePx, sharp, iso, 1);
    }

    Outing withId(long other) {
        return new Outing(other, title, place, night, rig, focalMm, aperture, tolerancePx, sharp, iso, revision);
    }

    Outing withNight(LocalDate other) {
        return new Outing(id, title, place, other, rig, focalMm, aperture, tolerancePx, sharp, iso, revision);
    }

    Night night(Skies skies) {
        return skies.night(place, night);
    }

    /** What it asks of exposure at an instant of its night. */
    Asked asked(Night sky, Instant when) {
        return Asked.of(rig, place, sky, focalMm, aperture, Demand.USUAL.within(tolerancePx, sharp), when);
    }
}
