package dev.halfdusk.app.sequences;

import dev.halfdusk.app.pictures.RunStrip;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.camera.Run;
import dev.halfdusk.core.measure.Numbers;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Optional;

/** What came of a run on the simulated timer and body, in words. */
public record RunView(
        RunStrip strip, String words, boolean lossless, String why, String stepSeconds, String begins, String ends) {

    static RunView of(SequenceRequest a, Run run) {
        ZoneId zone = a.setup().place().zone();
        Optional<Run.Result> first =
                run.shots().stream().filter(r -> r.fate() == Run.Fate.LOST).findFirst();
        String lost = run.lost() == 0 ? "none lost" : run.lost() + " lost";
        String late = run.late() == 0 ? "" : ", " + run.late() + " late";
        int darks = a.program().darks();
        String dark = darks > 0 ? " (" + darks + " of them dark)" : "";
        String words = run.taken() + " taken" + dark + ", " + lost + late;
        String buffer = ", buffer never above " + run.fullest() + " of "
                + a.body().files().bufferFrames() + ", card "
                + Words.number(run.writtenMb() / 1000, 1) + " GB"
                + a.card().map(c -> " of " + Numbers.trimmed(c.gigabytes(), 0)).orElse("")
                + (a.battery().isPresent() ? ", battery at " + Words.percent(run.charge()) : "") + ".";
        String why = first.map(r -> "First lost: frame " + r.shot().number() + " at "
                        + Words.clockSeconds(r.opened(), zone) + ", " + r.because() + ".")
                .orElse("");
        Instant begins = a.begins().truncatedTo(ChronoUnit.SECONDS);
        return new RunView(
                RunStrip.of(run),
                words + buffer,
                run.lost() == 0,
                why,
                Numbers.plain(a.sequence().stepSeconds(), 3),
                Words.clockSeconds(begins, zone),
                Words.clockSeconds(a.program().span().to(), zone));
    }
}
