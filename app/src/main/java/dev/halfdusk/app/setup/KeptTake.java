package dev.halfdusk.app.setup;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.exposure.PlannedBy;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.take.Wish;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * What a page shows, as the fields of the take that it becomes in an outing: the same settings, aim and minute.
 *
 * @param fields of the form that keeps it
 */
public record KeptTake(Map<String, String> fields) {

    /**
     * @param form of the page, for the lens as it was typed
     * @param own numbers of the subject, and what is decided
     */
    public static KeptTake of(SetupRequest asked, Form form, String subject, String name, Map<String, Object> own) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("title", name + " at " + asked.place().name());
        fields.put("place", "" + asked.place().id());
        fields.put("night", asked.night().date().toString());
        fields.put("subject", subject);
        fields.put("name", name);
        fields.put("rig", "" + asked.named().id());
        fields.put("focal", form.value("focal"));
        fields.put("aperture", form.value("aperture"));
        fields.put("upright", asked.upright() ? "on" : "");
        fields.put("tolerancePx", Numbers.plain(asked.setup().demand().tolerancePx()));
        fields.put("sharp", asked.setup().demand().sharp().key());
        fields.put("at", asked.clock());
        fields.put("own-rule", PlannedBy.DRIFT.name()); // as the page has it, whatever is usually decided
        own.forEach((key, value) -> fields.put(key, value instanceof Double d ? Numbers.plain(d) : value.toString()));
        return new KeptTake(fields);
    }

    /** Wished for at the page's minute, instead of held there: it moves with the outing to another night. */
    public KeptTake wished(SetupRequest asked) {
        Map<String, String> wished = new LinkedHashMap<>(fields);
        wished.remove("at");
        wished.put("wish", Wish.Kind.FIXED.key());
        wished.put("from", asked.clock());
        return new KeptTake(wished);
    }

    /** When its subject is usually wished for, whatever the page's minute. */
    public KeptTake unheld() {
        Map<String, String> free = new LinkedHashMap<>(fields);
        free.remove("at");
        return new KeptTake(free);
    }

    /** With the camera aimed as the page shows it. */
    public KeptTake aimed(SetupRequest asked) {
        Map<String, String> aimed = new LinkedHashMap<>(fields);
        aimed.put("azimuth", Numbers.plain(asked.axis().azimuthDeg(), 3));
        aimed.put("altitude", Numbers.plain(asked.axis().altitudeDeg(), 3));
        return new KeptTake(aimed);
    }
}
