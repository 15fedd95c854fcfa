package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.moon.MoonExposure;
import dev.halfdusk.core.moon.MoonLight;
import dev.halfdusk.core.moon.MoonMotion;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * What to expose an eclipse of the moon with, minute by minute: for the lit limb until so much is covered, then for the shadow. A
 * tripod keeps the shutter within the moon's own motion and raises the ISO; a tracker at lunar rate keeps the ISO low and is held by
 * the seeing alone.
 *
 * @param steps in the order of their time
 */
public record EclipseLadder(List<Step> steps) {

    public static final Range SWITCH = new Range("coverage from which the shadow counts", 0.5, 0.99, "");

    /** Three quarters to four fifths is where people change over. */
    public static final double USUAL_SWITCH = 0.78;

    /** Longer than this the air blurs what a tracker holds. */
    private static final double SEEING_SECONDS = 2;

    /** Totality may be so much darker or brighter than its class says, stops: a magnitude. */
    public static final double UNKNOWN_STOPS = 1 / (2.5 * Math.log10(2));

    /** For what a frame is exposed. */
    public enum Aim {
        LIMB,
        SHADOW
    }

    /**
     * An instant of it.
     *
     * @param covered part of the disc in the umbra
     * @param ev100 that is proposed
     * @param bandStops by which it may be off either way, since nobody knows how dark the shadow will be
     * @param settings on the dial and within the rig
     */
    public record Step(Instant when, double covered, Aim aim, double ev100, double bandStops, Settings settings) {}

    public EclipseLadder {
        steps = List.copyOf(steps);
    }

    /**
     * @param aperture as it works on the sensor
     * @param switchAt coverage from which the shadow is exposed for
     * @param danjon class of darkness, 0 to 4
     * @param brighterStops that frames so far came out too dark; below 0 too bright
     */
    public static EclipseLadder of(
            Interval span,
            Duration every,
            Observer observer,
            Rig rig,
            Optics optics,
            double aperture,
            double switchAt,
            double danjon,
            double brighterStops) {
        SWITCH.check(switchAt);
        List<Step> steps = new ArrayList<>();
        for (Instant t = span.from(); !t.isAfter(span.to()); t = t.plus(every)) {
            steps.add(step(t, observer, rig, optics, aperture, switchAt, danjon, brighterStops));
        }
        return new EclipseLadder(steps);
    }

    private static Step step(
            Instant t,
            Observer observer,
            Rig rig,
            Optics optics,
            double aperture,
            double switchAt,
            double danjon,
            double brighterStops) {
        Moment moment = Moment.at(t);
        Shadow shadow = Shadow.at(moment);
        double altitude =
                Math.max(0, Direction.of(moment.local(Body.MOON, observer)).altitudeDeg());
        double full = new MoonLight(0, altitude, MoonLight.USUAL_EXTINCTION).proposedEv100();
        Aim aim = shadow.covered() >= switchAt ? Aim.SHADOW : Aim.LIMB;
        double darkest = EclipsedLight.shadowStops(danjon);
        double stops = aim == Aim.SHADOW ? darkest : Math.min(darkest, EclipsedLight.limbStops(shadow));
        double ev = full - stops - brighterStops;
        boolean lunar = rig.support().kind() == Support.Kind.LUNAR;
        double limit = lunar
                ? SEEING_SECONDS
                : MoonMotion.at(t, observer).longestSeconds(optics, MoonExposure.USUAL_TOLERANCE_PX);
        return new Step(
                t,
                shadow.covered(),
                aim,
                ev,
                aim == Aim.SHADOW ? UNKNOWN_STOPS : 0,
                MoonExposure.settings(rig, aperture, ev - rig.filterStops(), limit));
    }
}
