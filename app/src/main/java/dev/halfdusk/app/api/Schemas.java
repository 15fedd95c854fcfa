package dev.halfdusk.app.api;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.kit.KitFiles;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.rehearsal.PlanFile;
import dev.halfdusk.app.web.AimJson;
import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.core.camera.EclipseCamera;
import dev.halfdusk.core.eclipse.EclipseTerms;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.optics.BodyShape;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Framed;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.LensShape;
import dev.halfdusk.core.outing.Terms;
import dev.halfdusk.core.outing.Way;
import dev.halfdusk.core.take.Decision;
import dev.halfdusk.core.take.Subjects;
import dev.halfdusk.core.take.Wish;
import java.io.IOException;
import java.util.List;
import org.springframework.core.io.ClassPathResource;

/**
 * JSON schemas of the files, from the descriptions of what is in them. Fields they do not name are passed over when a file
 * is read; which ranges follow from other fields they cannot say.
 */
final class Schemas {

    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

    private Schemas() {}

    /** Of {@code kit.json}. */
    static ObjectNode kit() {
        ObjectNode root =
                root("half-dusk-kit", KitFiles.VERSION, "Bodies, lenses, gear and the rigs put together from them");
        list(root, "bodies", thing(BodyShape.SHAPE));
        list(root, "lenses", thing(LensShape.SHAPE));
        ObjectNode gear = JSON.objectNode();
        for (Gear.Sort sort : Gear.Sort.values()) {
            ObjectNode one = thing(sort.shape());
            one.withObject("/properties").putObject("kind").put("const", ShapeJson.key(sort.name()));
            ObjectNode weight =
                    one.withObject("/properties").putObject("weight").put("type", "number");
            ShapeJson.number(weight, "minimum", CameraBody.WEIGHT.min());
            ShapeJson.number(weight, "maximum", CameraBody.WEIGHT.max());
            one.withArray("/required").add("kind");
            gear.withArray("/oneOf").add(one);
        }
        list(root, "gear", gear);
        ObjectNode rig = named();
        rig.withObject("/properties").set("body", named());
        rig.withObject("/properties").set("lens", named());
        ObjectNode parts = rig.withObject("/properties").putObject("gear").put("type", "array");
        parts.set("items", named());
        rig.withObject("/properties").putObject("own").put("type", "boolean");
        rig.withArray("/required").add("body").add("lens");
        list(root, "rigs", rig);
        root.withObject("/properties").set("usually", ShapeJson.object(Decision.SHAPE));
        return root;
    }

    /** Of {@code places.json}. */
    static ObjectNode places() {
        ObjectNode root = root("half-dusk-places", 1, "Places with skyline, marks and lights of towns");
        ObjectNode place = named();
        ShapeJson.schema(place, Place.SHAPE);
        ObjectNode corner = JSON.objectNode().put("type", "array").put("description", "azimuth and altitude, degrees");
        corner.putArray("prefixItems").add(number(Range.AZIMUTH)).add(number(Range.ALTITUDE));
        corner.put("minItems", 2);
        list(place, "skyline", corner);
        list(place, "marks", ShapeJson.object(Mark.SHAPE));
        ObjectNode dome = ShapeJson.object(Dome.SHAPE);
        dome.withObject("/properties").putObject("lit").put("type", "boolean");
        list(place, "domes", dome);
        list(root, "places", place);
        return root;
    }

