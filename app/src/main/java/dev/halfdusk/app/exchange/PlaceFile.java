package dev.halfdusk.app.exchange;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Range;
import java.time.DateTimeException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Places whole, as JSON: with skyline, marks, domes and notes. The same place is the one of that name. */
@Component
class PlaceFile {

    static final String FORMAT = "half-dusk-places";
    private static final int VERSION = 1;
    private static final int MOST = 5000;
    private static final int MOST_PARTS = 1000;

    private final Places places;
    private final ObjectMapper json;

    PlaceFile(Places places, ObjectMapper json) {
        this.places = places;
        this.json = json;
    }

    /** A dome, and whether it counts. */
    private record Lit(Dome dome, boolean lit) {}

    /** A place with what lies around it. */
    private record Whole(Place place, List<Mark> marks, List<Lit> domes) {

        /** Marks stand on the ground in no order. */
        Whole ordered() {
            return new Whole(
                    place,
                    marks.stream()
                            .sorted(Comparator.comparing(Mark::name).thenComparing(Mark::toString))
                            .toList(),
                    domes);
        }
    }

    ObjectNode tree() {
        ObjectNode root = json.createObjectNode().put("format", FORMAT).put("version", VERSION);
        ArrayNode list = root.putArray("places");
        places.all().forEach(p -> list.add(write(whole(p))));
        return root;
    }

    private Whole whole(Place p) {
        return new Whole(
                p,
                places.plainMarks(p.id()),
                places.domes(p.id()).stream()
                        .map(d -> new Lit(d.dome(), d.lit()))
                        .toList());
    }

    private ObjectNode write(Whole w) {
        Place p = w.place;
        ObjectNode node = ShapeJson.write(json.createObjectNode(), Place.SHAPE, p);
        ArrayNode skyline = node.putArray("skyline");
        p.skyline().points().forEach(x -> skyline.addArray().add(x.azimuthDeg()).add(x.altitudeDeg()));
        ArrayNode marks = node.putArray("marks");
        w.marks.forEach(m -> ShapeJson.write(marks.addObject(), Mark.SHAPE, m));
        ArrayNode domes = node.putArray("domes");
        w.domes.forEach(
                d -> ShapeJson.write(domes.addObject(), Dome.SHAPE, d.dome).put("lit", d.lit));
        return node;
    }

    /** @throws BadFile where the file as a whole is none of this format; what is wrong with a place is said of it */
    List<Imported> read(JsonNode root, boolean replace) {
        if (!FORMAT.equals(root.path("format").asText()) || root.path("version").asInt() != VERSION) {
            throw new BadFile("Wanted: places with \"format\": \"" + FORMAT + "\", \"version\": 1.");
        }
        if (root.path("places").size() > MOST) {
            throw new BadFile("At most " + MOST + " places are taken at once.");
        }
        Map<String, Deque<Place>> known = new HashMap<>(); // of several of one name the first is the first
        places.all()
                .forEach(p ->
                        known.computeIfAbsent(p.name(), n -> new ArrayDeque<>()).add(p));
        List<Imported> items = new ArrayList<>();
        for (JsonNode n : root.path("places")) {
            String name = n.path("name").asText("?");
            try {
                Deque<Place> ofName = known.getOrDefault(name, new ArrayDeque<>());
                items.add(store(read(n), ofName.poll(), replace));
            } catch (IllegalArgumentException | DateTimeException e) {
                items.add(new Imported("place", clip(name), Imported.State.REFUSED, clip(e.getMessage())));
            }
        }
        return items;
    }

    private static String clip(String text) {
        return Words.clipped(text, 160);
    }

    private Imported store(Whole w, Place stored, boolean replace) {
        String name = clip(w.place.name());
        if (stored == null) {
            fill(places.add(w.place).id(), w);
            return Imported.of("place", name, Imported.State.NEW);
        }
        Whole old = whole(stored);
        if (write(old.ordered()).toString().equals(write(w.ordered()).toString())) {
            return Imported.of("place", name, Imported.State.EQUAL);
        }
        if (replace) {
            places.change(w.place.withId(stored.id()));
            fill(stored.id(), w);
        }
        return Imported.of("place", name, Imported.State.CHANGED);
    }

    private void fill(long id, Whole w) {
        places.saveSkyline(id, w.place.skyline());
        places.replaceMarks(id, w.marks);
        places.clearDomes(id);
        w.domes.forEach(d -> places.addDome(id, d.dome));
        List<Places.ListedDome> stored = places.domes(id);
        for (int i = 0; i < stored.size(); i++) {
            places.lightDome(id, stored.get(i).id(), w.domes.get(i).lit);
        }
    }

    /** @throws IllegalArgumentException in words, for what cannot be */
    private static Whole read(JsonNode n) {
        List<Skyline.Point> points = new ArrayList<>();
        few(n, "skyline")
                .forEach(p -> points.add(new Skyline.Point(
                        Range.AZIMUTH.check(p.path(0).asDouble(Double.NaN)),
                        Range.ALTITUDE.check(p.path(1).asDouble(Double.NaN)))));
        List<Mark> marks = new ArrayList<>();
        few(n, "marks").forEach(m -> marks.add(ShapeJson.foreign(Mark.SHAPE, m)));
        List<Lit> domes = new ArrayList<>();
        few(n, "domes")
                .forEach(d -> domes.add(
                        new Lit(ShapeJson.foreign(Dome.SHAPE, d), d.path("lit").asBoolean(true))));
        Place place = ShapeJson.foreign(Place.SHAPE, n)
                .among(
                        points.isEmpty() ? Skyline.FLAT : Skyline.of(points),
                        domes.stream().filter(Lit::lit).map(Lit::dome).toList());
        return new Whole(place, marks, domes);
    }

    private static JsonNode few(JsonNode n, String field) {
        if (n.path(field).size() > MOST_PARTS) {
            throw new IllegalArgumentException(field + ": at most " + MOST_PARTS + ".");
        }
        return n.path(field);
    }
}
