package dev.halfdusk.app.web;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;

/** A direction is two fields of whatever is framed, and one thing in files: {@code "aim": {"azimuth": …, "altitude": …}} or null. */
public final class AimJson {

    private static final String AIM = "aim";
    private static final List<String> PARTS = List.of("azimuth", "altitude");

    private AimJson() {}

    /** As files have it. */
    public static ObjectNode fold(ObjectNode node) {
        if (node.has(PARTS.get(0))) {
            ObjectNode aim = node.putObject(AIM);
            PARTS.forEach(key -> aim.set(key, node.remove(key)));
        } else {
            node.putNull(AIM);
        }
        return node;
    }

    /** From what files have, into its fields; a half that is missing is missing. */
    public static void unfold(JsonNode said, ObjectNode into) {
        PARTS.forEach(key -> {
            JsonNode part = said.path(AIM).path(key);
            if (!part.isMissingNode()) {
                into.set(key, part);
            }
        });
    }

    /** Where a field stands in a file: "aim.azimuth". */
    public static String path(String field) {
        return PARTS.contains(field) ? AIM + "." + field : field;
    }

    /** Of an object whose fields are described already. */
    public static void schema(ObjectNode object) {
        ObjectNode fields = object.withObject("/properties");
        ObjectNode aim = fields.putObject(AIM);
        aim.putArray("type").add("object").add("null");
        PARTS.forEach(key -> {
            aim.withObject("/properties").set(key, fields.remove(key));
            aim.withArray("/required").add(key);
        });
    }
}
