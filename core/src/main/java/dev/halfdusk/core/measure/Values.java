package dev.halfdusk.core.measure;

import java.time.LocalTime;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** What the fields of one thing hold, by their keys: numbers, words, yes or no, times of day. A field that may be left empty may be absent. */
public final class Values {

    private final Map<String, Object> held = new LinkedHashMap<>();

    /** @param value a Double, a String, a Boolean or a LocalTime; an empty optional is left out */
    public Values put(String key, Object value) {
        if (value instanceof OptionalDouble o) {
            o.ifPresent(v -> held.put(key, v));
        } else if (value instanceof Optional<?> o) {
            o.ifPresent(v -> put(key, v));
        } else if (value instanceof Number n) {
            held.put(key, n.doubleValue());
        } else if (value instanceof Enum<?> e) {
            held.put(key, e.name());
        } else if (value != null) {
            held.put(key, value);
        }
        return this;
    }

    public boolean has(String key) {
        return held.containsKey(key);
    }

    public Optional<Object> get(String key) {
        return Optional.ofNullable(held.get(key));
    }

    public double number(String key) {
        return (Double) there(key);
    }

    public int whole(String key) {
        return (int) Math.rint(number(key));
    }

    public OptionalDouble maybe(String key) {
        return has(key) ? OptionalDouble.of(number(key)) : OptionalDouble.empty();
    }

    public String text(String key) {
        return (String) there(key);
    }

    public Optional<LocalTime> clock(String key) {
        return get(key).map(LocalTime.class::cast);
    }

    public boolean yes(String key) {
        return (Boolean) there(key);
    }

    public <E extends Enum<E>> E choice(String key, Class<E> of) {
        return Enum.valueOf(of, text(key));
    }

    private Object there(String key) {
        Object value = held.get(key);
        if (value == null) {
            throw new IllegalArgumentException("nothing is said of " + key);
        }
        return value;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Values v && held.equals(v.held);
    }

    @Override
    public int hashCode() {
        return held.hashCode();
    }

    @Override
    public String toString() {
        return held.toString();
    }
}
