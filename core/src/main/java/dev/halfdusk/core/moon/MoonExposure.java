package dev.halfdusk.core.moon;

import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Observer;
import java.util.List;

/**
 * How to expose the moon with a setup: the lowest ISO at which its own motion stays within some pixels.
 *
 * @param light of this moon
 * @param motion through the frame
 * @param ev100 of the settings that are wanted: the moon's, or those of a sky that is brighter than the moon in it
 * @param limits of the shutter
 * @param limitSeconds the shortest of them
 * @param settings on the dial, as the shutter is really open
 * @param overStops by which even the shortest shutter at the lowest ISO gives too much light; 0 where the dial reaches
 */
public record MoonExposure(
        MoonLight light,
        MoonMotion motion,
        double ev100,
        List<MoonLimit> limits,
        double limitSeconds,
        Settings settings,
        double overStops) {

    /** What shows at full size. */
    public static final double USUAL_TOLERANCE_PX = 2;

    /** Held by the moon's own motion alone, or by the seeing behind a tracker at its rate.
     *
     * @param extinction magnitudes per airmass
     */
    public static MoonExposure of(Setup s, double tolerancePx, double extinction) {
        return of(s, tolerancePx, extinction, 0, 0);
    }

    /**
     * Held by the hand and the wind too.
     *
     * @param extinction magnitudes per airmass
     */
    public static MoonExposure of(
            Setup s, double tolerancePx, double extinction, double stabiliserStops, double windMs) {
        Observer observer = s.from().observer();
        MoonLight light = MoonLight.at(s.moment(), observer, extinction);
        MoonMotion motion = MoonMotion.at(s.when(), observer);
        List<MoonLimit> limits = MoonLimit.of(s, motion, tolerancePx, stabiliserStops, windMs);
        double limit = MoonLimit.shortest(limits);
        SunAndMoon lamps = SunAndMoon.at(s.moment(), observer);
        double sky = SceneLight.evOf(MoonLight.skyBeside(s.from(), lamps));
        double ev = Math.max(light.proposedEv100(), sky);
        Settings set = settings(s, ev, limit);
        return new MoonExposure(
                light, motion, ev, limits, limit, set, over(set, ev - s.rig().filterStops()));
    }

    /** Stops by which settings are brighter than an exposure value asks; a third or less is the dial. */
    public static double over(Settings set, double ev100) {
        double stops = ev100 - MoonLight.ev100(set.seconds(), set.aperture(), set.iso());
        return stops > Dial.THIRD_STOP ? stops : 0;
    }

    /**
     * The lowest ISO whose shutter keeps within a limit; the highest, kept within it, where none does.
     *
     * @param ev100 wanted, before filters
     */
    public static Settings settings(Setup s, double ev100, double limitSeconds) {
        CameraBody body = s.rig().body();
        for (int iso : body.isoSteps()) {
            double seconds = MoonLight.seconds(ev100 - s.rig().filterStops(), s.aperture(), iso);
            if (seconds <= limitSeconds) {
                return new Settings(body.click(seconds, limitSeconds), s.aperture(), iso);
            }
        }
        return new Settings(body.longestClick(limitSeconds), s.aperture(), body.topIso());
    }
}
