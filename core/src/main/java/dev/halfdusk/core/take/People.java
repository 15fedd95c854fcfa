package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Portrait;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Program;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Someone under the stars, who must hold still.
 *
 * @param distanceM to them
 * @param stars whether frames focused on the stars follow, for the blend
 */
public record People(int frames, double distanceM, boolean stars) implements Subject {

    private static final double USUAL_M = 4;

    /** As far away as one usually stands. */
    public People(int frames) {
        this(frames, USUAL_M, false);
    }

    /** The person alone. */
    public People(int frames, double distanceM) {
        this(frames, distanceM, false);
    }

    public static final Range DISTANCE = new Range("distance", 0.5, 200, " m");

    /** From the lamp in the hand to a star, magnified. */
    private static final double REFOCUS_SECONDS = 60;

    /** To breathe and to look at the frame. */
    private static final double PAUSE_SECONDS = 10;

    public static final Kind KIND = new Kind(
            "portrait",
            "portrait under stars",
            List.of(
                    Parameter.whole("frames", "frames", Planning.FRAMES, 4),
                    Parameter.number("distanceM", "distance, m", DISTANCE, USUAL_M),
                    Parameter.yesNo("stars", "then as many for the stars")),
            v -> new People(v.get(0).intValue(), v.get(1), v.get(2) != 0));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of((double) frames, distanceM, stars ? 1.0 : 0.0);
    }

    @Override
    public List<Caution> cautions() {
        return List.of(Caution.Known.LED_WITH_A_LAMP);
    }

    /** On a lamp in their hand: the stars are soft then where the lens is fast, the person never. */
    @Override
    public Focus focus(Take take, Circumstances c, Instant t) {
        return new Focus(Focus.On.LAMP_OF_PERSON, distanceM);
    }

    private static Settings still(Take take, Proposal p) {
        return Portrait.choices(p.settings(), take.camera().rig().body()).stream()
                .findFirst()
                .map(x -> new Settings(x.shutter().realSeconds(), take.setting().aperture(), x.iso()))
                .orElse(p.settings());
    }

    @Override
    public Bracketing bracketing() {
        return Bracketing.BY_SHUTTER;
    }

    @Override
    public List<Correction.Dialled> turnsFirst() {
        return List.of(Correction.Dialled.APERTURE, Correction.Dialled.ISO, Correction.Dialled.SHUTTER);
    }

    @Override
    public double longestSeconds(Take take, Circumstances c, Instant t) {
        return still(take, take.setup(c, t).proposal()).seconds();
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        return planning.plan(
                true,
                t -> program(take, planning.proposal(t), t),
                List.of(
                        "Nobody holds still for ten seconds.",
                        "Warn before any light is switched on.",
                        "Between two lamps a face is lit from both sides: stand so that one of them is behind."));
    }

    /** The person first, then the stars, while nobody needs to hold still. */
    private Program program(Take take, Proposal p, Instant t) {
        Settings set = still(take, p);
        Program.Step person = new Program.Step(
                t,
                set,
                frames,
                PAUSE_SECONDS,
                FileFormat.RAW,
                "hold still for " + take.camera().rig().body().label(set.seconds()) + " s");
        return stars
                ? Program.of(
                        "portrait",
                        person,
                        new Program.Step(
                                Instants.after(person.ends(), REFOCUS_SECONDS),
                                p.settings(),
                                frames,
                                1,
                                FileFormat.RAW,
                                "focused on the stars"))
                : Program.of("portrait", person);
    }

    @Override
    public Optional<List<Reason>> reasons(Take take, Circumstances c, Instant t, Program program) {
        Setup setup = take.setup(c, t);
        Settings s = program.steps().get(0).settings();
        Depth depth = setup.depth(Depth.pixelCircleMm(setup.optics().sensor()));
        double far = depth.farM(distanceM);
        List<Reason> all = new ArrayList<>(List.of(
                new Reason(
                        "shutter",
                        s.seconds(),
                        "s",
                        "as long as someone holds still; the sky alone would take "
                                + Numbers.trimmed(setup.proposal().settings().seconds(), 1) + " s",
                        "people sway"),
                new Reason("ISO", s.iso(), "", "keeps the sky as bright at the shorter shutter", "t \u00d7 ISO"),
                new Reason(
                        "sharp behind the person",
                        Double.isInfinite(far) ? depth.hyperfocalM() : far,
                        "m",
                        Numbers.text(
                                "focused at %.1f m, f/%.1f: from %.1f m to %s",
                                distanceM,
                                s.aperture(),
                                depth.nearM(distanceM),
                                Double.isInfinite(far) ? "the stars" : Numbers.trimmed(far, 1) + " m"),
                        "circle of two pixels"),
                new Reason(
                        "blur of the stars",
                        depth.blurAtStarsMm(distanceM)
                                * 1000
                                / setup.optics().sensor().pitchUm(),
                        "px",
                        "a second frame focused on the stars keeps both: person first, then stars",
                        "f\u00b2 / (N (s \u2212 f))")));
        return Optional.of(all);
    }
}
