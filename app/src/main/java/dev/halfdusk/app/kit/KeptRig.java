package dev.halfdusk.app.kit;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.core.optics.BodyShape;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.LensShape;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;

/** A rig with all its parts as JSON: what was taken with it can be taken again when the rig has become another. */
public final class KeptRig {

    private static final ObjectMapper JSON = new ObjectMapper();

    private KeptRig() {}

    /** For a column. */
    public static String text(NamedRig rig) {
        ObjectNode root = JSON.createObjectNode().put("id", rig.id()).put("name", rig.name());
        put(root.putObject("body"), rig.body());
        put(root.putObject("lens"), rig.lens());
        rig.gear().forEach(g -> put(root.withArray("/gear").addObject(), g));
        return root.toString();
    }

    /** From a column; its parts have no numbers, since what has them may be something else by now. */
    public static NamedRig read(String column) {
        JsonNode root;
        try {
            root = JSON.readTree(column);
        } catch (JsonProcessingException e) {
            throw new UncheckedIOException(e);
        }
        List<NamedGear> gear = new ArrayList<>();
        for (JsonNode g : root.path("gear")) {
            gear.add(new NamedGear(null, name(g), g.path("weight").asDouble(), ShapeJson.read(sort(g).shape(), g), ""));
        }
        return new NamedRig(
                root.path("id").asLong(),
                name(root),
                new NamedBody(null, name(root.path("body")), ShapeJson.read(BodyShape.SHAPE, root.path("body")), ""),
                new NamedLens(null, name(root.path("lens")), ShapeJson.read(LensShape.SHAPE, root.path("lens")), ""),
                gear);
    }

    private static String name(JsonNode thing) {
        return thing.path("name").asText();
    }

    private static Gear.Sort sort(JsonNode gear) {
        return Gear.Sort.valueOf(ShapeJson.name(gear.path("kind").asText()));
    }

    /** Its name and its fields; of gear its sort and weight before them. */
    static <T> ObjectNode put(ObjectNode item, KitThing<T> thing) {
        item.put("name", thing.name());
        if (thing instanceof NamedGear g) {
            ShapeJson.number(item.put("kind", ShapeJson.key(g.sort().name())), "weight", g.weightG());
        }
        return ShapeJson.write(item, thing.shape(), thing.thing());
    }
}
