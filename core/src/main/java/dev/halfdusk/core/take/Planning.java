package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.CompositionFrame;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/** What the plans of all subjects have in common: when, how long, battery and card. */
final class Planning {

    static final Range FRAMES = new Range("frames", 1, 500, "");
    static final Range DARKS = new Range("dark frames", 0, 100, "");

    /** Openings that are this far apart take as long as their neighbours. */
    private static final Duration LOOK = Duration.ofMinutes(30);

    private static final double QUICK_SECONDS = 1;

    /** Openings whose answers are remembered. */
    private static final int MOST_KNOWN = 64;

    private final Take take;
    private final Circumstances c;
    private final Wish.When when;
    private final Instant best;
    private final Function<Instant, Proposal> proposals;

    private Planning(Take take, Circumstances c) {
        this.take = take;
        this.c = c;
        when = take.wish().when(c);
        best = take.pinned().or(when::best).orElseGet(() -> c.night().best());
        proposals = remembered(t -> take.setup(c, t).proposal());
    }

    static Planning of(Take take, Circumstances c) {
        return new Planning(take, c);
    }

    /** In which it may be, whatever its length. */
    List<Interval> windows() {
        return when.windows();
    }

    /** What is proposed for the sky when it begins at an instant. */
    Proposal proposal(Instant opening) {
        return proposals.apply(opening);
    }

    /** Asked for again and again by sheet, field and page. */
    private static <T> Function<Instant, T> remembered(Function<Instant, T> of) {
        Map<Instant, T> known = new ConcurrentHashMap<>();
        return t -> {
            T found = known.get(t);
            if (found == null) {
                if (known.size() >= MOST_KNOWN) {
                    known.clear();
                }
                found = of.apply(t);
                known.put(t, found);
            }
            return found;
        };
    }

    private Answer answer(Function<Instant, Program> proposed, Function<Instant, Program> program, Instant t) {
        Program begun = program.apply(t);
        return new Answer(
                take.subject().looks(take, c, t),
                focus(t),
                test(begun),
                () -> reasons(proposed, begun, t),
                take.subject().turns(take, c, t));
    }

    private Focus focus(Instant t) {
        Focus proposed = take.subject().focus(take, c, t);
        return take.decision().focused(proposed).orElse(proposed);
    }

    /** Those of the subject; what was decided instead stands first, judged as what is proposed is. */
    private List<Reason> reasons(Function<Instant, Program> proposed, Program begun, Instant t) {
        List<Reason> all = new ArrayList<>(Judgement.of(
                take,
                c,
                t,
                begun.steps().get(0).settings(),
                () -> proposed.apply(t).steps().get(0).settings(),
                () -> proposal(t)));
        all.addAll(take.subject()
                .reasons(take, c, t, begun)
                .orElseGet(() -> proposal(t).reasons()));
        return all;
    }

    /** As bright as what the program takes first; none for frames so short that they are their own test, nor for shells, which are not there yet. */
    private Optional<CompositionFrame> test(Program program) {
        if (take.subject().display().isPresent()) {
            return Optional.empty();
        }
        return program.steps().stream()
                .filter(s -> !s.dark())
                .map(Program.Step::settings)
                .findFirst()
                .filter(s -> s.seconds() > QUICK_SECONDS)
                .flatMap(s -> CompositionFrame.all(s, take.camera().rig().body()).stream()
                        .findFirst());
    }

    /** As long as the program takes, wherever in its windows it begins: an arch that rises needs more frames, ground in falling light longer ones. */
    Plan plan(boolean hands, Function<Instant, Program> proposed, List<String> risks) {
        Function<Instant, Program> program = decided(proposed);
        List<Instant> openings = new ArrayList<>(List.of(c.night().sunLowest().when(), best));
        for (Interval w : when.windows()) {
            for (Instant t = w.from(); t.isBefore(w.to()); t = t.plus(LOOK)) {
                openings.add(t);
            }
            openings.add(w.to());
        }
        Duration longest = openings.stream()
                .map(t -> program.apply(t).total())
                .max(Duration::compareTo)
                .orElseThrow();
        return made(Duration.ofMinutes((longest.toSeconds() + 59) / 60), hands, proposed, program, risks);
    }

    private Function<Instant, Program> decided(Function<Instant, Program> proposed) {
        CameraBody body = take.camera().rig().body();
        Subject.Bracketing bracketing = take.subject().bracketing();
        return remembered(
                take.subject().decides()
                        ? t -> take.subject()
                                .decided(new DecidedProgram(take.decision(), body, bracketing), proposed.apply(t))
                        : proposed);
    }

    /** As long as is said. */
    Plan plan(Duration lasts, boolean hands, Function<Instant, Program> proposed, List<String> risks) {
        Function<Instant, Program> program = decided(proposed);
        Duration longer = program.apply(best).total();
        return made(
                longer.compareTo(lasts) > 0 && take.decision().fixes() ? longer : lasts,
                hands,
                proposed,
                program,
                risks);
    }

    private Plan made(
            Duration lasts,
            boolean hands,
            Function<Instant, Program> proposed,
            Function<Instant, Program> program,
            List<String> risks) {
        Program once = program.apply(best);
        double celsius = c.weather().apply(best).map(WeatherHour::temperatureC).orElse(c.celsius());
        double battery = take.camera()
                .battery()
                .map(b -> Power.used(b, celsius, once.frames(), lasts.toSeconds()))
                .orElse(0.0);
        return new Plan(
                take,
                c,
                when.lasting(lasts),
                lasts,
                hands,
                program,
                remembered(t -> answer(proposed, program, t)),
                battery,
                once.megabytes(take.camera().rig().body().files()),
                risks,
                List.of());
    }
}
