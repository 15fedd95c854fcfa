package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.assembly.Assembled;
import dev.halfdusk.core.assembly.Averaging;
import dev.halfdusk.core.assembly.Blend;
import dev.halfdusk.core.assembly.Contest;
import dev.halfdusk.core.assembly.Crop;
import dev.halfdusk.core.assembly.Lighter;
import dev.halfdusk.core.assembly.Mean;
import dev.halfdusk.core.assembly.MoonAndLand;
import dev.halfdusk.core.assembly.Moons;
import dev.halfdusk.core.assembly.Progress;
import dev.halfdusk.core.assembly.Stack;
import dev.halfdusk.core.assembly.Taken;
import dev.halfdusk.core.assembly.Trails;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.sky.Sidereal;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Frames into a picture, and what was measured of it into words. */
final class Assembler {

    private static final double DEGREES_A_MINUTE = 60 * Sidereal.DEGREES_PER_SECOND;
    private static final double UNLIKE_STOPS = 0.5;
    /** Of the root of the frames: less is none of their noise. */
    private static final double LEAST_GAIN = 0.65;

    private static final double PERCENT = 100;

    private final Chosen chosen;
    private final Wanted wanted;
    private final double stripBytes;
    private final Progress progress;
    private final List<String> measured = new ArrayList<>();
    private final Map<String, Assembled> parts = new LinkedHashMap<>();

    private Assembler(Chosen chosen, Wanted wanted, double stripBytes, Progress progress) {
        this.stripBytes = stripBytes;
        this.chosen = chosen;
        this.wanted = wanted;
        this.progress = progress;
    }

    /**
     * @param measured of it, in words
     * @param parts smaller pictures by what they show
     */
    record Made(Assembled picture, List<String> measured, Map<String, Assembled> parts) {}

    /**
     * @param stripBytes that the sums of a stack may take
     * @throws Taken.UnreadableFrame with the reason
     */
    static Made put(Chosen chosen, Wanted wanted, double stripBytes, Progress progress) {
        Assembler a = new Assembler(chosen, wanted, stripBytes, progress);
        Assembled picture = switch (wanted.what()) {
            case TRAILS -> a.trails();
            case STACK -> a.stack();
            case BLEND -> a.blend();
            case CONTEST -> a.contest();
            case WAY -> a.moons(Moons.way(chosen.frames(), progress));
            case PHASES -> a.moons(Moons.row(chosen.frames(), progress));
            case MOON -> a.averaged();
            case GLOW -> a.glow();
            case LIGHTEST -> a.lightest();
            case CLIP -> throw new IllegalArgumentException("a clip is no picture");
        };
        a.madeUp();
        a.unused();
        return new Made(picture, a.measured, a.parts);
    }

    /** How often progress is told. */
    static int steps(Chosen chosen, Wanted wanted, double pixels, double stripBytes) {
        int n = chosen.frames().size();
        int strips = Stack.strips(pixels, n, options(wanted.averaging(), wanted, Optional.empty(), stripBytes));
        return switch (wanted.what()) {
            case TRAILS -> n + chosen.dark().size();
            case STACK -> n * strips + chosen.dark().size();
            case BLEND -> n * strips + chosen.land().size();
            case CONTEST ->
                chosen.frames().stream().collect(Collectors.groupingBy(Source::iso)).values().stream()
                        .mapToInt(g -> g.size() == 1
                                ? 1
                                : g.size()
                                        * Stack.strips(
                                                pixels,
                                                g.size(),
                                                options(Averaging.MEAN, wanted, Optional.empty(), stripBytes)))
                        .sum();
            case WAY, PHASES, MOON, LIGHTEST, CLIP -> n;
            case GLOW -> 2;
        };
    }

    private static Stack.Options options(
            Averaging averaging, Wanted wanted, Optional<Assembled> dark, double stripBytes) {
        return new Stack.Options(averaging, wanted.landStill(), dark, stripBytes);
    }

    /** That dark frames were of no use. */
    private void unused() {
        boolean used = wanted.what() == Wanted.What.TRAILS || wanted.what() == Wanted.What.STACK;
        if (!used && !chosen.dark().isEmpty()) {
            measured.add("the dark frames are not used: they are taken off trails and stacks alone");
        }
    }

    /** Whose frames they are, where nobody took them. */
    private void madeUp() {
        if (chosen.frames().get(0) instanceof SourceMadeUp first) {
            measured.add(
                    "frames that the simulated camera took for " + first.take().words());
        }
    }

