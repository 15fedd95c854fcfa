package dev.halfdusk.core.log;

import dev.halfdusk.core.measure.Interval;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/** To which take of its night a frame belongs: the one that ran at its time, of several the one with its focal length. */
public final class Belonging {

    private static final double SAME_FOCAL = 0.03;

    private Belonging() {}

    /**
     * A take as far as frames are told by it.
     *
     * @param focalMm set on its lens; empty where it is not known
     */
    public record Ran(Interval when, OptionalDouble focalMm) {}

    /**
     * Which of the takes; empty for a frame of another night, or of none of them.
     *
     * @param taken by a clock that is right
     */
    public static OptionalInt of(Instant taken, OptionalDouble focalMm, List<Ran> takes) {
        List<Integer> may = IntStream.range(0, takes.size())
                .filter(i -> ClockFit.around(takes.get(i).when).contains(taken))
                .boxed()
                .toList();
        List<Integer> through =
                may.stream().filter(i -> same(takes.get(i).focalMm, focalMm)).toList();
        List<Integer> of = through.isEmpty()
                ? may.stream()
                        .filter(i -> unsaid(takes.get(i).focalMm, focalMm))
                        .toList()
                : through;
        Optional<Integer> nearest =
                of.stream().min((a, b) -> away(taken, takes.get(a).when).compareTo(away(taken, takes.get(b).when)));
        return nearest.map(OptionalInt::of).orElse(OptionalInt.empty());
    }

    private static boolean same(OptionalDouble a, OptionalDouble b) {
        return a.isPresent() && b.isPresent() && Math.abs(a.getAsDouble() / b.getAsDouble() - 1) <= SAME_FOCAL;
    }

    private static boolean unsaid(OptionalDouble a, OptionalDouble b) {
        return a.isEmpty() || b.isEmpty();
    }

    private static Duration away(Instant t, Interval take) {
        return take.contains(t)
                ? Duration.ZERO
                : t.isBefore(take.from()) ? Duration.between(t, take.from()) : Duration.between(take.to(), t);
    }
}
