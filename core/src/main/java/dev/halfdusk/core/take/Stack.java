package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Stacking;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.sequence.Programs;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * So many frames of one field of stars, to be laid over each other by their mean.
 *
 * @param frames of light
 * @param darks dark frames after them
 */
public record Stack(int frames, int darks) implements Subject {

    public static final Kind KIND = new Kind(
            "stack",
            "stack of a star field",
            List.of(
                    Parameter.whole("frames", "frames", Planning.FRAMES, 20),
                    Parameter.whole("darks", "dark frames", Planning.DARKS, 5)),
            v -> new Stack(v.get(0).intValue(), v.get(1).intValue()));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of((double) frames, (double) darks);
    }

    @Override
    public Set<Need> needs() {
        return Set.of(Need.DARK, Need.NO_MOON);
    }

    @Override
    public List<String> bag() {
        return List.of("interval timer");
    }

    @Override
    public Optional<Subject> lasting(Duration wanted, Plan now) {
        double each = now.lasts().toSeconds() / (double) (frames + darks);
        long most = Math.round(wanted.toSeconds() / each) - darks;
        return Optional.of(new Stack((int) Math.max(1, Math.min(Planning.FRAMES.max(), most)), darks));
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
                t -> {
                    Proposal p = planning.proposal(t);
                    Stacking stack = new Stacking(frames, p.settings().seconds());
                    return Programs.stack(stack, p.settings(), t, FileFormat.RAW, darks);
                },
                List.of("Dew on the front element.", "One aircraft spoils a frame, not a stack."));
    }
}
