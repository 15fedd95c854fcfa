package dev.halfdusk.app.exchange;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.web.Upload;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.OutOfRange;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
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
        return find(file).spots();
    }

    /**
     * What a file holds.
     *
     * @param passedOver lines, areas and tracks, which are no places to stand on
     */
    public record Found(List<Spot> spots, int passedOver) {}

    /** The same with what was passed over. */
    public Found find(byte[] file) {
        String head = new String(file, 0, Math.min(file.length, 400), Upload.charset(file))
                .replace("\uFEFF", "")
                .stripLeading();
        Found found;
        if (head.startsWith("{")) {
            found = readGeoJson(file);
        } else if (head.startsWith("<")) {
            found = SpotXml.read(file);
        } else {
            throw new BadFile("This is none of GPX, KML and GeoJSON.");
        }
        List<Spot> spots = found.spots();
        if (spots.isEmpty()) {
            throw new BadFile("The file holds no waypoints, placemarks or points.");
        }
        if (spots.size() > MOST_SPOTS) {
            throw new BadFile(
                    "The file holds " + spots.size() + " points; at most " + MOST_SPOTS + " are taken at once.");
        }
        return found;
    }

    private Found readGeoJson(byte[] file) {
        JsonNode root;
        try {
            root = json.readTree(file);
        } catch (JsonProcessingException e) {
            throw new BadFile(Upload.notJson(e));
        } catch (IOException e) {
            throw new BadFile("The file cannot be read.");
        }
        wgs84(root.path("crs").path("properties").path("name"));
        List<Spot> spots = new ArrayList<>();
        int passedOver = collect(root, "", spots);
        return new Found(spots, passedOver);
    }

    /** @return how many were passed over */
    private static int collect(JsonNode node, String name, List<Spot> spots) {
        int passedOver = 0;
        switch (node.path("type").asText()) {
            case "FeatureCollection" -> {
                for (JsonNode f : node.path("features")) {
                    passedOver += collect(f, "", spots);
                }
            }
            case "GeometryCollection" -> {
                int before = spots.size();
                for (JsonNode g : node.path("geometries")) {
                    passedOver += collect(g, numbered(name, spots.size() - before + 1), spots);
                }
            }
            case "Feature" -> passedOver += collect(node.path("geometry"), called(node.path("properties")), spots);
            case "Point" -> spots.add(point(node.path("coordinates"), name, spots.size() + 1));
            case "MultiPoint" -> {
                int number = 1;
                for (JsonNode at : node.path("coordinates")) {
                    spots.add(point(at, numbered(name, number++), spots.size() + 1));
                }
            }
            default -> passedOver++;
        }
        return passedOver;
    }

    /** By whichever of the usual names it has. */
    private static String called(JsonNode properties) {
        return Stream.of("name", "Name", "title")
                .map(n -> properties.path(n).asText(""))
                .filter(n -> !n.isBlank())
                .findFirst()
                .orElse("");
    }

    /** Older files name their coordinates; others than degrees of WGS 84 would put a place somewhere else. */
    private static void wgs84(JsonNode crs) {
        String name = crs.asText("");
        if (!name.isEmpty() && !name.endsWith("CRS84") && !name.matches(".*EPSG:+4326")) {
            throw new BadFile("Its coordinates are \u201c" + Words.clipped(name, 60)
                    + "\u201d; wanted are longitude and latitude in WGS 84.");
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
