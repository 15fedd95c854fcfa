package dev.halfdusk.core.practice;

import dev.halfdusk.core.fireworks.Trainer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/** Plays what a lesson says of schools and mistakes: for its own tests, and to show afterwards how others do it. */
public final class Play {

    private Play() {}

    /** The frames that come of it. */
    public static List<Exposed> exposures(Course course, Lesson lesson, Lesson.Tried tried) {
        Stage stage = course.stage(lesson);
        Dials begin = lesson.begin(lesson.outfit());
        List<Exposed> all = new ArrayList<>();
        Map<String, Metered> seen = new HashMap<>(); // the meter is asked once for what it sees
        double now = 0;
        for (Map<String, String> set : tried.sets()) {
            Dials dials = begin.with(set);
            all.add(exposure(stage, dials, tried, now, seen));
            now += stage.apartSeconds();
        }
        return all;
    }

    private static Exposed exposure(
            Stage stage, Dials dials, Lesson.Tried tried, double now, Map<String, Metered> seen) {
        if (tried.held().isPresent()) {
            double[] held = tried.held().get();
            Trainer.Launch first =
                    stage.shells().orElseThrow().round().launches().get(0);
            double opens = first.fires() - held[0];
            return take(stage, dials, opens, seen, OptionalDouble.of(first.fades() + held[1] - opens));
        }
        if (tried.open().isPresent()) {
            double[] may = stage.filterOff().orElseThrow();
            double from = may[0] + tried.open().get()[0];
            double to = may[1] - tried.open().get()[1];
            List<double[]> spans = to > from ? List.of(new double[] {from, to}) : List.of();
            return take(stage, dials, (may[0] + may[1]) / 2, seen, OptionalDouble.empty())
                    .unfiltered(spans);
        }
        return take(stage, dials, now, seen, OptionalDouble.empty());
    }

    private static Exposed take(
            Stage stage, Dials dials, double opens, Map<String, Metered> seen, OptionalDouble held) {
        Viewfinder v = Viewfinder.at(stage, dials, opens);
        Metered metered = seen.computeIfAbsent(v.meteredBy(), k -> v.metered());
        return Exposed.take(v, Belief.of(dials, metered), held);
    }

    /** What is measured on them. */
    public static List<Measured> frames(Course course, Lesson lesson, Lesson.Tried tried) {
        return exposures(course, lesson, tried).stream().map(lesson::measure).toList();
    }
}
