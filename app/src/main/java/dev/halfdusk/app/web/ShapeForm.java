package dev.halfdusk.app.web;

import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Misread;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.measure.Values;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.stream.Collectors;

/** Between a thing that is described and the fields of its page. A page with two things gives the fields of each a prefix. */
public final class ShapeForm {

    private static final String YES = "on";

    private ShapeForm() {}

    /** A field on the page. */
    public record View(String key, String words, String hint, String type, String heading, List<Choice> options) {

        static View of(String prefix, Field<?> f) {
            List<Choice> options = f.options().stream()
                    .map(o -> new Choice(o.key(), o.words()))
                    .toList();
            return new View(prefix + f.key(), f.words(), f.said(), f.type().name(), f.heading(), options);
        }
    }

    public static List<View> views(Shape<?> shape) {
        return views("", shape);
    }

    public static List<View> views(String prefix, Shape<?> shape) {
        return shape.fields().stream().map(f -> View.of(prefix, f)).toList();
    }

    /** Names of the fields on the page. */
    public static List<String> names(String prefix, Shape<?> shape) {
        return shape.keys().stream().map(prefix::concat).toList();
    }

    /** What a field holds, in words: that of a choice as the list has it. */
    public static String words(Shape<?> shape, String key, String value) {
        return shape.fields().stream()
                .filter(f -> f.key().equals(key))
                .flatMap(f -> f.options().stream())
                .filter(o -> o.key().equalsIgnoreCase(value))
                .findFirst()
                .map(Field.Option::words)
                .orElse(value);
    }

    /** What a new thing begins with. */
    public static Form start(Form form, Shape<?> shape) {
        for (Field<?> f : shape.fields()) {
            put(form, f.key(), f.start());
        }
        return form;
    }

    /** The fields of a thing. */
    public static <T> Form fill(Form form, Shape<T> shape, T thing) {
        return fill("", form, shape, thing);
    }

    public static <T> Form fill(String prefix, Form form, Shape<T> shape, T thing) {
        Values values = shape.values(thing);
        shape.keys().forEach(key -> put(form, prefix + key, values.get(key).orElse("")));
        return form;
    }

    private static void put(Form form, String key, Object value) {
        if (value instanceof Boolean yes) {
            form.put(key, yes ? YES : "");
        } else {
            form.put(key, value instanceof Enum<?> e ? e.name() : value);
        }
    }

    /** What was typed, with what is usual where nothing was; empty where the form has got a complaint. */
    public static <T> Optional<T> read(Form form, Shape<T> shape) {
        return read("", form, shape);
    }

    public static <T> Optional<T> read(String prefix, Form form, Shape<T> shape) {
        Values values = new Values();
        boolean whole = true;
        for (Field<T> f : shape.fields()) {
            String name = prefix + f.key();
            if (f.type() == Field.Type.YES_NO) {
                boolean yes = form.has(name) && !form.value(name).equals("false");
                put(form, name, yes);
                values.put(f.key(), yes);
                continue;
            }
            if (!form.has(name)) {
                f.usual().apply(values).ifPresent(v -> put(form, name, v));
            }
            Optional<Object> value = form.has(name)
                    ? one(form, name, f, values)
                    : left(f, values) ? f.usual().apply(values) : one(form, name, f, values);
            value.ifPresent(v -> values.put(f.key(), v));
            whole &= value.isPresent() || left(f, values) && !form.has(name);
        }
        if (!whole) {
            return Optional.empty();
        }
        try {
            return Optional.of(shape.make().apply(values));
        } catch (Misread e) {
            form.reject(prefix + e.key(), Words.capital(e.getMessage()) + ".");
            return Optional.empty();
        } catch (IllegalArgumentException e) {
            form.reject(prefix + shape.fields().get(0).key(), Words.capital(e.getMessage()) + ".");
            return Optional.empty();
        }
    }

    /** Whether the field may stay empty here. */
    private static boolean left(Field<?> f, Values values) {
        return f.optional() || f.usual().apply(values).filter(""::equals).isPresent();
    }

    private static Optional<Object> one(Form form, String name, Field<?> f, Values values) {
        Range range = f.ranges().apply(values);
        return switch (f.type()) {
            case NUMBER -> boxed(form.number(name, range));
            case WHOLE -> {
                OptionalLong whole = form.whole(name, range);
                yield whole.isPresent() ? Optional.of((double) whole.getAsLong()) : Optional.empty();
            }
            case WORDS, LINES -> Optional.ofNullable(form.text(name, "a " + f.key()));
            case CLOCK -> form.clock(name).map(t -> (Object) t);
            case CHOICE -> choice(form, name, f);
            case YES_NO -> throw new IllegalStateException();
        };
    }

    private static Optional<Object> boxed(OptionalDouble number) {
        return number.isPresent() ? Optional.of(number.getAsDouble()) : Optional.empty();
    }

    private static Optional<Object> choice(Form form, String name, Field<?> f) {
        String said = form.value(name).replace('-', '_');
        Optional<Object> chosen = f.options().stream()
                .map(Field.Option::key)
                .filter(k -> k.equalsIgnoreCase(said))
                .findFirst()
                .map(k -> (Object) k);
        if (chosen.isEmpty()) {
            form.reject(
                    name,
                    "Choose one of these: "
                            + f.options().stream().map(Field.Option::words).collect(Collectors.joining(", ")) + ".");
        } else {
            form.put(name, chosen.get());
        }
        return chosen;
    }
}
