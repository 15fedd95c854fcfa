package dev.halfdusk.core.search;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Events;
import dev.halfdusk.core.sky.Extreme;
import dev.halfdusk.core.sky.Fact;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Illumination;
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
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** When does a body stand over something: near a given azimuth and altitude, in many years at once. */
public final class Alignments {

    public static final Range TOLERANCE = new Range("tolerance", 0.01, 10, "\u00b0");
    public static final Range YEARS = new Range("years", 1, 20, "");

    private static final Duration STEP = Duration.ofMinutes(10);
    private static final double DAYS_PER_YEAR = 365.25;

    /** More than a body crosses of the sky in half a step. */
    private static final double REACH_DEG = 1.4;

    /** Samples looked at beyond each end, so that a passage near an end is one. */
    private static final int BEYOND = 2;

    /** A passage comes nearer by this than some hours before and after, or there was none: stars by the pole stay where they are. */
    private static final double LEAST_APPROACH_DEG = 0.01;

    private static final Duration HOURS_AWAY = Duration.ofHours(6);

    private Alignments() {}

    /** How light it is. */
    public enum Light {
        DAY,
        TWILIGHT,
        NIGHT;

        /** Stable name for interfaces. */
        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * A passage within the tolerance.
     *
     * @param when it is nearest
     * @param separationDeg from the wanted direction at that instant
     * @param altitudeDeg airless
     * @param moonFraction lit fraction of the moon then
     */
    public record Alignment(
            Instant when,
            double separationDeg,
            double azimuthDeg,
            double altitudeDeg,
            double sunAltitudeDeg,
            Light light,
            double moonFraction,
            double moonAltitudeDeg) {}

    /**
     * Every passage in the years after an instant, in order of time; nearest approach to a second and 0.001°.
     *
     * @param towards the wanted direction, airless
     * @param toleranceDeg how near the body's centre must come, as an angle on the sky
     * @throws dev.halfdusk.core.sky.DateOutOfRange if the search would leave 2000–2059
     */
    public static List<Alignment> find(
            Target target, Site site, Direction towards, double toleranceDeg, Instant from, int years) {
        Range.AZIMUTH.check(towards.azimuthDeg());
        TOLERANCE.check(toleranceDeg);
        YEARS.check(years);
        Observer observer = Observer.at(site);
        Vector wanted = towards.vector();
        Instant to = from.plusSeconds(Math.round(years * DAYS_PER_YEAR * 86_400));
        Instant first = within(from.minus(STEP.multipliedBy(BEYOND)), from);
        Instant last = within(to.plus(STEP.multipliedBy(BEYOND)), to);
        int samples = (int) (Duration.between(first, last).toMinutes() / STEP.toMinutes()) + 1;
        Track track = Track.of(target, first, last);
        Track.Window window = new Track.Window(observer, first, samples, STEP.toMinutes() / 1440.0);
        double near = Math.cos(Math.toRadians(Math.min(180, toleranceDeg + REACH_DEG)));
        Fact separation = moment -> moment.local(target, observer).angleTo(wanted);

        List<Alignment> found = new ArrayList<>();
        double before = -1;
        double now = -1;
        for (int i = 0; i < samples; i++) {
            Vector v = window.local(track, i);
            double next = v.dot(wanted) / v.length();
            if (i > 1 && now >= near && now >= before && now > next) {
                refine(separation, target, observer, window.instant(i - 1), toleranceDeg)
                        .filter(a -> !a.when.isBefore(from) && a.when.isBefore(to))
                        .ifPresent(found::add);
            }
            before = now;
            now = next;
        }
        return List.copyOf(found);
    }

    /** Lowest and highest altitude, degrees. */
    public record Span(double lowestDeg, double highestDeg) {}

    /**
     * Between which altitudes a body passes an azimuth, above the horizon, in the years after an instant; to 0.1°.
     * Empty where it never does.
     */
    public static Optional<Span> altitudes(Target target, Site site, double azimuthDeg, Instant from, int years) {
        Range.AZIMUTH.check(azimuthDeg);
        YEARS.check(years);
        Instant to = from.plusSeconds(Math.round(years * DAYS_PER_YEAR * 86_400));
        int samples = (int) (Duration.between(from, to).toMinutes() / STEP.toMinutes()) + 1;
        Track track = Track.of(target, from, to);
        Track.Window window = new Track.Window(Observer.at(site), from, samples, STEP.toMinutes() / 1440.0);
        double lowest = Double.POSITIVE_INFINITY;
        double highest = 0;
        double off = Double.NaN;
        double height = 0;
        for (int i = 0; i < samples; i++) {
            Vector v = window.local(track, i);
            double now = Angles.halfTurn(Direction.azimuthDeg(v) - azimuthDeg);
            double altitude = v.latitudeDeg();
            if (!Double.isNaN(off) && off * now <= 0 && Math.abs(off - now) < 90) {
                double at = off == now ? altitude : height + (altitude - height) * off / (off - now);
                if (at > 0) {
                    lowest = Math.min(lowest, at);
                    highest = Math.max(highest, at);
                }
            }
            off = now;
            height = altitude;
        }
        return highest == 0 ? Optional.empty() : Optional.of(new Span(lowest, highest));
    }

    /** An instant beyond an end of the span, or the end itself where the ephemeris ends there. */
    private static Instant within(Instant beyond, Instant end) {
        return TimeScale.covers(beyond) ? beyond : end;
    }

    private static Optional<Alignment> refine(
            Fact separation, Target target, Observer observer, Instant about, double tolerance) {
        Instant from = about.minus(STEP);
        List<Extreme> turns =
                Events.over(from, about.plus(STEP), STEP.dividedBy(2)).extremes(separation);
        return turns.stream()
                .filter(e -> !e.highest() && e.value() <= tolerance)
                .filter(e -> approaches(separation, e))
                .findFirst()
                .map(e -> alignment(target, observer, Moment.at(e.when()), e.value()));
    }

    static Alignment alignment(Target target, Observer observer, Moment moment, double separationDeg) {
        Horizontal at = moment.observed(target, observer);
        double sun = moment.local(Body.SUN, observer).latitudeDeg();
        return new Alignment(
                moment.instant(),
                separationDeg,
                at.azimuthDeg(),
                at.altitudeDeg(),
                sun,
                sun < -18 ? Light.NIGHT : sun < -0.833 ? Light.TWILIGHT : Light.DAY,
                Illumination.of(Body.MOON, moment).fraction(),
                moment.local(Body.MOON, observer).latitudeDeg());
    }

    private static boolean approaches(Fact separation, Extreme nearest) {
        return Stream.of(nearest.when().minus(HOURS_AWAY), nearest.when().plus(HOURS_AWAY))
                .filter(TimeScale::covers)
                .allMatch(t -> separation.at(Moment.at(t)) > nearest.value() + LEAST_APPROACH_DEG);
    }
}
