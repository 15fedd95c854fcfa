package dev.halfdusk.app.web;

import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import java.util.function.BiFunction;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;

/**
 * Notices that what a form was filled from has been changed meanwhile, in another tab or on another device. The form carries
 * a mark of the values it was filled with; a save whose mark is no longer that of the stored values is refused, beside both.
 */
public final class StaleForm {

    /** The field that carries the mark. */
    public static final String FIELD = "seen";

    private StaleForm() {}

    /** One field that differs. */
    public record Difference(String what, String stored, String yours) {}

    /** The mark of values. */
    public static String of(Form stored, Collection<String> fields) {
        StringBuilder all = new StringBuilder();
        fields.forEach(f -> all.append(f).append('=').append(plain(stored, f)).append('\n'));
        return UUID.nameUUIDFromBytes(all.toString().getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    /** Marks a form with the stored values it was filled with. */
    public static Form mark(Form filled, Collection<String> fields) {
        return filled.put(FIELD, of(filled, fields));
    }

    /**
     * Refuses a form whose stored values have changed since: the page then shows both, and saving again keeps what was typed.
     *
     * @param words for a field and a value of it
     * @return whether it was refused
     */
    public static boolean refuses(
            Form typed,
            Form stored,
            Collection<String> fields,
            BiFunction<String, String, String> words,
            Model model,
            HttpServletResponse response) {
        String now = of(stored, fields);
        if (!typed.has(FIELD) || typed.value(FIELD).equals(now)) {
            return false;
        }
        List<Difference> differences = fields.stream()
                .filter(f -> !plain(stored, f).equals(plain(typed, f)))
                .map(f -> new Difference(label(f), words.apply(f, stored.value(f)), words.apply(f, typed.value(f))))
                .toList();
        if (differences.isEmpty()) {
            return false;
        }
        typed.put(FIELD, now);
        model.addAttribute("differences", differences);
        response.setStatus(HttpStatus.CONFLICT.value());
        return true;
    }

    /** A browser sends its own line ends. */
    private static String plain(Form form, String field) {
        return form.value(field).replace("\r\n", "\n").strip();
    }

    /** "baseIso" is "base iso". */
    private static String label(String field) {
        return field.replaceAll("([a-z])([A-Z])", "$1 $2").toLowerCase(java.util.Locale.ROOT);
    }
}
