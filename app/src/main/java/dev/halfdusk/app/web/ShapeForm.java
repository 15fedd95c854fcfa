package dev.halfdusk.app.web;

import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.measure.Values;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.stream.Collectors;

/** Between a thing that is described and the fields of its page. */
public final class ShapeForm {

    private static final String YES = "on";

    private ShapeForm() {}

    /** A field on the page. */
    public record View(String key, String words, String hint, String type, String heading, List<Choice> options) {

        static View of(Field<?> f) {
            List<Choice> options = f.options().stream()
                    .map(o -> new Choice(o.key(), o.words()))
                    .toList();
            return new View(f.key(), f.words(), f.said(), f.type().name(), f.heading(), options);
        }
    }

    public static List<View> views(Shape<?> shape) {
        return shape.fields().stream().map(View::of).toList();
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
        return fill(form, shape, shape.values(thing));
    }

    private static <T> Form fill(Form form, Shape<T> shape, Values values) {
        shape.keys().forEach(key -> put(form, key, values.get(key).orElse("")));
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
        Values values = new Values();
        boolean whole = true;
        for (Field<T> f : shape.fields()) {
            if (f.type() == Field.Type.YES_NO) {
                boolean yes = form.has(f.key()) && !form.value(f.key()).equals("false");
                put(form, f.key(), yes);
                values.put(f.key(), yes);
                continue;
            }
            if (!form.has(f.key())) {
                f.usual().apply(values).ifPresent(v -> put(form, f.key(), v));
            }
            Optional<Object> value = form.has(f.key()) || !left(f, values) ? one(form, f, values) : Optional.empty();
            value.ifPresent(v -> values.put(f.key(), v));
            whole &= value.isPresent() || left(f, values);
        }
        if (!whole || shape.keys().stream().anyMatch(k -> form.error(k) != null)) {
            return Optional.empty();
        }
        try {
            return Optional.of(shape.make().apply(values));
        } catch (IllegalArgumentException e) {
            form.reject(shape.fields().get(0).key(), Words.capital(e.getMessage()) + ".");
            return Optional.empty();
        }
    }

    /** Whether the field may stay empty here. */
    private static boolean left(Field<?> f, Values values) {
        return f.optional() || f.usual().apply(values).filter(""::equals).isPresent();
    }

    private static Optional<Object> one(Form form, Field<?> f, Values values) {
        Range range = f.ranges().apply(values);
        return switch (f.type()) {
            case NUMBER -> boxed(form.number(f.key(), range));
            case WHOLE -> {
                OptionalLong whole = form.whole(f.key(), range);
                yield whole.isPresent() ? Optional.of((double) whole.getAsLong()) : Optional.empty();
            }
            case WORDS -> Optional.ofNullable(form.text(f.key(), f.words()));
            case CHOICE -> choice(form, f);
            case YES_NO -> throw new IllegalStateException();
        };
    }

    private static Optional<Object> boxed(OptionalDouble number) {
        return number.isPresent() ? Optional.of(number.getAsDouble()) : Optional.empty();
    }

    private static Optional<Object> choice(Form form, Field<?> f) {
        String said = form.value(f.key()).replace('-', '_');
        Optional<Object> chosen = f.options().stream()
                .map(Field.Option::key)
                .filter(k -> k.equalsIgnoreCase(said))
                .findFirst()
                .map(k -> (Object) k);
        if (chosen.isEmpty()) {
            form.reject(
                    f.key(),
                    "Choose one of these: "
                            + f.options().stream().map(Field.Option::words).collect(Collectors.joining(", ")) + ".");
        } else {
            form.put(f.key(), chosen.get());
        }
        return chosen;
    }
}
