package dev.halfdusk.app.practice;

import dev.halfdusk.core.measure.Numbers;
import java.util.ArrayList;
import java.util.List;

/**
 * Drills over time: seconds a task of the blind ones, and how many were right.
 *
 * @param longest seconds at the top
 */
record DrillPlot(List<Dot> dots, String longest, String last) {

    static final int WIDE = 270;
    static final int HIGH = 60;
    private static final double LEFT = 40;
    private static final double LEAST_S = 10;
    private static final int MOST = 30;

    /** A drill; wrong where not all of it was right. */
    record Dot(double x, double y, boolean right, String words) {}

    /** Of the last blind drills. */
    static DrillPlot of(List<Learners.Drill> all) {
        List<Learners.Drill> every =
                all.stream().filter(d -> d.kind() == Learners.Drill.Kind.BLIND).toList();
        List<Learners.Drill> blind = every.subList(Math.max(0, every.size() - MOST), every.size());
        double longest = Math.max(
                LEAST_S,
                blind.stream().mapToDouble(d -> d.seconds() / d.tasks()).max().orElse(0));
        List<Dot> dots = new ArrayList<>();
        for (int i = 0; i < blind.size(); i++) {
            Learners.Drill d = blind.get(i);
            double each = d.seconds() / d.tasks();
            dots.add(new Dot(
                    LEFT + (WIDE - LEFT - 8) * (blind.size() == 1 ? 0.5 : i / (blind.size() - 1.0)),
                    HIGH - 6 - (HIGH - 14) * each / longest,
                    d.solved() == d.tasks(),
                    Numbers.text("%.1f s a task, %d of %d right", each, d.solved(), d.tasks())));
        }
        return new DrillPlot(
                dots,
                Numbers.text("%.0f s", longest),
                dots.isEmpty() ? "" : dots.get(dots.size() - 1).words());
    }
}
