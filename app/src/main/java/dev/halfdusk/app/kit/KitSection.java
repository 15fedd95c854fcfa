package dev.halfdusk.app.kit;

import dev.halfdusk.app.web.Form;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

    /** A value of a field in words. */
    default String shown(String field, String value) {
        return value;
    }
}
