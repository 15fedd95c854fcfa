package dev.halfdusk.core.practice;

import dev.halfdusk.core.lighttable.Cause;
import dev.halfdusk.core.measure.Numbers;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;

/**
 * One thing that a lesson asks of its frames, and the one hint that is given where it is not so.
 *
 * @param of a {@link Measure} or a {@link Control} by its key, or "cause"
 * @param over how several frames are taken together
 * @param not what the light table must not find
 */
record Want(String of, Over over, OptionalDouble least, OptionalDouble most, List<Cause> not, String hint) {

    static final String CAUSE = "cause";

    /** How frames are taken together. */
    enum Over {
        LAST,
        EACH,
        /** At least one of them. */
        ANY,
        /** The largest less the smallest; of dials in stops. */
        SPREAD,
        /** The last less the first. */
        CHANGE
    }

    Want {
        not = List.copyOf(not);
    }

    static Want read(Description d) {
        String of = d.text("of").toLowerCase(Locale.ROOT);
        Want w = new Want(
                of,
                d.one("over", Over.class, Over.LAST),
                d.number("least"),
                d.number("most"),
                d.some("not", Cause.class),
                d.text("hint"));
        if (!of.equals(CAUSE) && w.measure() == null && w.control() == null) {
            throw new IllegalStateException(d.of() + ": nothing measures " + of);
        }
        if (w.least.isEmpty() && w.most.isEmpty() && w.not.isEmpty()) {
            throw new IllegalStateException(d.of() + ": anything will do for " + of);
        }
        return w;
    }

    Measure measure() {
        for (Measure m : Measure.values()) {
            if (m.key().equals(of)) {
                return m;
            }
        }
        return null;
    }

    Control control() {
        for (Control c : Control.values()) {
            if (c.key().equals(of)) {
                return c;
            }
        }
        return null;
    }

    /** Whether it can be told from a single frame. */
    boolean single() {
        return over == Over.LAST || over == Over.EACH;
    }

    boolean holds(List<Measured> frames) {
        if (of.equals(CAUSE)) {
            List<Measured> asked = over == Over.EACH ? frames : frames.subList(frames.size() - 1, frames.size());
            return asked.stream().noneMatch(f -> f.causes().stream().anyMatch(not::contains));
        }
        return switch (over) {
            case LAST -> within(last(frames));
            case EACH -> frames.stream().allMatch(f -> within(f.value(this)));
            case ANY -> frames.stream().anyMatch(f -> within(f.value(this)));
            case SPREAD, CHANGE -> within(together(frames));
        };
    }

    private double last(List<Measured> frames) {
        return frames.get(frames.size() - 1).value(this);
    }

    private double together(List<Measured> frames) {
        double[] all = frames.stream().mapToDouble(f -> inSteps(f.value(this))).toArray();
        if (over == Over.CHANGE) {
            return all[all.length - 1] - all[0];
        }
        double most = Double.NEGATIVE_INFINITY;
        double smallest = Double.POSITIVE_INFINITY;
        for (double v : all) {
            most = Math.max(most, v);
            smallest = Math.min(smallest, v);
        }
        return most - smallest;
    }

    private double inSteps(double value) {
        Control c = control();
        return c == null ? value : c.inSteps(value);
    }

    private boolean within(double value) {
        double slack = 1e-9 * Math.max(1, Math.abs(value));
        return value >= least.orElse(Double.NEGATIVE_INFINITY) - slack
                && value <= most.orElse(Double.POSITIVE_INFINITY) + slack;
    }

    /** "burnt 38 %, up to 2 % wanted". */
    String said(List<Measured> frames) {
        Measure m = measure();
        if (m == null) {
            Measured f = frames.get(frames.size() - 1);
            return of.equals(CAUSE)
                    ? f.evidence()
                    : upper(control().words() + " " + f.dials().get(of));
        }
        double value = over == Over.SPREAD || over == Over.CHANGE ? together(frames) : last(frames);
        String changed = over == Over.CHANGE ? " changed by " : " ";
        String apart = over == Over.SPREAD ? " apart" : "";
        return upper(m.words() + changed + number(m, value) + apart + wanted(m));
    }

    private static String upper(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private String wanted(Measure m) {
        if (least.isPresent() && most.isPresent()) {
            return ", wanted from " + number(m, least.getAsDouble()) + " to " + number(m, most.getAsDouble());
        }
        return least.isPresent()
                ? ", wanted from " + number(m, least.getAsDouble())
                : ", wanted up to " + number(m, most.orElse(0));
    }

    private static String number(Measure m, double value) {
        return Numbers.trimmed(value, m.decimals()).replace('-', '\u2212') + m.unit();
    }
}
