package dev.halfdusk.app.weather;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import dev.halfdusk.app.web.Upload;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.sky.DateOutOfRange;
import dev.halfdusk.core.weather.Forecast;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;

/**
 * Reads a forecast as CSV with a heading or as a JSON list of objects, both with the columns of {@link #COLUMNS}.
 * Semicolons and decimal commas are understood. Times are ISO 8601; without an offset they are the place's own.
 */
final class WeatherFile {

    static final List<String> COLUMNS = List.of(
            "time",
            "low_cloud_percent",
            "middle_cloud_percent",
            "high_cloud_percent",
            "wind_m_s",
            "temperature_c",
            "humidity_percent");

    private static final int MOST_HOURS = 24 * 20;

    private WeatherFile() {}

    /** @throws IllegalArgumentException naming the line and what is wrong with it; nothing is taken then */
    static Forecast read(String text, ZoneId zone, Instant now, ObjectMapper json) {
        String plain = text.replace("\uFEFF", "").strip();
        if (plain.isEmpty()) {
            throw new IllegalArgumentException("Paste a forecast, or choose a file.");
        }
        List<WeatherHour> hours =
                plain.startsWith("[") || plain.startsWith("{") ? fromJson(plain, zone, json) : fromCsv(plain, zone);
        if (hours.isEmpty()) {
            throw new IllegalArgumentException("There is no hour in it.");
        }
        return new Forecast(Forecast.Source.IMPORT, now, hours);
    }

    private static List<WeatherHour> fromCsv(String text, ZoneId zone) {
        String heading = text.lines().findFirst().orElse("");
        char separator = heading.indexOf(';') >= 0 ? ';' : heading.indexOf('\t') >= 0 ? '\t' : ',';
        List<WeatherHour> hours = new ArrayList<>();
        Map<String, Integer> columns = new HashMap<>();
        try (CsvReader<CsvRecord> csv = CsvReader.builder()
                .fieldSeparator(separator)
                .allowMissingFields(true)
                .allowExtraFields(true)
                .ofCsvRecord(text)) {
            for (CsvRecord row : csv) {
                String where = "Line " + row.getStartingLineNumber();
                if (columns.isEmpty()) {
                    for (int i = 0; i < row.getFieldCount(); i++) {
                        columns.put(row.getField(i).strip().toLowerCase(Locale.ROOT), i);
                    }
                    requireColumns(columns);
                } else {
                    add(hours, where, zone, name -> {
                        int at = columns.get(name);
                        return at < row.getFieldCount() ? row.getField(at).strip() : "";
                    });
                }
            }
        } catch (CsvParseException | java.io.IOException e) {
            throw new IllegalArgumentException("This is not a CSV file: " + e.getMessage(), e);
        }
        return hours;
    }

    private static void requireColumns(Map<String, Integer> columns) {
        for (String name : COLUMNS) {
            if (!columns.containsKey(name)) {
                throw new IllegalArgumentException(
                        "Line 1: the column " + name + " is missing. Wanted: " + String.join(", ", COLUMNS) + ".");
            }
        }
    }

    private static List<WeatherHour> fromJson(String text, ZoneId zone, ObjectMapper json) {
        JsonNode root;
        try {
            root = json.readTree(text);
        } catch (JsonProcessingException e) {
            throw new IllegalArgumentException(Upload.notJson(e), e);
        }
        JsonNode list = root.isArray() ? root : root.path("hours");
        if (!list.isArray()) {
            throw new IllegalArgumentException(
                    "Wanted: a list of hours, each with " + String.join(", ", COLUMNS) + ".");
        }
        List<WeatherHour> hours = new ArrayList<>();
        for (JsonNode hour : list) {
            add(
                    hours,
                    "Hour " + (hours.size() + 1),
                    zone,
                    name -> hour.path(name).asText(""));
        }
        return hours;
    }

    private static void add(List<WeatherHour> hours, String where, ZoneId zone, Function<String, String> field) {
        if (hours.size() == MOST_HOURS) {
            throw new IllegalArgumentException(where + ": at most " + MOST_HOURS + " hours, 20 days.");
        }
        try {
            WeatherHour hour = new WeatherHour(
                    time(field.apply(COLUMNS.get(0)), zone),
                    number(field, 1),
                    number(field, 2),
                    number(field, 3),
                    number(field, 4),
                    number(field, 5),
                    number(field, 6));
            if (hours.stream().anyMatch(h -> h.when().equals(hour.when()))) {
                throw new IllegalArgumentException("the time stands there twice");
            }
            hours.add(hour);
        } catch (OutOfRange | DateOutOfRange e) {
            throw new IllegalArgumentException(where + ": " + e.getMessage() + ".", e);
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(where + ": " + e.getMessage() + ".", e);
        }
    }

    private static Instant time(String text, ZoneId zone) {
        try {
            boolean offset = text.endsWith("Z") || text.matches(".*T.*[+-]\\d\\d:?\\d\\d");
            return offset
                    ? OffsetDateTime.parse(text).toInstant()
                    : LocalDateTime.parse(text.replace(' ', 'T')).atZone(zone).toInstant();
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(
                    "\u201c" + clip(text) + "\u201d is not a time such as 2027-06-08T23:00 or 2027-06-08T22:00:00Z", e);
        }
    }

    private static double number(Function<String, String> field, int column) {
        String text = field.apply(COLUMNS.get(column));
        try {
            return Double.parseDouble(text.replace(',', '.').replace('\u2212', '-'));
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(
                    COLUMNS.get(column) + " \u201c" + clip(text) + "\u201d is not a number", e);
        }
    }

    private static String clip(String text) {
        return Words.clipped(text, 40);
    }
}
