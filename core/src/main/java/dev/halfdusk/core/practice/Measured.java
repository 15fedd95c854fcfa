package dev.halfdusk.core.practice;

import dev.halfdusk.core.lighttable.Cause;
import dev.halfdusk.core.lighttable.Finding;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What is kept of a frame of practice once it was looked at.
 *
 * @param dials as the camera stood, by key, as its screen says
 * @param values by key: what its lesson measures, and dials that it asks about
 * @param causes what the light table found that spoils it
 * @param evidence for the worst of them, or for its being good
 */
public record Measured(
        Map<String, String> dials, Map<String, Double> values, List<Cause> causes, String evidence, double opens) {

    private static final double SPOILS = 1;

    public Measured {
        dials = Map.copyOf(dials);
        values = Map.copyOf(values);
        causes = List.copyOf(causes);
    }

    static Measured of(Lesson lesson, Exposed frame) {
        Map<String, String> dials = new LinkedHashMap<>();
        Map<String, Double> values = new LinkedHashMap<>();
        for (Control c : Control.values()) {
            dials.put(c.key(), frame.dials().label(c));
        }
        boolean judged = false;
        for (Want w : lesson.wants()) {
            if (w.measure() != null) {
                values.put(w.of(), w.measure().of(frame));
            } else if (w.control() != null) {
                values.put(w.of(), frame.from().dials().value(w.control())); // as it was set, not what it chose;
            } else {
                judged = true;
            }
        }
        values.put(Measure.NEEDLE.key(), frame.belief().needle());
        if (frame.from().stage().look().equalsIgnoreCase("moon")) {
            values.put(Measure.OVER.key(), Measure.OVER.of(frame));
        }
        List<Finding> found = judged ? frame.findings(lesson.atFullSize()) : List.of();
        return new Measured(
                dials,
                values,
                found.stream()
                        .filter(f -> f.weight() >= SPOILS)
                        .map(Finding::cause)
                        .toList(),
                found.isEmpty()
                        ? ""
                        : found.get(0).cause().words() + ": " + found.get(0).evidence(),
                frame.opens());
    }

    double value(Want want) {
        return values.getOrDefault(want.of(), Double.NaN);
    }
}
