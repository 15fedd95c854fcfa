package dev.halfdusk.core.night;

import dev.halfdusk.core.glow.GalacticLight;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Target;
import dev.halfdusk.core.sky.Track;
import java.time.Instant;
import java.util.stream.IntStream;

/** Where a sight stands: by the sky, or by the ground. Airless. */
sealed interface Where {

    /** East, north and up at a moment. */
    Vector local(Moment moment, Observer observer);

    /** The same for many moments of one observer. */
    Way way(Observer observer, Instant from, Instant to);

    /** Its places at evenly spaced times. */
    interface Way {

        Vector at(Track.Sky sky);

        /** Luminance of what changes with the hour, cd/m\u00b2; 0 of all else. */
        default double luminance(Track.Sky sky) {
            return 0;
        }
    }

    /** Something in the sky. */
    record At(Target target) implements Where {

        @Override
        public Vector local(Moment moment, Observer observer) {
            return moment.local(target, observer);
        }

        @Override
        public Way way(Observer observer, Instant from, Instant to) {
            Track track = Track.of(target, from, to);
            return sky -> sky.local(track);
        }
    }

    /** The highest point of the plane of the Milky Way. */
    record Top() implements Where {

        private static final FixedPoint POLE = Galaxy.point(0, 90);
        private static final FixedPoint CENTRE = Galaxy.point(0, 0);
        private static final FixedPoint QUARTER = Galaxy.point(90, 0);
        private static final int BAND_DEG = 8;

        /** The clouds of the band at each degree of longitude. */
        private static final double[] BRIGHTEST = IntStream.range(0, 360)
                .mapToDouble(l -> IntStream.rangeClosed(-BAND_DEG, BAND_DEG)
                        .mapToDouble(b -> GalacticLight.mean(l, b, 3))
                        .max()
                        .orElseThrow())
                .toArray();

        private static double ofLongitude(double degrees) {
            return BRIGHTEST[Math.floorMod(Math.round(degrees), 360)];
        }

        static double luminance(Vector icrs) {
            return ofLongitude(Galaxy.longitudeDeg(icrs));
        }

        /** Straight over the point of the horizon that lies opposite the plane's upper pole. */
        private static Vector top(Vector pole) {
            Vector upper = pole.z() < 0 ? pole.times(-1) : pole;
            double level = Math.hypot(upper.x(), upper.y());
            return level == 0
                    ? new Vector(0, 1, 0)
                    : new Vector(-upper.x() * upper.z() / level, -upper.y() * upper.z() / level, level);
        }

        @Override
        public Vector local(Moment moment, Observer observer) {
            return top(moment.local(POLE, observer));
        }

        @Override
        public Way way(Observer observer, Instant from, Instant to) {
            Track pole = Track.of(POLE, from, to);
            Track centre = Track.of(CENTRE, from, to);
            Track quarter = Track.of(QUARTER, from, to);
            return new Way() {
                @Override
                public Vector at(Track.Sky sky) {
                    return top(sky.local(pole));
                }

                @Override
                public double luminance(Track.Sky sky) {
                    Vector v = at(sky);
                    double x = v.dot(sky.local(centre));
                    double y = v.dot(sky.local(quarter));
                    return ofLongitude(Math.toDegrees(Angles.arcTangent(y, x)));
                }
            };
        }
    }

    /** The celestial pole that is up, as the earth turns about it. */
    record Pole() implements Where {

        private static Vector at(Observer observer) {
            double latitude = observer.site().latitudeDeg();
            return new Direction(latitude < 0 ? 180 : 0, Math.abs(latitude)).vector();
        }

        @Override
        public Vector local(Moment moment, Observer observer) {
            return at(observer);
        }

        @Override
        public Way way(Observer observer, Instant from, Instant to) {
            Vector at = at(observer);
            return sky -> at;
        }
    }

    /** Fixed against the ground. */
    record Towards(Direction direction) implements Where {

        @Override
        public Vector local(Moment moment, Observer observer) {
            return direction.vector();
        }

        @Override
        public Way way(Observer observer, Instant from, Instant to) {
            Vector at = direction.vector();
            return sky -> at;
        }
    }
}
