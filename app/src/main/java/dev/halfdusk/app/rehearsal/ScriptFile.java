package dev.halfdusk.app.rehearsal;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.writer.CsvWriter;
import dev.halfdusk.app.web.Cells;
import dev.halfdusk.core.eclipse.Anchor;
import dev.halfdusk.core.eclipse.Script;
import dev.halfdusk.core.eclipse.Script.Line;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** A script as a table of comma-separated values, a line for each group of equal frames; docs/formats.md says what its columns are. */
final class ScriptFile {

    static final List<String> COLUMNS = List.of(
            "contact", "offset_s", "frames", "pause_s", "shutter_s", "aperture", "iso", "format", "filter", "what");

    /** More than any script needs. */
    static final int MOST_LINES = 2000;

    static final int MOST_CHARACTERS = 400_000;
    private static final int LONGEST_WORDS = 60;
    private static final int MOST_PROBLEMS = 20;

    private ScriptFile() {}

    /** @param line of the text, counted from 1 */
    record Problem(long line, String words) {

        @Override
        public String toString() {
            return "Line " + line + ": " + words;
        }
    }

    /** A script, or what is wrong with its lines. */
    record Read(Optional<Script> script, List<Problem> problems) {

        private static Read refused(long line, String words) {
            return new Read(Optional.empty(), List.of(new Problem(line, words)));
        }
    }

    static String write(Script script) {
        StringWriter text = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder().build(text)) {
            csv.writeRecord(COLUMNS);
            for (Line l : script.lines()) {
                Cells.row(
                        csv,
                        l.from().key(),
                        Numbers.plain(l.offsetSeconds(), 3),
                        Integer.toString(l.frames()),
                        Numbers.plain(l.pauseSeconds(), 3),
                        Numbers.plain(l.settings().seconds()),
                        Numbers.plain(l.settings().aperture()),
                        Numbers.plain(l.settings().iso()),
                        l.format().key(),
                        l.filtered() ? "on" : "off",
                        l.what());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /** One line of the file. */
    static String line(Line line) {
        return write(new Script(List.of(line))).lines().skip(1).findFirst().orElseThrow();
    }

    static Read read(String text) {
        if (text.length() > MOST_CHARACTERS) {
            return Read.refused(
                    1, "the script has " + text.length() + " characters; at most " + MOST_CHARACTERS + " are read.");
        }
        if (text.lines().limit(MOST_LINES + 2L).count() > MOST_LINES + 1L) {
            return Read.refused(MOST_LINES + 2L, "a script has at most " + MOST_LINES + " lines.");
        }
        List<Line> lines = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        boolean header = true;
        try (CsvReader<CsvRecord> csv = CsvReader.builder()
                .allowExtraFields(true)
                .allowMissingFields(true)
                .ofCsvRecord(text)) {
            for (CsvRecord r : csv) {
                if (header) {
                    header = false;
                    if (!r.getFields().equals(COLUMNS)) {
                        return Read.refused(
                                r.getStartingLineNumber(),
                                "the first line names the columns: " + String.join(",", COLUMNS) + ".");
                    }
                    continue;
                }
                if (problems.size() < MOST_PROBLEMS) {
                    line(r, lines, problems);
                }
            }
        } catch (IOException | CsvParseException e) {
            return Read.refused(1, "this is no table of comma-separated values.");
        }
        if (header) {
            return Read.refused(1, "the first line names the columns: " + String.join(",", COLUMNS) + ".");
        }
        return problems.isEmpty()
                ? new Read(Optional.of(new Script(lines)), List.of())
                : new Read(Optional.empty(), List.copyOf(problems));
    }

    private static void line(CsvRecord r, List<Line> lines, List<Problem> problems) {
        long number = r.getStartingLineNumber();
        if (r.getFieldCount() != COLUMNS.size()) {
            problems.add(new Problem(number, r.getFieldCount() + " fields; there are " + COLUMNS.size() + " columns."));
            return;
        }
        try {
            lines.add(new Line(
                    one(r, 0, Anchor.class, Anchor::key),
                    number(r, 1, Script.OFFSET),
                    (int) number(r, 2, Script.FRAMES),
                    number(r, 3, Sequence.PAUSE),
                    new Settings(number(r, 4, Range.SHUTTER), number(r, 5, Range.APERTURE), number(r, 6, Range.ISO)),
                    one(r, 7, FileFormat.class, FileFormat::key),
                    filter(r),
                    words(r)));
        } catch (BadField e) {
            problems.add(new Problem(number, e.getMessage()));
        } catch (OutOfRange e) {
            problems.add(new Problem(number, e.getMessage() + "."));
        }
    }

    /** A field that cannot be read, in words. */
    private static final class BadField extends RuntimeException {
        BadField(String words) {
            super(words);
        }
    }

    private static BadField unknown(CsvRecord r, int column, String allowed) {
        String field = r.getField(column);
        String clipped = field.length() > LONGEST_WORDS ? field.substring(0, LONGEST_WORDS) + "\u2026" : field;
        return new BadField(
                COLUMNS.get(column) + " \u201c" + clipped + "\u201d is not known. Allowed: " + allowed + ".");
    }

    private interface Key<E> {
        String of(E value);
    }

    private static <E extends Enum<E>> E one(CsvRecord r, int column, Class<E> all, Key<E> key) {
        String field = r.getField(column).strip().toLowerCase(Locale.ROOT);
        return Arrays.stream(all.getEnumConstants())
                .filter(e -> key.of(e).equals(field))
                .findFirst()
                .orElseThrow(() -> unknown(
                        r,
                        column,
                        String.join(
                                ", ",
                                Arrays.stream(all.getEnumConstants())
                                        .map(key::of)
                                        .toList())));
    }

    private static double number(CsvRecord r, int column, Range range) {
        try {
            double value = Double.parseDouble(r.getField(column).strip());
            if (!range.holds(value)) {
                throw unknown(r, column, range.allowed());
            }
            return value;
        } catch (NumberFormatException e) {
            throw unknown(r, column, range.allowed());
        }
    }

    private static boolean filter(CsvRecord r) {
        return switch (r.getField(8).strip().toLowerCase(Locale.ROOT)) {
            case "on" -> true;
            case "off" -> false;
            default -> throw unknown(r, 8, "on, off");
        };
    }

    private static String words(CsvRecord r) {
        String what = Cells.read(r.getField(9)).strip();
        if (what.length() > LONGEST_WORDS) {
            throw new BadField("what it is for takes at most " + LONGEST_WORDS + " characters.");
        }
        return what;
    }
}
