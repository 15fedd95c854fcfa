package dev.halfdusk.app.web;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What is stored, by what makes a thing of a file the same thing. Of several that are alike the first of the file is the first that is
 * stored.
 */
public final class Twins<T> {

    private final Map<List<Object>, List<T>> stored;
    private final Map<List<Object>, Integer> turns = new HashMap<>();

    public Twins(List<T> stored, Function<T, List<Object>> likeness) {
        this.stored = stored.stream().collect(Collectors.groupingBy(likeness));
    }

    /** The one whose turn it is; empty where the file has more of them. */
    public Optional<T> next(List<Object> likeness) {
        int turn = turns.merge(likeness, 1, Integer::sum) - 1;
        return stored.getOrDefault(likeness, List.of()).stream().skip(turn).findFirst();
    }
}
