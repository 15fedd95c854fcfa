package dev.halfdusk.core.practice;

import dev.halfdusk.core.frame.Photograph.Stood;
import java.util.ArrayList;
import java.util.List;

/**
 * How a camera on a tripod moves while its shutter is open: by the finger that pressed it, by its stabiliser, by wind. Typical figures for a
 * light tripod; what is told apart is when each matters.
 */
final class Handling {

    /** A finger's knock has died away after so long. */
    private static final double TOUCH_S = 0.8;

    /** Arcseconds of it. */
    private static final double TOUCH_ARCSEC = 90;

    private static final double STABILISER_ARCSEC = 70;
    private static final double STABILISER_FROM_S = 0.2;
    private static final double CALM_MS = 4;
    private static final double WIND_ARCSEC_A_MS = 9;

    /** One swing of a tripod in wind. */
    private static final double SWING_S = 0.25;

    private static final double LEAST_SHARE = 0.02;
    private static final double LEAST_PX = 0.7;

    private Handling() {}

    /** @param arcsecPerPixel of the sensor */
    static List<Stood> of(Dials d, double seconds, double windMs, double arcsecPerPixel) {
        List<Stood> all = new ArrayList<>();
        double wind =
                Math.max(0, windMs - CALM_MS) * WIND_ARCSEC_A_MS * Math.min(1, seconds / SWING_S) / arcsecPerPixel;
        boolean steadies = d.on(Control.STABILISER) && seconds > STABILISER_FROM_S;
        double wobble = Math.max(wind, steadies ? STABILISER_ARCSEC / arcsecPerPixel : 0);
        if (wobble > LEAST_PX) { // back and forth, longest at the ends
            all.add(new Stood(0.32, -wobble, 0.3 * wobble));
            all.add(new Stood(0.18, -0.3 * wobble, 0.1 * wobble));
            all.add(new Stood(0.18, 0.3 * wobble, -0.1 * wobble));
            all.add(new Stood(0.32, wobble, -0.3 * wobble));
        } else {
            all.add(new Stood(1, 0, 0));
        }
        double touched = d.on(Control.TIMER) ? 0 : Math.min(1, TOUCH_S / seconds) * share(seconds);
        double px = TOUCH_ARCSEC / arcsecPerPixel;
        if (touched > LEAST_SHARE && px > LEAST_PX) {
            List<Stood> both = new ArrayList<>();
            for (Stood s : all) {
                both.add(new Stood(s.share() * (1 - 0.5 * touched), s.rightPx(), s.downPx()));
                both.add(new Stood(s.share() * 0.5 * touched, s.rightPx() + 0.4 * px, s.downPx() + px));
            }
            return both;
        }
        return all;
    }

    /** A shutter that is faster than the knock sees none of it. */
    private static double share(double seconds) {
        return Math.min(1, Math.max(0, (seconds - 1 / 500.0) / (1 / 60.0)));
    }
}
