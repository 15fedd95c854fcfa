package dev.halfdusk.app.outings;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.AimJson;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.app.web.Twins;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.optics.Framed;
import dev.halfdusk.core.outing.Progress;
import dev.halfdusk.core.outing.Terms;
import dev.halfdusk.core.outing.Way;
import dev.halfdusk.core.take.Decision;
import dev.halfdusk.core.take.Take;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Outings in their open format: JSON with a version, described by a published schema. */
@Component
public class OutingFile {

    public static final String FORMAT = "half-dusk-outing";
    private static final int VERSION = 1;

    private final Outings outings;
    private final Takes takes;
    private final FieldNotes notes;
    private final Places places;
    private final Kit kit;
    private final TakeJson takeJson;
    private final ObjectMapper json;

    OutingFile(
            Outings outings,
            Takes takes,
            FieldNotes notes,
            Places places,
            Kit kit,
            TakeJson takeJson,
            ObjectMapper json) {
        this.outings = outings;
        this.takes = takes;
        this.notes = notes;
        this.places = places;
        this.kit = kit;
        this.takeJson = takeJson;
        this.json = json;
    }

    /** A take of a file. */
    record OfTake(Take take, NamedRig rig, Progress progress) {}

    /** All that belongs to an outing. */
    record Whole(
            Outing outing,
            List<LocalDate> candidates,
            Set<String> packed,
            List<OfTake> takes,
            List<FieldNotes.Note> notes) {}

    /** Empty where there is no such outing. */
    public Optional<ObjectNode> write(long id) {
        return outings.find(id).map(o -> write(whole(o)));
    }

    public void each(BiConsumer<Long, ObjectNode> taker) {
        all().forEach(w -> taker.accept(w.outing.id(), write(w)));
    }

    /** By their ids, with as many questions to the database as for one. */
    private Stream<Whole> all() {
        Map<Long, List<LocalDate>> candidates = outings.candidates();
        Map<Long, List<String>> packed = outings.packed();
        Map<Long, List<Takes.Stored>> all = takes.all();
        Map<Long, List<FieldNotes.Note>> noted = notes.all();
        return outings.all().stream()
                .map(o -> whole(
                        o,
                        candidates.getOrDefault(o.id(), List.of()),
                        packed.getOrDefault(o.id(), List.of()),
                        all.getOrDefault(o.id(), List.of()),
                        noted.getOrDefault(o.id(), List.of())));
    }

    private Whole whole(Outing o) {
        return whole(o, outings.candidates(o.id()), outings.packed(o.id()), takes.of(o.id()), notes.of(o.id()));
    }

    private static Whole whole(
            Outing o,
            List<LocalDate> candidates,
            Collection<String> packed,
            List<Takes.Stored> takes,
            List<FieldNotes.Note> notes) {
        return new Whole(
                o,
                candidates,
                new TreeSet<>(packed),
                takes.stream()
                        .map(t -> new OfTake(t.take(), t.rig(), t.progress()))
                        .toList(),
                notes);
    }

    private ObjectNode write(Whole w) {
        Outing o = w.outing;
        ObjectNode root = json.createObjectNode()
                .put("format", FORMAT)
                .put("version", VERSION)
                .put("title", o.title())
                .put("night", o.night().toString());
        write(root.putObject("place"), o.place());
        ArrayNode stops = root.putArray("stops");
        o.further().forEach(f -> {
            ObjectNode stop = stops.addObject();
            write(stop.putObject("place"), f.place());
            ShapeJson.write(stop, Way.SHAPE, f.way());
        });
        ShapeJson.write(root, Terms.SHAPE, o.terms());
        root.put("resumedAt", text(o.standing().resumed()));
        list(root, "candidates", w.candidates, LocalDate::toString);
        list(root, "packed", List.copyOf(w.packed), x -> x);
        ArrayNode all = root.putArray("takes");
        w.takes.forEach(t -> write(all.addObject(), t));
        ArrayNode noted = root.putArray("notes");
        w.notes.forEach(n -> noted.addObject()
                .put("at", n.at().toString())
                .put("take", n.take())
                .put("words", n.words()));
        return root;
    }

