package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Numbers;

/**
 * How a lens is set, whether or not one can be.
 *
 * @param onLensMm focal length on its ring, without a converter
 * @param aperture f-number as it works on the sensor, with the converter
 */
public record LensSetting(double onLensMm, double aperture) {

    /** "35 mm, f/1.4". */
    public String words() {
        return Numbers.trimmed(onLensMm, 1) + " mm, f/" + Numbers.trimmed(aperture, 1);
    }
}
