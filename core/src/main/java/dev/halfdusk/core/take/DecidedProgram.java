package dev.halfdusk.core.take;

import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sequence.Program;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/** A program with what its photographer decides; steps keep the time between them. */
final class DecidedProgram {

    /** Between the frames of a bracket, to turn the dial. */
    private static final double BRACKET_PAUSE = 2;

    private final Decision decision;
    private final CameraBody body;
    /** Whether each frame becomes a bracket. */
    private final boolean brackets;
    /** Whether its frames are a bracket of the subject's own, which what is decided of the first moves as a whole. */
    private final boolean scaled;

    private Settings first;

    DecidedProgram(Decision decision, CameraBody body, Subject.Bracketing bracketing) {
        this.decision = decision;
        this.body = body;
        brackets = bracketing == Subject.Bracketing.BY_SHUTTER
                && !decision.light().bracket().isEmpty();
        scaled = bracketing == Subject.Bracketing.OWN;
    }

    Program of(Program proposed) {
        if (!decision.fixes()) {
            return proposed;
        }
        first = proposed.steps().get(0).settings();
        boolean oneRun = proposed.steps().stream().filter(s -> !s.dark()).count() == 1;
        List<Program.Step> steps = new ArrayList<>();
        Instant before = null;
        Instant now = null;
        for (Program.Step s : proposed.steps()) {
            Instant begins = before == null ? s.begins() : Instants.after(now, Instants.seconds(before, s.begins()));
            before = s.ends();
            if (s.dark() && decision.frames().darks().orElse(s.frames()) < 1) {
                continue;
            }
            List<Program.Step> made = brackets && oneRun && !s.dark()
                    ? bracketed(step(s, begins, true))
                    : List.of(step(s, begins, oneRun));
            steps.addAll(made);
            Program.Step last = made.get(made.size() - 1);
            now = Instants.after(last.ends(), dark(last));
        }
        return new Program(proposed.what(), steps);
    }

    private double dark(Program.Step s) {
        return s.dark()
                ? 0
                : decision.inCamera().noiseReduction().darkSeconds(s.settings().seconds());
    }

    private Program.Step step(Program.Step s, Instant begins, boolean oneRun) {
        boolean light = !s.dark();
        Settings set = settings(s.settings());
        Decision.Frames f = decision.frames();
        double count = light
                ? oneRun ? f.count().orElse(s.frames()) : s.frames()
                : f.darks().orElse(s.frames());
        double pause = light ? f.pauseSeconds().orElse(s.pauseSeconds()) : s.pauseSeconds();
        double reduced = light ? decision.inCamera().noiseReduction().darkSeconds(set.seconds()) : 0;
        return new Program.Step(
                begins,
                set,
                (int) Math.rint(count),
                Sequence.PAUSE.nearest(Math.max(pause, reduced)),
                s.format(),
                s.what(),
                s.front());
    }

    /** Each frame at every setting of the pattern, one frame after the other. */
    private List<Program.Step> bracketed(Program.Step s) {
        List<Program.Step> all = new ArrayList<>();
        Instant at = s.begins();
        for (int i = 0; i < s.frames(); i++) {
            for (double by : decision.light().bracket().stops()) {
                Settings one = brighter(s.settings(), by);
                Program.Step step = new Program.Step(at, one, 1, 0, s.format(), s.what(), s.front());
                all.add(step);
                at = Instants.after(step.ends(), Math.max(BRACKET_PAUSE, dark(step)));
            }
            at = Instants.after(at, Math.max(0, s.pauseSeconds() - BRACKET_PAUSE));
        }
        return all;
    }

    private Settings brighter(Settings s, double stops) {
        double seconds = Range.SHUTTER.nearest(s.seconds() * Stops.ratio(stops));
        return s.withSeconds(body.clickOrBulb(seconds, Range.SHUTTER.max()));
    }

    private Settings settings(Settings proposed) {
        Decision.Exposed e = decision.light();
        double beside = scaled ? proposed.seconds() / first.seconds() : 1;
        double seconds = e.shutterSeconds().isPresent()
                ? body.clickOrBulb(e.shutterSeconds().getAsDouble() * beside, Range.SHUTTER.max())
                : proposed.seconds();
        double higher = scaled ? proposed.iso() / first.iso() : 1;
        double wanted = e.iso().isPresent()
                ? e.iso().getAsDouble() * higher
                : proposed.iso() * Stops.ratio(e.school().stops());
        boolean asProposed = e.iso().isEmpty() && e.school() == Decision.NoiseSchool.PROPOSED;
        return new Settings(
                seconds, proposed.aperture(), asProposed ? proposed.iso() : IsoDial.nearest(body.isoSteps(), wanted));
    }
}
