package dev.halfdusk.core.moon;

import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Motion;
import dev.halfdusk.core.sky.Observer;
import java.time.Instant;

/**
 * How fast the moon goes through a frame that stands still, and how large it is in it, from the ephemeris as seen from the place.
 *
 * @param arcsecPerSecond of its centre across the sky, seen by a camera on a tripod
 * @param widthDeg of its disc
 */
public record MoonMotion(double arcsecPerSecond, double widthDeg) {

    public static MoonMotion at(Instant when, Observer observer) {
        Moment moment = Moment.at(when);
        return new MoonMotion(
                Motion.of(Body.MOON, moment, observer).acrossSkyArcsecPerSecond(),
                2 * moment.observed(Body.MOON, observer).semidiameterDeg());
    }

    /** Pixels a second near the middle of the frame. */
    public double pxPerSecond(Optics optics) {
        return arcsecPerSecond / optics.plateScaleArcsec();
    }

    /** Longest shutter within a smear of so many pixels, seconds. */
    public double longestSeconds(Optics optics, double tolerancePx) {
        return tolerancePx / pxPerSecond(optics);
    }

    /** Of its disc near the middle of the frame, pixels. */
    public double widthPx(Optics optics) {
        double half = Math.tan(Math.toRadians(widthDeg / 2));
        return 2 * half * optics.focalMm() / (optics.sensor().pitchUm() / 1000);
    }
}
