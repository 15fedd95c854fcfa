package dev.halfdusk.app.sequences;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import de.siegmar.fastcsv.writer.CsvWriter;
import dev.halfdusk.app.web.Cells;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sequence.Program;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import org.springframework.stereotype.Component;

/** A camera's program for other programs: a row for each shot, or a step for equal frames. */
@Component
class ProgramFiles {

    private final ObjectMapper json;

    ProgramFiles(ObjectMapper json) {
        this.json = json;
    }

    static String csv(Program program, Rig rig) {
        StringWriter out = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            Cells.row(csv, "number", "opens", "shutter", "seconds", "aperture", "iso", "format", "what");
            for (Program.Shot s : program.shots()) {
                Cells.row(
                        csv,
                        "" + s.number(),
                        Cells.utc(s.opens()),
                        rig.body().label(s.settings().seconds()),
                        Numbers.plain(s.settings().seconds(), 6),
                        rig.lens().electronic() ? Numbers.plain(s.settings().aperture(), 2) : "",
                        Numbers.plain(s.settings().iso()),
                        s.format().key(),
                        s.what());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    String json(Program program, Rig rig) {
        ObjectNode all = json.createObjectNode()
                .put("what", program.what())
                .put("frames", program.frames())
                .put("begins", program.span().from().toString())
                .put("ends", program.span().to().toString());
        ArrayNode steps = all.putArray("steps");
        boolean byHand = !rig.lens().electronic();
        if (byHand) {
            all.put("apertureByHand", program.steps().get(0).settings().aperture());
        }
        for (Program.Step s : program.steps()) {
            ObjectNode step = steps.addObject()
                    .put("begins", s.begins().toString())
                    .put("frames", s.frames())
                    .put("shutter", rig.body().label(s.settings().seconds()))
                    .put("seconds", s.settings().seconds())
                    .put("pauseSeconds", s.pauseSeconds())
                    .put("iso", s.settings().iso())
                    .put("format", s.format().key())
                    .put("what", s.what());
            if (!byHand) {
                step.put("aperture", s.settings().aperture());
            }
        }
        return all.toPrettyString();
    }
}
