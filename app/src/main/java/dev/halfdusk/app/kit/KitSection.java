package dev.halfdusk.app.kit;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.core.measure.Shape;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.ui.Model;

/** One sort of kit: how its fields are filled, read, stored, and what they lead to. */
interface KitSection {

    /** In addresses, templates and files: "body". */
    String key();

    /** For people: "body". */
    default String words() {
        return key();
    }

    /** A sensible start. */
    Form blank();

    /** A start from something typical, by its name; the usual start where it is unknown. */
    default Form blank(String from) {
        return blank();
    }

    /** The fields of everything stored, by id. */
    Map<Long, Form> all();

    default Optional<Form> fields(long id) {
        return Optional.ofNullable(all().get(id));
    }

    /** Leaves complaints in the form where it cannot be read. */
    void check(Form form);

    /** Stores a form without complaints; hands back the id. */
    long save(Form form, Long id);

    /** Puts what the fields lead to, and the lists they choose from, beside them. */
    void fill(Form form, Model model);

    /** Names of fields that a file holds, in order. */
    List<String> names();

    /** Names of the fields that tell whether somebody else changed it meanwhile. */
    default List<String> watched() {
        return names();
    }

    /** How what it keeps is described; of one sort of gear where there are several. */
    default Optional<Shape<?>> shape(String kind) {
        return Optional.empty();
    }

    /** A value of a field in words. */
    default String shown(String field, String value) {
        return value;
    }

    /** The fields of something with a name, a description and a note. */
    static List<String> named(Shape<?> shape) {
        return Stream.of(Stream.of("name"), shape.keys().stream(), Stream.of("note"))
                .flatMap(n -> n)
                .toList();
    }

    static <T> Form fields(KitThing<T> thing) {
        return ShapeForm.fill(new Form().put("name", thing.name()), thing.shape(), thing.thing())
                .put("note", thing.note());
    }

    /** How something is put under its name. */
    interface Naming<T, N> {
        N of(String name, T thing, String note);
    }

    /** Empty where the form has a complaint. */
    static <T, N> Optional<N> read(Form form, Shape<T> shape, Naming<T, N> naming) {
        String name = form.text("name", "a name");
        Optional<T> thing = ShapeForm.read(form, shape);
        String note = form.has("note") ? form.text("note", "a note") : "";
        return form.hasErrors() ? Optional.empty() : Optional.of(naming.of(name, thing.orElseThrow(), note));
    }
}
