package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;

/**
 * How fast a target moves at one moment, from two places a few seconds apart.
 *
 * @param throughStarsArcsecPerSecond geocentric, against the stars: 0 for stars, about 0.55 for the moon
 * @param acrossSkyArcsecPerSecond as a fixed camera sees it, topocentric: 15.04 cos δ for stars
 * @param altitudeDegPerHour positive while rising
 * @param azimuthDegPerHour positive from north through east; grows without bound near the zenith
 */
public record Motion(
        double throughStarsArcsecPerSecond,
        double acrossSkyArcsecPerSecond,
        double altitudeDegPerHour,
        double azimuthDegPerHour) {

    private static final double HALF_STEP_SECONDS = 10;

    /** Of a target seen from a site. Good to 0.01 % away from the zenith. */
    public static Motion of(Target target, Moment moment, Observer observer) {
        double half = HALF_STEP_SECONDS / TimeScale.SECONDS_PER_DAY;
        Moment before = Moment.atDays(moment.days() - half);
        Moment after = Moment.atDays(moment.days() + half);
        double seconds = 2 * HALF_STEP_SECONDS;
        Vector from = before.local(target, observer);
        Vector to = after.local(target, observer);
        double stars = before.equatorOfDate(target).angleTo(after.equatorOfDate(target)) * 3600 / seconds;
        double altitude = (to.latitudeDeg() - from.latitudeDeg()) * 3600 / seconds;
        double azimuth = Angles.halfTurn(Direction.azimuthDeg(to) - Direction.azimuthDeg(from)) * 3600 / seconds;
        return new Motion(stars, from.angleTo(to) * 3600 / seconds, altitude, azimuth);
    }
}
