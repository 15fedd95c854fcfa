package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.CompositionFrame;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** What the plans of all subjects have in common: when, how long, battery and card. */
final class Planning {

    static final Range FRAMES = new Range("frames", 1, 500, "");
    static final Range DARKS = new Range("dark frames", 0, 50, "");

    /** Openings that are this far apart take as long as their neighbours. */
    private static final Duration LOOK = Duration.ofMinutes(20);

    private static final double QUICK_SECONDS = 1;

    private final Take take;
    private final Circumstances c;
    private final Wish.When when;
    private final Instant best;
    private final Proposal proposal;

    private Planning(Take take, Circumstances c) {
        this.take = take;
        this.c = c;
        when = take.wish().when(c);
        best = take.pinned().or(when::best).orElseGet(() -> c.night().best());
        proposal = take.setup(c, best).proposal();
    }

    static Planning of(Take take, Circumstances c) {
        return new Planning(take, c);
    }

    /** In which it may be, whatever its length. */
    List<Interval> windows() {
        return when.windows();
    }

    Proposal proposal() {
        return proposal;
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
    Plan plan(boolean hands, Function<Instant, Program> program, List<String> risks) {
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
        return plan(Duration.ofMinutes((longest.toSeconds() + 59) / 60), hands, program, risks);
    }

    /** As long as is said. */
    Plan plan(Duration lasts, boolean hands, Function<Instant, Program> program, List<String> risks) {
        Program once = program.apply(best);
        double celsius = c.weather().apply(best).map(WeatherHour::temperatureC).orElse(c.celsius());
        double battery = take.camera()
                .battery()
                .map(b -> Power.used(b, celsius, once.frames(), lasts.toSeconds()))
                .orElse(0.0);
        return new Plan(
                take,
                when.lasting(lasts),
                lasts,
                hands,
                program,
                test(once),
                battery,
                once.megabytes(take.camera().rig().body().files()),
                proposal.reasons(),
                risks,
                List.of());
    }
}
