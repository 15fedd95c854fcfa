package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.PlannedBy;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Program;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/**
 * What the photographer decides of a take; what is left empty is as proposed.
 *
 * @param rule by which the shutter for stars is planned
 * @param shutterSeconds of every frame, the nearest of the dial or on bulb
 * @param frames of light, where the take has one run of them
 */
public record Decision(
        PlannedBy rule,
        OptionalDouble shutterSeconds,
        OptionalDouble iso,
        OptionalDouble frames,
        OptionalDouble pauseSeconds) {

    public static final Decision NONE = new Decision(
            PlannedBy.DRIFT,
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty());

    public static final Shape<Decision> SHAPE = new Shape<>(
            "decision",
            "decision",
            List.of(
                    Field.<Decision, PlannedBy>choice(
                                    "rule", "Shutter for stars by", PlannedBy.class, PlannedBy::words, Decision::rule)
                            .usually(PlannedBy.DRIFT.name())
                            .starting(PlannedBy.DRIFT),
                    Field.<Decision>number("shutterSeconds", "Shutter, s", Range.SHUTTER, Decision::shutterSeconds)
                            .hinted("such as 8 or 1/200; empty: as proposed")
                            .orNone(),
                    Field.<Decision>whole("iso", "ISO", Range.ISO, Decision::iso)
                            .hinted("empty: as proposed")
                            .orNone(),
                    Field.<Decision>whole("frames", "Frames", Planning.FRAMES, Decision::frames)
                            .hinted(Planning.FRAMES.allowed() + "; empty: as proposed")
                            .orNone(),
                    Field.<Decision>number("pauseSeconds", "Pause, s", Sequence.PAUSE, Decision::pauseSeconds)
                            .hinted(Sequence.PAUSE.allowed() + "; empty: as proposed")
                            .orNone()),
            v -> new Decision(
                    v.choice("rule", PlannedBy.class),
                    v.maybe("shutterSeconds"),
                    v.maybe("iso"),
                    v.maybe("frames"),
                    v.maybe("pauseSeconds")));

    /** Whether something is decided beside the rule. */
    public boolean fixes() {
        return shutterSeconds.isPresent() || iso.isPresent() || frames.isPresent() || pauseSeconds.isPresent();
    }

    /** A program with it; dark frames follow their light. Steps keep the time between them. */
    Program applied(Program proposed, CameraBody body) {
        if (!fixes()) {
            return proposed;
        }
        boolean oneRun = proposed.steps().stream().filter(s -> !s.dark()).count() == 1;
        List<Program.Step> steps = new ArrayList<>();
        Instant before = null;
        Instant now = null;
        for (Program.Step s : proposed.steps()) {
            Instant begins = before == null ? s.begins() : Instants.after(now, Instants.seconds(before, s.begins()));
            boolean light = !s.dark();
            Program.Step step = new Program.Step(
                    begins,
                    settings(s.settings(), body),
                    light && oneRun && frames.isPresent() ? (int) Math.rint(frames.getAsDouble()) : s.frames(),
                    light ? pauseSeconds.orElse(s.pauseSeconds()) : s.pauseSeconds(),
                    s.format(),
                    s.what(),
                    s.front());
            steps.add(step);
            before = s.ends();
            now = step.ends();
        }
        return new Program(proposed.what(), steps);
    }

    private Settings settings(Settings proposed, CameraBody body) {
        double seconds = shutterSeconds.isPresent()
                ? body.clickOrBulb(shutterSeconds.getAsDouble(), Range.SHUTTER.max())
                : proposed.seconds();
        double set = iso.isPresent() ? IsoDial.nearest(body.isoSteps(), iso.getAsDouble()) : proposed.iso();
        return new Settings(seconds, proposed.aperture(), set);
    }
}
