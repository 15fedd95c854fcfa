package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import java.time.Instant;

/**
 * The solar system and the earth's orientation at one instant, and from it the place of any target.
 *
 * <p>Allowed for: light time, annual and diurnal aberration (relativistic), precession, nutation, the earth's rotation,
 * topocentric parallax. Left out: light bending by the sun (below 0.5″ farther than 1° from it), polar motion (0.6″),
 * UT1 − UTC. Accuracy against a newer ephemeris: 0.2″ for sun and moon, tested to 1″ geocentric and 2″ topocentric.
 */
public final class Moment {

    private static final double LIGHT_KM_PER_DAY = 299_792.458 * TimeScale.SECONDS_PER_DAY;
    private static final Ephemeris EPHEMERIS = Ephemeris.DE405;
    private static final Ephemeris.Series BARYCENTRE = EPHEMERIS.series("EMB");

    private final double days;
    private final Vector earth;
    private final Vector earthVelocity;
    private final Ephemeris.State moon;
    private final EarthOrientation.Orientation orientation;
    private final double siderealCos;
    private final double siderealSin;

    private Moment(double days) {
        this.days = days;
        Ephemeris.State barycentre = EPHEMERIS.state(BARYCENTRE, days);
        moon = EPHEMERIS.state(Body.MOON.series(), days);
        double share = EPHEMERIS.barycentreShare();
        earth = barycentre.position().minus(moon.position().times(share));
        earthVelocity = barycentre.velocity().minus(moon.velocity().times(share));
        orientation = EarthOrientation.at(days);
        siderealCos = Math.cos(orientation.siderealRadians());
        siderealSin = Math.sin(orientation.siderealRadians());
    }

    /** @throws DateOutOfRange outside 2000–2059 */
    public static Moment at(Instant utc) {
        return new Moment(TimeScale.days(utc));
    }

    /** At TT days since J2000.0, for callers that have checked their dates. */
    static Moment atDays(double days) {
        return new Moment(days);
    }

    double days() {
        return days;
    }

    public Instant instant() {
        return TimeScale.instant(days);
    }

    /** Greenwich apparent sidereal time in radians. */
    double siderealRadians() {
        return orientation.siderealRadians();
    }

    /** East longitude of the place under a vector of the true equator of date, −180 to 180. */
    public double longitudeDeg(Vector equatorOfDate) {
        return Angles.halfTurn(earthFixed(equatorOfDate).longitudeDeg());
    }

    /** Where a point that turns with the earth is now that was at a vector of the true equator of date at another instant. */
    public Vector carried(Moment other, Vector equatorOfDate) {
        return ofDate(other.earthFixed(equatorOfDate));
    }

    /** Geocentric apparent place. */
    public Apparent apparent(Target target) {
        Vector v = equatorOfDate(target);
        return new Apparent(v.longitudeDeg(), v.latitudeDeg(), distance(target, v));
    }

    /**
     * Geometric distance of the centres of earth and body at this instant, kilometres. An apparent distance differs from it
     * by the earth's motion while the light travels: up to 36 km for the moon.
     */
    public double geometricDistanceKm(Body body) {
        if (body == Body.MOON) {
            return moon.position().length();
        }
        return EPHEMERIS.state(body.series(), days).position().minus(earth).length();
    }

    /** Geocentric apparent place along the ecliptic of date: longitude and latitude in x and y, degrees; distance in km in z. */
    public Vector ecliptic(Target target) {
        Vector v = equatorOfDate(target);
        double cos = Math.cos(orientation.trueObliquity());
        double sin = Math.sin(orientation.trueObliquity());
        Vector e = new Vector(v.x(), cos * v.y() + sin * v.z(), cos * v.z() - sin * v.y());
        return new Vector(e.longitudeDeg(), e.latitudeDeg(), distance(target, v));
    }

    /** Topocentric apparent place against the horizon, airless. */
    public Horizontal observed(Target target, Observer observer) {
        Vector v = local(target, observer);
        double distance = distance(target, v);
        double semidiameter = target.radiusKm() == 0 ? 0 : Math.toDegrees(Angles.arcSine(target.radiusKm() / distance));
        return new Horizontal(v.latitudeDeg(), Direction.azimuthDeg(v), distance, semidiameter);
    }

    /** East, north and up components of the topocentric apparent direction; length the distance in km, 1 for stars. */
    public Vector local(Target target, Observer observer) {
        return observer.local(earthFixed(topocentric(target, observer)));
    }

    /** The local direction of a true-equator-of-date direction, for grids and outlines; no parallax, no aberration. */
    public Vector localOfDate(Vector equatorOfDate, Observer observer) {
        return observer.local(earthFixed(equatorOfDate));
    }

