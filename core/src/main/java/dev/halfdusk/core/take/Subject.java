package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Foreground;
import dev.halfdusk.core.exposure.LightPainting;
import dev.halfdusk.core.exposure.Portrait;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.exposure.Stacking;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Aiming;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Lapse;
import dev.halfdusk.core.sequence.Panorama;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sequence.Programs;
import dev.halfdusk.core.sequence.TrailPlan;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Moment;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/**
 * What is photographed. A new subject is one record here; nothing that schedules, prints or runs takes knows of it.
 */
public sealed interface Subject {

    /** Openings that are this far apart take as long as their neighbours. */
    Duration LOOK = Duration.ofMinutes(20);

    /** "star trails". */
    String words();

    /** When it is usually wished for. */
    default Wish usual() {
        return Wish.of(Wish.Kind.DARK);
    }

    /** What a take of it comes to in a night. */
    Plan plan(Take take, Circumstances c);

    /** What it needs beside camera and tripod, in words. */
    default List<String> bag() {
        return List.of();
    }

    private static Plan plan(
            Take take,
            Circumstances c,
            boolean hands,
            Function<Instant, Program> program,
            Proposal proposal,
            List<String> risks) {
        return plan(take, c, rounded(longest(take, c, program)), hands, program, proposal, risks);
    }

    private static Plan plan(
            Take take,
            Circumstances c,
            Duration lasts,
            boolean hands,
            Function<Instant, Program> program,
            Proposal proposal,
            List<String> risks) {
        return new Plan(
                take, take.wish().when(c, lasts).lasting(lasts), lasts, hands, program, proposal.reasons(), risks);
    }

    /** Of all the times it may begin: an arch that rises needs more frames, ground in falling light longer ones. */
    private static Duration longest(Take take, Circumstances c, Function<Instant, Program> program) {
        List<Instant> openings = new ArrayList<>(List.of(c.night().sunLowest().when()));
        take.pinned().ifPresent(openings::add);
        for (Interval w : take.wish().when(c, Duration.ZERO).windows()) {
            for (Instant t = w.from(); t.isBefore(w.to()); t = t.plus(LOOK)) {
                openings.add(t);
            }
            openings.add(w.to());
        }
        return openings.stream()
                .map(t -> program.apply(t).total())
                .max(Duration::compareTo)
                .orElseThrow();
    }

    /** To the full minute above. */
    private static Duration rounded(Duration d) {
        return Duration.ofMinutes((d.toSeconds() + 59) / 60);
    }

    private static Direction core(Circumstances c, Instant t) {
        return Aiming.towards(FixedPoint.CORE, Moment.at(t), c.night().observer());
    }

    private static Instant best(Take take, Circumstances c) {
        return take.wish()
                .when(c, Duration.ZERO)
                .best()
                .orElseGet(() -> c.night().best());
    }

    /** The Milky Way, in frames to stack. */
    record MilkyWay(int darks) implements Subject {

        @Override
        public String words() {
            return "Milky Way";
        }

        @Override
        public Wish usual() {
            return Wish.of(Wish.Kind.CORE_HIGHEST);
        }

        @Override
        public List<String> bag() {
            return List.of("interval timer");
        }

        @Override
        public Plan plan(Take take, Circumstances c) {
            Instant at = best(take, c);
            Proposal proposal = take.setup(c, at, core(c, at)).proposal();
            Stacking stack =
                    proposal.stack().orElse(new Stacking(12, proposal.settings().seconds()));
            return Subject.plan(
                    take,
                    c,
                    false,
                    t -> Programs.stack(stack, proposal.settings(), t, FileFormat.RAW, darks),
                    proposal,
                    List.of("Dew on the front element.", "Focus that has crept: look at a star at full size."));
        }
    }

    /** The arch of the Milky Way in rows and columns; someone must turn the camera. */
    record Arch(double overlap, double clickDeg, double settleSeconds) implements Subject {

        @Override
        public String words() {
            return "panorama";
        }

