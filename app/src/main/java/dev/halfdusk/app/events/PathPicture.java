package dev.halfdusk.app.events;

import dev.halfdusk.app.pictures.PathText;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.Aiming;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Shadow;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The way of the moon over the skyline of a place, each disc to scale: what a composite of its frames shows. In a box {@value #WIDTH}
 * units wide and as high as the way needs.
 *
 * @param small for a narrow column: discs larger than to scale, few clocks, large letters
 * @param ground closed path of what hides the sky
 * @param moons in order
 * @param lens that holds all of it with some ground, in words
 */
record PathPicture(
        boolean small, int height, String ground, List<Disc> moons, List<Foot> feet, String lens, String words) {

    static final int WIDTH = 900;
    private static final int MOST_HEIGHT = 420;
    private static final double MARGIN_DEG = 5;
    private static final double BELOW_DEG = 3;
    private static final double ROOM_DEG = 2;
    private static final double LEAST_PX = 3;
    private static final double SMALL_PX = 8;
    private static final int LABELS = 6;
    private static final int SMALL_LABELS = 3;
    private static final int GROUND_STEP = 6;

    /** A moon: how much of the sun's light it has, and a clock beside some. */
    record Disc(double x, double y, double radius, String kind, String clock) {}

    /** The top of a mark of the place. */
    record Foot(double x, double y, String name) {}

    /** Where directions lie in the box: azimuths from a middle one, narrower high up as they are on the sky. */
    private record Plot(double middleDeg, double leftDeg, double highDeg, double across, double scale, int height) {

        static Plot around(List<Horizontal> places) {
            double middle = places.get(places.size() / 2).azimuthDeg();
            double left = Double.MAX_VALUE;
            double right = -Double.MAX_VALUE;
            double high = 0;
            for (Horizontal p : places) {
                double aside = Angles.halfTurn(p.azimuthDeg() - middle);
                left = Math.min(left, aside - MARGIN_DEG);
                right = Math.max(right, aside + MARGIN_DEG);
                high = Math.max(high, p.altitudeDeg() + MARGIN_DEG);
            }
            double squeeze = Math.cos(Math.toRadians((high - BELOW_DEG) / 2));
            double wide = (right - left) * squeeze;
            double scale = Math.min(WIDTH / wide, MOST_HEIGHT / (high + BELOW_DEG));
            double spare = (WIDTH / scale - wide) / 2 / squeeze;
            int height = (int) Math.ceil((high + BELOW_DEG) * scale);
            return new Plot(middle, left - spare, high, squeeze * scale, scale, height);
        }

        double x(double azimuthDeg) {
            return (Angles.halfTurn(azimuthDeg - middleDeg) - leftDeg) * across;
        }

        double azimuth(double x) {
            return Angles.turn(middleDeg + leftDeg + x / across);
        }

        double y(double altitudeDeg) {
            return Math.min(height, (highDeg - altitudeDeg) * scale);
        }
    }

    static PathPicture of(Interval span, Duration every, Place place, List<Mark> marks, Sensor sensor, boolean small) {
        Observer observer = Observer.at(place.site());
        List<Instant> times = new ArrayList<>();
        List<Horizontal> moons = new ArrayList<>();
        for (Instant t = span.from(); !t.isAfter(span.to()); t = t.plus(every)) {
            times.add(t);
            moons.add(Moment.at(t).observed(Body.MOON, observer));
        }
        Plot plot = Plot.around(moons);
        List<Direction> framed = new ArrayList<>();
        moons.forEach(m -> framed.add(new Direction(m.azimuthDeg(), Math.min(90, m.altitudeDeg() + ROOM_DEG))));
        moons.forEach(m -> framed.add(new Direction(m.azimuthDeg(), -ROOM_DEG))); // and ground below each
        return new PathPicture(
                small,
                plot.height,
                ground(plot, place.skyline()),
                discs(plot, times, moons, place.zone(), small),
                feet(plot, marks),
                lens(Aiming.holding(framed, sensor, plot.middleDeg)),
                times.size() + " moons, one every " + Words.span(every) + ", from "
                        + Words.clock(span.from(), place.zone()) + " to " + Words.clock(span.to(), place.zone()));
    }

    private static String lens(Optional<Aiming.Holding> holding) {
        return holding.map(h -> "A " + Words.number(Math.floor(h.focalMm()), 0) + " mm lens held "
                        + (h.held() == Orientation.PORTRAIT ? "upright" : "level") + ", looking "
                        + Words.number(h.axis().azimuthDeg(), 0) + "\u00b0 "
                        + h.axis().compass() + " and " + Words.number(h.axis().altitudeDeg(), 0)
                        + "\u00b0 up, holds it all with some ground")
                .orElse("Too wide for one frame: leave out its ends, or take a fisheye");
    }

    private static List<Disc> discs(
            Plot plot, List<Instant> times, List<Horizontal> moons, ZoneId zone, boolean small) {
        List<Disc> discs = new ArrayList<>();
        int label = Math.max(1, times.size() / (small ? SMALL_LABELS : LABELS));
        for (int i = 0; i < times.size(); i++) {
            Horizontal p = moons.get(i);
            discs.add(new Disc(
                    PathText.tenth(plot.x(p.azimuthDeg())),
                    PathText.tenth(plot.y(p.altitudeDeg())),
                    PathText.tenth(Math.max(small ? SMALL_PX : LEAST_PX, p.semidiameterDeg() * plot.scale)),
                    kind(Shadow.at(Moment.at(times.get(i)))),
                    i % label == 0 ? Words.clock(times.get(i), zone) : null));
        }
        return discs;
    }

    private static String kind(Shadow s) {
        double light = new ShadowedMoon(s, ShadowedMoon.USUAL_DANJON).whole();
        return s.covered() >= 1 ? "total" : s.covered() > 0.02 ? "partial" : light < 0.97 ? "pale" : "full";
    }

    private static String ground(Plot plot, Skyline skyline) {
        StringBuilder ground = new StringBuilder("M0," + plot.height);
        for (int x = 0; x <= WIDTH; x += GROUND_STEP) {
            double altitude = Math.max(0, skyline.altitudeAt(plot.azimuth(x)));
            ground.append('L').append(x).append(',').append(PathText.tenth(plot.y(altitude)));
        }
        return ground.append("V").append(plot.height).append("Z").toString();
    }

    private static List<Foot> feet(Plot plot, List<Mark> marks) {
        return marks.stream()
                .map(m -> new Foot(
                        PathText.tenth(plot.x(m.bearingDeg())),
                        PathText.tenth(plot.y(Math.max(0, m.top().altitudeDeg()))),
                        m.name()))
                .filter(f -> f.x > 0 && f.x < WIDTH)
                .toList();
    }
}
