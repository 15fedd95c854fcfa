package dev.halfdusk.core.outing;

import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A whole night proposed from place, marks, season, moon and rigs: which subject deserves which hour, and why. The same
 * circumstances always give the same night. Habits of the craft, to be argued with.
 */
public final class NightProposal {

    private static final double WIDE_MM = 36;

    /** Up to here one row of a wide lens held upright takes the arch. */
    private static final double LOW_ARCH_DEG = 60;

    private static final Duration CORE_WORTH = Duration.ofMinutes(20);
    private static final Duration TRAILS_WORTH = Duration.ofMinutes(90);
    private static final Duration LONG_NIGHT = Duration.ofHours(4);

    private NightProposal() {}

    /** A rig by its name. */
    public record Camera(String name, Rig rig) {}

    /** A take, and why it is proposed. */
    public record Proposed(Take take, String why) {}

    /**
     * @param cameras none propose nothing
     * @param planned whose subjects are not proposed again
     * @return in the order in which they matter; those that the night has no window for are not among them
     */
    public static List<Proposed> of(Circumstances c, List<Camera> cameras, List<Take> planned) {
        if (cameras.isEmpty()) {
            return List.of();
        }
        List<Camera> wide = cameras.stream()
                .sorted(Comparator.comparingDouble((Camera k) -> speed(k.rig())).thenComparing(Camera::name))
                .toList();
        Camera first = wide.get(0);
        Camera second = wide.stream()
                .filter(k -> k.rig().lens().shortestMm() <= WIDE_MM
                        && !k.rig().support().tracks())
                .filter(k -> k != first)
                .findFirst()
                .orElse(first);
        List<Proposed> all = new ArrayList<>();
        core(c, first).ifPresent(all::add);
        arch(c, first).ifPresent(all::add);
        trails(c, second).ifPresent(all::add);
        ground(c, first).ifPresent(all::add);
        moonlit(c, first).ifPresent(all::add);
        return all.stream()
                .filter(p -> planned.stream()
                        .noneMatch(t ->
                                t.subject().getClass() == p.take().subject().getClass()))
                .filter(p -> !p.take().wish().when(c, Duration.ZERO).windows().isEmpty())
                .toList();
    }

    /** Light that a lens gathers on the sky it sees: small for a fast wide one. */
    private static double speed(Rig rig) {
        double mm = rig.lens().shortestMm();
        double wide = mm <= WIDE_MM ? 1 : mm / WIDE_MM;
        return rig.apertures(mm).min() * wide * (rig.support().tracks() ? 1.3 : 1);
    }

    private static Optional<Proposed> core(Circumstances c, Camera camera) {
        Night night = c.night();
        Optional<Interval> window = Interval.longest(night.coreDark());
        if (window.isEmpty() || window.get().length().compareTo(CORE_WORTH) < 0) {
            return Optional.empty();
        }
        Take take = Take.of("Milky Way", new Subject.MilkyWay(5), camera.name(), camera.rig());
        for (Mark mark : c.marks()) {
            Take over = take.with(Wish.over(Wish.Kind.CORE_OVER_MARK, mark.name()));
            if (!over.wish().when(c, Duration.ZERO).windows().isEmpty()) {
                return Optional.of(new Proposed(over, "The core stands over " + mark.name() + " while it is dark."));
            }
        }
        double high = night.core(night.coreBest().orElse(window.get().middle())).altitudeDeg();
        return Optional.of(
                new Proposed(take, Numbers.text("The core is up in a dark sky, at its best %.0f\u00b0 high.", high)));
    }

    private static Optional<Proposed> arch(Circumstances c, Camera camera) {
        Optional<Instant> rises = c.night().coreDark().stream()
                .filter(i -> i.length().compareTo(CORE_WORTH) >= 0)
                .map(Interval::from)
                .findFirst();
        if (rises.isEmpty()) {
            return Optional.empty();
        }
        Galaxy.Arch arch = c.night().arch(rises.get());
        if (arch.topAltitudeDeg() > LOW_ARCH_DEG) {
            return Optional.empty();
        }
        return Optional.of(new Proposed(
                Take.of("Arch", new Subject.Arch(0.3, 15, 5), camera.name(), camera.rig()),
                Numbers.text(
                        "As the core rises the arch is only %.0f\u00b0 high: a row takes it. Later it needs two.",
                        arch.topAltitudeDeg())));
    }

    private static Optional<Proposed> trails(Circumstances c, Camera camera) {
        Optional<Interval> dark = Interval.longest(c.night().moonless());
        if (dark.isEmpty() || dark.get().length().compareTo(TRAILS_WORTH) < 0) {
            return Optional.empty();
        }
        double arc = dark.get().length().compareTo(LONG_NIGHT) >= 0 ? 20 : 15;
        return Optional.of(new Proposed(
                Take.of("Star trails", new Subject.Trails(arc, 30, 1, 5), camera.name(), camera.rig()),
                Numbers.text(
                        "Circles round the pole run by themselves for %.0f\u00b0 of turn in what is left of the dark.",
                        arc)));
    }

    private static Optional<Proposed> ground(Circumstances c, Camera camera) {
        return Optional.of(new Proposed(
                Take.of("Ground at blue hour", new Subject.Ground(3, 60), camera.name(), camera.rig()),
                "Clean, soft light on the ground, for the blend with the sky."));
    }

    private static Optional<Proposed> moonlit(Circumstances c, Camera camera) {
        boolean dark = !c.night().moonless().isEmpty();
        if (dark || c.night().dark().isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new Proposed(
                Take.of("Moonlit ground", new Subject.Ground(4, 30), camera.name(), camera.rig())
                        .with(Wish.of(Wish.Kind.DARK)),
                "The moon is up all night: let it light the landscape."));
    }
}
