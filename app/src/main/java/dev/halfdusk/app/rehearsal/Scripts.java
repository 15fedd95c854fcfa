package dev.halfdusk.app.rehearsal;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.core.eclipse.Script;
import dev.halfdusk.core.eclipse.ScriptCheck;
import dev.halfdusk.core.eclipse.Scripting;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.sequence.Program;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The scripts of plans, worked out once: while one looks at a rehearsal they are asked for every second. */
@Component
class Scripts {

    private static final int KEPT = 64;

    private final Cache<List<Object>, Worked> kept =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    /**
     * A camera with its script at the place of its plan.
     *
     * @param refusals what keeps it from being started, in words
     * @param rawAlone frames of totality where raw alone is written, with JPEGs where both are
     */
    record Worked(
            PlanCamera camera,
            Scripting.Made made,
            ScriptCheck check,
            List<String> refusals,
            int rawAlone,
            int withJpegs) {

        Script script() {
            return made.script();
        }

        /** Empty where something is wrong with it, or it does nothing. */
        Optional<Program> program(EclipsePlan plan) {
            return check.startable() ? made.script().program(plan.here()) : Optional.empty();
        }
    }

    private static final int MOST_TOLD = 5;

    Worked of(EclipsePlan plan, PlanCamera camera) {
        return kept.get(List.of(camera, plan.cameras(), plan.here(), plan.place()), key -> work(plan, camera));
    }

    /** All cameras of a plan, in their order. */
    List<Worked> of(EclipsePlan plan) {
        return plan.cameras().stream().map(c -> of(plan, c)).toList();
    }

    private static Worked work(EclipsePlan plan, PlanCamera camera) {
        Scripting.Made made = camera.made(plan.here(), plan.place());
        ScriptCheck check = camera.check(made.script(), plan.here(), plan.place());
        List<String> refusals = new ArrayList<>(camera.refusals());
        plan.cameras().stream()
                .filter(o -> o.id() < camera.id()
                        && o.rig().body().id().equals(camera.rig().body().id()))
                .forEach(o -> refusals.add("Its body, " + o.rig().body().name() + ", is in the camera " + o.name()
                        + " at the same time: choose another rig."));
        check.findings().stream()
                .filter(ScriptCheck.Finding::refused)
                .limit(MOST_TOLD)
                .forEach(f -> refusals.add("Line " + (f.line() + 1) + ": " + f.words()));
        return new Worked(
                camera,
                made,
                check,
                List.copyOf(refusals),
                total(plan, camera, FileFormat.RAW),
                total(plan, camera, FileFormat.RAW_AND_JPEG));
    }

    /** Frames of totality of a script that is made for a format. */
    private static int total(EclipsePlan plan, PlanCamera c, FileFormat format) {
        return Scripting.of(
                        plan.here(),
                        c.setup(plan.place(), c.rig().rig(), plan.here().max().when()),
                        c.card(),
                        c.asked().written(c.asked().partial(), format))
                .script()
                .lines()
                .stream()
                .filter(l -> !l.filtered())
                .mapToInt(Script.Line::frames)
                .sum();
    }
}