    private Optional<Assembled> dark() {
        if (chosen.dark().isEmpty()) {
            return Optional.empty();
        }
        measured.add(
                chosen.dark().size() == 1
                        ? "a dark frame taken off"
                        : "the mean of " + chosen.dark().size() + " dark frames taken off");
        return Optional.of(Mean.of(chosen.dark(), progress));
    }

    private String names(List<Integer> frames) {
        return frames.stream().map(chosen::name).collect(Collectors.joining(", "));
    }

    private Assembled trails() {
        Trails.Result r = Trails.of(chosen.frames(), wanted.trails(), dark(), progress);
        r.lengths()
                .forEach(l -> parts.put(
                        l.frames() + " frames"
                                + minutes(l.frames())
                                        .map(m -> Numbers.text(", %.0f minutes", m))
                                        .orElse(""),
                        l.picture()));
        minutes(r.frames())
                .ifPresent(m -> measured.add(
                        0, Numbers.text("%.0f minutes of sky, arcs of %.1f\u00b0", m, m * DEGREES_A_MINUTE)));
        if (wanted.trails().filled()) {
            measured.add(
                    r.unmeasured() == 0
                            ? "pauses filled along the way of the stars"
                            : r.unmeasured()
                                    + " times the way of the stars was not found: pauses there are not filled");
        }
        if (wanted.trails().withoutLines()) {
            measured.add("what flew across is left out");
        }
        if (wanted.trails().even()) {
            measured.add("brightness evened out from frame to frame");
        }
        if (wanted.trails().steady()) {
            measured.add(
                    !r.land()
                            ? "no land is found by which to tell whether the camera was knocked"
                            : r.moved().isEmpty()
                                    ? "the land stands still in all frames"
                                    : Numbers.text(
                                            "%d frames laid back by the land, by up to %.1f px",
                                            r.moved().size(),
                                            r.moved().stream()
                                                    .mapToDouble(Trails.Moved::px)
                                                    .max()
                                                    .orElse(0)));
        }
        return r.picture();
    }

    /** From the opening of the first shutter to the closing of one's. */
    private Optional<Double> minutes(int frames) {
        Optional<Instant> first = chosen.frames().get(0).opened();
        Source last = chosen.frames().get(frames - 1);
        return first.isEmpty() || last.opened().isEmpty()
                ? Optional.empty()
                : Optional.of(
                        (Duration.between(first.get(), last.opened().get()).toSeconds() + last.seconds()) / 60);
    }

    private Assembled stack() {
        Stack.Result r = Stack.of(chosen.frames(), options(wanted.averaging(), wanted, dark(), stripBytes), progress);
        said(r);
        return r.picture();
    }

    private void said(Stack.Result r) {
        double root = Math.sqrt(r.frames());
        measured.add(
                r.narrower() < LEAST_GAIN * root
                        ? "the frames differ by more than their noise, in focus or haze: how much less of it there is cannot be told"
                        : Numbers.text(
                                "noise %.1f times less than in one frame; the root of %d is %.1f",
                                r.narrower(), r.frames(), root));
        measured.add(Numbers.text(
                "%s; stars laid over each other to %.2f px", wanted.averaging().words(), r.errorPx()));
        if (!r.left().isEmpty()) {
            measured.add("left out, since their stars were not found: " + names(r.left()));
        }
        if (r.land() > 0) {
            measured.add(Numbers.text("%.0f %% of the picture is land and stands still", PERCENT * r.land()));
        }
        for (Crop c : r.crops()) {
            parts.put(
                    Numbers.text(
                            "%d %s: noise %.1f %%",
                            c.frames(),
                            c.frames() == 1 ? "frame" : "frames",
                            PERCENT * c.noise() / Math.max(1e-6, c.level())),
                    c.picture());
        }
    }

    private Assembled blend() {
        Blend.Result r = Blend.of(chosen.frames(), chosen.land(), wanted.averaging(), stripBytes, progress);
        measured.add(Numbers.text(
                "land of %d frames, %.1f stops brighter than in those of the sky, %.0f %% of the picture",
                chosen.land().size(), r.landStops(), PERCENT * r.land()));
        if (r.movedPx() > 0) {
            measured.add(Numbers.text("the camera had moved by %.1f px between them: laid back", r.movedPx()));
        }
        said(r.sky());
        return r.picture();
    }

