package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Stacking;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sequence.Programs;
import java.time.Instant;
import java.util.List;
import java.util.Set;

/**
 * The Milky Way, in as many frames as its clouds need.
 *
 * @param darks dark frames after it
 */
public record MilkyWay(int darks) implements Subject {

    public static final Kind KIND = new Kind(
            "milky-way",
            "Milky Way",
            List.of(Parameter.whole("darks", "dark frames", Planning.DARKS, 5)),
            v -> new MilkyWay(v.get(0).intValue()));

    /** Where counting says that no number is enough. */
    private static final int SOME = 12;

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of((double) darks);
    }

    @Override
    public Wish usual() {
        return Wish.highest(Asked.USUAL);
    }

    @Override
    public Set<Need> needs() {
        return Set.of(Need.DARK, Need.NO_MOON, Need.SIGHT);
    }

    @Override
    public List<String> bag() {
        return List.of("interval timer");
    }

    @Override
    public Bracketing bracketing() {
        return Bracketing.BY_SHUTTER;
    }

    @Override
    public boolean starsAsPoints() {
        return true;
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        return planning.plan(
                false,
                t -> program(planning, t),
                List.of("Dew on the front element.", "Focus that has crept: look at a star at full size."));
    }

    Program program(Planning planning, Instant t) {
        Proposal p = planning.proposal(t);
        Stacking stack = p.stack().orElse(new Stacking(SOME, p.settings().seconds()));
        return Programs.stack(stack, p.settings(), t, FileFormat.RAW, darks);
    }
}
