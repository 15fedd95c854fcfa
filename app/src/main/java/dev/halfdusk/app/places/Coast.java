package dev.halfdusk.app.places;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;

/** Coastlines of the world as rings of longitude and latitude; Natural Earth, 1 : 50 million, public domain. Read when first asked for. */
public final class Coast {

    private static final List<float[][]> RINGS = read();

    private Coast() {}

    /** Longitudes and latitudes of each line. */
    public static List<float[][]> rings() {
        return RINGS;
    }

    /** Which of some longitudes of a latitude lie on land: a way from the west crosses a shore an odd number of times. */
    static boolean[] land(double latitude, double[] longitudes) {
        List<Double> crossings = new ArrayList<>();
        for (float[][] ring : RINGS) {
            for (int k = 1; k < ring[0].length; k++) {
                double a = ring[1][k - 1];
                double b = ring[1][k];
                if (a > latitude != b > latitude) {
                    double along = (latitude - a) / (b - a);
                    crossings.add(ring[0][k - 1] + along * (ring[0][k] - ring[0][k - 1]));
                }
            }
        }
        boolean[] land = new boolean[longitudes.length];
        for (int i = 0; i < longitudes.length; i++) {
            double at = longitudes[i];
            land[i] = crossings.stream().filter(x -> x < at).count() % 2 == 1;
        }
        return land;
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
