package dev.halfdusk.core.search;

import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Target;
import dev.halfdusk.core.sky.TimeScale;
import dev.halfdusk.core.sky.Track;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * What people mean by "over a mark": beside it by no more than some degrees of azimuth, not lower than its top and not
 * higher than so far above the horizon. Airless.
 *
 * @param bearingDeg of the mark
 * @param asideDeg azimuth to either side that still counts
 * @param fromAltitudeDeg top of the mark
 */
public record OverMark(double bearingDeg, double asideDeg, double fromAltitudeDeg, double toAltitudeDeg) {

    public static final Range ASIDE = new Range("degrees beside the mark", 0.05, 90, "\u00b0");
    public static final Range HIGHEST = new Range("altitude", 1, 90, "\u00b0");

    private static final double USUAL_HIGHEST = 30;
    private static final double LEAST_BAND = 10;
    private static final Duration STEP = Duration.ofMinutes(10);
    private static final double DAYS_PER_YEAR = 365.25;

    /** Parts of a step that are looked at: a minute each. */
    private static final int PARTS = 10;

    public OverMark {
        Range.AZIMUTH.check(bearingDeg);
        ASIDE.check(asideDeg);
        HIGHEST.check(toAltitudeDeg);
    }

    public static OverMark of(Mark mark, double asideDeg, double toAltitudeDeg) {
        return new OverMark(mark.bearingDeg(), asideDeg, mark.topAltitudeDeg(), toAltitudeDeg);
    }

    /** Up to 30° by default; ten degrees over the top of a mark that is higher. */
    public static double usualHighest(Mark mark) {
        return Math.min(90, Math.max(USUAL_HIGHEST, Math.ceil(mark.topAltitudeDeg() + LEAST_BAND)));
    }

    /** The same as the sight of a wish for nights, not lower than the wish itself asks. */
    public Wanted.Standing standing(double lowestDeg) {
        return new Wanted.Standing(
                Math.min(89, Math.max(lowestDeg, Math.max(0, fromAltitudeDeg))),
                toAltitudeDeg,
                Angles.turn(bearingDeg - asideDeg),
                Angles.turn(bearingDeg + asideDeg));
    }

    /**
     * One passage.
     *
     * @param during it is over the mark, to some seconds
     * @param nearest to the bearing of the mark within that time; its separation is from the top of the mark
     */
    public record Passage(Interval during, Alignments.Alignment nearest) {}

    /**
     * Every passage in the years after an instant, in order of time.
     *
     * @throws dev.halfdusk.core.sky.DateOutOfRange if the search would leave 2000–2059
     */
    public List<Passage> find(Target target, Site site, Instant from, int years) {
        Alignments.YEARS.check(years);
        Instant to = from.plusSeconds(Math.round(years * DAYS_PER_YEAR * 86_400));
        return new Search(target, Observer.at(site), from, to).run();
    }

    /** By how much a direction keeps inside; negative outside, degrees. */
    private double margin(Vector local) {
        double altitude = local.latitudeDeg();
        double aside = asideDeg - Math.abs(off(local));
        return Math.min(aside, Math.min(altitude - fromAltitudeDeg, toAltitudeDeg - altitude));
    }

    /** Azimuth to the right of the mark, −180 to 180°. */
    private double off(Vector local) {
        return Angles.halfTurn(Direction.azimuthDeg(local) - bearingDeg);
    }

    /** The walk through the years, in minutes. */
    private final class Search {

        private final Target target;
        private final Observer observer;
        private final Track track;
        private final Track.Window window;
        private final Instant from;
        private final int samples;
        private final List<Passage> found = new ArrayList<>();

        Search(Target target, Observer observer, Instant from, Instant to) {
            this.target = target;
            this.observer = observer;
            this.from = from;
            samples = (int) (Duration.between(from, to).toMinutes() / STEP.toMinutes());
            track = Track.of(target, from, to);
            window = new Track.Window(observer, from, samples + 1, STEP.toMinutes() / 1440.0);
        }

        List<Passage> run() {
            Vector here = local(0);
            double begun = margin(here) >= 0 ? 0 : Double.NaN;
            for (int i = 0; i < samples; i++) {
                Vector next = local(i + 1);
                if (mayTouch(here, next)) {
                    for (int part = 0; part < PARTS; part++) {
                        double a = i + (double) part / PARTS;
                        double b = i + (double) (part + 1) / PARTS;
                        begun = minute(begun, a, b);
                    }
                }
                here = next;
            }
            if (!Double.isNaN(begun)) {
                add(begun, samples);
            }
            return List.copyOf(found);
        }

        /** Whether the band can be touched between two samples: nothing climbs or sinks faster than 2.6° in ten minutes. */
        private boolean mayTouch(Vector here, Vector next) {
            double stride = Math.abs(Angles.halfTurn(off(next) - off(here))) + 2.6;
            return Math.max(margin(here), margin(next)) >= -stride;
        }

        /** One minute: an edge may lie within it, and all of a narrow band. */
        private double minute(double begun, double a, double b) {
            double before = margin(local(a));
            double after = margin(local(b));
            if (before < 0 && after < 0) {
                double middle = bearing(a, b);
                if (margin(local(middle)) >= 0) {
                    add(edge(a, middle), edge(b, middle));
                }
                return Double.NaN;
            }
            if (before < 0) {
                return edge(a, b);
            }
            if (after < 0) {
                add(begun, edge(b, a));
                return Double.NaN;
            }
            return begun;
        }

        /** Where within a minute the bearing is crossed, by a straight line; its middle where it is not. */
        private double bearing(double a, double b) {
            double offA = off(local(a));
            double offB = off(local(b));
            boolean crosses = offA * offB < 0 && Math.abs(offA - offB) < 180;
            return crosses ? a + (b - a) * offA / (offA - offB) : (a + b) / 2;
        }

        /** By halves: where one limit hands over to another the margin has a corner. The last place inside, to a second. */
        private double edge(double outside, double inside) {
            double out = outside;
            double in = inside;
            while (Math.abs(in - out) > 1e-3) {
                double middle = (in + out) / 2;
                if (margin(local(middle)) >= 0) {
                    in = middle;
                } else {
                    out = middle;
                }
            }
            return in;
        }

        private Vector local(double sample) {
            return window.local(track, sample);
        }

        private void add(double begin, double end) {
            double best = begin;
            for (double s = begin; s < end; s += 1.0 / PARTS) {
                double next = Math.min(end, s + 1.0 / PARTS);
                best = nearer(nearer(best, bearing(s, next)), next);
            }
            Instant when = instant(best);
            double separation = local(best).angleTo(new Direction(bearingDeg, fromAltitudeDeg).vector());
            found.add(new Passage(
                    new Interval(instant(begin), instant(end)),
                    Alignments.alignment(target, observer, Moment.at(when), separation)));
        }

        private double nearer(double one, double other) {
            return Math.abs(off(local(other))) < Math.abs(off(local(one))) ? other : one;
        }

        private Instant instant(double sample) {
            return TimeScale.instant(TimeScale.days(from) + sample * STEP.toMinutes() / 1440.0);
        }
    }
}
