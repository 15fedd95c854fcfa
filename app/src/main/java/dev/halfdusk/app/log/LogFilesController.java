package dev.halfdusk.app.log;

import com.fasterxml.jackson.databind.node.ObjectNode;
import de.siegmar.fastcsv.writer.CsvWriter;
import dev.halfdusk.app.outings.OutingFile;
import dev.halfdusk.app.web.Attachment;
import dev.halfdusk.app.web.Cells;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Subjects;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;

/** A night as files: JSON, a table of its frames, sidecars to lay beside them. */
@Controller
@RequestMapping("/log/{id:\\d{1,18}}")
class LogFilesController {

    private final Entries entries;
    private final LogFiles files;
    private final OutingFile outings;

    LogFilesController(Entries entries, LogFiles files, OutingFile outings) {
        this.outings = outings;
        this.entries = entries;
        this.files = files;
    }

    @GetMapping("/night.json")
    ResponseEntity<String> json(@PathVariable long id) {
        Entry e = entries.existing(id);
        String tree =
                files.write(id).orElseThrow(() -> new NotFound("night " + id)).toPrettyString();
        return Attachment.of(Attachment.name(e.title(), e.night(), "night.json"), "application/json", tree);
    }

    /** Its outing, with the night in it. */
    @GetMapping("/outing.json")
    ResponseEntity<String> outing(@PathVariable long id) {
        Entry e = entries.existing(id);
        ObjectNode outing = e.outing().flatMap(outings::write).orElseThrow(() -> new NotFound("its outing"));
        outing.set(LogFiles.IN_OUTING, files.write(id).orElseThrow(() -> new NotFound("night " + id)));
        String text = outing.toPrettyString();
        return Attachment.of(Attachment.name(e.title(), e.night(), "outing.json"), "application/json", text);
    }

    /** A line for each frame. */
    @GetMapping("/frames.csv")
    ResponseEntity<String> frames(@PathVariable long id) {
        Entry e = entries.existing(id);
        Map<Long, EntryTake> takes =
                entries.takes(id).stream().collect(Collectors.toMap(EntryTake::id, Function.identity()));
        StringWriter text = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder().build(text)) {
            Cells.row(csv, COLUMNS);
            for (EntryFrame f : entries.frames(id)) {
                Optional<EntryTake> take = f.take().map(takes::get);
                Cells.row(
                        csv,
                        e.night().toString(),
                        e.where().name(),
                        take.map(EntryTake::name).orElse(""),
                        take.map(EntryTake::subject).orElse(""),
                        take.map(t -> t.kit().rig()).orElse(""),
                        f.name(),
                        f.taken().map(Cells::utc).orElse(""),
                        f.settings().map(s -> Numbers.plain(s.seconds())).orElse(""),
                        f.settings().map(s -> Numbers.plain(s.aperture())).orElse(""),
                        f.settings().map(s -> Numbers.plain(s.iso(), 0)).orElse(""),
                        number(f.focalMm()),
                        number(f.read().driftPx()),
                        number(f.read().widthPx()),
                        number(f.read().cornerPx()),
                        number(f.read().zenith()),
                        f.read().verdict(),
                        f.said().words());
            }
        } catch (IOException x) {
            throw new UncheckedIOException(x);
        }
        return Attachment.of(Attachment.name(e.title(), e.night(), "frames.csv"), "text/csv", text.toString());
    }

    private static final String[] COLUMNS = {
        "night",
        "place",
        "take",
        "subject",
        "rig",
        "file",
        "taken_utc",
        "seconds",
        "aperture",
        "iso",
        "focal_mm",
        "drift_px",
        "width_px",
        "corner_px",
        "zenith_mag",
        "verdict",
        "said"
    };

    private static String number(OptionalDouble v) {
        return v.isPresent() ? Numbers.plain(v.getAsDouble(), 2) : "";
    }

    /** One XMP for each frame, to be laid beside it. */
    @GetMapping("/sidecars.zip")
    ResponseEntity<byte[]> sidecars(@PathVariable long id) {
        Entry e = entries.existing(id);
        Map<Long, EntryTake> takes =
                entries.takes(id).stream().collect(Collectors.toMap(EntryTake::id, Function.identity()));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Set<String> names = new HashSet<>();
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            for (EntryFrame f : entries.frames(id)) {
                String name = Sidecar.name(f.name()).replaceAll("[/\\\\]", "_");
                if (names.add(name)) {
                    ZipEntry entry = new ZipEntry(name);
                    entry.setTime(0);
                    zip.putNextEntry(entry);
                    zip.write(Sidecar.write(f, e, keywords(e, f.take().map(takes::get)))
                            .getBytes(StandardCharsets.UTF_8));
                }
            }
        } catch (IOException x) {
            throw new UncheckedIOException(x);
        }
        return Attachment.of(
                Attachment.name(e.title(), e.night(), "sidecars.zip"), "application/zip", out.toByteArray());
    }

    private static List<String> keywords(Entry e, Optional<EntryTake> take) {
        List<String> all = new ArrayList<>(List.of(e.where().name(), e.night().toString()));
        take.ifPresent(t -> {
            all.add(t.name());
            Subjects.of(t.subject()).map(Subject.Kind::words).ifPresent(all::add);
        });
        return all;
    }
}
