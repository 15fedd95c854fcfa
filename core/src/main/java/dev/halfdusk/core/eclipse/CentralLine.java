package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * Where the axis of the moon's shadow runs over the sea-level ellipsoid. Points to 0.03° against an independent ephemeris; the width is that
 * of the shadow's ellipse across its way on the tangent plane, good to a few percent while the sun is over 5° high.
 */
public final class CentralLine {

    private static final Duration LONGEST = Duration.ofHours(4);

    private static final int ROUNDS = 4;

    /** Sine of the sun's altitude below which the ground is too slanted to slide along. */
    private static final double LOWEST = 0.02;

    private CentralLine() {}

    /**
     * A point of it.
     *
     * @param durationSeconds of totality or annularity there
     * @param widthKm across the path, of totality or annularity
     */
    public record Point(Instant when, Site site, double durationSeconds, double widthKm, double sunAltitudeDeg) {}

    /** At the full multiples of a step since midnight UTC, in order; empty for an eclipse that is not central. */
    public static List<Point> of(SolarEclipse e, Duration step) {
        List<Point> points = new ArrayList<>();
        long seconds = step.toSeconds();
        long first = Math.floorDiv(e.greatest().minus(LONGEST).getEpochSecond(), seconds) * seconds;
        for (Instant t = Instant.ofEpochSecond(first); !t.isAfter(e.greatest().plus(LONGEST)); t = t.plus(step)) {
            MoonShadow shadow = MoonShadow.at(Moment.at(t));
            Instant when = t;
            shadow.site().ifPresent(site -> points.add(point(e, when, shadow, seen(shadow.moment(), site))));
        }
        return List.copyOf(points);
    }

    /**
     * Where sun and moon are seen behind each other, beginning close by: the light takes its time and the ground moves, which shifts the line
     * of the middle of the earth by a kilometre, more where the sun is low.
     */
    private static Site seen(Moment moment, Site near) {
        Site site = near;
        for (int i = 0; i < ROUNDS; i++) {
            Observer observer = Observer.at(site);
            Vector sun = moment.local(Body.SUN, observer).unit();
            Vector moon = moment.local(Body.MOON, observer);
            Vector off = moon.minus(sun.times(moon.dot(sun))); // the axis passes the place by so much
            if (sun.z() < LOWEST) {
                return site;
            }
            Vector ground = off.minus(sun.times(off.z() / sun.z()));
            double latitude = site.latitudeDeg() + Math.toDegrees(ground.y() / Discs.EARTH_KM);
            double east = Math.toDegrees(ground.x() / Discs.EARTH_KM / Math.cos(Math.toRadians(site.latitudeDeg())));
            if (Math.abs(latitude) > 89.9) {
                return site;
            }
            site = new Site(latitude, Angles.halfTurn(site.longitudeDeg() + east), 0);
        }
        return site;
    }

    private static Point point(SolarEclipse e, Instant when, MoonShadow shadow, Site site) {
        Observer observer = Observer.at(site);
        double lasts = LocalSolarEclipse.of(e, observer, Skyline.FLAT)
                .map(l -> l.inner().toMillis() / 1000.0)
                .orElse(0.0);
        double altitude = shadow.moment().local(Body.SUN, observer).latitudeDeg();
        return new Point(when, site, lasts, width(when, shadow), altitude);
    }

    /** Twice how far the shadow's edge lies from the line, on the plane that touches the ground there. */
    private static double width(Instant when, MoonShadow shadow) {
        Vector at = shadow.ground().orElseThrow();
        Vector axis = shadow.axis();
        Vector up =
                new Vector(at.x(), at.y(), at.z() / (1 - MoonShadow.FLATTENING) / (1 - MoonShadow.FLATTENING)).unit();
        Vector way = way(when, shadow, at);
        Vector across = up.cross(onGround(way, axis, up)).unit();
        Vector one = axis.cross(way).unit();
        Vector other = axis.cross(one);
        return 2
                * Math.abs(shadow.umbraKm(at))
                * Math.hypot(
                        onGround(one, axis, up).dot(across),
                        onGround(other, axis, up).dot(across));
    }

    /** How the shadow moves over a point that turns with the earth, km in ten seconds, across its axis. */
    private static Vector way(Instant when, MoonShadow shadow, Vector at) {
        MoonShadow later = MoonShadow.at(Moment.at(when.plusSeconds(10)));
        Vector turned = later.moment().carried(shadow.moment(), at);
        Vector before = offAxis(shadow, at);
        Vector after = offAxis(later, turned);
        return before.minus(after);
    }

    private static Vector offAxis(MoonShadow shadow, Vector at) {
        Vector from = at.minus(shadow.moon());
        return from.minus(shadow.axis().times(from.dot(shadow.axis())));
    }

    /** Slid along the axis on to the ground. */
    private static Vector onGround(Vector v, Vector axis, Vector up) {
        return v.minus(axis.times(v.dot(up) / axis.dot(up)));
    }
}
