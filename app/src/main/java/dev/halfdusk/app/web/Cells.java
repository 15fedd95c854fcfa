package dev.halfdusk.app.web;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.regex.Pattern;

/** Cells of tables of comma-separated values: times of one form, and no words that a spreadsheet would take for a formula. */
public final class Cells {

    /** With its offset, to the second: "2027-06-08T01:10:42+01:00". */
    private static final DateTimeFormatter LOCAL = DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HH:mm:ssxxx");

    private static final Pattern NUMBER = Pattern.compile("[+-]?\\d+(\\.\\d+)?");
    private static final Pattern FORMULA = Pattern.compile("(?s)['=+\\-@\\t\\r].*");
    private static final Pattern MADE_SAFE = Pattern.compile("(?s)'['=+\\-@\\t\\r].*");
    private static final Pattern WHOLE_SECOND = Pattern.compile("(:\\d\\d)Z");

    private Cells() {}

    /** To the millisecond: "2027-06-08T00:10:42.000Z". */
    public static String utc(Instant t) {
        String utc = DateTimeFormatter.ISO_INSTANT.format(t.truncatedTo(ChronoUnit.MILLIS));
        return WHOLE_SECOND.matcher(utc).replaceFirst("$1.000Z");
    }

    public static String local(Instant t, ZoneId zone) {
        return LOCAL.format(t.atZone(zone));
    }

    /** Words as they may stand in a table; {@link #read} gives them back. */
    public static String safe(String words) {
        boolean formula =
                FORMULA.matcher(words).matches() && !NUMBER.matcher(words).matches();
        return formula ? "'" + words : words;
    }

    /** What was written by {@link #safe}. */
    public static String read(String cell) {
        return MADE_SAFE.matcher(cell).matches() ? cell.substring(1) : cell;
    }

    /** A row of it. */
    public static void row(CsvWriter csv, String... cells) {
        csv.writeRecord(Arrays.stream(cells).map(Cells::safe).toArray(String[]::new));
    }
}
