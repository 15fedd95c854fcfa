package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.sequence.Program;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The sky as points and, from the same spot without a touch of the tripod, the ground under it for as long as it needs: two
 * exposures that become one picture. What is decided of the exposure holds for the sky.
 *
 * @param groundFrames of the ground
 * @param longestSeconds that one of them may take
 * @param darks dark frames after those of the sky
 */
public record SkyAndGround(int groundFrames, double longestSeconds, int darks) implements Subject {

    public static final Kind KIND = new Kind(
            "sky-and-ground",
            "sky and ground, a pair",
            List.of(
                    Parameter.whole("groundFrames", "frames of the ground", Planning.FRAMES, 2),
                    Parameter.number("longestSeconds", "longest of them", Ground.LONGEST, 240),
                    Parameter.whole("darks", "dark frames", Planning.DARKS, 5)),
            v -> new SkyAndGround(v.get(0).intValue(), v.get(1), v.get(2).intValue()));

    /** To turn two dials by touch and let the tripod rest. */
    private static final double TO_SET = 20;

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of((double) groundFrames, longestSeconds, (double) darks);
    }

    private MilkyWay sky() {
        return new MilkyWay(darks);
    }

    private Ground ground() {
        return new Ground(groundFrames, longestSeconds);
    }

    @Override
    public Wish usual() {
        return Wish.highest(Asked.USUAL);
    }

    @Override
    public Set<Need> needs() {
        return sky().needs();
    }

    @Override
    public List<String> bag() {
        return List.of("interval timer", "cable release with a lock, for frames beyond the dial");
    }

    @Override
    public boolean starsAsPoints() {
        return true;
    }

    @Override
    public Bracketing bracketing() {
        return Bracketing.BY_SHUTTER;
    }

    @Override
    public Program decided(DecidedProgram decision, Program proposed) {
        int sky = proposed.steps().size() - 1;
        Program first =
                decision.of(new Program(proposed.what(), proposed.steps().subList(0, sky)));
        List<Program.Step> steps = new ArrayList<>(first.steps());
        steps.add(proposed.steps().get(sky).at(Instants.after(first.span().to(), TO_SET)));
        return new Program(proposed.what(), steps);
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        return planning.plan(
                true,
                t -> program(take, c, planning, t),
                List.of(
                        "Touch only the dials between the two: frame, focus and aperture stay.",
                        "Dew on the front element.",
                        "A lamp or a car during the ground's frames: take another."));
    }

    private Program program(Take take, Circumstances c, Planning planning, Instant t) {
        Program sky = sky().program(planning, t);
        Instant then = Instants.after(sky.span().to(), TO_SET);
        List<Program.Step> steps = new ArrayList<>(sky.steps());
        steps.addAll(ground().program(take, c, then).steps());
        return new Program("Sky and ground", steps);
    }

    /** Of the sky as is proposed for it, then of the ground. */
    @Override
    public Optional<List<Reason>> reasons(Take take, Circumstances c, Instant t, Program program) {
        Program.Step last = program.steps().get(program.steps().size() - 1);
        List<Reason> all = new ArrayList<>(take.setup(c, t).proposal().reasons());
        ground().reasons(take, c, last.begins(), new Program("", List.of(last))).ifPresent(all::addAll);
        return Optional.of(all);
    }
}
