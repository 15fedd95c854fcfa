package dev.halfdusk.app.web;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.measure.Values;
import java.util.Locale;

/** Between a thing that is described and JSON: numbers are numbers, yes or no is true or false, one of a choice is its name in lower case. */
public final class ShapeJson {

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
            case WORDS -> into.put(f.key(), (String) value);
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
                            case CHOICE ->
                                node.textValue().toUpperCase(Locale.ROOT).replace('-', '_');
                            case WORDS -> node.textValue();
                        });
            }
        }
        return shape.of(values);
    }

    /** What anybody wrote, as it would be typed. */
    public static Form typed(Form form, Shape<?> shape, JsonNode from) {
        shape.keys().forEach(key -> form.put(key, from.path(key).asText("")));
        return form;
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
                case WORDS -> property.put("type", "string").put("maxLength", Form.LONGEST_TEXT);
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
