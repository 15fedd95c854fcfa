package dev.halfdusk.app.events;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;

/** Coastlines of the world as rings of longitude and latitude; Natural Earth, 1 : 50 million, public domain. Read when first asked for. */
final class Coast {

    private static final List<float[][]> RINGS = read();

    private Coast() {}

    /** Longitudes and latitudes of each line. */
    static List<float[][]> rings() {
        return RINGS;
    }

    /** TopoJSON: each arc begins at a whole number of steps, and goes on by differences. */
    private static List<float[][]> read() {
        try (InputStream in = Coast.class.getResourceAsStream("land-50m.json")) {
            JsonNode topology = new ObjectMapper().readTree(in);
            JsonNode scale = topology.path("transform").path("scale");
            JsonNode begins = topology.path("transform").path("translate");
            List<float[][]> rings = new ArrayList<>();
            for (JsonNode arc : topology.path("arcs")) {
                float[][] ring = new float[2][arc.size()];
                long x = 0;
                long y = 0;
                for (int i = 0; i < arc.size(); i++) {
                    x += arc.get(i).get(0).asLong();
                    y += arc.get(i).get(1).asLong();
                    ring[0][i] =
                            (float) (x * scale.get(0).asDouble() + begins.get(0).asDouble());
                    ring[1][i] =
                            (float) (y * scale.get(1).asDouble() + begins.get(1).asDouble());
                }
                rings.add(ring);
            }
            return List.copyOf(rings);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