    /** Of {@code outing.json}: what is shipped, with the lists and descriptions that the application knows. */
    static ObjectNode outing(ObjectMapper json) throws IOException {
        ObjectNode shipped =
                (ObjectNode) json.readTree(new ClassPathResource("schemas/half-dusk-outing-1.json").getInputStream());
        ObjectNode take = shipped.withObject("/$defs/take/properties");
        Subjects.ALL.forEach(k -> take.withObject("/subject").withArray("/enum").add(k.key()));
        ArrayNode wishes = take.withObject("/wish/properties/kind").withArray("/enum");
        List.of(Wish.Kind.values()).forEach(k -> wishes.add(k.key()));
        ShapeJson.schema(shipped, Terms.SHAPE);
        ShapeJson.schema(shipped.withObject("/properties/stops/items"), Way.SHAPE);
        ShapeJson.schema(shipped.withObject("/$defs/place"), Place.SPOT_IN_FILES);
        ShapeJson.schema(take.withObject("/decision"), Decision.SHAPE);
        ObjectNode framed = ShapeJson.object(Framed.SHAPE);
        AimJson.schema(framed);
        take.setAll(framed.withObject("/properties")); // what is missing is usual for its subject
        return shipped;
    }

    /** Of {@code plans/*.json}. */
    static ObjectNode eclipsePlan() {
        ObjectNode root = root(PlanFile.FORMAT, PlanFile.VERSION, "A plan for an eclipse of the sun, with its cameras");
        ObjectNode properties = root.withObject("/properties");
        properties.putObject("date").put("type", "string").put("format", "date");
        ObjectNode place = JSON.objectNode().put("type", "object");
        place.withObject("/properties").putObject("name").put("type", "string");
        number(place.withObject("/properties"), "latitude", Range.LATITUDE);
        number(place.withObject("/properties"), "longitude", Range.LONGITUDE);
        place.putArray("required").add("name");
        properties.set("place", place);
        ArrayNode other = properties.putObject("otherPlace").putArray("oneOf");
        other.add(place.deepCopy());
        other.addObject().put("type", "null");
        ShapeJson.schema(root, EclipseTerms.SHAPE);
        properties
                .putObject("cloudOddsPercent")
                .put("type", "object")
                .set("additionalProperties", number(PlanFile.ODDS));
        ObjectNode camera = ShapeJson.object(EclipseCamera.SHAPE);
        ObjectNode fields = camera.withObject("/properties");
        fields.putObject("name").put("type", "string").put("minLength", 1);
        fields.putObject("rig").put("type", "string");
        fields.putObject("rigId").put("type", "integer");
        AimJson.schema(camera);
        fields.putObject("script").putArray("type").add("string").add("null");
        camera.putArray("required").add("name").add("rig"); // what else is missing is usual for its role
        list(root, "cameras", camera);
        root.withArray("/required").add("date").add("place");
        return root;
    }

    private static ObjectNode root(String format, int version, String title) {
        ObjectNode root = JSON.objectNode()
                .put("$schema", "https://json-schema.org/draft/2020-12/schema")
                .put("$id", "urn:" + format.replaceFirst("half-dusk-", "half-dusk:") + ":" + version)
                .put("title", title)
                .put("type", "object");
        root.putArray("required").add("format").add("version");
        ObjectNode properties = root.putObject("properties");
        properties.putObject("format").put("const", format);
        properties.putObject("version").put("const", version);
        return root;
    }

    private static void list(ObjectNode of, String name, ObjectNode items) {
        of.withObject("/properties").putObject(name).put("type", "array").set("items", items);
    }

    /** What has a name, and a number that tells it from others of that name in the same file. */
    private static ObjectNode named() {
        ObjectNode thing = JSON.objectNode().put("type", "object");
        thing.withObject("/properties").putObject("id").put("type", "string");
        thing.withObject("/properties").putObject("name").put("type", "string").put("minLength", 1);
        thing.putArray("required").add("name");
        return thing;
    }

    private static ObjectNode thing(Shape<?> shape) {
        ObjectNode thing = named();
        ShapeJson.schema(thing, shape);
        thing.withObject("/properties").putObject("note").put("type", "string");
        return thing;
    }

    private static void number(ObjectNode properties, String name, Range range) {
        properties.set(name, number(range));
    }

    private static ObjectNode number(Range range) {
        ObjectNode number = JSON.objectNode().put("type", "number");
        ShapeJson.number(number, "minimum", range.min());
        ShapeJson.number(number, "maximum", range.max());
        return number;
    }
}
