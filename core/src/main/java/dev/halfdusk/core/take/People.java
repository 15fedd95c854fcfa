package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Portrait;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Program;
import java.util.List;

/** Someone under the stars, who must hold still. */
public record People(int frames) implements Subject {

    /** To breathe and to look at the frame. */
    private static final double PAUSE_SECONDS = 10;

    public static final Kind KIND = new Kind(
            "portrait",
            "portrait under stars",
            List.of(Parameter.whole("frames", "frames", Planning.FRAMES, 4)),
            v -> new People(v.get(0).intValue()));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of((double) frames);
    }

    @Override
    public List<String> cautions() {
        return List.of("Whoever stands for you cannot see the ground: lead them there and back with a lamp.");
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        Proposal p = planning.proposal();
        Settings still = Portrait.choices(p.settings(), take.camera().rig().body()).stream()
                .findFirst()
                .map(x -> new Settings(x.shutter().realSeconds(), take.setting().aperture(), x.iso()))
                .orElse(p.settings());
        return planning.plan(
                true,
                t -> Program.of(
                        "portrait", new Program.Step(t, still, frames, PAUSE_SECONDS, FileFormat.RAW, "hold still")),
                List.of("Nobody holds still for ten seconds.", "Warn before any light is switched on."));
    }
}
