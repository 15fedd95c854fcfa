package dev.halfdusk.core.moon;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.time.Instant;

/**
 * How to expose the moon at an instant with a rig: the lowest ISO at which its own motion stays within some pixels.
 *
 * @param light of this moon
 * @param motion through the frame
 * @param limitSeconds longest shutter by that motion
 * @param settings on the dial, as the shutter is really open
 * @param ev100 that is proposed, before filters
 */
public record MoonExposure(MoonLight light, MoonMotion motion, double limitSeconds, Settings settings, double ev100) {

    /** What shows at full size. */
    public static final double USUAL_TOLERANCE_PX = 2;

    /** @param aperture as it works on the sensor */
    public static MoonExposure of(
            Instant when, Observer observer, Rig rig, Optics optics, double aperture, double tolerancePx) {
        return of(when, observer, rig, optics, aperture, tolerancePx, MoonLight.USUAL_EXTINCTION);
    }

    public static MoonExposure of(
            Instant when,
            Observer observer,
            Rig rig,
            Optics optics,
            double aperture,
            double tolerancePx,
            double extinction) {
        Moment moment = Moment.at(when);
        double altitude =
                Math.max(0, Direction.of(moment.local(Body.MOON, observer)).altitudeDeg());
        MoonLight light =
                new MoonLight(Illumination.of(Body.MOON, moment, observer).phaseAngleDeg(), altitude, extinction);
        MoonMotion motion = MoonMotion.at(when, observer);
        double limit = motion.longestSeconds(optics, tolerancePx);
        double ev = light.proposedEv100();
        return new MoonExposure(light, motion, limit, settings(rig, aperture, ev - rig.filterStops(), limit), ev);
    }

    /** The lowest ISO whose shutter keeps within the limit; the highest, kept within it, where none does. */
    public static Settings settings(Rig rig, double aperture, double ev, double limit) {
        CameraBody body = rig.body();
        for (int iso : body.isoSteps()) {
            double seconds = MoonLight.seconds(ev, aperture, iso);
            if (seconds <= limit) {
                return new Settings(click(body, seconds), aperture, iso);
            }
        }
        return new Settings(
                body.shutterAtMost(limit)
                        .map(Dial.Stop::realSeconds)
                        .orElse(body.shortest().realSeconds()),
                aperture,
                body.topIso());
    }

    /** The nearest of the dial that the body has. */
    private static double click(CameraBody body, double seconds) {
        return Math.max(
                body.shortest().realSeconds(), body.dial().nearest(seconds).realSeconds());
    }
}
