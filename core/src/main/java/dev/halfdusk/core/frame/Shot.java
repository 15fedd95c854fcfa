package dev.halfdusk.core.frame;

import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;

/**
 * How the picture is taken.
 *
 * @param efficiency quantum efficiency × transmission of lens and filters
 * @param widest f-number at which the corners are soft
 * @param defocusUm diameter of the spot a star makes when focus is missed, 0 in focus
 * @param kelvin white balance
 */
public record Shot(
        Framing framing,
        Response response,
        double efficiency,
        Settings settings,
        double widest,
        double defocusUm,
        double kelvin,
        Support support) {

    public static final Range KELVIN = new Range("white balance", 2000, 12_000, " K");
    public static final Range DEFOCUS = new Range("spot of missed focus", 0, 500, " \u00b5m");
    /** White balance where nobody says otherwise. */
    public static final double USUAL_KELVIN = 4000;

    public Shot {
        Range.SHUTTER.check(settings.seconds());
        DEFOCUS.check(defocusUm);
        KELVIN.check(kelvin);
    }

    /** In focus, with the rig and the framing of a setup. */
    public static Shot of(Setup setup, Settings settings, double kelvin) {
        return new Shot(
                setup.framing(),
                setup.rig().body().response(),
                setup.rig().efficiency(),
                settings,
                setup.rig().apertures(setup.onLensMm()).min(),
                0,
                kelvin,
                setup.rig().support());
    }

    double seconds() {
        return settings.seconds();
    }

    double aperture() {
        return settings.aperture();
    }
}
