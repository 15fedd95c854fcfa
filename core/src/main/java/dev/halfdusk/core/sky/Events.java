package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Interval;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.exception.MathRuntimeException;

/**
 * The one search: when does a fact pass zero, when does it turn. Rise, set, twilight, transits, phases, apsides,
 * conjunctions and eclipse contacts are all asked here.
 *
 * <p>The fact is sampled at a step and every change of sign is refined by Brent's method to 0.1 ms. Where the fact comes
 * close to zero between samples without changing sign, its turning point is looked up first, so that a body that only
 * grazes the horizon is not missed.
 */
public final class Events {

    /** Fine enough for anything that turns with the earth. */
    public static final Duration DAILY_STEP = Duration.ofMinutes(15);

    /** Fine enough for anything that follows the moon's month. */
    public static final Duration MONTHLY_STEP = Duration.ofHours(12);

    private static final double ACCURACY_DAYS = 1e-9;
    private static final int MAX_EVALUATIONS = 100;
    private static final int MAX_SAMPLES = 200_000;

    /** A root with a larger rest than this is a jump of the fact, not an event. */
    private static final double JUMP = 0.01;

    private final Instant from;
    private final Instant to;
    private final Moment[] moments;

    private Events(Instant from, Instant to, Moment[] moments) {
        this.from = from;
        this.to = to;
        this.moments = moments;
    }

    /**
     * A search in from (included) to to (excluded), for asking several facts about the same stretch of time.
     *
     * @param step between samples; a fact must not pass zero three times within it
     */
    public static Events over(Instant from, Instant to, Duration step) {
        double first = TimeScale.days(from);
        double last = TimeScale.days(to);
        double width = step.toNanos() / 1e9 / TimeScale.SECONDS_PER_DAY;
        if (!(width > 0) || last < first) {
            throw new IllegalArgumentException("a search needs a positive step and an end after its start");
        }
        double steps = Math.ceil((last - first) / width);
        if (steps > MAX_SAMPLES) {
            throw new IllegalArgumentException("a search of " + (long) steps + " steps is too long");
        }
        // one step beyond either end, so that events near the ends have neighbours
        Moment[] moments = new Moment[(int) steps + 3];
        for (int i = 0; i < moments.length; i++) {
            moments[i] = Moment.atDays(first + (i - 1) * width);
        }
        return new Events(from, to, moments);
    }

    /** Every crossing of zero in from (included) to to (excluded), in order. */
    public static List<Crossing> find(Fact fact, Instant from, Instant to, Duration step) {
        return over(from, to, step).find(fact);
    }

    /** Every crossing of zero, in order. */
    public List<Crossing> find(Fact fact) {
        Samples s = Samples.of(fact, moments);
        List<Crossing> found = new ArrayList<>();
        for (int i = 0; i + 1 < s.values.length; i++) {
            if (changesSign(s.values[i], s.values[i + 1])) {
                addCrossing(found, s, s.days[i], s.days[i + 1]);
            } else if (i > 0 && changesSignNear(s, i)) {
                double turn = turningPoint(s, i, s.values[i] > 0 ? -1 : 1);
                if (changesSign(s.values[i], s.value(turn))) {
                    addCrossing(found, s, s.days[i - 1], turn);
                    addCrossing(found, s, turn, s.days[i + 1]);
                }
            }
        }
        found.removeIf(c -> !inside(c.when()));
        found.sort(Comparator.comparing(Crossing::when));
        return List.copyOf(found);
    }

    /** Every maximum and minimum, in order. The fact must not jump. */
    public List<Extreme> extremes(Fact fact) {
        Samples s = Samples.of(fact, moments);
        List<Extreme> found = new ArrayList<>();
        for (int i = 1; i + 1 < s.values.length; i++) {
            int way = turns(s, i);
            if (way != 0) {
                double at = turningPoint(s, i, way);
                Instant when = TimeScale.instant(at);
                if (inside(when)) {
                    found.add(new Extreme(when, s.value(at), way > 0));
                }
            }
        }
        return List.copyOf(found);
    }

