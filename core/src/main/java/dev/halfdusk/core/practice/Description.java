package dev.halfdusk.core.practice;

import java.time.Instant;
import java.util.Arrays;
import java.util.Date;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yaml.snakeyaml.LoaderOptions;
import org.yaml.snakeyaml.Yaml;
import org.yaml.snakeyaml.constructor.SafeConstructor;

/**
 * A part of a file that describes a lesson or a scene. It is our own file, so whatever is wrong in it is an error of the program; it says where.
 *
 * @param of the file, for that
 */
record Description(String of, Map<?, ?> map) {

    static Description read(String name, String yaml) {
        Object read = new Yaml(new SafeConstructor(new LoaderOptions())).load(yaml);
        if (!(read instanceof Map<?, ?> map)) {
            throw new IllegalStateException(name + " describes nothing");
        }
        return new Description(name, map);
    }

    private IllegalStateException wrong(String key, Object value) {
        return new IllegalStateException(of + ": " + key + " is " + value);
    }

    String text(String key) {
        return maybe(key).orElseThrow(() -> wrong(key, "missing"));
    }

    Optional<String> maybe(String key) {
        return Optional.ofNullable(map.get(key)).map(v -> word(v).strip());
    }

    /** YAML takes on and off for truth. */
    private static String word(Object value) {
        if (value instanceof Boolean b) {
            return b ? "on" : "off";
        }
        return value instanceof Date d ? d.toInstant().toString() : value.toString();
    }

    OptionalDouble number(String key) {
        Object value = map.get(key);
        if (value == null) {
            return OptionalDouble.empty();
        }
        if (value instanceof Number n) {
            return OptionalDouble.of(n.doubleValue());
        }
        throw wrong(key, value);
    }

    double number(String key, double otherwise) {
        return number(key).orElse(otherwise);
    }

    Instant instant(String key) {
        return Instant.parse(text(key));
    }

    <E extends Enum<E>> E one(String key, Class<E> of, E otherwise) {
        return maybe(key).map(v -> named(key, v, of)).orElse(otherwise);
    }

    <E extends Enum<E>> List<E> some(String key, Class<E> of) {
        return list(key).stream().map(v -> named(key, word(v), of)).toList();
    }

    private <E extends Enum<E>> E named(String key, String value, Class<E> of) {
        return Arrays.stream(of.getEnumConstants())
                .filter(e -> e.name().equalsIgnoreCase(value.replace('-', '_').replace(' ', '_')))
                .findFirst()
                .orElseThrow(() -> wrong(key, value));
    }

    Optional<Description> part(String key) {
        Object value = map.get(key);
        if (value == null) {
            return Optional.empty();
        }
        if (value instanceof Map<?, ?> m) {
            return Optional.of(new Description(of + ", " + key, m));
        }
        throw wrong(key, value);
    }

    List<Description> parts(String key) {
        return list(key).stream()
                .map(v -> v instanceof Map<?, ?> m ? new Description(of + ", " + key, m) : null)
                .map(d -> Optional.ofNullable(d).orElseThrow(() -> wrong(key, map.get(key))))
                .toList();
    }

    private List<?> list(String key) {
        Object value = map.get(key);
        if (value == null) {
            return List.of();
        }
        if (value instanceof List<?> l) {
            return l;
        }
        throw wrong(key, value);
    }

    /** Every key with its word. */
    Map<String, String> words() {
        Map<String, String> all = new LinkedHashMap<>();
        map.forEach((k, v) -> all.put(k.toString().toLowerCase(Locale.ROOT), word(v)));
        return all;
    }
}
