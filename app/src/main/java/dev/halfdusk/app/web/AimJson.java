package dev.halfdusk.app.web;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.core.measure.Shape;
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

    /** What a file says of the fields of whatever is framed; a half that is missing is missing. */
    public static ObjectNode unfold(Shape<?> shape, JsonNode said) {
        ObjectNode fields = JsonNodeFactory.instance.objectNode();
        shape.keys().forEach(key -> {
            JsonNode from = PARTS.contains(key) ? said.path(AIM) : said;
            if (from.hasNonNull(key)) {
                fields.set(key, from.get(key));
            }
        });
        return fields;
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
