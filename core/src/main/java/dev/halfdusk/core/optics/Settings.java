package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.measure.Range;

/**
 * Shutter, aperture and ISO together: what a camera is set to.
 *
 * @param seconds the shutter is really open, above 0; a dial's label differs by up to 7 %
 * @param aperture f-number as it works on the sensor, with the converter
 * @param iso sensitivity
 */
public record Settings(double seconds, double aperture, double iso) {

    /** @throws OutOfRange for an aperture or ISO that no camera has, or a shutter that does not open */
    public Settings {
        if (!(seconds > 0) || Double.isInfinite(seconds)) {
            throw new OutOfRange(Range.SHUTTER, seconds);
        }
        Range.APERTURE.check(aperture);
        Range.ISO.check(iso);
    }

    public Settings withSeconds(double other) {
        return new Settings(other, aperture, iso);
    }

    public Settings withAperture(double other) {
        return new Settings(seconds, other, iso);
    }

    public Settings withIso(double other) {
        return new Settings(seconds, aperture, other);
    }

    /** By how many stops a picture with other settings is brighter: log2 t2/t1 + log2 ISO2/ISO1 − 2 log2 N2/N1. */
    public double stopsTo(Settings other) {
        return Stops.of(other.seconds / seconds)
                + Stops.of(other.iso / iso)
                - Stops.ofApertures(aperture, other.aperture);
    }
}
