package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Response;

/**
 * How the picture is taken.
 *
 * @param efficiency quantum efficiency × transmission of lens and filters
 * @param aperture f-number
 * @param widest f-number at which the corners are soft
 * @param seconds the shutter is open
 * @param defocusUm radius of the spot a star makes when focus is missed, 0 in focus
 * @param kelvin white balance
 * @param tracked whether the camera follows the stars
 */
public record Shot(
        Framing framing,
        Response response,
        double efficiency,
        double aperture,
        double widest,
        double seconds,
        double iso,
        double defocusUm,
        double kelvin,
        boolean tracked) {

    public static final Range KELVIN = new Range("white balance", 2000, 12_000, " K");
    public static final Range DEFOCUS = new Range("spot of missed focus", 0, 500, " \u00b5m");

    public Shot {
        Range.APERTURE.check(aperture);
        Range.SHUTTER.check(seconds);
        Range.ISO.check(iso);
        DEFOCUS.check(defocusUm);
        KELVIN.check(kelvin);
    }
}
