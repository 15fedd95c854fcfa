package dev.halfdusk.app.events;

import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.eclipse.Shadow;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Apparent;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.util.List;

/**
 * The way of the moon through the earth's shadow as it is seen from a place, up being the zenith at the greatest eclipse. The
 * middle of the shadow is the origin; a degree is {@value #SCALE} units.
 */
record UmbraPicture(double umbra, double penumbra, List<Disc> moons) {

    static final int SCALE = 60;

    /** The moon at a contact; where it is down it is only outlined. */
    record Disc(double x, double y, double radius, String name, boolean up) {}

    static UmbraPicture of(LocalEclipse local, Observer observer) {
        Moment greatest = Moment.at(local.contact("max").when());
        Shadow deepest = Shadow.at(greatest);
        double zenith = Math.toRadians(greatest.parallacticAngleDeg(Body.MOON, observer));
        return new UmbraPicture(
                tenth(deepest.umbraDeg() * SCALE),
                tenth(deepest.penumbraDeg() * SCALE),
                local.contacts().stream().map(c -> disc(c, zenith)).toList());
    }

    /**
     * Against the stars, seen from the middle of the earth, and turned as it stands at the place: the parallax of the moon moves the
     * shadow with it.
     *
     * @param zenith its position angle, from north over east, which is to the left
     */
    private static Disc disc(LocalEclipse.Contact c, double zenith) {
        Moment moment = Moment.at(c.when());
        Vector axis = direction(moment, Body.SUN).times(-1);
        Vector east = new Vector(0, 0, 1).cross(axis).unit();
        Vector north = axis.cross(east);
        Vector off = direction(moment, Body.MOON).minus(axis);
        double e = Math.toDegrees(off.dot(east)) * SCALE;
        double n = Math.toDegrees(off.dot(north)) * SCALE;
        return new Disc(
                tenth(n * Math.sin(zenith) - e * Math.cos(zenith)),
                tenth(-(e * Math.sin(zenith) + n * Math.cos(zenith))),
                tenth(Shadow.at(moment).moonDeg() * SCALE),
                c.name(),
                c.up());
    }

    private static Vector direction(Moment moment, Body body) {
        Apparent at = moment.apparent(body);
        double ra = Math.toRadians(at.rightAscensionDeg());
        double dec = Math.toRadians(at.declinationDeg());
        return new Vector(Math.cos(dec) * Math.cos(ra), Math.cos(dec) * Math.sin(ra), Math.sin(dec));
    }

    private static double tenth(double v) {
        return Double.parseDouble(Numbers.fixed(v, 1).replace('\u2212', '-'));
    }
}
