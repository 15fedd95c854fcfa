package dev.halfdusk.app.events;

import dev.halfdusk.app.pictures.PathText;
import dev.halfdusk.core.eclipse.EclipseLadder;
import dev.halfdusk.core.eclipse.EclipseLadder.Step;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.CameraBody;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * The exposure of an eclipse over time, brighter light above: a line, and where it may lie when the shadow is darker or brighter than
 * expected. In a box of {@value #WIDTH} × {@value #HEIGHT}.
 *
 * @param line of a path
 * @param band of a closed one; empty in an eclipse whose shadow is never exposed for
 * @param notch across, where the page's minute is; below 0 outside
 */
record LadderPicture(String line, String band, List<Rung> rungs, double notch, double switchX) {

    static final int WIDTH = 900;
    static final int HEIGHT = 190;
    private static final int LEFT = 130;
    private static final int TOP = 14;
    private static final int RUNGS = 5;

    /** Settings at a height. */
    record Rung(double y, String words) {}

    static LadderPicture of(EclipseLadder ladder, Instant now, Setup setup) {
        List<Step> steps = ladder.steps();
        Interval span =
                new Interval(steps.get(0).when(), steps.get(steps.size() - 1).when());
        double most = steps.stream().mapToDouble(Step::ev100).max().orElseThrow();
        double least =
                steps.stream().mapToDouble(s -> s.ev100() - s.bandStops()).min().orElseThrow();
        double perStop = (HEIGHT - 2.0 * TOP) / Math.max(1, most - least);
        StringBuilder line = new StringBuilder();
        StringBuilder above = new StringBuilder();
        List<String> below = new ArrayList<>();
        double switchX = -1;
        for (Step s : steps) {
            double x = x(span, s.when());
            double y = TOP + (most - s.ev100()) * perStop;
            line.append(line.isEmpty() ? 'M' : 'L').append(point(x, y));
            if (s.aim() == EclipseLadder.Aim.SHADOW) {
                switchX = switchX < 0 ? x : switchX;
                double half = s.bandStops() * perStop;
                above.append(above.isEmpty() ? 'M' : 'L').append(point(x, y - half));
                below.add(0, point(x, y + half));
            }
        }
        below.forEach(p -> above.append('L').append(p));
        boolean shown = !now.isBefore(span.from()) && !now.isAfter(span.to());
        return new LadderPicture(
                line.toString(),
                above.isEmpty() ? "" : above.append('Z').toString(),
                rungs(steps, most, perStop, setup),
                shown ? PathText.tenth(x(span, now)) : -1,
                switchX);
    }

    private static double x(Interval span, Instant t) {
        double share = (double) Duration.between(span.from(), t).toMillis()
                / span.length().toMillis();
        return LEFT + share * (WIDTH - LEFT - 10);
    }

    private static String point(double x, double y) {
        return PathText.tenth(x) + "," + PathText.tenth(y);
    }

    /** Heights that are even, with the settings that the rig would then have. */
    private static List<Rung> rungs(List<Step> steps, double most, double perStop, Setup setup) {
        List<Rung> rungs = new ArrayList<>();
        for (int i = 0; i < RUNGS; i++) {
            double y = TOP + i * (HEIGHT - 2.0 * TOP) / (RUNGS - 1);
            double ev = most - (y - TOP) / perStop;
            Step nearest = steps.stream()
                    .min(Comparator.comparingDouble(s -> Math.abs(s.ev100() - ev)))
                    .orElseThrow();
            Step there = nearest.brighterBy(nearest.ev100() - ev, setup);
            rungs.add(new Rung(PathText.tenth(y), words(there, setup.rig().body())));
        }
        return rungs;
    }

    static String words(Step s, CameraBody body) {
        return body.label(s.settings().seconds()) + " s ISO "
                + Numbers.plain(s.settings().iso());
    }
}