    private static void write(ObjectNode node, Place place) {
        ShapeJson.write(node.put("id", place.id()), Place.SPOT, place);
    }

    private void write(ObjectNode node, OfTake t) {
        Take take = t.take;
        node.put("name", take.name()).put("subject", take.subject().kind().key());
        node.set("parameters", takeJson.parameters(take.subject()));
        node.put("rig", t.rig.name()).put("rigId", t.rig.id());
        AimJson.fold(ShapeJson.write(node, Framed.SHAPE, take.framed()));
        node.set("wish", takeJson.node(take.wish()));
        if (!take.decision().equals(Decision.NONE)) {
            ShapeJson.write(node.putObject("decision"), Decision.SHAPE, take.decision());
        }
        node.put("pinnedAt", text(take.pinned()))
                .put("openedAt", text(t.progress.opened()))
                .put("closedAt", text(t.progress.closed()))
                .put("skipped", t.progress.skipped())
                .put("stop", take.stop());
    }

    private static String text(Optional<Instant> t) {
        return t.map(Instant::toString).orElse(null);
    }

    private static <T> void list(ObjectNode root, String name, List<T> values, Function<T, String> text) {
        ArrayNode list = root.putArray(name);
        values.forEach(v -> list.add(text.apply(v)));
    }

    /** Knows places, rigs and outings as they are now, for all outings of one file. */
    @Transactional(readOnly = true)
    public OutingReader reader() {
        return new OutingReader(
                places.all(), kit.rigs(), new Twins<>(all().toList(), w -> likeness(w.outing)), takeJson, places);
    }

    /** The same outing is the one of that title on that night at that place. */
    static List<Object> likeness(Outing o) {
        return List.of(o.title(), o.night(), o.place().name());
    }

    /** Compares an outing of a file with what is stored; stores it, in the caller's transaction, as far as it is wanted. */
    public Imported read(JsonNode root, Imported.Wanted wanted, OutingReader reader) {
        Optional<Whole> read = reader.read(root);
        String name = root.path("title").asText("?");
        String title = Words.clipped(name, OutingReader.LONGEST_NAME);
        if (read.isEmpty()) {
            return new Imported("outing", title, Imported.State.REFUSED, String.join(" ", reader.problems()));
        }
        Whole whole = read.get();
        Optional<Whole> stored = reader.stored(whole.outing);
        boolean equal = stored.map(s -> write(s).toString().equals(write(whole).toString()))
                .orElse(false);
        Imported.State state = Imported.State.of(stored.isPresent(), equal);
        if (wanted.stores(state)) {
            store(whole, stored.map(Whole::outing)).forEach(reader::knows);
        }
        List<String> passed = OutingReader.unknown(root);
        return new Imported(
                "outing", title, state, passed.isEmpty() ? "" : "passed over: " + String.join(", ", passed));
    }

    /** Its places, as they are now stored. */
    private List<Place> store(Whole w, Optional<Outing> stored) {
        Outing saved = outings.save(w.outing.withId(stored.map(Outing::id).orElse(null)));
        long id = saved.id();
        outings.resume(id, w.outing.standing().resumed());
        outings.clear(id);
        outings.visit(id, w.outing.further());
        w.candidates.forEach(d -> outings.keep(id, d));
        w.packed.forEach(x -> outings.pack(id, x, true));
        w.notes.forEach(n -> notes.add(id, n));
        for (OfTake t : w.takes) {
            long take = takes.add(id, t.take, t.rig.id());
            takes.progress(id, take, t.progress);
        }
        return outings.existing(id).places();
    }

    /** Names of the fields of a node, for those who look for others. */
    static Set<String> names(JsonNode node) {
        return node.properties().stream().map(java.util.Map.Entry::getKey).collect(Collectors.toSet());
    }
}
