package dev.halfdusk.app.exchange;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.web.Upload;
import dev.halfdusk.core.measure.OutOfRange;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;

/** Reads and writes places as GPX 1.1 waypoints, KML 2.2 placemarks and GeoJSON points (RFC 7946). All WGS84. */
@Component
public class SpotFiles {

    public static final int MOST_SPOTS = 500;

    private static final int DEEPEST_JSON = 60;

    private final ObjectMapper json;

    SpotFiles(ObjectMapper json) {
        this.json = json.copy();
        this.json
                .getFactory()
                .setStreamReadConstraints(StreamReadConstraints.builder()
                        .maxNestingDepth(DEEPEST_JSON)
                        .build());
    }

    /**
     * The spots of a file, whichever of the three it is.
     *
     * @throws BadFile naming line and reason; then nothing of it is taken
     */
    public List<Spot> read(byte[] file) {
        String head = new String(file, 0, Math.min(file.length, 400), Upload.charset(file))
                .replace("\uFEFF", "")
                .stripLeading();
        List<Spot> spots;
        if (head.startsWith("{")) {
            spots = readGeoJson(file);
        } else if (head.startsWith("<")) {
            spots = SpotXml.read(file);
        } else {
            throw new BadFile("This is none of GPX, KML and GeoJSON.");
        }
        if (spots.isEmpty()) {
            throw new BadFile("The file holds no waypoints, placemarks or points.");
        }
        if (spots.size() > MOST_SPOTS) {
            throw new BadFile(
                    "The file holds " + spots.size() + " points; at most " + MOST_SPOTS + " are taken at once.");
        }
        return spots;
    }

    private List<Spot> readGeoJson(byte[] file) {
        JsonNode root;
        try {
            root = json.readTree(file);
        } catch (JsonProcessingException e) {
            throw new BadFile(Upload.notJson(e));
        } catch (IOException e) {
            throw new BadFile("The file cannot be read.");
        }
        List<Spot> spots = new ArrayList<>();
        collect(root, "", spots);
        return spots;
    }

    private static void collect(JsonNode node, String name, List<Spot> spots) {
        switch (node.path("type").asText()) {
            case "FeatureCollection" -> node.path("features").forEach(f -> collect(f, "", spots));
            case "GeometryCollection" -> {
                int before = spots.size();
                for (JsonNode g : node.path("geometries")) {
                    collect(g, numbered(name, spots.size() - before + 1), spots);
                }
            }
            case "Feature" ->
                collect(
                        node.path("geometry"),
                        node.path("properties").path("name").asText(""),
                        spots);
            case "Point" -> spots.add(point(node.path("coordinates"), name, spots.size() + 1));
            case "MultiPoint" -> {
                int number = 1;
                for (JsonNode at : node.path("coordinates")) {
                    spots.add(point(at, numbered(name, number++), spots.size() + 1));
                }
            }
            default -> {
                // lines and areas are no places to stand on
            }
        }
    }

    private static Spot point(JsonNode at, String name, int number) {
        if (at.size() < 2 || !at.get(0).isNumber() || !at.get(1).isNumber()) {
            throw new BadFile("Point " + number + ": its coordinates are not two numbers.");
        }
        OptionalDouble elevation = at.size() > 2 && at.get(2).isNumber()
                ? OptionalDouble.of(at.get(2).asDouble())
                : OptionalDouble.empty();
        try {
            return new Spot(named(name, number), at.get(1).asDouble(), at.get(0).asDouble(), elevation);
        } catch (OutOfRange e) {
            throw new BadFile("Point " + number + ": " + e.getMessage() + ".");
        }
    }

    /** The second point of a feature and those after it carry their number. */
    static String numbered(String name, int number) {
        return name.isBlank() || number == 1 ? name : name + " " + number;
    }

    static String named(String name, int number) {
        return name.isBlank() ? "Spot " + number : name.strip();
    }

    public String writeGpx(List<Spot> spots) {
        return SpotXml.writeGpx(spots);
    }

    public String writeKml(List<Spot> spots) {
        return SpotXml.writeKml(spots);
    }

    public String writeGeoJson(List<Spot> spots) {
        ObjectNode collection = json.createObjectNode().put("type", "FeatureCollection");
        ArrayNode features = collection.putArray("features");
        for (Spot spot : spots) {
            ObjectNode feature = features.addObject().put("type", "Feature");
            feature.putObject("properties").put("name", spot.name());
            ArrayNode at = feature.putObject("geometry").put("type", "Point").putArray("coordinates");
            at.add(spot.longitudeDeg()).add(spot.latitudeDeg());
            spot.elevationM().ifPresent(at::add);
        }
        return collection.toPrettyString();
    }
}
