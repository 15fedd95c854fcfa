package dev.halfdusk.core.practice;

import dev.halfdusk.core.fireworks.Trainer;
import java.util.ArrayList;
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
        double now = 0;
        for (Map<String, String> set : tried.sets()) {
            Dials dials = begin.with(set);
            all.add(exposure(stage, dials, tried, now));
            now += stage.apartSeconds();
        }
        return all;
    }

    private static Exposed exposure(Stage stage, Dials dials, Lesson.Tried tried, double now) {
        if (tried.held().isPresent()) {
            double[] held = tried.held().get();
            Trainer.Launch first = stage.shells()
                    .orElseThrow()
                    .round(Viewfinder.SEED)
                    .launches()
                    .get(0);
            double opens = first.fires() - held[0];
            return Exposed.take(stage, dials, opens, OptionalDouble.of(first.fades() + held[1] - opens));
        }
        if (tried.open().isPresent()) {
            double[] may = stage.filterOff().orElseThrow();
            double from = may[0] + tried.open().get()[0];
            double to = may[1] - tried.open().get()[1];
            List<double[]> spans = to > from ? List.of(new double[] {from, to}) : List.of();
            return Exposed.take(stage, dials, (may[0] + may[1]) / 2, OptionalDouble.empty())
                    .unfiltered(spans);
        }
        return Exposed.take(stage, dials, now, OptionalDouble.empty());
    }

    /** What is measured on them. */
    public static List<Measured> frames(Course course, Lesson lesson, Lesson.Tried tried) {
        return exposures(course, lesson, tried).stream().map(lesson::measure).toList();
    }
}
