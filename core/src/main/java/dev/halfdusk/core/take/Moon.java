package dev.halfdusk.core.take;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.moon.MoonExposure;
import dev.halfdusk.core.moon.MoonLight;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sequence.Programs;
import java.time.Instant;
import java.util.List;

/**
 * The moon, exposed for itself, in a bracket.
 *
 * @param sides frames to either side of the proposed one, a stop apart
 * @param rounds how often the bracket is taken
 */
public record Moon(int sides, int rounds) implements OfTheMoon {

    private static final Range SIDES = new Range("frames to either side", 1, 3, "");
    private static final Range ROUNDS = new Range("rounds", 1, 20, "");
    private static final double STEP_STOPS = 1;
    private static final double PAUSE_SECONDS = 2;

    public static final Kind KIND = new Kind(
            "moon",
            "moon",
            List.of(
                    Parameter.whole("sides", "frames to either side", SIDES, 1),
                    Parameter.whole("rounds", "rounds", ROUNDS, 2)),
            v -> new Moon(v.get(0).intValue(), v.get(1).intValue()));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of((double) sides, (double) rounds);
    }

    @Override
    public Wish usual() {
        return Wish.of(Wish.Kind.MOON_BALANCED);
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        return planning.plan(
                false,
                t -> program(settings(take, c, t), t),
                List.of(
                        "Meters and automatic modes fail: the moon is sunlit rock on black.",
                        "Focus past infinity: look at a crater at full size."));
    }

    private static Settings settings(Take take, Circumstances c, Instant t) {
        return MoonExposure.of(take.setup(c, t), MoonExposure.USUAL_TOLERANCE_PX, MoonLight.USUAL_EXTINCTION)
                .settings();
    }

    private Program program(Settings middle, Instant begins) {
        Program all = null;
        for (int i = 0; i < rounds; i++) {
            Instant at = all == null ? begins : all.span().to().plusSeconds((long) PAUSE_SECONDS);
            Program one = Programs.bracket(middle, 2 * sides + 1, STEP_STOPS, PAUSE_SECONDS, at, FileFormat.RAW);
            all = all == null ? one : all.then(one);
        }
        return all;
    }
}