        @Override
        public Wish usual() {
            return Wish.of(Wish.Kind.ARCH_LOWEST);
        }

        @Override
        public List<String> bag() {
            return List.of("level base, head with clicks");
        }

        @Override
        public Plan plan(Take take, Circumstances c) {
            Instant at = best(take, c);
            Setup setup = take.setup(c, at, core(c, at));
            Proposal proposal = setup.proposal();
            Function<Instant, Program> program = t -> Programs.panorama(
                    Panorama.of(Panorama.arch(c.night().arch(t), 10, overlap, clickDeg), setup.optics()),
                    proposal.settings(),
                    settleSeconds,
                    t,
                    FileFormat.RAW);
            return Subject.plan(
                    take,
                    c,
                    true,
                    program,
                    proposal,
                    List.of("A base that is not level.", "A higher arch needs another row: do not wait."));
        }
    }

    /** The ground alone, for the blend: as bright as the light then lets it be. */
    record Ground(int frames, double longestSeconds) implements Subject {

        @Override
        public String words() {
            return "foreground";
        }

        @Override
        public Wish usual() {
            return Wish.of(Wish.Kind.BLUE_HOUR);
        }

        @Override
        public Plan plan(Take take, Circumstances c) {
            Instant at = best(take, c);
            Setup setup = take.setup(c, at, core(c, at));
            Function<Instant, Program> program = t -> Program.of(
                    "foreground",
                    new Program.Step(t, settings(setup, c, t), frames, 1, FileFormat.RAW, "ground, for the blend"));
            return Subject.plan(
                    take,
                    c,
                    false,
                    program,
                    setup.proposal(),
                    List.of("The light falls by a stop in some minutes: look at each frame."));
        }

        /** The lowest ISO at which the ground is bright enough within the time; the last one where none is. */
        private Settings settings(Setup setup, Circumstances c, Instant t) {
            double ground = GroundLight.luminance(
                    c.from().glow(), SunAndMoon.at(Moment.at(t), c.night().observer()));
            double perSecond = setup.electronsPerSecond(Math.max(-5, Luminance.magnitude(ground)));
            List<Foreground.Choice> choices = Foreground.choices(
                    perSecond, setup.rig().body().response(), setup.rig().body().topIso());
            Foreground.Choice chosen = choices.stream()
                    .filter(f -> f.seconds() <= longestSeconds)
                    .findFirst()
                    .orElseGet(() -> choices.isEmpty()
                            ? new Foreground.Choice(
                                    (int) setup.rig().body().response().baseIso(), longestSeconds)
                            : choices.get(choices.size() - 1));
            double least = setup.rig().body().shortest().realSeconds();
            double seconds = Math.max(least, Math.min(longestSeconds, chosen.seconds()));
            return new Settings(seconds, setup.aperture(), chosen.iso());
        }
    }

    /** Someone under the stars, who must hold still. */
    record People(int frames) implements Subject {

        @Override
        public String words() {
            return "portrait under stars";
        }

        @Override
        public Plan plan(Take take, Circumstances c) {
            Instant at = best(take, c);
            Proposal proposal = take.setup(c, at, core(c, at)).proposal();
            Settings still = Portrait.choices(proposal.settings(), take.rig().body()).stream()
                    .findFirst()
                    .map(p -> new Settings(p.shutter().realSeconds(), take.aperture(), p.iso()))
                    .orElse(proposal.settings());
            return Subject.plan(
                    take,
                    c,
                    true,
                    t -> Program.of("portrait", new Program.Step(t, still, frames, 10, FileFormat.RAW, "hold still")),
                    proposal,
                    List.of("Nobody holds still for ten seconds.", "Warn before any light is switched on."));
        }
    }

    /** A foreground lit with a hand lamp, in several tries. */
    record Painting(LightPainting lamp, double areaM2, int iso, int tries) implements Subject {

        public static final Range TRIES = new Range("tries", 1, 50, "");

