package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Sidereal;

/**
 * The shutter on a tracker: its error decides for the stars, the turning itself for the ground.
 *
 * @param limitSeconds until its error and the difference of its rate to the stars' reach the tolerance
 */
public record Tracking(Support support, Optics optics, double limitSeconds) {

    /** An error is taken to go one way all the time, and to add to the difference of rates. */
    public static Tracking of(Support support, Optics optics, double tolerancePx) {
        Range.TOLERANCE.check(tolerancePx);
        double rate = arcsecPerSecond(support);
        double limit = rate == 0 ? Range.SHUTTER.max() : tolerancePx * optics.plateScaleArcsec() / rate;
        return new Tracking(support, optics, Math.min(Range.SHUTTER.max(), limit));
    }

    private static double arcsecPerSecond(Support support) {
        return support.errorArcsecPerMinute() / 60
                + Math.abs(Sidereal.ARCSEC_PER_SECOND - support.kind().arcsecPerSecond());
    }

    /** How far stars creep in a time, pixels. */
    public double starPx(double seconds) {
        return optics.driftPx(arcsecPerSecond(support), seconds);
    }

    /** How far the ground is smeared at most, pixels. */
    public double groundPx(double seconds) {
        return optics.driftPx(support.kind().arcsecPerSecond(), seconds);
    }
}