    /** The stretches in which the fact is above zero. */
    public List<Interval> above(Fact fact) {
        return above(fact, find(fact));
    }

    /** The same from crossings that are already known. */
    public List<Interval> above(Fact fact, List<Crossing> crossings) {
        List<Interval> result = new ArrayList<>();
        Instant start = fact.at(Moment.at(from)) > 0 ? from : null;
        for (Crossing crossing : crossings) {
            if (crossing.rising()) {
                start = crossing.when();
            } else if (start != null) {
                if (start.isBefore(crossing.when())) {
                    result.add(new Interval(start, crossing.when()));
                }
                start = null;
            }
        }
        if (start != null && start.isBefore(to)) {
            result.add(new Interval(start, to));
        }
        return List.copyOf(result);
    }

    private boolean inside(Instant when) {
        return !when.isBefore(from) && when.isBefore(to);
    }

    /** A fact at every sample. */
    private record Samples(Fact fact, double[] days, double[] values) {

        static Samples of(Fact fact, Moment[] moments) {
            double[] days = new double[moments.length];
            double[] values = new double[moments.length];
            for (int i = 0; i < moments.length; i++) {
                days[i] = moments[i].days();
                values[i] = fact.at(moments[i]);
            }
            return new Samples(fact, days, values);
        }

        double value(double day) {
            return fact.at(Moment.atDays(day));
        }
    }

    private static boolean changesSign(double a, double b) {
        return (a < 0 && b >= 0 || a >= 0 && b < 0) && Math.abs(a - b) < 180;
    }

    private static void addCrossing(List<Crossing> found, Samples s, double left, double right) {
        UnivariateFunction f = s::value;
        double a = f.value(left);
        double b = f.value(right);
        double root;
        try {
            root = a == 0
                    ? left
                    : b == 0 ? right : new BrentSolver(ACCURACY_DAYS).solve(MAX_EVALUATIONS, f, left, right);
        } catch (MathRuntimeException e) {
            throw new IllegalStateException("no root between " + left + " and " + right, e);
        }
        if (Math.abs(f.value(root)) < JUMP) {
            found.add(new Crossing(TimeScale.instant(root), b > a));
        }
    }

    /** Whether the sample is the one nearest to zero of three on one side, and the parabola through them comes near zero. */
    private static boolean changesSignNear(Samples s, int i) {
        double a = s.values[i - 1];
        double b = s.values[i];
        double c = s.values[i + 1];
        int way = turns(s, i);
        if (way == 0 || b > 0 == way > 0 || Math.abs(a - b) > 180 || Math.abs(c - b) > 180) {
            return false;
        }
        double tip = b - (c - a) * (c - a) / (8 * (a - 2 * b + c));
        return Math.abs(tip) < 0.2 * Math.max(Math.abs(a - b), Math.abs(c - b)) || changesSign(b, tip);
    }

    /** 1 where a sample is a maximum among its neighbours, −1 where a minimum, else 0. */
    private static int turns(Samples s, int i) {
        double before = s.values[i] - s.values[i - 1];
        double after = s.values[i + 1] - s.values[i];
        if (before > 0 && after <= 0) {
            return 1;
        }
        return before < 0 && after >= 0 ? -1 : 0;
    }

    /** Golden-section search between the neighbours of a sample; stops at 0.05 s, where the value is flat anyway. */
    private static double turningPoint(Samples s, int i, int way) {
        double golden = (Math.sqrt(5) - 1) / 2;
        double left = s.days[i - 1];
        double right = s.days[i + 1];
        double a = right - golden * (right - left);
        double b = left + golden * (right - left);
        double fa = way * s.value(a);
        double fb = way * s.value(b);
        while (right - left > 5e-7) {
            if (fa > fb) {
                right = b;
                b = a;
                fb = fa;
                a = right - golden * (right - left);
                fa = way * s.value(a);
            } else {
                left = a;
                a = b;
                fa = fb;
                b = left + golden * (right - left);
                fb = way * s.value(b);
            }
        }
        return (left + right) / 2;
    }
}