        public Painting {
            LightPainting.AREA.check(areaM2);
            TRIES.check(tries);
        }

        @Override
        public String words() {
            return "light painting";
        }

        @Override
        public List<String> bag() {
            return List.of("hand lamp, something to soften it");
        }

        @Override
        public Plan plan(Take take, Circumstances c) {
            Instant at = best(take, c);
            double seconds = Math.max(1, Math.min(600, lamp.secondsSwept(take.aperture(), iso, areaM2)));
            Settings lit = new Settings(seconds, take.aperture(), iso);
            return Subject.plan(
                    take,
                    c,
                    true,
                    t -> Program.of(
                            "light painting",
                            new Program.Step(t, lit, tries, 20, FileFormat.RAW, "lamp from the side")),
                    take.setup(c, at, core(c, at)).proposal(),
                    List.of("Other people's frames: ask before you light.", "Never along the lens axis."));
        }
    }

    /** Star trails round the pole, or where the camera is aimed. */
    record Trails(double arcDeg, double exposureSeconds, double pauseSeconds, int darks) implements Subject {

        public Trails {
            Sequence.ARC.check(arcDeg);
        }

        @Override
        public String words() {
            return "star trails";
        }

        @Override
        public List<String> bag() {
            return List.of("interval timer");
        }

        @Override
        public Plan plan(Take take, Circumstances c) {
            Instant at = best(take, c);
            Setup setup = take.setup(c, at, Aiming.pole(c.night().site()));
            TrailPlan trails = TrailPlan.of(setup, Sequence.reaching(arcDeg, exposureSeconds, pauseSeconds));
            return Subject.plan(
                    take,
                    c,
                    false,
                    t -> trails.program(t, trails.iso(), FileFormat.RAW, darks),
                    setup.proposal(),
                    List.of("Noise reduction must be off.", "A flat battery breaks the arcs."));
        }
    }

    /** A time-lapse at one interval. */
    record Clip(double clipSeconds, double perSecond, double intervalSeconds) implements Subject {

        @Override
        public String words() {
            return "time-lapse";
        }

        @Override
        public List<String> bag() {
            return List.of("interval timer");
        }

        @Override
        public Plan plan(Take take, Circumstances c) {
            Instant at = best(take, c);
            Proposal proposal = take.setup(c, at, core(c, at)).proposal();
            double longest = Math.max(0.1, intervalSeconds - 1);
            Settings set = proposal.settings().seconds() <= longest
                    ? proposal.settings()
                    : proposal.settings()
                            .withSeconds(take.rig()
                                    .body()
                                    .shutterAtMost(longest)
                                    .map(Dial.Stop::realSeconds)
                                    .orElse(longest));
            Sequence s = Lapse.lasting(clipSeconds, perSecond, intervalSeconds).sequence(set.seconds());
            return Subject.plan(
                    take,
                    c,
                    false,
                    t -> Program.of(
                            "time-lapse",
                            new Program.Step(t, set, s.frames(), s.pauseSeconds(), FileFormat.RAW, "time-lapse")),
                    proposal,
                    List.of("A knock against the tripod shows in the clip.", "The card fills: count the gigabytes."));
        }
    }

    /** Something in one's own words that takes some minutes. */
    record Free(String what, int minutes, boolean hands) implements Subject {

        public static final Range MINUTES = new Range("minutes", 1, 720, "");

        public Free {
            MINUTES.check(minutes);
        }

        @Override
        public String words() {
            return what;
        }

        @Override
        public Plan plan(Take take, Circumstances c) {
            Instant at = best(take, c);
            Proposal proposal = take.setup(c, at, core(c, at)).proposal();
            return Subject.plan(
                    take,
                    c,
                    Duration.ofMinutes(minutes),
                    hands,
                    t -> Program.of(what, new Program.Step(t, proposal.settings(), 1, 0, FileFormat.RAW, what)),
                    proposal,
                    List.of());
        }
    }
}
