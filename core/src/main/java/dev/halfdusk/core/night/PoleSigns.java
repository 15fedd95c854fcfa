package dev.halfdusk.core.night;

import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Star;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * How to find the celestial pole that is above the horizon, as the stars round it stand at an instant: a line through two of them
 * prolonged so many times, or half way between two. Stars by the catalogue, where they are seen; the pole of date.
 *
 * @param signs that are above the skyline, those that lead to it more nearly first
 */
public record PoleSigns(Observer observer, Instant when, List<Sign> signs) {

    /** How near the pole the way ends at most, degrees; what ends farther off is no way. */
    private static final double MISSES_DEG = 4;

    /** Nearer than this the pole star is the pole for eyes and ball head. */
    private static final double POLE_STAR_DEG = 1.5;

    /**
     * A way to it.
     *
     * @param stars by name, in the order of the way
     * @param words what one does
     * @param missesDeg by which its end lies beside the pole
     */
    public record Sign(List<String> stars, String words, double missesDeg) {}

    public PoleSigns {
        signs = List.copyOf(signs);
    }

    public static PoleSigns of(Observer observer, Instant when, Skyline skyline) {
        Sky sky = new Sky(Moment.at(when), observer, skyline, pole(observer));
        List<Sign> signs = new ArrayList<>();
        if (observer.site().latitudeDeg() >= 0) {
            sky.poleStar().ifPresent(signs::add);
            sky.line("Merak", "Dubhe").ifPresent(signs::add);
            sky.between("Mizar", "Navi").ifPresent(signs::add);
        } else {
            sky.line("Gacrux", "Acrux").ifPresent(signs::add);
            sky.between("Hadar", "Achernar").ifPresent(signs::add);
        }
        signs.sort(Comparator.comparingDouble(Sign::missesDeg));
        return new PoleSigns(observer, when, signs);
    }

    /** East, north, up. */
    private static Vector pole(Observer observer) {
        double latitude = Math.toRadians(Math.abs(observer.site().latitudeDeg()));
        double side = observer.site().latitudeDeg() >= 0 ? 1 : -1;
        return new Vector(0, side * Math.cos(latitude), Math.sin(latitude));
    }

    /** The stars as they stand. */
    private record Sky(Moment moment, Observer observer, Skyline skyline, Vector pole) {

        private Vector at(String star) {
            return moment.local(Star.named(star).orElseThrow().place(), observer);
        }

        private boolean up(Vector v) {
            return v.latitudeDeg() > Math.max(0, skyline.altitudeAt(azimuth(v)));
        }

        private static double azimuth(Vector v) {
            return Angles.turn(Math.toDegrees(Math.atan2(v.x(), v.y())));
        }

        private double awayDeg(Vector v) {
            return v.angleTo(pole);
        }

        /** "Merak (NW, 46° up)". */
        private String where(String star) {
            Vector v = at(star);
            return star + " (" + Angles.compass(azimuth(v)) + ", " + Numbers.fixed(v.latitudeDeg(), 0) + "\u00b0 up)";
        }

        Optional<Sign> poleStar() {
            Vector star = at("Polaris");
            double off = awayDeg(star);
            return up(star) && off < POLE_STAR_DEG
                    ? Optional.of(new Sign(
                            List.of("Polaris"), "Polaris stands " + Numbers.fixed(off, 1) + "\u00b0 from it", off))
                    : Optional.empty();
        }

        /** From one over the other, so many times as far. */
        Optional<Sign> line(String from, String over) {
            return circle(from, over)
                    .filter(c -> c.share > 1)
                    .map(c -> new Sign(
                            List.of(from, over),
                            "from " + where(from) + " over " + where(over) + " and on, " + Numbers.fixed(c.share - 1, 1)
                                    + " times as far again",
                            c.misses));
        }

        /** On the way from one to the other, at the share of it where the pole lies nearest. */
        Optional<Sign> between(String one, String other) {
            return circle(one, other)
                    .filter(c -> c.share > 0 && c.share < 1)
                    .map(c -> new Sign(
                            List.of(one, other),
                            "between " + where(one) + " and " + where(other) + ", at " + Numbers.fixed(100 * c.share, 0)
                                    + " % of the way",
                            c.misses));
        }

        /**
         * The great circle through two stars.
         *
         * @param share of the way from one to the other at which the pole is nearest; beyond 1 behind the other
         */
        private record Circle(double share, double misses) {}

        /** Empty where one of them is not seen, or the circle passes the pole too far off. */
        private Optional<Circle> circle(String one, String other) {
            Vector a = at(one);
            Vector b = at(other);
            Vector axis = a.cross(b).unit();
            double misses = Math.abs(Math.toDegrees(Angles.arcSine(axis.dot(pole))));
            if (!up(a) || !up(b) || misses > MISSES_DEG) {
                return Optional.empty();
            }
            Vector nearest = pole.minus(axis.times(pole.dot(axis)));
            double along = Math.toDegrees(Math.atan2(a.cross(nearest).dot(axis), a.dot(nearest)));
            return Optional.of(new Circle(along / a.angleTo(b), misses));
        }
    }

    /** Whether it is the north pole. */
    public boolean north() {
        return observer.site().latitudeDeg() >= 0;
    }

    /** Of the pole, airless: the latitude. */
    public double altitudeDeg() {
        return Math.abs(observer.site().latitudeDeg());
    }

    /** "The pole is due north, 38° up." */
    public String words() {
        return "The pole is due " + (north() ? "north" : "south") + ", " + Numbers.fixed(altitudeDeg(), 0)
                + "\u00b0 up";
    }
}
