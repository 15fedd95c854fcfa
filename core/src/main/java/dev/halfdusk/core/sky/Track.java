package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Vector;
import java.time.Instant;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReferenceArray;

/**
 * The way of one target over a long time, for many samples: apparent geocentric places at nodes, interpolated by a cubic
 * through four nodes. Keeps 0.001° for the moon with six-hour nodes, far better for the rest (tested). Parallax is
 * allowed for when a place is looked at from a {@link Window}.
 */
public final class Track {

    private static final double NODES_PER_DAY = 4;

    /** Whether it is near enough for the place on the earth to matter. */
    private final boolean parallax;

    private final double firstDay;
    private final double[] x;
    private final double[] y;
    private final double[] z;

    private Track(boolean parallax, double firstDay, int nodes) {
        this.parallax = parallax;
        this.firstDay = firstDay;
        x = new double[nodes];
        y = new double[nodes];
        z = new double[nodes];
    }

    /**
     * Places at nodes, the same for all observers: those of sun, moon and core are looked up again and again, for one place after
     * another. At most 4 MB each.
     */
    private static final class Known {

        private static final long FIRST = node(TimeScale.days(TimeScale.FIRST)) - 8;
        private static final int MOST = (int) (node(TimeScale.days(TimeScale.LAST)) + 8 - FIRST);

        private static final Map<Target, Known> ALL =
                Map.of(Body.SUN, new Known(), Body.MOON, new Known(), FixedPoint.CORE, new Known());

        private final AtomicReferenceArray<Vector> places = new AtomicReferenceArray<>(MOST);

        Vector at(Target target, long node) {
            int i = (int) (node - FIRST);
            if (i < 0 || i >= MOST) {
                return place(target, node);
            }
            Vector known = places.get(i);
            if (known == null) {
                known = place(target, node);
                places.set(i, known);
            }
            return known;
        }
    }

    private static long node(double days) {
        return (long) Math.floor(days * NODES_PER_DAY);
    }

    private static Vector place(Target target, long node) {
        return Moment.atDays(node / NODES_PER_DAY).equatorOfDate(target);
    }

    /** The way from one instant to another. */
    public static Track of(Target target, Instant from, Instant to) {
        long first = node(TimeScale.days(from)) - 2;
        long last = node(TimeScale.days(to)) + 4;
        Track track = new Track(target instanceof Body, first / NODES_PER_DAY, (int) (last - first) + 1);
        Known known = Known.ALL.get(target);
        for (int i = 0; i < track.x.length; i++) {
            Vector v = known == null ? place(target, first + i) : known.at(target, first + i);
            track.x[i] = v.x();
            track.y[i] = v.y();
            track.z[i] = v.z();
        }
        return track;
    }

    /** True equator of date, geocentric; kilometres, 1 for stars. */
    Vector at(double days) {
        double place = (days - firstDay) * NODES_PER_DAY;
        int i = Math.max(1, Math.min(x.length - 3, (int) place));
        double u = place - i;
        double w0 = -u * (u - 1) * (u - 2) / 6;
        double w1 = (u + 1) * (u - 1) * (u - 2) / 2;
        double w2 = -(u + 1) * u * (u - 2) / 2;
        double w3 = (u + 1) * u * (u - 1) / 6;
        return new Vector(
                w0 * x[i - 1] + w1 * x[i] + w2 * x[i + 1] + w3 * x[i + 2],
                w0 * y[i - 1] + w1 * y[i] + w2 * y[i + 1] + w3 * y[i + 2],
                w0 * z[i - 1] + w1 * z[i] + w2 * z[i + 1] + w3 * z[i + 2]);
    }

    /**
     * An observer's sky at evenly spaced times, ready to turn places of tracks into local directions. Sidereal time is
     * taken as even within a day (error below 0.002″).
     */
    public static final class Window {

        /** What the sidereal angle gains on a full turn in a day, roughly. */
        private static final double EXCESS = 0.0172;

        private final Observer observer;
        private final double firstDay;
        private final double step;
        private final double[] sidereal;

        /**
         * @param from first sample
         * @param samples how many
         * @param stepDays between samples
         */
        public Window(Observer observer, Instant from, int samples, double stepDays) {
            this.observer = observer;
            this.firstDay = TimeScale.days(from);
            this.step = stepDays;
            sidereal = new double[(int) Math.ceil(samples * stepDays) + 2];
            for (int day = 0; day < sidereal.length; day++) {
                double angle = EarthOrientation.at(firstDay + day).siderealRadians();
                // kept growing by one turn and a bit each day, so that it can be interpolated
                double expected = day == 0 ? angle : sidereal[day - 1] + 2 * Math.PI + EXCESS;
                sidereal[day] = angle + 2 * Math.PI * Math.rint((expected - angle) / (2 * Math.PI));
            }
        }

        /** East, north and up of the target at a sample or between two; topocentric, length the distance in km for bodies. */
        public Vector local(Track track, double sample) {
            return sky(sample).local(track);
        }

        /** The observer's sky at a sample or between two, for more than one target. */
        public Sky sky(double sample) {
            double sinceFirst = sample * step;
            int day = (int) sinceFirst;
            double angle = sidereal[day] + (sidereal[day + 1] - sidereal[day]) * (sinceFirst - day);
            return new Sky(observer, firstDay + sinceFirst, Math.cos(angle), Math.sin(angle));
        }

        public Instant instant(int sample) {
            return TimeScale.instant(firstDay + sample * step);
        }
    }

    /** An observer's sky at one time. */
    public record Sky(Observer observer, double day, double cos, double sin) {

        /** East, north and up of the target; topocentric, length the distance in km for bodies. */
        public Vector local(Track track) {
            Vector v = track.at(day);
            Vector fixed = new Vector(cos * v.x() + sin * v.y(), cos * v.y() - sin * v.x(), v.z());
            return observer.local(track.parallax ? fixed.minus(observer.position()) : fixed);
        }
    }
}
