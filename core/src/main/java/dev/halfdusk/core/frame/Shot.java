package dev.halfdusk.core.frame;

import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Blades;
import dev.halfdusk.core.optics.Diffusion;
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
        Support support,
        Details details) {

    public static final Range KELVIN = new Range("white balance", 2000, 12_000, " K");
    public static final Range DEFOCUS = new Range("spot of missed focus", 0, 500, " \u00b5m");
    /** White balance where nobody says otherwise. */
    public static final double USUAL_KELVIN = 4000;

    /** What else marks a picture.
     *
     * @param tint of the white balance: magenta above 0, green below, in hundredths of the green
     * @param diffusion a filter that spreads bright lights
     * @param modified a sensor that passes the red hydrogen line, four times as well as others
     * @param sensorC its temperature
     * @param distortionPercent of the lens half a diagonal from the centre: a barrel below 0, a cushion above
     * @param blades of the aperture: rays of bright lamps
     */
    public record Details(
            double tint, Diffusion diffusion, boolean modified, double sensorC, double distortionPercent, int blades) {

        public static final Range TINT = new Range("tint", -50, 50, "");
        public static final Range SENSOR = new Range("temperature of the sensor", -40, 60, " \u00b0C");
        public static final Details USUAL = new Details(0, Diffusion.NONE, false, 20, 0, 9);

        public Details {
            TINT.check(tint);
            SENSOR.check(sensorC);
            Framing.DISTORTION.check(distortionPercent);
            Blades.COUNT.check(blades);
        }

        public Details with(Diffusion other) {
            return new Details(tint, other, modified, sensorC, distortionPercent, blades);
        }

        public Details withBlades(int other) {
            return new Details(tint, diffusion, modified, sensorC, distortionPercent, other);
        }

        public Details withModified(boolean other) {
            return new Details(tint, diffusion, other, sensorC, distortionPercent, blades);
        }
    }

    /** With nothing special about it. */
    public Shot(
            Framing framing,
            Response response,
            double efficiency,
            Settings settings,
            double widest,
            double defocusUm,
            double kelvin,
            Support support) {
        this(framing, response, efficiency, settings, widest, defocusUm, kelvin, support, Details.USUAL);
    }

    public Shot withDetails(Details other) {
        Framing through = framing.distorted(other.distortionPercent());
        return new Shot(through, response, efficiency, settings, widest, defocusUm, kelvin, support, other);
    }

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
                setup.rig().support(),
                Details.USUAL.withModified(setup.rig().body().modified()));
    }

    double seconds() {
        return settings.seconds();
    }

    /** Degrees of sky to a pixel of a picture, in the middle of what the lens draws. */
    double pixelDeg(Window window) {
        return framing.optics().plateScaleArcsec() * window.binned() / 3600;
    }

    double aperture() {
        return settings.aperture();
    }
}
