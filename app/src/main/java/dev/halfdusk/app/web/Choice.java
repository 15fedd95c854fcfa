package dev.halfdusk.app.web;

import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;

/** One of a list to choose from: what a field holds, and what is read. */
public record Choice(String id, String name) {

    /** All of an enumeration. */
    public static <E extends Enum<E>> List<Choice> of(Class<E> all, Function<E, String> id, Function<E, String> name) {
        return Arrays.stream(all.getEnumConstants())
                .map(e -> new Choice(id.apply(e), name.apply(e)))
                .toList();
    }

    /** Others, and none of them, which is read in some words. */
    public static List<Choice> orNone(String words, List<Choice> others) {
        return Stream.concat(Stream.of(new Choice("", words)), others.stream()).toList();
    }
}
