package dev.halfdusk.core.glow;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Circles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Shadow;

/**
 * Sun and moon as lamps that light a place's sky. Angles in degrees, airless, topocentric.
 *
 * @param sunAzimuthDeg from north through east
 * @param moonPhaseAngleDeg sun–moon–observer, 0 full to 180 new
 * @param moonShare of its usual light that an eclipse leaves it, 1 outside of one
 * @param sunShare of the sun's disc that an eclipse leaves, 1 outside of one
 */
public record SunAndMoon(
        double sunAltitudeDeg,
        double sunAzimuthDeg,
        double moonAltitudeDeg,
        double moonAzimuthDeg,
        double moonPhaseAngleDeg,
        double moonShare,
        double sunShare) {

    /** Both far below the horizon: the darkest the place gets. */
    public static final SunAndMoon NEITHER = new SunAndMoon(-90, 0, -90, 0, 180);

    /** Farther from the axis of the earth's shadow none of it falls on the moon, seen from anywhere: its width and the parallax. */
    private static final double NEAR_SHADOW_DEG = 3;

    /** Nearer to its full phase angle of 180° the moon may stand before the sun. */
    private static final double NEAR_SUN_DEG = 178;

    /** Outside of an eclipse. */
    public SunAndMoon(
            double sunAltitudeDeg,
            double sunAzimuthDeg,
            double moonAltitudeDeg,
            double moonAzimuthDeg,
            double moonPhaseAngleDeg) {
        this(sunAltitudeDeg, sunAzimuthDeg, moonAltitudeDeg, moonAzimuthDeg, moonPhaseAngleDeg, 1, 1);
    }

    /** With an eclipse of the sun, or one of the moon of usual darkness, if there is one. */
    public static SunAndMoon at(Moment moment, Observer observer) {
        Vector sun = moment.local(Body.SUN, observer);
        Vector moon = moment.local(Body.MOON, observer);
        SunAndMoon lamps = of(sun, moon);
        if (lamps.moonPhaseAngleDeg > NEAR_SUN_DEG) {
            return lamps.sunLeft(1
                    - Circles.covered(
                            Angles.arcSine(Body.SUN.radiusKm() / sun.length()),
                            Angles.arcSine(Body.MOON.radiusKm() / moon.length()),
                            Math.toRadians(sun.angleTo(moon))));
        }
        return lamps.moonPhaseAngleDeg < NEAR_SHADOW_DEG
                ? lamps.eclipsed(new ShadowedMoon(Shadow.at(moment), ShadowedMoon.USUAL_DANJON))
                : lamps;
    }

    /** With the moon in the earth's shadow. */
    public SunAndMoon eclipsed(ShadowedMoon moon) {
        return new SunAndMoon(
                sunAltitudeDeg,
                sunAzimuthDeg,
                moonAltitudeDeg,
                moonAzimuthDeg,
                moonPhaseAngleDeg,
                moon.whole(),
                sunShare);
    }

    /** With a part of the sun's disc left. */
    public SunAndMoon sunLeft(double share) {
        return new SunAndMoon(
                sunAltitudeDeg, sunAzimuthDeg, moonAltitudeDeg, moonAzimuthDeg, moonPhaseAngleDeg, moonShare, share);
    }

    /** As if the moon were far below the horizon. */
    public SunAndMoon withoutMoon() {
        return new SunAndMoon(sunAltitudeDeg, sunAzimuthDeg, -90, 0, 180, 1, sunShare);
    }

    /** As if there were no eclipse. */
    public SunAndMoon uneclipsed() {
        return new SunAndMoon(sunAltitudeDeg, sunAzimuthDeg, moonAltitudeDeg, moonAzimuthDeg, moonPhaseAngleDeg);
    }

    /** From their topocentric places, east, north and up in kilometres; eclipses are left out. */
    public static SunAndMoon of(Vector sun, Vector moon) {
        return new SunAndMoon(
                sun.latitudeDeg(),
                Direction.azimuthDeg(sun),
                moon.latitudeDeg(),
                Direction.azimuthDeg(moon),
                phaseAngleDeg(sun, moon));
    }

    /** Of the moon, 0 full to 180 new, from topocentric places in one unit. */
    public static double phaseAngleDeg(Vector sun, Vector moon) {
        return moon.times(-1).angleTo(sun.minus(moon));
    }

    /** Lit fraction of the moon as it is seen from there, 0 to 1. */
    public double moonFraction() {
        return (1 + Math.cos(Math.toRadians(moonPhaseAngleDeg))) / 2;
    }
}
