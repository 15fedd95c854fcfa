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
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Between a thing that is described and JSON: numbers are numbers, yes or no is true or false, one of a choice is its name in lower case. */
public final class ShapeJson {

    private static final ObjectMapper JSON = new ObjectMapper();

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
        check(shape, from);
        Form form = new Form();
        shape.keys().forEach(key -> form.put(key, typed(from.path(key))));
        return ShapeForm.read(form, shape).orElseThrow(() -> {
            Map.Entry<String, String> first =
                    form.errors().entrySet().iterator().next();
            return new IllegalArgumentException(first.getKey() + ": " + first.getValue());
        });
    }

    /** As one would type it: 13.0 is 13. */
    private static String typed(JsonNode node) {
        boolean whole = node.isNumber() && node.asDouble() == Math.rint(node.asDouble()) && node.canConvertToLong();
        return whole ? Long.toString(node.asLong()) : node.asText("");
    }

    /** @throws IllegalArgumentException for a field that is not of its type */
    public static void check(Shape<?> shape, JsonNode from) {
        for (Field<?> f : shape.fields()) {
            JsonNode node = from.path(f.key());
            boolean right = node.isMissingNode()
                    || node.isNull()
                    || (f.type().counts()
                            ? node.isNumber()
                            : f.type() == Field.Type.YES_NO ? node.isBoolean() : node.isTextual());
            if (right && f.type() == Field.Type.CHOICE && node.isTextual()) {
                List<String> keys = f.options().stream().map(o -> key(o.key())).toList();
                if (!keys.contains(key(node.textValue()))) {
                    throw new IllegalArgumentException(f.key() + ": one of " + String.join(", ", keys) + ".");
                }
            }
            if (!right) {
                String wanted = f.type().counts()
                        ? "a number, " + f.range().allowed()
                        : f.type() == Field.Type.YES_NO ? "true or false" : "text";
                throw new IllegalArgumentException(f.key() + ": wanted is " + wanted + ".");
            }
        }
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
