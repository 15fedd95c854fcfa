package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.moon.EclipsedLight;
import dev.halfdusk.core.moon.MoonExposure;
import dev.halfdusk.core.moon.MoonLight;
import dev.halfdusk.core.moon.MoonLimit;
import dev.halfdusk.core.moon.MoonMotion;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Shadow;
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

    public static final Range BRIGHTER = new Range("stops brighter", -6, 6, "");

    public static final double USUAL_SWITCH = EclipsedLight.USUAL_SWITCH;

    /** Totality may be so much darker or brighter than its class says, stops: a magnitude. */
    public static final double UNKNOWN_STOPS = Stops.ofMagnitudes(1);

    /** So much of the moon's width inside the umbra it is as dark as it gets. */
    private static final double DEEP = 0.25;

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
     * @param limitSeconds longest shutter
     * @param settings on the dial and within the rig
     */
    public record Step(
            Instant when,
            double covered,
            Aim aim,
            double ev100,
            double bandStops,
            double limitSeconds,
            Settings settings) {

        /** Stops by which the settings are darker than what is proposed, since the rig gives no more; a third or less is the dial. */
        public double shortOfStops() {
            return Math.max(0, MoonLight.ev100(settings.seconds(), settings.aperture(), settings.iso()) - ev100);
        }

        /** The same with more light given, or less below 0. */
        public Step brighterBy(double stops, Setup setup) {
            double ev = ev100 - stops;
            Settings other = MoonExposure.settings(setup, ev, limitSeconds);
            return new Step(when, covered, aim, ev, bandStops, limitSeconds, other);
        }
    }

    public EclipseLadder {
        steps = List.copyOf(steps);
    }

    /**
     * What is asked of it.
     *
     * @param switchAt coverage from which the shadow is exposed for
     * @param danjon class of darkness, 0 to 4
     * @param brighterStops by which frames of the shadow so far came out too dark; below 0 too bright
     * @param limbBrighterStops the same of the lit limb
     */
    public record Asked(double switchAt, double danjon, double brighterStops, double limbBrighterStops) {

        public Asked {
            SWITCH.check(switchAt);
            ShadowedMoon.DANJON.check(danjon);
            BRIGHTER.check(brighterStops);
            BRIGHTER.check(limbBrighterStops);
        }
    }

    /** @param setup whose instant does not matter */
    public static EclipseLadder of(Interval span, Duration every, Setup setup, Asked asked) {
        List<Step> steps = new ArrayList<>();
        for (Instant t = span.from(); !t.isAfter(span.to()); t = t.plus(every)) {
            steps.add(at(setup.at(t), asked));
        }
        return new EclipseLadder(steps);
    }

    /** Half as much at the edge of the shadow, whose light is known better, as deep in it. */
    private static double unknown(Shadow shadow) {
        return 0.5 + 0.5 * Math.max(0, Math.min(1, (shadow.umbralMagnitude() - 1) / DEEP));
    }

    /** What to expose with at the setup's own instant. */
    public static Step at(Setup s, Asked asked) {
        Shadow shadow = Shadow.at(s.moment());
        Observer observer = s.from().observer();
        double full =
                MoonLight.full(s.moment(), observer, MoonLight.USUAL_EXTINCTION).proposedEv100();
        boolean forShadow = shadow.covered() >= asked.switchAt;
        double stops = EclipsedLight.stops(new ShadowedMoon(shadow, asked.danjon), asked.switchAt);
        double ev = full - stops - (forShadow ? asked.brighterStops : asked.limbBrighterStops);
        double limit = s.rig().support().kind() == Support.Kind.LUNAR
                ? MoonLimit.SEEING_SECONDS
                : MoonMotion.at(s.when(), observer).longestSeconds(s.optics(), MoonExposure.USUAL_TOLERANCE_PX);
        return new Step(
                s.when(),
                shadow.covered(),
                forShadow ? Aim.SHADOW : Aim.LIMB,
                ev,
                forShadow ? UNKNOWN_STOPS * unknown(shadow) : 0,
                limit,
                MoonExposure.settings(s, ev, limit));
    }
}
