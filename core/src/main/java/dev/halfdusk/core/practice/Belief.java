package dev.halfdusk.core.practice;

import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;

/**
 * What the camera believes and does: what it turns by itself in its mode, and where its needle stands.
 *
 * @param dials after it has turned what is its own to turn
 * @param needle stops over what the meter asks for, compensation taken off; 0 is what the camera believes right
 * @param tooDark whether it is too dark for the meter, so that the needle says nothing
 */
public record Belief(Dials dials, double needle, double ev100, boolean tooDark) {

    /** Darker than this a body's meter gives up: exposure value at ISO 100. */
    public static final double DARKEST_EV = -5;

    /** The end of the needle's scale, stops. */
    public static final double SCALE = 3;

    private static final double BRIGHTEST_EV = 20;

    public static Belief of(Dials d, Metered metered) {
        double ev = Math.min(BRIGHTEST_EV, metered.ev100(d.metering()));
        boolean dark = ev < DARKEST_EV;
        double believed = Math.max(DARKEST_EV, ev);
        double compensation = d.mode() == Dials.Mode.MANUAL && !d.autoIso() || d.mode() == Dials.Mode.BULB
                ? 0
                : d.value(Control.COMPENSATION);
        Dials set = turned(d, believed - compensation);
        double needle = believed - SceneLight.ev(set.settings()) - compensation;
        return new Belief(set, needle, ev, dark);
    }

    /** What its mode leaves to the camera, as near as its dials go. */
    private static Dials turned(Dials d, double ev) {
        Settings s = d.settings();
        return switch (d.mode()) {
            case MANUAL, BULB -> d.autoIso() ? iso(d, ev) : d;
            case APERTURE_FIRST -> {
                Dials shutter = d.nearest(
                        Control.SHUTTER, Range.SHUTTER.nearest(SceneLight.seconds(ev, s.aperture(), s.iso())));
                yield d.autoIso() ? iso(handHeld(shutter), ev) : shutter;
            }
            case SHUTTER_FIRST -> {
                double n = s.aperture() * Math.sqrt(Stops.ratio(ev - SceneLight.ev(s)));
                Dials aperture = d.nearest(Control.APERTURE, Range.APERTURE.nearest(n));
                yield d.autoIso() ? iso(aperture, ev) : aperture;
            }
            case AUTOMATIC -> automatic(d, ev);
        };
    }

    private static Dials iso(Dials d, double ev) {
        Settings s = d.settings();
        double wanted = s.iso() * Stops.ratio(SceneLight.ev(s) - ev);
        return d.nearest(Control.ISO, Math.max(1, wanted));
    }

    private static double longestHeld(Dials d) {
        return 1 / d.value(Control.ZOOM);
    }

    private static Dials handHeld(Dials d) {
        return d.value(Control.SHUTTER) > longestHeld(d) ? d.nearest(Control.SHUTTER, longestHeld(d)) : d;
    }

    /** Wide open, as long as a hand holds it, then ISO up to what its owner bears, then as long as it takes. */
    private static Dials automatic(Dials d, double ev) {
        Dials open = d.at(Control.APERTURE, 0).nearest(Control.SHUTTER, longestHeld(d));
        Dials amplified = iso(open, ev);
        double most = d.outfit().rig().body().comfortableIso();
        if (amplified.value(Control.ISO) > most) {
            amplified = amplified.nearest(Control.ISO, most);
        }
        Settings s = amplified.settings();
        return amplified.nearest(Control.SHUTTER, Range.SHUTTER.nearest(SceneLight.seconds(ev, s.aperture(), s.iso())));
    }

    /** On its scale, as people read it. */
    public double shown() {
        return Math.max(-SCALE, Math.min(SCALE, needle));
    }
}
