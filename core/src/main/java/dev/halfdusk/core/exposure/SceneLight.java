package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import java.util.List;

/** Scenes by their exposure value at ISO 100, and what a meter makes of them: EV = log2(N²/t) − log2(ISO/100). */
public final class SceneLight {

    public static final Range EV = new Range("exposure value", -10, 20, "");
    public static final Range SHARE = new Range("bright part of the frame", 0.001, 1, "");

    private static final double MID_GREY = 0.18;

    private SceneLight() {}

    /**
     * A scene.
     *
     * @param spread stops by which real ones differ either way
     */
    public record Scene(String name, double ev, double spread) {}

    /** While the ground still has light and the sky is blue already. */
    public static final Range BLUE_HOUR = new Range("height of the sun in blue hour", -8, -4, "\u00b0");

    private static final double METER = 12.5;
    private static final double SKYLINE_BLUE_EV = 3;
    private static final double SKYLINE_NIGHT_EV = 1;

    /** Typical values; a test frame is better. */
    public static final List<Scene> SCENES = List.of(
            new Scene("Full moon, high and clear", 14.3, 0.7),
            new Scene("Half moon, high and clear", 12.3, 0.7),
            new Scene("Shop windows, bright street", 7, 1),
            new Scene("Lit building", 4, 1.5),
            new Scene("Street by its lamps", 3, 1.5),
            new Scene("Skyline of a town in blue hour", SKYLINE_BLUE_EV, 1),
            new Scene("Skyline of a town at night", SKYLINE_NIGHT_EV, 1),
            new Scene("Land under a full moon", -3, 0.5),
            new Scene("Land under a half moon", -6.3, 0.7),
            new Scene("Land under stars alone", -11, 1));

    /** Seconds for an exposure value at an aperture and ISO. */
    public static double seconds(double ev, double aperture, double iso) {
        return aperture * aperture / Math.pow(2, ev) * 100 / iso;
    }

    /** cd/m² that a meter reads as an exposure value: 2^EV × 12.5 / 100, by the usual constant of meters. */
    public static double luminance(double ev100) {
        return Stops.ratio(ev100) * METER / 100;
    }

    /** The exposure value at ISO 100 of a luminance in cd/m². */
    public static double evOf(double luminance) {
        return Stops.of(luminance * 100 / METER);
    }

    /** Of a town's skyline while the sun stands so high. */
    public static double skylineEv(double sunAltitudeDeg) {
        return sunAltitudeDeg > BLUE_HOUR.min() ? SKYLINE_BLUE_EV : SKYLINE_NIGHT_EV;
    }

    /** Exposure value at ISO 100 of settings. */
    public static double ev(Settings settings) {
        return Stops.ofApertures(1, settings.aperture())
                - Stops.of(settings.seconds())
                - Stops.of(settings.iso() / 100);
    }

    /**
     * Stops by which an averaging meter would over-expose (positive) or under-expose the bright part, since it makes a
     * middle grey of the whole.
     *
     * @param brightShare part of the frame that is bright, 0 to 1
     * @param contrastStops by which the rest is darker
     * @param reflectance of the bright part, 0.18 is middle grey
     */
    public static double meterError(double brightShare, double contrastStops, double reflectance) {
        SHARE.check(brightShare);
        double average = brightShare + (1 - brightShare) * Math.pow(2, -contrastStops);
        return Stops.of(MID_GREY / (average * reflectance));
    }
}
