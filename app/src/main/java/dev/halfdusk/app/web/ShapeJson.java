package dev.halfdusk.app.web;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.measure.Values;
import java.io.UncheckedIOException;
import java.time.LocalTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;

/** Between a thing that is described and JSON: numbers are numbers, yes or no is true or false, one of a choice is its name in lower case. */
public final class ShapeJson {

    private static final ObjectMapper JSON = new ObjectMapper();

    /** Hours and minutes; seconds are read where they are written. */
    private static final String CLOCK = "^([01]\\d|2[0-3]):[0-5]\\d(:[0-5]\\d)?$";

    private ShapeJson() {}

    /** Its fields, put into an object; those that are empty are left out. */
    public static <T> ObjectNode write(ObjectNode into, Shape<T> shape, T thing) {
        Values values = shape.values(thing);
        for (Field<T> f : shape.fields()) {
            values.get(f.key()).ifPresent(v -> put(into, f, v));
        }
        return into;
    }

    private static void put(ObjectNode into, Field<?> f, Object value) {
        switch (f.type()) {
            case NUMBER, WHOLE -> number(into, f.key(), (Double) value);
            case YES_NO -> into.put(f.key(), (Boolean) value);
            case CHOICE -> into.put(f.key(), key((String) value));
            case WORDS, LINES -> into.put(f.key(), (String) value);
            case CLOCK -> into.put(f.key(), value.toString());
        }
    }

    /** A number without a fraction is written without a point. */
    public static void number(ObjectNode into, String key, double value) {
        if (value == Math.rint(value) && Math.abs(value) < 1e15) {
            into.put(key, (long) value);
        } else {
            into.put(key, value);
        }
    }

    /** A choice in files: "third-stops". */
    public static String key(String name) {
        return name.toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Of the choice that files call so: "THIRD_STOPS". */
    public static String name(String key) {
        return key.toUpperCase(Locale.ROOT).replace('-', '_');
    }

    /**
     * A thing that we wrote ourselves; what is missing, since it was not known when it was written, is as usual.
     *
     * @throws IllegalArgumentException where it cannot be
     */
    public static <T> T read(Shape<T> shape, JsonNode from) {
        Values values = new Values();
        for (Field<T> f : shape.fields()) {
            JsonNode node = from.path(f.key());
            if (!node.isMissingNode() && !node.isNull()) {
                values.put(
                        f.key(),
                        switch (f.type()) {
                            case NUMBER, WHOLE -> node.doubleValue();
                            case YES_NO -> node.booleanValue();
                            case CHOICE -> name(node.textValue());
                            case WORDS, LINES -> node.textValue();
                            case CLOCK -> LocalTime.parse(node.textValue());
                        });
            }
        }
        return shape.of(values);
    }

    /** For a column. */
    public static <T> String text(Shape<T> shape, T thing) {
        return write(JsonNodeFactory.instance.objectNode(), shape, thing).toString();
    }

    /** From a column. */
    public static <T> T read(Shape<T> shape, String column) {
        try {
            return read(shape, JSON.readTree(column));
        } catch (JsonProcessingException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * A thing that anybody wrote.
     *
     * @throws IllegalArgumentException naming the field and what is allowed
     */
    public static <T> T foreign(Shape<T> shape, JsonNode from) {
        return foreign(shape, from, (field, what) -> {
                    throw new IllegalArgumentException(field + ": " + what);
                })
                .orElseThrow();
    }

    /** The same; empty where something is wrong, with what it is and what is allowed for each such field. */
    public static <T> Optional<T> foreign(Shape<T> shape, JsonNode from, BiConsumer<String, String> wrong) {
        Map<String, String> ofType = mistyped(shape, from);
        Form form = new Form();
        shape.keys().stream()
                .filter(key -> !ofType.containsKey(key))
                .forEach(key -> form.put(key, typed(from.path(key))));
        Optional<T> thing = ShapeForm.read(form, shape);
        Map<String, String> all = new LinkedHashMap<>(ofType);
        form.errors().forEach(all::putIfAbsent);
        all.forEach(wrong);
        return all.isEmpty() ? thing : Optional.empty();
    }

    /** As one would type it: 13.0 is 13. */
    private static String typed(JsonNode node) {
        boolean whole = node.isNumber() && node.asDouble() == Math.rint(node.asDouble()) && node.canConvertToLong();
        return whole ? Long.toString(node.asLong()) : node.asText("");
    }

    /** @throws IllegalArgumentException for a field that is not of its type */
    public static void check(Shape<?> shape, JsonNode from) {
        mistyped(shape, from).forEach((field, what) -> {
            throw new IllegalArgumentException(field + ": " + what);
        });
    }

    /** What is wanted of each field that is not of its type. */
    private static Map<String, String> mistyped(Shape<?> shape, JsonNode from) {
        Map<String, String> all = new LinkedHashMap<>();
        for (Field<?> f : shape.fields()) {
            JsonNode node = from.path(f.key());
            if (!node.isMissingNode() && !node.isNull()) {
                wanted(f, node).ifPresent(what -> all.put(f.key(), what));
            }
        }
        return all;
    }

    private static Optional<String> wanted(Field<?> f, JsonNode node) {
        if (f.type().counts()) {
            return node.isNumber()
                    ? Optional.empty()
                    : Optional.of("wanted is a number, " + f.range().allowed() + ".");
        }
        if (f.type() == Field.Type.YES_NO) {
            return node.isBoolean() ? Optional.empty() : Optional.of("wanted is true or false.");
        }
        if (!node.isTextual()) {
            return Optional.of("wanted is text.");
        }
        List<String> keys = f.options().stream().map(o -> key(o.key())).toList();
        return keys.isEmpty() || keys.contains(key(node.textValue()))
                ? Optional.empty()
                : Optional.of("one of " + String.join(", ", keys) + ".");
    }

    /** What of its schema says of one object; ranges are the widest there are, since some follow from other fields. */
    public static void schema(ObjectNode object, Shape<?> shape) {
        ObjectNode properties = object.withObject("/properties");
        ArrayNode required = object.withArray("/required");
        for (Field<?> f : shape.fields()) {
            ObjectNode property = properties.putObject(f.key()).put("description", f.words());
            switch (f.type()) {
                case NUMBER, WHOLE -> {
                    Range range = f.range();
                    property.put("type", f.type() == Field.Type.WHOLE ? "integer" : "number");
                    number(property, "minimum", range.min());
                    number(property, "maximum", range.max());
                }
                case YES_NO -> property.put("type", "boolean");
                case WORDS, LINES -> property.put("type", "string").put("maxLength", Form.LONGEST_TEXT);
                case CLOCK ->
                    property.put("pattern", CLOCK)
                            .putArray("type")
                            .add("string")
                            .add("null");
                case CHOICE -> {
                    ArrayNode all = property.put("type", "string").putArray("enum");
                    f.options().forEach(o -> all.add(key(o.key())));
                }
            }
            if (f.required()) {
                required.add(f.key());
            }
        }
    }

    /** An object of a schema that takes unknown fields. */
    public static ObjectNode object(Shape<?> shape) {
        ObjectNode object = JsonNodeFactory.instance.objectNode().put("type", "object");
        schema(object, shape);
        return object;
    }
}
