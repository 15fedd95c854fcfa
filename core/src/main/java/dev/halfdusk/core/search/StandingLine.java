package dev.halfdusk.core.search;

import dev.halfdusk.core.ground.Coordinates;
import dev.halfdusk.core.ground.Geodesy;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Target;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;

/**
 * Where to stand so that a body is seen right over a mark at an instant: a line that leads away from the mark, opposite
 * to the body. Along it the body keeps its height while the mark sinks with distance.
 *
 * <p>No terrain is known: every spot is taken to lie as high against the mark's foot as was given. The curve of the earth
 * and mean refraction along the ground (a seventh part, k = 0.13) are in the height of the mark. Spots are good to 0.02°
 * of bearing within 50 km.
 */
public final class StandingLine {

    public static final Range PART = new Range("size against the moon", 0.1, 50, " moons");

    private static final double GROUND_REFRACTION = 0.13;
    private static final double NEAREST_M = 2;
    private static final double FARTHEST_M = 50_000;

    private final Target target;
    private final Instant when;
    private final Coordinates foot;
    private final double elevationM;
    private final double heightM;
    private final double footM;
    private final Horizontal body;

    private StandingLine(
            Target target, Instant when, Coordinates foot, double elevationM, double heightM, double footM) {
        this.target = target;
        this.when = when;
        this.foot = foot;
        this.elevationM = elevationM;
        this.heightM = heightM;
        this.footM = footM;
        body = Moment.at(when)
                .observed(target, Observer.at(new Site(foot.latitudeDeg(), foot.longitudeDeg(), elevationM)));
    }

    /**
     * @param from the place from which the mark's bearing and distance are known
     * @param footM height of the mark's foot above the spots, negative below
     */
    public static StandingLine of(Target target, Instant when, Site from, Mark mark, double footM) {
        Mark.FOOT.check(footM);
        Coordinates at = Geodesy.destination(
                from.latitudeDeg(), from.longitudeDeg(), mark.bearingDeg(), mark.distanceM() / 1000);
        return new StandingLine(target, when, at, from.elevationM(), mark.heightM(), footM);
    }

    /**
     * A spot on the line.
     *
     * @param distanceM to the mark
     * @param bearingDeg towards the mark, and so towards the body
     * @param topDeg altitude of the mark's top
     * @param bodyDeg altitude of the body's centre, as seen through average air
     * @param bodyWidthDeg 0 for a point
     * @param markHeightDeg angle between foot and top
     */
    public record Spot(
            double distanceM,
            Coordinates at,
            double bearingDeg,
            double topDeg,
            double bodyDeg,
            double bodyWidthDeg,
            double markHeightDeg) {

        /** How far the body's lower limb stands above the mark's top; negative while the mark covers some of it. */
        public double clearDeg() {
            return bodyDeg - bodyWidthDeg / 2 - topDeg;
        }
    }

    /** Where the mark stands. */
    public Coordinates mark() {
        return foot;
    }

    /** The body seen from the mark. */
    public Horizontal body() {
        return body;
    }

    /** The spot at a distance; empty while the body is below the horizon. */
    public Optional<Spot> at(double distanceM) {
        Mark.DISTANCE.check(distanceM);
        if (body.refractedAltitudeDeg() <= 0) {
            return Optional.empty();
        }
        double back = body.azimuthDeg() + 180;
        Coordinates spot = foot;
        Horizontal seen = body;
        double bearing = body.azimuthDeg();
        for (int round = 0; round < 3; round++) {
            spot = Geodesy.destination(foot.latitudeDeg(), foot.longitudeDeg(), Angles.turn(back), distanceM / 1000);
            Site site = new Site(spot.latitudeDeg(), spot.longitudeDeg(), elevationM);
            seen = Moment.at(when).observed(target, Observer.at(site));
            bearing = Geodesy.bearingDeg(
                    spot.latitudeDeg(), spot.longitudeDeg(), foot.latitudeDeg(), foot.longitudeDeg());
            back += Angles.halfTurn(seen.azimuthDeg() - bearing);
        }
        double top = altitude(footM + heightM, distanceM);
        return Optional.of(new Spot(
                distanceM,
                spot,
                bearing,
                top,
                seen.refractedAltitudeDeg(),
                2 * seen.semidiameterDeg(),
                top - altitude(footM, distanceM)));
    }

    private static double altitude(double heightM, double distanceM) {
        double drop = distanceM * distanceM * (1 - GROUND_REFRACTION) / (2000 * Geodesy.EARTH_RADIUS_KM);
        return Math.toDegrees(Math.atan2(heightM - drop, distanceM));
    }

    /** Distance at which the body's centre stands on the mark's top; empty where none between 2 m and 50 km does. */
    public OptionalDouble touching() {
        double wanted = body.refractedAltitudeDeg();
        if (wanted <= 0
                || altitude(footM + heightM, NEAREST_M) < wanted
                || altitude(footM + heightM, FARTHEST_M) > wanted) {
            return OptionalDouble.empty();
        }
        double near = NEAREST_M;
        double far = FARTHEST_M;
        for (int i = 0; i < 60; i++) {
            double middle = Math.sqrt(near * far);
            if (altitude(footM + heightM, middle) > wanted) {
                near = middle;
            } else {
                far = middle;
            }
        }
        return OptionalDouble.of(near);
    }

    /**
     * Distance at which a height looks so many moons tall: height ÷ tan(moon's width × part).
     *
     * @param moonWidthDeg as it looks that evening
     */
    public static double distanceForMoons(double heightM, double moonWidthDeg, double part) {
        return heightM / Math.tan(Math.toRadians(moonWidthDeg * PART.check(part)));
    }

    /** Round distances worth a look, metres. */
    public static DoubleStream roundDistances() {
        return DoubleStream.of(50, 100, 200, 350, 500, 750, 1000, 1500, 2000, 3000, 5000, 7500, 10_000, 15_000, 20_000);
    }
}
