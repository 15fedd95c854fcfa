package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.ground.Geodesy;
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
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Where the axis of the moon's shadow runs over the sea-level ellipsoid. Points to 0.0026° against an independent ephemeris; the width is that
 * of the shadow's ellipse across its way on the tangent plane, good to a few percent while the sun is over 5° high.
 */
public final class CentralLine {

    private static final int ROUNDS = 8;

    private static final double LOWEST_FOR_WIDTH = 5;

    /** Sine of the sun's altitude below which the ground is too slanted to slide along. */
    private static final double LOWEST = 0.02;

    private CentralLine() {}

    /**
     * A point of it.
     *
     * @param durationSeconds of totality or annularity there
     * @param widthKm across the path, of totality or annularity
     * @param northLimit end of that width to the left or right of the way, the one farther north
     */
    public record Point(
            Instant when,
            Site site,
            double durationSeconds,
            double widthKm,
            double sunAltitudeDeg,
            Site northLimit,
            Site southLimit) {

        /** Its width where it can be told: under a sun lower than 5° it would be a guess. */
        public OptionalDouble width() {
            return sunAltitudeDeg < LOWEST_FOR_WIDTH ? OptionalDouble.empty() : OptionalDouble.of(widthKm);
        }
    }

    /** Where the line runs at an instant. */
    public record Place(Instant when, Site site) {}

    /** Its places alone, at the full multiples of a step, which is much faster than its points. */
    public static List<Place> places(SolarEclipse e, Duration step) {
        List<Place> places = new ArrayList<>();
        for (Instant t :
                times(e.greatest().minus(MeanMoons.LONGEST), e.greatest().plus(MeanMoons.LONGEST), step)) {
            place(t).ifPresent(places::add);
        }
        return List.copyOf(places);
    }

    /** The place of the line that is nearest to a site, to the second; empty for an eclipse that is not central. */
    public static Optional<Place> nearest(SolarEclipse e, Site site) {
        Comparator<Place> near = Comparator.comparingDouble(p -> distanceKm(site, p.site));
        return places(e, Duration.ofMinutes(2)).stream()
                .min(near)
                .map(roughly ->
                        times(roughly.when.minusSeconds(120), roughly.when.plusSeconds(120), Duration.ofSeconds(1))
                                .stream()
                                .flatMap(t -> place(t).stream())
                                .min(near)
                                .orElse(roughly));
    }

    /** Over the ground, kilometres. */
    public static double distanceKm(Site a, Site b) {
        return Geodesy.distanceKm(a.latitudeDeg(), a.longitudeDeg(), b.latitudeDeg(), b.longitudeDeg());
    }

    private static Optional<Place> place(Instant t) {
        MoonShadow shadow = MoonShadow.at(Moment.at(t));
        return shadow.site().map(site -> new Place(t, seen(shadow.moment(), site)));
    }

    private static List<Instant> times(Instant from, Instant to, Duration step) {
        List<Instant> times = new ArrayList<>();
        long seconds = step.toSeconds();
        long first = Math.floorDiv(from.getEpochSecond(), seconds) * seconds;
        for (Instant t = Instant.ofEpochSecond(first); !t.isAfter(to); t = t.plus(step)) {
            times.add(t);
        }
        return times;
    }

    /** At the full multiples of a step since midnight UTC, in order; empty for an eclipse that is not central. */
    public static List<Point> of(SolarEclipse e, Duration step) {
        return times(e.greatest().minus(MeanMoons.LONGEST), e.greatest().plus(MeanMoons.LONGEST), step).parallelStream()
                .flatMap(when -> point(e, when).stream())
                .toList();
    }

    private static Optional<Point> point(SolarEclipse e, Instant when) {
        MoonShadow shadow = MoonShadow.at(Moment.at(when));
        return shadow.site().map(site -> point(e, when, shadow, seen(shadow.moment(), site)));
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
        Vector half = halfWidth(when, shadow);
        Vector at = shadow.ground().orElseThrow();
        Site one = shadow.place(at.plus(half));
        Site other = shadow.place(at.minus(half));
        boolean first = one.latitudeDeg() > other.latitudeDeg();
        return new Point(when, site, lasts, 2 * half.length(), altitude, first ? one : other, first ? other : one);
    }

    /** From the line to the shadow's edge across its way, on the plane that touches the ground there. */
    private static Vector halfWidth(Instant when, MoonShadow shadow) {
        Vector at = shadow.ground().orElseThrow();
        Vector axis = shadow.axis();
        Vector up =
                new Vector(at.x(), at.y(), at.z() / (1 - MoonShadow.FLATTENING) / (1 - MoonShadow.FLATTENING)).unit();
        Vector way = way(when, shadow, at);
        Vector across = up.cross(onGround(way, axis, up)).unit();
        Vector one = axis.cross(way).unit();
        Vector other = axis.cross(one);
        double reach = Math.hypot(
                onGround(one, axis, up).dot(across), onGround(other, axis, up).dot(across));
        return across.times(Math.abs(shadow.umbraKm(at)) * reach);
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