    /** The true-equator-of-date direction of a local one; its x axis points to the equinox. */
    public Vector equatorOfDate(Vector local, Observer observer) {
        Vector e = observer.earthFixed(local);
        return new Vector(siderealCos * e.x() - siderealSin * e.y(), siderealSin * e.x() + siderealCos * e.y(), e.z());
    }

    /** The local direction of one along the ecliptic of date, whose x axis points to the equinox; no parallax, no aberration. */
    Vector localOfEcliptic(Vector ecliptic, Observer observer) {
        double cos = Math.cos(orientation.trueObliquity());
        double sin = Math.sin(orientation.trueObliquity());
        Vector e = ecliptic;
        return localOfDate(new Vector(e.x(), cos * e.y() - sin * e.z(), sin * e.y() + cos * e.z()), observer);
    }

    /** The local direction of an ICRS one, for grids and outlines; no parallax, no aberration. */
    public Vector localOfIcrs(Vector icrs, Observer observer) {
        return localOfDate(orientation.trueOfDate().times(icrs), observer);
    }

    /** The ICRS direction of a local one; no aberration. */
    public Vector icrs(Vector local, Observer observer) {
        return orientation.trueOfDate().transposedTimes(equatorOfDate(local, observer));
    }

    /** Angle at the target between the directions to the zenith and to the celestial pole, degrees, west positive. */
    public double parallacticAngleDeg(Target target, Observer observer) {
        Vector v = topocentric(target, observer);
        double hourAngle = orientation.siderealRadians()
                + Math.toRadians(observer.site().longitudeDeg())
                - Angles.arcTangent(v.y(), v.x());
        double lat = Math.toRadians(observer.site().latitudeDeg());
        double dec = Math.toRadians(v.latitudeDeg());
        return Math.toDegrees(Angles.arcTangent(
                Math.sin(hourAngle), Math.tan(lat) * Math.cos(dec) - Math.sin(dec) * Math.cos(hourAngle)));
    }

    /** True equator of date, geocentric; length the distance in km, 1 for stars. */
    Vector equatorOfDate(Target target) {
        return orientation.trueOfDate().times(seen(target, earth, earthVelocity));
    }

    /** True equator of date, topocentric. */
    private Vector topocentric(Target target, Observer observer) {
        Vector place = earth.plus(orientation.trueOfDate().transposedTimes(ofDate(observer.position())));
        Vector motion = earthVelocity.plus(orientation.trueOfDate().transposedTimes(ofDate(observer.velocity())));
        return orientation.trueOfDate().times(seen(target, place, motion));
    }

    private Vector earthFixed(Vector ofDate) {
        return new Vector(
                siderealCos * ofDate.x() + siderealSin * ofDate.y(),
                siderealCos * ofDate.y() - siderealSin * ofDate.x(),
                ofDate.z());
    }

    private Vector ofDate(Vector earthFixed) {
        return new Vector(
                siderealCos * earthFixed.x() - siderealSin * earthFixed.y(),
                siderealSin * earthFixed.x() + siderealCos * earthFixed.y(),
                earthFixed.z());
    }

    /** Apparent direction in ICRF axes as seen from a moving place, times the distance. */
    private Vector seen(Target target, Vector place, Vector motion) {
        if (target instanceof FixedPoint star) {
            return aberrated(star.direction(days), motion);
        }
        Vector straight = straight((Body) target, place);
        double distance = straight.length();
        return aberrated(straight.times(1 / distance), motion).times(distance);
    }

    /** From the place to where the body was when the light left it. */
    private Vector straight(Body body, Vector place) {
        if (body == Body.MOON) {
            Vector now = earth.plus(moon.position()).minus(place);
            double light = now.length() / LIGHT_KM_PER_DAY;
            return now.minus(earthVelocity.plus(moon.velocity()).times(light));
        }
        Ephemeris.State now = EPHEMERIS.state(body.series(), days);
        double light = now.position().minus(place).length() / LIGHT_KM_PER_DAY;
        if (body == Body.SUN) { // moves 7 km in the 8 minutes: a straight line is exact
            return now.position().minus(now.velocity().times(light)).minus(place);
        }
        Vector then = EPHEMERIS.state(body.series(), days - light).position().minus(place);
        light = then.length() / LIGHT_KM_PER_DAY;
        return EPHEMERIS.state(body.series(), days - light).position().minus(place);
    }

    private static Vector aberrated(Vector unit, Vector motion) {
        Vector v = motion.times(1 / LIGHT_KM_PER_DAY);
        double inverseGamma = Math.sqrt(1 - v.dot(v));
        double along = unit.dot(v);
        return unit.times(inverseGamma)
                .plus(v.times(1 + along / (1 + inverseGamma)))
                .times(1 / (1 + along));
    }

    private static double distance(Target target, Vector v) {
        return target instanceof FixedPoint ? Double.POSITIVE_INFINITY : v.length();
    }
}
