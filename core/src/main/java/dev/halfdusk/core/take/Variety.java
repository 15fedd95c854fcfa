package dev.halfdusk.core.take;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * The same frame at several shutters and ISOs, a stop apart and about what is proposed, to compare drift with noise at home and to know
 * one's body.
 *
 * @param shutters how many
 * @param isos how many
 */
public record Variety(int shutters, int isos) implements Subject {

    private static final Range SOME = new Range("settings", 1, 7, "");

    /** To turn a dial by touch, and to wait for the camera to be still. */
    private static final double TO_SET = 10;

    private static final double LONGEST = 900;

    public static final Kind KIND = new Kind(
            "variety",
            "variety of exposures",
            List.of(
                    Parameter.whole("shutters", "shutters, a stop apart", SOME, 3),
                    Parameter.whole("isos", "ISOs, a stop apart", SOME, 3)),
            v -> new Variety(v.get(0).intValue(), v.get(1).intValue()));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of((double) shutters, (double) isos);
    }

    @Override
    public Set<Need> needs() {
        return Set.of(Need.DARK);
    }

    @Override
    public List<String> bag() {
        return List.of("interval timer");
    }

    /** What is varied is not decided. */
    @Override
    public boolean decides() {
        return false;
    }

    @Override
    public boolean starsAsPoints() {
        return true;
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        CameraBody body = take.camera().rig().body();
        return planning.plan(
                true,
                t -> program(all(planning.proposal(t).settings(), body), t),
                List.of(
                        "Change nothing but shutter and ISO: frame, focus and aperture stay.",
                        "Note which frame is which; the files know, if their clock and numbers are right."));
    }

    /** Each once, the proposed settings first, then by ISO and shutter. */
    List<Settings> all(Settings proposed, CameraBody body) {
        Set<Settings> all = new LinkedHashSet<>(List.of(proposed));
        for (int i = 0; i < isos; i++) {
            double wanted = proposed.iso() * Stops.ratio(off(i, isos));
            double iso = body.isoSteps().stream()
                    .min(Comparator.comparingDouble(s -> Math.abs(Stops.of(s / wanted))))
                    .orElseThrow();
            for (int s = 0; s < shutters; s++) {
                double seconds = body.clickOrBulb(proposed.seconds() * Stops.ratio(off(s, shutters)), LONGEST);
                all.add(new Settings(seconds, proposed.aperture(), iso));
            }
        }
        return List.copyOf(all);
    }

    /** Stops from the middle one. */
    private static double off(int i, int of) {
        return i - (of - 1) / 2;
    }

    private static Program program(List<Settings> all, Instant begins) {
        List<Program.Step> steps = new ArrayList<>();
        Instant t = begins;
        for (Settings s : all) {
            steps.add(new Program.Step(t, s, 1, TO_SET, FileFormat.RAW, "to compare"));
            t = t.plus(Duration.ofMillis(Math.round(1000 * (s.seconds() + TO_SET))));
        }
        return new Program("Variety", steps);
    }
}
