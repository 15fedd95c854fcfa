package dev.halfdusk.app.rehearsal;

import de.siegmar.fastcsv.writer.CsvWriter;
import dev.halfdusk.app.web.Cells;
import dev.halfdusk.core.camera.Rehearsal.Standing;
import dev.halfdusk.core.camera.Run;
import dev.halfdusk.core.measure.Instants;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;

/** The shots of a rehearsal as a table: when each was planned, when it opened, and what became of it. */
final class RehearsalLog {

    private RehearsalLog() {}

    static String csv(List<Standing> standings) {
        StringWriter text = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder().build(text)) {
            Cells.row(csv, "camera", "shot", "planned_utc", "opened_utc", "late_s", "fate", "because", "what");
            for (Standing s : standings) {
                for (Run.Result r : s.log()) {
                    boolean lost = r.fate() == Run.Fate.LOST;
                    Cells.row(
                            csv,
                            s.part().name(),
                            Integer.toString(r.shot().number()),
                            Cells.utc(r.shot().opens()),
                            lost ? "" : Cells.utc(r.opened()),
                            lost
                                    ? ""
                                    : String.format(
                                            Locale.ROOT,
                                            "%.3f",
                                            Instants.seconds(r.shot().opens(), r.opened())),
                            r.fate().name().toLowerCase(Locale.ROOT),
                            r.because(),
                            r.shot().what());
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }
}
