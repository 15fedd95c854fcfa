package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;

/** The facts photographers ask about, each a pure function of the moment. All in degrees unless said. */
public final class Facts {

    /** Airless altitude of an upper limb that touches the horizon: mean refraction at sea level. */
    public static final double HORIZON_DEG = -34 / 60.0;

    private Facts() {}

    /** Airless topocentric altitude of the centre. */
    public static Fact altitude(Target target, Observer observer) {
        return moment -> moment.local(target, observer).latitudeDeg();
    }

    /** Airless altitude of the upper limb above the conventional horizon of −34′: zero at rise and set. */
    public static Fact upperLimb(Target target, Observer observer) {
        return upperLimb(target, observer, 0);
    }

    /** The same with the horizon lower by the dip that a high place over open sea sees. */
    public static Fact upperLimb(Target target, Observer observer, double dipDeg) {
        return moment -> {
            Horizontal h = moment.observed(target, observer);
            return h.altitudeDeg() + h.semidiameterDeg() - HORIZON_DEG + dipDeg;
        };
    }

    /** Dip of the sea horizon in degrees from a height in metres: 0.0293° × √h. */
    public static double dip(double heightM) {
        return 0.0293 * Math.sqrt(Math.max(0, heightM));
    }

    /** Hour angle, −180 to 180, west positive: zero at upper transit. */
    public static Fact hourAngle(Target target, Observer observer) {
        return moment -> {
            // the observer's meridian plane, seen from the pole: independent of the horizon, so it also serves at the
            // poles
            Vector fixed = observer.earthFixed(moment.local(target, observer));
            return Angles.halfTurn(observer.site().longitudeDeg() - fixed.longitudeDeg());
        };
    }

    /** Azimuth less a wanted one, −180 to 180. */
    public static Fact azimuthFrom(double azimuthDeg, Target target, Observer observer) {
        return moment -> Angles.halfTurn(Direction.azimuthDeg(moment.local(target, observer)) - azimuthDeg);
    }

    /** Apparent geocentric ecliptic longitude of one target less that of another less a wanted difference, −180 to 180. */
    public static Fact longitudeDifference(Target target, Target from, double differenceDeg) {
        return moment -> Angles.halfTurn(
                moment.ecliptic(target).x() - moment.ecliptic(from).x() - differenceDeg);
    }

    /** Apparent geocentric right ascension of one target less that of another, −180 to 180: zero in conjunction. */
    public static Fact rightAscensionDifference(Target target, Target from) {
        return moment -> Angles.halfTurn(moment.apparent(target).rightAscensionDeg()
                - moment.apparent(from).rightAscensionDeg());
    }

    /** Topocentric angle between the centres of two targets, 0 to 180. */
    public static Fact separation(Target one, Target other, Observer observer) {
        return moment -> moment.local(one, observer).angleTo(moment.local(other, observer));
    }

    /** Geometric geocentric distance; not an angle: kilometres, for use with {@link Events#extremes}. */
    public static Fact distanceKm(Body body) {
        return moment -> moment.geometricDistanceKm(body);
    }
}
