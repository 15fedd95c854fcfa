package dev.halfdusk.app.pictures;

import dev.halfdusk.core.camera.Run;
import dev.halfdusk.core.measure.Numbers;
import java.util.ArrayList;
import java.util.List;

/**
 * What became of the frames of a run, one bar each; of many, one for several, which shows the worst of them. Across, units are
 * thousandths.
 *
 * @param fates a letter for each frame, for a script that plays it: t taken, l late, x lost
 */
public record RunStrip(List<Bar> bars, String fates) {

    private static final int MOST = 240;
    private static final double WIDTH = 1000;

    /** A bar, by the worst that happened in it. */
    public record Bar(double x, double width, String fate) {}

    public static RunStrip of(Run run) {
        int shots = run.shots().size();
        int each = (shots + MOST - 1) / MOST;
        double wide = WIDTH * each / Math.max(1, shots);
        List<Bar> bars = new ArrayList<>();
        StringBuilder fates = new StringBuilder();
        for (int from = 0; from < shots; from += each) {
            Run.Fate worst = Run.Fate.TAKEN;
            for (Run.Result r : run.shots().subList(from, Math.min(shots, from + each))) {
                worst = r.fate().ordinal() > worst.ordinal() ? r.fate() : worst;
            }
            double x = WIDTH * from / shots;
            double gap = Math.min(2, wide * 0.15);
            bars.add(new Bar(
                    Double.parseDouble(Numbers.plain(x, 2)),
                    Double.parseDouble(Numbers.plain(Math.min(wide, WIDTH - x) - gap, 2)),
                    word(worst)));
        }
        run.shots().forEach(r -> fates.append(letter(r.fate())));
        return new RunStrip(List.copyOf(bars), fates.toString());
    }

    private static String word(Run.Fate fate) {
        return fate == Run.Fate.TAKEN ? "taken" : fate == Run.Fate.LATE ? "late" : "lost";
    }

    private static char letter(Run.Fate fate) {
        return fate == Run.Fate.TAKEN ? 't' : fate == Run.Fate.LATE ? 'l' : 'x';
    }
}
