package dev.halfdusk.app.places;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonToken;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.GZIPInputStream;

/** Coastlines of the world as rings of longitude and latitude; Natural Earth, public domain. Read when first asked for. */
public final class Coast {

    /** A shore line that closes on itself, with the latitudes between which it lies. */
    public record Ring(float[] longitudes, float[] latitudes, float south, float north) {

        static Ring of(float[] longitudes, float[] latitudes) {
            float south = 90;
            float north = -90;
            for (float latitude : latitudes) {
                south = Math.min(south, latitude);
                north = Math.max(north, latitude);
            }
            return new Ring(longitudes, latitudes, south, north);
        }

        boolean reaches(double from, double to) {
            return south <= to && north >= from;
        }
    }

    private final List<Ring> rings;

    private Coast(List<Ring> rings) {
        this.rings = rings;
    }

    private static final class World {
        private static final Coast COAST = new Coast(read("land-50m.json"));
    }

    private static final class Near {
        private static final Coast COAST = new Coast(read("land-10m.json.gz"));
    }

    /** For a map of the whole world: 1 : 50 million, steps of some 300 m. */
    public static Coast world() {
        return World.COAST;
    }

    /** For a map that one drives by: 1 : 10 million, as fine. */
    static Coast near() {
        return Near.COAST;
    }

    public List<Ring> rings() {
        return rings;
    }

    /** Those between two latitudes. */
    List<Ring> between(double south, double north) {
        return rings.stream().filter(r -> r.reaches(south, north)).toList();
    }

    /** Which of some longitudes of a latitude lie on land: a way from the west crosses a shore an odd number of times. */
    boolean[] land(double latitude, double[] longitudes) {
        List<Double> crossings = new ArrayList<>();
        for (Ring ring : rings) {
            if (!ring.reaches(latitude, latitude)) {
                continue;
            }
            for (int k = 1; k < ring.latitudes.length; k++) {
                double a = ring.latitudes[k - 1];
                double b = ring.latitudes[k];
                if (a > latitude != b > latitude) {
                    double along = (latitude - a) / (b - a);
                    crossings.add(ring.longitudes[k - 1] + along * (ring.longitudes[k] - ring.longitudes[k - 1]));
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

    /** TopoJSON: each arc begins at a whole number of steps, and goes on by differences. Its numbers are too many for a tree of nodes. */
    private static List<Ring> read(String file) {
        try (InputStream raw = Coast.class.getResourceAsStream(file);
                InputStream in = file.endsWith(".gz") ? new GZIPInputStream(raw) : raw;
                JsonParser json = new JsonFactory().createParser(in)) {
            double[] scale = new double[2];
            double[] begins = new double[2];
            List<List<long[]>> arcs = new ArrayList<>();
            for (JsonToken t = json.nextToken(); t != null; t = json.nextToken()) {
                if (t == JsonToken.FIELD_NAME && json.currentName().equals("scale")) {
                    pair(json, scale);
                } else if (t == JsonToken.FIELD_NAME && json.currentName().equals("translate")) {
                    pair(json, begins);
                } else if (t == JsonToken.FIELD_NAME
                        && json.currentName().equals("arcs")
                        && json.getParsingContext().getParent().inRoot()) {
                    arcs = arcs(json);
                }
            }
            return arcs.stream().map(a -> ring(a, scale, begins)).toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void pair(JsonParser json, double[] into) throws IOException {
        json.nextToken();
        for (int i = 0; i < into.length; i++) {
            json.nextToken();
            into[i] = json.getDoubleValue();
        }
    }

    private static List<List<long[]>> arcs(JsonParser json) throws IOException {
        List<List<long[]>> arcs = new ArrayList<>();
        json.nextToken();
        while (json.nextToken() == JsonToken.START_ARRAY) {
            List<long[]> arc = new ArrayList<>();
            while (json.nextToken() == JsonToken.START_ARRAY) {
                long[] step = {json.nextLongValue(0), json.nextLongValue(0)};
                json.nextToken();
                arc.add(step);
            }
            arcs.add(arc);
        }
        return arcs;
    }

    private static Ring ring(List<long[]> arc, double[] scale, double[] begins) {
        float[] longitudes = new float[arc.size()];
        float[] latitudes = new float[arc.size()];
        long x = 0;
        long y = 0;
        for (int i = 0; i < arc.size(); i++) {
            x += arc.get(i)[0];
            y += arc.get(i)[1];
            longitudes[i] = (float) (x * scale[0] + begins[0]);
            latitudes[i] = (float) (y * scale[1] + begins[1]);
        }
        return Ring.of(longitudes, latitudes);
    }
}
