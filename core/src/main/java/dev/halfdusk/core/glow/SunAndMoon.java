package dev.halfdusk.core.glow;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;

/**
 * Sun and moon as lamps that light a place's sky. Angles in degrees, airless, topocentric.
 *
 * @param sunAzimuthDeg from north through east
 * @param moonPhaseAngleDeg sun–moon–observer, 0 full to 180 new
 */
public record SunAndMoon(
        double sunAltitudeDeg,
        double sunAzimuthDeg,
        double moonAltitudeDeg,
        double moonAzimuthDeg,
        double moonPhaseAngleDeg) {

    /** Both far below the horizon: the darkest the place gets. */
    public static final SunAndMoon NEITHER = new SunAndMoon(-90, 0, -90, 0, 180);

    public static SunAndMoon at(Moment moment, Observer observer) {
        return of(moment.local(Body.SUN, observer), moment.local(Body.MOON, observer));
    }

    /** From their topocentric places, east, north and up in kilometres. */
    public static SunAndMoon of(Vector sun, Vector moon) {
        return new SunAndMoon(
                sun.latitudeDeg(),
                Direction.azimuthDeg(sun),
                moon.latitudeDeg(),
                Direction.azimuthDeg(moon),
                moon.times(-1).angleTo(sun.minus(moon)));
    }

    /** Lit fraction of the moon as it is seen from there, 0 to 1. */
    public double moonFraction() {
        return (1 + Math.cos(Math.toRadians(moonPhaseAngleDeg))) / 2;
    }
}
