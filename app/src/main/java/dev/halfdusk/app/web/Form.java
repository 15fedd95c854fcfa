package dev.halfdusk.app.web;

import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NoSuchDate;
import dev.halfdusk.core.sky.DateOutOfRange;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What someone typed, what was wrong with it, and the values read from it. Every page with fields reads them through
 * this, so that a message always stands beside its field, names the allowed range and keeps the entry.
 */
public final class Form {

    public static final int LONGEST_TEXT = 500;

    /** Stands in hints for the range of a field. */
    private static final String RANGE = "~";

    /** The hint of a field that nobody has read; a test looks that no page shows it. */
    public static final String UNSAID = "\u2026 to \u2026";

    /** A day inside the ephemeris at both ends, since a night reaches into the next day in any time zone. */
    public static final Dates NIGHTS = new Dates(LocalDate.of(2000, 1, 2), LocalDate.of(2059, 12, 29));

    /** First and last allowed date. */
    public record Dates(LocalDate first, LocalDate last) {

        public boolean contains(LocalDate date) {
            return !date.isBefore(first) && !date.isAfter(last);
        }

        /** The next date a way on that a zone has, or null outside: a link to a neighbouring night that may not exist. */
        public LocalDate near(LocalDate date, int days, ZoneId zone) {
            LocalDate other = date.plusDays(days);
            return !contains(other) ? null : Night.exists(other, zone) ? other : near(other, days, zone);
        }

        String words() {
            return first + " to " + last;
        }
    }

    private final Map<String, String> typed = new LinkedHashMap<>();
    private final Map<String, String> errors = new LinkedHashMap<>();
    private final Map<String, String> notes = new LinkedHashMap<>();
    private final Map<String, Range> ranges = new LinkedHashMap<>();

    public static Form of(Map<String, String> typed) {
        Form form = new Form();
        typed.forEach(form::put);
        return form;
    }

    /** The same entries without complaints. */
    public Form copy() {
        Form copy = of(typed);
        copy.ranges.putAll(ranges);
        return copy;
    }

    public Form put(String field, Object value) {
        String text = value instanceof Double d ? Numbers.plain(d) : value == null ? "" : value.toString();
        typed.put(field, text.strip());
        return this;
    }

    /** A value for a field that was not sent. */
    public Form putIfMissing(String field, Object value) {
        return typed.containsKey(field) ? this : put(field, value);
    }

    /** A value for a field that was left empty. */
    public Form putIfEmpty(String field, Object value) {
        return has(field) ? this : put(field, value);
    }

    /** What was typed, never null. */
    public String value(String field) {
        return typed.getOrDefault(field, "");
    }

    /** What is wrong with the field, or null. */
    public String error(String field) {
        return errors.get(field);
    }

    /** What was done to a field without being asked, or null. */
    public String note(String field) {
        return notes.get(field);
    }

    /**
     * What is said beside a field, with the range it was last read within in the place of a tilde.
     *
     * @param words such as "~, at each end"
     */
    public String hint(String field, String words) {
        if (words == null || !words.contains(RANGE)) {
            return words;
        }
        Range range = ranges.get(field);
        return words.replace(RANGE, range == null ? UNSAID : range.allowed());
    }

    /** What a field allows, for one that is not read before it is shown. */
    public Form allows(String field, Range range) {
        ranges.putIfAbsent(field, range);
        return this;
    }

    /** Whether some field was changed without being asked. */
    public boolean noted() {
        return !notes.isEmpty();
    }

    /** Brings a number that lies outside a range to the end of it, and says so; anything else is left as it is. */
    public void moveInto(String field, Range range) {
        parsed(value(field)).filter(v -> !range.holds(v)).ifPresent(v -> {
            String before = value(field);
            put(field, range.nearest(v));
            notes.put(field, clip(before) + " moved to " + value(field) + ": here " + range.allowed() + ".");
        });
    }

    public boolean hasErrors() {
        return !errors.isEmpty();
    }

    public Map<String, String> errors() {
        return Map.copyOf(errors);
    }

    public boolean has(String field) {
        return !value(field).isEmpty();
    }

    /** Keeps the first complaint about a field. */
    public void reject(String field, String message) {
        errors.putIfAbsent(field, message);
    }

    /** A better-informed complaint about a field than the one it has. */
    public void replaceError(String field, String message) {
        errors.put(field, message);
    }