    private Assembled contest() {
        Map<Double, List<Source>> byIso = new LinkedHashMap<>();
        chosen.frames()
                .forEach(s ->
                        byIso.computeIfAbsent(s.iso(), i -> new ArrayList<>()).add(s));
        List<Double> isos = byIso.keySet().stream().sorted().toList();
        if (isos.size() != 2 || isos.get(0) <= 0) {
            throw new Taken.UnreadableFrame("They are of " + isos.size() + (isos.contains(0.0) ? " or unknown" : "")
                    + " ISO settings; two are compared.");
        }
        List<Source> low = byIso.get(isos.get(0));
        List<Source> high = byIso.get(isos.get(1));
        Contest.Result r = Contest.of(low, high, stripBytes, progress);
        String first = Numbers.text("%d at ISO %.0f, lifted by %.1f stops", low.size(), isos.get(0), r.liftStops());
        String second = Numbers.text("%d at ISO %.0f", high.size(), isos.get(1));
        parts.put(first, r.low().picture());
        parts.put(second, r.high().picture());
        double times = r.quieter();
        measured.add(Numbers.text(
                "%s: noise %.1f %%; %s: %.1f %%",
                first,
                PERCENT * r.low().noise() / r.low().level(),
                second,
                PERCENT * r.high().noise() / r.high().level()));
        measured.add(
                Math.abs(times - 1) < 0.07
                        ? "the same: the lower keeps more of the bright stars"
                        : Numbers.text(
                                "the %s has %.1f times less noise: this is its picture",
                                times > 1 ? "lower" : "higher", Math.max(times, 1 / times)));
        return r.better();
    }

    private Assembled moons(Moons.Result r) {
        measured.add(
                r.radiusPx()[1] - r.radiusPx()[0] < 1
                        ? Numbers.text("%d moons of %.0f px across", r.discs(), 2 * r.radiusPx()[1])
                        : Numbers.text(
                                "%d moons of %.0f to %.0f px across",
                                r.discs(), 2 * r.radiusPx()[0], 2 * r.radiusPx()[1]));
        if (!r.left().isEmpty()) {
            measured.add((wanted.what() == Wanted.What.WAY ? "without a moon: " : "left out: ") + names(r.left()));
        }
        return r.picture();
    }

    private Assembled averaged() {
        Moons.Result r = Moons.mean(chosen.frames(), progress);
        Assembled picture = moons(r);
        measured.add(Numbers.text(
                "edge %.1f px wide in the sharpest frame, %.1f in the average; reckoned from the %d that are in it, noise is %.1f times less",
                r.edgePx()[0], r.edgePx()[1], r.discs(), Math.sqrt(r.discs())));
        return picture;
    }

    private Assembled glow() {
        if (chosen.frames().size() != 2) {
            throw new Taken.UnreadableFrame("Choose two: one for the moon, one for the land; these are "
                    + chosen.frames().size() + ".");
        }
        MoonAndLand.Result r =
                MoonAndLand.of(chosen.frames().get(0), chosen.frames().get(1), progress);
        measured.add(Numbers.text(
                "the longer one is burnt over %.1f radii of the moon; there the disc of the shorter stands in its glow",
                r.burntRadii()));
        if (r.movedPx() > 1) {
            measured.add(Numbers.text("the moon had moved by %.1f px between them", r.movedPx()));
        }
        return r.picture();
    }

    /** Whether aperture and ISO are the same in all; empty where their files do not say. */
    private Optional<String> exposures() {
        List<String> all = chosen.frames().stream()
                .flatMap(s -> s.known().settings().stream())
                .map(s -> Numbers.text("f/%s, ISO %.0f", Numbers.trimmed(s.aperture(), 1), s.iso()))
                .distinct()
                .toList();
        return all.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        all.size() == 1
                                ? "exposures agree: " + all.get(0) + " in all"
                                : "exposures differ: " + String.join("; ", all));
    }

    private Assembled lightest() {
        Lighter.Result r = Lighter.of(chosen.frames(), progress);
        measured.add(
                r.unlike().isEmpty() && r.unsure().isEmpty()
                        ? "the tripod did not move: what stands still lies on itself in all frames"
                        : r.unlike().isEmpty()
                                ? "whether the tripod moved cannot be told in: " + names(r.unsure())
                                : r.unlike().stream()
                                                .map(u -> Numbers.text(
                                                        "%s by %.1f px", chosen.name(u.frame()), u.movedPx()))
                                                .collect(Collectors.joining(", "))
                                        + ": the tripod had moved, laid back");
        exposures().ifPresent(measured::add);
        if (r.unsure().size() == r.frames() - 1) {
            return r.picture();
        }
        measured.add(
                r.stillStops() < UNLIKE_STOPS
                        ? Numbers.text("what stands still is as bright to %.1f stop in all", r.stillStops())
                        : Numbers.text(
                                "what stands still differs by %.1f stops: frames of other exposures, or lit by bursts",
                                r.stillStops()));
        return r.picture();
    }
}
