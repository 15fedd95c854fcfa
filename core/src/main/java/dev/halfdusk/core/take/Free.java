package dev.halfdusk.core.take;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Something in one's own words, which are the take's name, that takes some minutes.
 *
 * @param hands whether someone must stay with it
 */
public record Free(int minutes, boolean hands) implements Subject {

    public static final Range MINUTES = new Range("minutes", 1, 720, "");

    public static final Kind KIND = new Kind(
            "free",
            "something else",
            List.of(Parameter.whole("minutes", "minutes", MINUTES, 20), Parameter.yesNo("hands", "needs my hands")),
            v -> new Free(v.get(0).intValue(), v.get(1) != 0));

    public Free {
        MINUTES.check(minutes);
    }

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of((double) minutes, hands ? 1.0 : 0.0);
    }

    @Override
    public Set<Need> needs() {
        return Set.of();
    }

    @Override
    public Optional<Subject> lasting(Duration wanted, Plan now) {
        return Optional.of(new Free((int) MINUTES.nearest(wanted.toMinutes()), hands));
    }

    @Override
    public Bracketing bracketing() {
        return Bracketing.BY_SHUTTER;
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        return planning.plan(
                Duration.ofMinutes(minutes),
                hands,
                t -> Program.of(
                        take.name(),
                        new Program.Step(t, planning.proposal(t).settings(), 1, 0, FileFormat.RAW, take.name())),
                List.of());
    }
}
