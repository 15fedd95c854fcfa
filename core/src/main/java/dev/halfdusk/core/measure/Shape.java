package dev.halfdusk.core.measure;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;

/**
 * The one description of a thing that is kept. Its form with hints and complaints, its storage, its place in files and their
 * schema, and what differs between two of it follow from its fields: a new field is one line here and one in the record.
 *
 * @param key in files and addresses: "battery"
 * @param words for people
 * @param fields in the order in which they are asked for; a range or usual value may follow from those before it
 * @param make from what the fields hold
 */
public record Shape<T>(String key, String words, List<Field<T>> fields, Function<Values, T> make) {

    public Shape {
        fields = List.copyOf(fields);
        Set<String> keys = new HashSet<>();
        for (Field<T> f : fields) {
            if (!keys.add(f.key())) {
                throw new IllegalArgumentException(words + " has two fields " + f.key());
            }
        }
    }

    /** The same with one field changed. */
    public Shape<T> with(String field, UnaryOperator<Field<T>> change) {
        return new Shape<>(
                key,
                words,
                fields.stream()
                        .map(f -> f.key().equals(field) ? change.apply(f) : f)
                        .toList(),
                make);
    }

    public List<String> keys() {
        return fields.stream().map(Field::key).toList();
    }

    /** What the fields of a thing hold. */
    public Values values(T thing) {
        Values values = new Values();
        fields.forEach(f -> values.put(f.key(), f.get().apply(thing)));
        return values;
    }

    /**
     * A thing of what its fields hold; for those that are missing, what is usual.
     *
     * @throws OutOfRange for a number that may not be
     * @throws IllegalArgumentException for one that is missing, or words that are none of a choice
     */
    public T of(Values said) {
        Values values = new Values();
        for (Field<T> f : fields) {
            Optional<Object> held = said.get(f.key()).or(() -> f.usual().apply(values));
            if (held.isEmpty() && f.type() == Field.Type.YES_NO) {
                held = Optional.of(false);
            }
            if (f.type().counts() && held.isPresent()) {
                f.ranges().apply(values).check(((Number) held.get()).doubleValue());
            }
            held.ifPresent(v -> values.put(f.key(), v));
        }
        return make.apply(values);
    }
}