    /** A number within a range, with point or comma; empty after a complaint. */
    public OptionalDouble number(String field, Range range) {
        ranges.put(field, range);
        String text = value(field);
        if (text.isEmpty()) {
            reject(field, "Enter the " + range.quantity() + ": " + range.allowed() + ".");
            return OptionalDouble.empty();
        }
        Optional<Double> value = parsed(text);
        if (value.isEmpty()) {
            reject(field, "\u201c" + clip(text) + "\u201d is not a number. Allowed: " + range.allowed() + ".");
            return OptionalDouble.empty();
        }
        if (!range.holds(value.get())) {
            reject(field, clip(text) + " is outside what is allowed: " + range.allowed() + ".");
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(value.get());
    }

    private static final Pattern FRACTION = Pattern.compile("(\\d+(?:[.,]\\d+)?) ?/ ?(\\d+(?:[.,]\\d+)?)");

    /** With point or comma, or as shutters are written: 1/200. */
    private static Optional<Double> parsed(String text) {
        Matcher fraction = FRACTION.matcher(text);
        if (fraction.matches()) {
            return parsed(fraction.group(1))
                    .flatMap(a -> parsed(fraction.group(2)).map(b -> a / b));
        }
        try {
            return Optional.of(Double.parseDouble(text.replace(',', '.').replace('\u2212', '-')));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    /** A whole number within a range; empty after a complaint. */
    public OptionalLong whole(String field, Range range) {
        OptionalDouble number = number(field, range);
        if (number.isPresent() && number.getAsDouble() != Math.rint(number.getAsDouble())) {
            reject(field, "Only whole numbers: " + range.allowed() + ".");
            return OptionalLong.empty();
        }
        return number.isPresent() ? OptionalLong.of((long) number.getAsDouble()) : OptionalLong.empty();
    }

    /** The id chosen in a list; empty, without complaint, where the field holds no id. */
    public OptionalLong id(String field) {
        try {
            return OptionalLong.of(Long.parseLong(value(field)));
        } catch (NumberFormatException e) {
            return OptionalLong.empty();
        }
    }

    /** An id in an address; empty where it is none. */
    public static Optional<Long> idIn(Optional<String> text) {
        return text.filter(t -> t.matches("\\d{1,18}")).map(Long::parseLong);
    }

    /** A choice by its name, in either case and with hyphens for its underscores; empty, without complaint, where the field holds none. */
    public <E extends Enum<E>> Optional<E> choice(String field, Class<E> of) {
        return Arrays.stream(of.getEnumConstants())
                .filter(e -> e.name().equalsIgnoreCase(value(field).replace('-', '_')))
                .findFirst();
    }

    /** A choice, or the usual one where the field is empty. Empty after a complaint. */
    public <E extends Enum<E>> Optional<E> oneOf(String field, E usual) {
        if (!has(field)) {
            return Optional.of(usual);
        }
        Optional<E> chosen = choice(field, usual.getDeclaringClass());
        if (chosen.isEmpty()) {
            reject(field, "Choose one of the list.");
        }
        return chosen;
    }

    /** A clock's time; empty where the field is, or after a complaint. */
    public Optional<LocalTime> clock(String field) {
        if (!has(field)) {
            return Optional.empty();
        }
        try {
            return Optional.of(LocalTime.parse(value(field)));
        } catch (DateTimeException e) {
            reject(field, "Enter a time as hours and minutes, such as 01:10.");
            return Optional.empty();
        }
    }

    /** Text that must be there and not be too long. Null after a complaint. */
    public String text(String field, String what) {
        String text = value(field);
        if (text.isEmpty()) {
            reject(field, "Enter " + what + ".");
            return null;
        }
        if (text.length() > LONGEST_TEXT) {
            reject(field, "At most " + LONGEST_TEXT + " characters; these are " + text.length() + ".");
            return null;
        }
        return text;
    }

    /** The evening's date of a night, in the years that can be computed. Null after a complaint. */
    public LocalDate night(String field) {
        String text = value(field);
        LocalDate date;
        try {
            date = LocalDate.parse(text);
        } catch (DateTimeException e) {
            reject(
                    field,
                    (text.isEmpty() ? "Enter a date" : "\u201c" + clip(text) + "\u201d is not a date")
                            + " as year-month-day, such as 2027-06-08. Allowed: " + NIGHTS.words() + ".");
            return null;
        }
        if (!NIGHTS.contains(date)) {
            reject(field, new DateOutOfRange(date.toString(), NIGHTS.words()).getMessage() + ".");
            return null;
        }
        return date;
    }

    /** The same where clocks of a zone show that date. Null after a complaint. */
    public LocalDate night(String field, ZoneId zone) {
        LocalDate date = night(field);
        if (date != null && !Night.exists(date, zone)) {
            String message = new NoSuchDate(date, zone).getMessage();
            reject(field, Character.toUpperCase(message.charAt(0)) + message.substring(1) + ".");
            return null;
        }
        return date;
    }

    /**
     * A date of an address; empty where it is none.
     *
     * @throws DateOutOfRange for one outside the years that can be computed
     */
    public static Optional<LocalDate> nightIn(String text) {
        try {
            LocalDate date = LocalDate.parse(text);
            if (!NIGHTS.contains(date)) {
                throw new DateOutOfRange(date.toString(), NIGHTS.words());
            }
            return Optional.of(date);
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    /** A time zone by its name. Null after a complaint. */
    public ZoneId zone(String field) {
        try {
            return ZoneId.of(value(field));
        } catch (DateTimeException e) {
            reject(
                    field,
                    "\u201c" + clip(value(field))
                            + "\u201d is not a time zone. Allowed: names such as Europe/Lisbon, or UTC.");
            return null;
        }
    }

    private static String clip(String text) {
        return Words.clipped(text, 40);
    }
}
