package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Vector;

/**
 * How the sun lights a body, seen from the earth's centre, or from a site.
 *
 * @param fraction of the disc that is lit, 0 to 1
 * @param phaseAngleDeg sun–body–earth, 0 when full, to 180 when new
 * @param elongationDeg ecliptic longitude of the body less that of the sun, 0 to 360: below 180 the moon waxes
 * @param brightLimbDeg position angle of the middle of the bright limb, from celestial north through east
 */
public record Illumination(double fraction, double phaseAngleDeg, double elongationDeg, double brightLimbDeg) {

    /** Of the moon or a planet. Fraction good to 0.0001. */
    public static Illumination of(Body body, Moment moment) {
        Vector sun = moment.equatorOfDate(Body.SUN);
        Vector seen = moment.equatorOfDate(body);
        double phase = seen.times(-1).angleTo(sun.minus(seen));
        double elongation = Angles.turn(
                moment.ecliptic(body).x() - moment.ecliptic(Body.SUN).x());
        double dec = Math.toRadians(seen.latitudeDeg());
        double sunDec = Math.toRadians(sun.latitudeDeg());
        double ahead = Math.toRadians(sun.longitudeDeg() - seen.longitudeDeg());
        double limb = Math.atan2(
                Math.cos(sunDec) * Math.sin(ahead),
                Math.sin(sunDec) * Math.cos(dec) - Math.cos(sunDec) * Math.sin(dec) * Math.cos(ahead));
        double fraction = (1 + Math.cos(Math.toRadians(phase))) / 2;
        return new Illumination(fraction, phase, elongation, Angles.turn(Math.toDegrees(limb)));
    }

    /**
     * The same from a site: the moon is near enough for phase and bright limb to differ, by up to a degree and, close to new
     * moon, by many. The elongation stays that from the earth's centre.
     */
    public static Illumination of(Body body, Moment moment, Observer observer) {
        Vector sun = moment.local(Body.SUN, observer);
        Vector seen = moment.local(body, observer);
        double phase = seen.times(-1).angleTo(sun.minus(seen));
        Vector east = Sidereal.northPole(observer.site()).cross(seen).unit();
        Vector north = seen.cross(east).unit();
        double limb = Math.atan2(sun.dot(east), sun.dot(north));
        return new Illumination(
                (1 + Math.cos(Math.toRadians(phase))) / 2,
                phase,
                of(body, moment).elongationDeg,
                Angles.turn(Math.toDegrees(limb)));
    }

    public boolean waxing() {
        return elongationDeg < 180;
    }
}
