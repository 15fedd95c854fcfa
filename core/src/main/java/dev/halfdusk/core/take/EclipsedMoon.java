package dev.halfdusk.core.take;

import dev.halfdusk.core.eclipse.EclipseLadder;
import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * An eclipse of the moon, a frame every so many seconds, exposed as it goes: for the lit limb, then for the shadow.
 *
 * @param everySeconds from opening to opening
 * @param switchAt coverage from which the shadow is exposed for
 * @param danjon class of darkness that is expected, 0 to 4
 * @param brighterStops by which the shadow is exposed brighter than that, since frames came out too dark; below 0 darker
 * @param limbBrighterStops the same for the lit limb, whose light is known and has its own
 */
public record EclipsedMoon(
        double everySeconds, double switchAt, double danjon, double brighterStops, double limbBrighterStops)
        implements OfTheMoon {

    public static final Range EVERY = new Range("interval", 10, 1200, " s");

    /** Most totalities of a lifetime are copper or brighter. */
    private static final double EXPECTED_DANJON = 3;

    /** A shadowed moon looks like one a stop below middle grey: people place it so. */
    private static final double PEOPLES_STOPS = -1;

    /** With no eclipse in the night it is planned as long as a middling one lasts. */
    private static final Duration SOME = Duration.ofHours(3);

    public static final Kind KIND = new Kind(
            "lunar-eclipse",
            "lunar eclipse",
            List.of(
                    Parameter.number("everySeconds", "interval", EVERY, 120),
                    Parameter.number(
                            "switchAt", "covered, then the shadow", EclipseLadder.SWITCH, EclipseLadder.USUAL_SWITCH),
                    Parameter.number("danjon", "darkness of totality", ShadowedMoon.DANJON, EXPECTED_DANJON),
                    Parameter.number(
                            "brighterStops", "shadow brighter by, stops", EclipseLadder.BRIGHTER, PEOPLES_STOPS),
                    Parameter.number("limbBrighterStops", "lit limb brighter by, stops", EclipseLadder.BRIGHTER, 0)),
            v -> new EclipsedMoon(v.get(0), v.get(1), v.get(2), v.get(3), v.get(4)));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of(everySeconds, switchAt, danjon, brighterStops, limbBrighterStops);
    }

    @Override
    public Wish usual() {
        return Wish.of(Wish.Kind.LUNAR_ECLIPSE);
    }

    /** What it asks of the settings. */
    public EclipseLadder.Asked ladder() {
        return new EclipseLadder.Asked(switchAt, danjon, brighterStops, limbBrighterStops);
    }

    @Override
    public double ownStops() {
        return limbBrighterStops; // that of the shadow is a guess at how dark it is
    }

    @Override
    public boolean tasted() {
        return true;
    }

    @Override
    public Optional<Take> shifted(double stops, Take take) {
        return Optional.of(take.with(new EclipsedMoon(
                everySeconds,
                switchAt,
                danjon,
                EclipseLadder.BRIGHTER.nearest(brighterStops + stops),
                EclipseLadder.BRIGHTER.nearest(limbBrighterStops + stops))));
    }

    /** The same, of a totality that dark. */
    public EclipsedMoon dark(double other) {
        return new EclipsedMoon(everySeconds, switchAt, other, brighterStops, limbBrighterStops);
    }

    @Override
    public boolean shifts() {
        return true;
    }

    private EclipseLadder.Step step(Take take, Circumstances c, Instant at) {
        return EclipseLadder.at(take.setup(c, at), ladder());
    }

    @Override
    public double shortStops(Take take, Circumstances c, Instant at) {
        double missing = step(take, c, at).shortOfStops();
        return missing < Dial.THIRD_STOP ? 0 : missing;
    }

    /** Counted from the frame that the rig really takes: what it could not give is not asked of the frames that come. */
    @Override
    public Optional<Subject> brighter(double stops, Take take, Circumstances c, Instant at) {
        double missing = shortStops(take, c, at);
        if (stops > 0 && missing > 0) {
            return Optional.empty(); // the rig gives no more
        }
        boolean shadow = step(take, c, at).aim() == EclipseLadder.Aim.SHADOW;
        double shifted = (shadow ? brighterStops : limbBrighterStops) - missing + stops;
        if (!EclipseLadder.BRIGHTER.holds(shifted)) {
            return Optional.empty();
        }
        return Optional.of(
                shadow
                        ? new EclipsedMoon(everySeconds, switchAt, danjon, shifted, limbBrighterStops)
                        : new EclipsedMoon(everySeconds, switchAt, danjon, brighterStops, shifted));
    }

    @Override
    public List<String> bag() {
        return List.of("interval timer", "cable or remote release");
    }

    @Override
    public boolean decides() {
        return false;
    }

    @Override
    public List<Correction.Dialled> turnsFirst() {
        return List.of(Correction.Dialled.SHUTTER, Correction.Dialled.ISO);
    }

    @Override
    public double longestSeconds(Take take, Circumstances c, Instant t) {
        return step(take, c, t).limitSeconds();
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        Duration lasts = planning.windows().stream()
                .map(w -> w.length().minusSeconds((long) everySeconds))
                .max(Duration::compareTo)
                .filter(d -> take.wish().kind() == Wish.Kind.LUNAR_ECLIPSE)
                .filter(d -> d.toSeconds() > everySeconds)
                .orElse(SOME);
        return planning.plan(
                lasts,
                false,
                t -> program(take, c, new Interval(t, t.plus(lasts).minusSeconds((long) everySeconds))),
                List.of(
                        "How dark totality will be nobody knows: look at its first frame and shift the rest.",
                        "The moon leaves a narrow frame that stands still within minutes: aim anew.",
                        "In the last minutes before totality half the moon burns: that is meant."));
    }

    /** Frames with the same settings are one step. */
    private Program program(Take take, Circumstances c, Interval span) {
        EclipseLadder ladder = EclipseLadder.of(
                span, Duration.ofMillis(Math.round(everySeconds * 1000)), take.setup(c, span.from()), ladder());
        List<Program.Step> steps = new ArrayList<>();
        EclipseLadder.Step first = null;
        int frames = 0;
        for (EclipseLadder.Step s : ladder.steps()) {
            if (first != null && !(s.settings().equals(first.settings()) && s.aim() == first.aim())) {
                steps.add(step(first, frames));
                frames = 0;
            }
            first = frames == 0 ? s : first;
            frames++;
        }
        steps.add(step(first, frames));
        return new Program("lunar eclipse", steps);
    }

    private Program.Step step(EclipseLadder.Step first, int frames) {
        double pause = Math.max(0, everySeconds - first.settings().seconds());
        String what = first.aim() == EclipseLadder.Aim.LIMB ? "for the lit limb" : "for the shadow";
        return new Program.Step(first.when(), first.settings(), frames, pause, FileFormat.RAW, what);
    }

    @Override
    public Optional<List<Reason>> reasons(Take take, Circumstances c, Instant t, Program program) {
        EclipseLadder.Step first = step(take, c, t);
        return Optional.of(List.of(
                new Reason(
                        first.aim() == EclipseLadder.Aim.SHADOW ? "exposed for the shadow" : "exposed for the lit limb",
                        first.ev100(),
                        "EV at ISO 100",
                        Numbers.text(
                                "%.0f %% of the disc covered; darkness of class %.1f is expected",
                                100 * first.covered(), danjon),
                        "the shadow's light by class"),
                new Reason(
                        "longest shutter",
                        first.limitSeconds(),
                        "s",
                        "the moon's own motion, or the air behind a lunar tracker",
                        "ephemeris")));
    }
}
