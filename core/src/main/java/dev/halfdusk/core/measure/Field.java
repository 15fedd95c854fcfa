package dev.halfdusk.core.measure;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * One field of a thing that is kept.
 *
 * @param key in files, addresses and storage: "sensorWidth"
 * @param words for people: "Sensor width, mm"
 * @param ranges of a number, which may depend on the fields before it
 * @param hint beside the field; empty: the range
 * @param usual what an empty field stands for, by the fields before it; empty where the field must be filled or may stay empty
 * @param start what a new thing begins with; empty: nothing
 * @param heading above this field and those that follow; empty: none
 * @param options of a choice
 * @param optional whether the field may stay empty
 * @param get from a thing: a number, a word, yes or no, an enumeration, an empty optional
 */
public record Field<T>(
        String key,
        String words,
        Type type,
        Function<Values, Range> ranges,
        String hint,
        Function<Values, Optional<Object>> usual,
        Object start,
        String heading,
        List<Option> options,
        boolean optional,
        Function<T, Object> get) {

    /** How it is asked for and written. */
    public enum Type {
        NUMBER,
        WHOLE,
        WORDS,
        /** Words over several lines. */
        LINES,
        YES_NO,
        /** A time of day, in hours and minutes. */
        CLOCK,
        CHOICE;

        public boolean counts() {
            return this == NUMBER || this == WHOLE;
        }

        public boolean isText() {
            return this == WORDS || this == LINES;
        }
    }

    /** One of a choice. */
    public record Option(String key, String words) {}

    /** A number. */
    public static <T> Field<T> number(String key, String words, Range range, Function<T, Object> get) {
        return of(key, words, Type.NUMBER, range, List.of(), get);
    }

    /** A whole number. */
    public static <T> Field<T> whole(String key, String words, Range range, Function<T, Object> get) {
        return of(key, words, Type.WHOLE, range, List.of(), get);
    }

    /** Words, which may be left out. */
    public static <T> Field<T> words(String key, String words, Function<T, Object> get) {
        return Field.<T>of(key, words, Type.WORDS, null, List.of(), get).usually("");
    }

    /** Words over several lines, which may be left out. */
    public static <T> Field<T> lines(String key, String words, Function<T, Object> get) {
        return Field.<T>of(key, words, Type.LINES, null, List.of(), get).usually("");
    }

    /** Words that must be there. */
    public static <T> Field<T> needed(String key, String words, Function<T, Object> get) {
        return of(key, words, Type.WORDS, null, List.of(), get);
    }

    /** What it is called. */
    public static <T> Field<T> name(String words, Function<T, Object> get) {
        return needed("name", words, get);
    }

    public static <T> Field<T> yesNo(String key, String words, Function<T, Object> get) {
        return of(key, words, Type.YES_NO, null, List.of(), get);
    }

    /** A time of day. */
    public static <T> Field<T> clock(String key, String words, Function<T, Object> get) {
        return of(key, words, Type.CLOCK, null, List.of(), get);
    }

    /** One of an enumeration. */
    public static <T, E extends Enum<E>> Field<T> choice(
            String key, String words, Class<E> all, Function<E, String> name, Function<T, Object> get) {
        List<Option> options = Arrays.stream(all.getEnumConstants())
                .map(e -> new Option(e.name(), name.apply(e)))
                .toList();
        return of(key, words, Type.CHOICE, null, options, get);
    }

    private static <T> Field<T> of(
            String key, String words, Type type, Range range, List<Option> options, Function<T, Object> get) {
        return new Field<>(
                key, words, type, v -> range, "", v -> Optional.empty(), "", "", List.copyOf(options), false, get);
    }

    /** With a range that depends on the fields before it; it lies within the one there was. */
    public Field<T> within(Function<Values, Range> other) {
        return new Field<>(key, words, type, other, hint, usual, start, heading, options, optional, get);
    }

    public Field<T> hinted(String other) {
        return new Field<>(key, words, type, ranges, other, usual, start, heading, options, optional, get);
    }

    /** Left empty it stands for this. */
    public Field<T> usually(Object value) {
        return usually(v -> Optional.of(value));
    }

    /** Left empty it stands for what follows from the fields before it. */
    public Field<T> usually(Function<Values, Optional<Object>> other) {
        return new Field<>(key, words, type, ranges, hint, other, start, heading, options, optional, get);
    }

    /** A new thing begins with this. */
    public Field<T> starting(Object value) {
        return new Field<>(key, words, type, ranges, hint, usual, value, heading, options, optional, get);
    }

    /** Begins a group of fields. */
    public Field<T> under(String other) {
        return new Field<>(key, words, type, ranges, hint, usual, start, other, options, optional, get);
    }

    /** May stay empty. */
    public Field<T> orNone() {
        return new Field<>(key, words, type, ranges, hint, usual, start, heading, options, true, get);
    }

    /** The range that holds whatever the other fields say; null for what is no number. */
    public Range range() {
        return ranges.apply(new Values());
    }

    /** What is said beside the field. */
    public String said() {
        return !hint.isEmpty() || range() == null ? hint : range().allowed();
    }

    /** Whether it must be said: nothing stands for it where it is missing. */
    public boolean required() {
        return !optional && type != Type.YES_NO && usual.apply(new Values()).isEmpty();
    }
}
