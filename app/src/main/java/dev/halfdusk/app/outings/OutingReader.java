package dev.halfdusk.app.outings;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.AimJson;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.app.web.Twins;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.optics.Framed;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.outing.Progress;
import dev.halfdusk.core.outing.Terms;
import dev.halfdusk.core.outing.Trip;
import dev.halfdusk.core.outing.Way;
import dev.halfdusk.core.take.Decision;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Subjects;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Reads an outing of a file, and says of each thing that is wrong where it stands and what is allowed. */
public final class OutingReader {

    static final int MOST_TAKES = 40;
    private static final int MOST_OTHERS = 500;
    private static final int LONGEST = 500;
    static final int LONGEST_NAME = 60;
    private static final int MOST_PROBLEMS = 5;

    private static final Set<String> ROOT = with(
            Terms.SHAPE,
            "$schema",
            "format",
            "version",
            "title",
            "night",
            "place",
            "stops",
            "resumedAt",
            "candidates",
            "packed",
            "takes",
            "notes");
    private static final Set<String> PLACE = with(Place.SPOT, "id");
    private static final Set<String> TAKE = with(
            Framed.SHAPE,
            "name",
            "subject",
            "parameters",
            "rig",
            "rigId",
            "aim",
            "wish",
            "decision",
            "pinnedAt",
            "openedAt",
            "closedAt",
            "skipped",
            "stop");
    private static final Set<String> STOP = with(Way.SHAPE, "place");

    private final TakeJson takeJson;
    private final List<NamedRig> rigs;
    private final Places ground;
    private final Map<String, List<Place>> known;
    private final Twins<OutingFile.Whole> stored;
    private final List<String> problems = new ArrayList<>();

    OutingReader(
            List<Place> places, List<NamedRig> rigs, Twins<OutingFile.Whole> stored, TakeJson takeJson, Places ground) {
        this.takeJson = takeJson;
        this.stored = stored;
        this.rigs = rigs;
        this.ground = ground;
        known = new HashMap<>(places.stream().collect(Collectors.groupingBy(Place::name)));
    }

    /** A place that came with an outing is that of the next one too. */
    void knows(Place place) {
        known.putIfAbsent(place.name(), List.of(place));
    }

    /** What is stored of an outing. */
    Optional<OutingFile.Whole> stored(Outing outing) {
        return stored.next(OutingFile.likeness(outing));
    }

    List<String> problems() {
        return problems.stream().limit(MOST_PROBLEMS).toList();
    }

    /** Fields of a file that nothing reads. */
    static List<String> unknown(JsonNode root) {
        List<String> all = new ArrayList<>();
        others(root, ROOT, "", all);
        others(root.path("place"), PLACE, "place.", all);
        for (int i = 0; i < Math.min(Trip.MOST_FURTHER, root.path("stops").size()); i++) {
            JsonNode stop = root.path("stops").get(i);
            others(stop, STOP, "stops[" + i + "].", all);
            others(stop.path("place"), PLACE, "stops[" + i + "].place.", all);
        }
        for (int i = 0; i < Math.min(MOST_TAKES, root.path("takes").size()); i++) {
            JsonNode take = root.path("takes").get(i);
            others(take, TAKE, "takes[" + i + "].", all);
            Set<String> parameters = Subjects.of(take.path("subject").asText()).stream()
                    .flatMap(k -> k.parameters().stream())
                    .map(Subject.Parameter::name)
                    .collect(Collectors.toSet());
            others(take.path("parameters"), parameters, "takes[" + i + "].parameters.", all);
        }
        return all.stream().limit(MOST_PROBLEMS).toList();
    }

    /** Fields of a described thing, and others. */
    private static Set<String> with(Shape<?> shape, String... others) {
        return Stream.concat(shape.keys().stream(), Stream.of(others)).collect(Collectors.toSet());
    }

    private static void others(JsonNode node, Set<String> known, String where, List<String> all) {
        new TreeSet<>(OutingFile.names(node))
                .stream().filter(n -> !known.contains(n)).forEach(n -> all.add(clip(where + n)));
    }

    private static String clip(String text) {
        return Words.clipped(text, LONGEST_NAME);
    }

    private void problem(String where, String what) {
        problems.add(where + ": " + what);
    }

    /** Empty where there are problems. */
    Optional<OutingFile.Whole> read(JsonNode root) {
        problems.clear();
        if (!OutingFile.FORMAT.equals(root.path("format").asText())) {
            problem("format", "wanted is \"" + OutingFile.FORMAT + "\".");
            return Optional.empty();
        }
        if (root.path("version").asInt() != 1) {
            problem(
                    "version",
                    "this program knows version 1, not "
                            + clip(root.path("version").asText("none")) + ".");
            return Optional.empty();
        }
        String title = text(root, "title", "", false);
        Place place = place(root.path("place"), "place.");
        List<Outing.Further> further = stops(root.path("stops"));
        LocalDate night = date(root.path("night").asText(), "night", place == null ? null : place.zone());
        Optional<Terms> terms = ShapeJson.foreign(Terms.SHAPE, root, this::problem);
        Optional<Instant> resumed = instant(root, "resumedAt", "");
        List<LocalDate> candidates = new ArrayList<>();
        for (JsonNode d : some(root, "candidates")) {
            LocalDate date = date(d.asText(), "candidates", place == null ? null : place.zone());
            if (date != null && !candidates.contains(date)) {
                candidates.add(date);
            }
        }
        Set<String> packed = new TreeSet<>();
        some(root, "packed").forEach(x -> packed.add(clip(x.asText())));
        List<FieldNotes.Note> notes = new ArrayList<>();
        for (JsonNode n : some(root, "notes")) {
            instant(n, "at", "notes.")
                    .ifPresent(at -> notes.add(
                            new FieldNotes.Note(at, n.path("take").asText(""), text(n, "words", "notes.", false))));
        }
        List<Place> all = new ArrayList<>();
        all.add(place);
        further.forEach(f -> all.add(f.place()));
        List<OutingFile.OfTake> takes = takes(root.path("takes"), all);
        if (!problems.isEmpty()) {
            return Optional.empty();
        }
        Outing outing =
                new Outing(null, title, place, night, terms.orElseThrow(), new Outing.Standing(0, resumed, 1), further);
        candidates.sort(LocalDate::compareTo);
        return Optional.of(new OutingFile.Whole(outing, candidates, packed, takes, notes));
    }

    private List<JsonNode> some(JsonNode root, String field) {
        JsonNode list = root.path(field);
        if (list.size() > MOST_OTHERS) {
            problem(field, "at most " + MOST_OTHERS + "; these are " + list.size() + ".");
            return List.of();
        }
        List<JsonNode> all = new ArrayList<>();
        list.forEach(all::add);
        return all;
    }

    private List<Outing.Further> stops(JsonNode list) {
        if (list.size() > Trip.MOST_FURTHER) {
            problem("stops", "at most " + Trip.MOST_FURTHER + "; these are " + list.size() + ".");
            return List.of();
        }
        List<Outing.Further> all = new ArrayList<>();
        for (int i = 0; i < list.size(); i++) {
            String where = "stops[" + i + "].";
            JsonNode n = list.get(i);
            Place place = place(n.path("place"), where + "place.");
            Optional<Way> way = ShapeJson.foreign(Way.SHAPE, n, (field, what) -> problem(where + field, what));
            if (place != null && way.isPresent()) {
                all.add(new Outing.Further(place, way.get()));
            }
        }
        return all;
    }

    private List<OutingFile.OfTake> takes(JsonNode list, List<Place> places) {
        if (list.size() > MOST_TAKES) {
            problem("takes", "a night holds at most " + MOST_TAKES + "; these are " + list.size() + ".");
            return List.of();
        }
        List<OutingFile.OfTake> all = new ArrayList<>();
        for (int i = 0; i < list.size(); i++) {
            take(list.get(i), "takes[" + i + "].", places).ifPresent(all::add);
        }
        return all;
    }

    private Optional<OutingFile.OfTake> take(JsonNode n, String where, List<Place> places) {
        int before = problems.size();
        String name = text(n, "name", where, false);
        Optional<Subject.Kind> kind = Subjects.of(n.path("subject").asText());
        if (kind.isEmpty()) {
            problem(
                    where + "subject",
                    "one of " + Subjects.ALL.stream().map(Subject.Kind::key).collect(Collectors.joining(", ")) + ".");
        }
        Subject subject = kind.map(k -> tried(where + "parameters", () -> takeJson.subject(k, n.path("parameters"))))
                .orElse(null);
        Wish wish = n.has("wish")
                ? tried(where + "wish", () -> takeJson.wish(n.path("wish")))
                : subject == null ? null : subject.usual();
        NamedRig rig = rig(n);
        if (rig == null) {
            problem(
                    where + "rig",
                    "no rig here is called \u201c" + clip(n.path("rig").asText()) + "\u201d.");
            return Optional.empty();
        }
        Optional<Framed> framed = framed(n, where, rig.rig());
        Optional<Instant> pinned = instant(n, "pinnedAt", where);
        Optional<Instant> opened = instant(n, "openedAt", where);
        Optional<Instant> closed = instant(n, "closedAt", where);
        Decision decision = n.path("decision").isObject()
                ? tried(where + "decision", () -> ShapeJson.foreign(Decision.SHAPE, n.path("decision")))
                : Decision.NONE;
        Progress progress = tried(
                where + "closedAt",
                () -> new Progress(opened, closed, n.path("skipped").asBoolean()));
        int stop = (int) number(n, "stop", where, new Range("stop", 0, places.size() - 1.0, ""), 0);
        if (problems.size() > before) {
            return Optional.empty();
        }
        Place place = places.get(stop);
        Take take = new Take(
                new Id(name),
                name,
                subject,
                Takes.camera(rig),
                framed.orElseThrow(),
                place == null || place.id() == null ? wish : ground.at(place.id(), wish),
                pinned,
                decision,
                stop);
        return Optional.of(new OutingFile.OfTake(take, rig, progress));
    }

    /** As a file says, and as the rig is set at its short end where it is silent. */
    private Optional<Framed> framed(JsonNode n, String where, Rig rig) {
        ObjectNode all = AimJson.unfold(Framed.SHAPE, n);
        if (!all.has("focalMm")) {
            all.put("focalMm", rig.lens().shortestMm());
        }
        if (!all.has("aperture")) {
            double focal = all.path("focalMm").asDouble();
            all.put("aperture", rig.nearest(new LensSetting(focal, 0)).aperture());
        }
        return ShapeJson.foreign(Framed.SHAPE, all, (field, what) -> problem(where + AimJson.path(field), what));
    }

    /** By its name; of several of one name the one of that number, else the first. */
    private NamedRig rig(JsonNode n) {
        return NamedRig.find(rigs, n.path("rig").asText(), n.path("rigId").asLong())
                .orElse(null);
    }

    private interface Trying<T> {
        T get();
    }

    private <T> T tried(String where, Trying<T> made) {
        try {
            return made.get();
        } catch (IllegalArgumentException | DateTimeException e) {
            problem(where, clip(e.getMessage()) + ".");
            return null;
        }
    }

    /** The place of that name where it is known, of several the one that lies there, of several there the one of that number; else a new one. */
    private Place place(JsonNode n, String where) {
        Optional<Place> said = ShapeJson.foreign(Place.SPOT_IN_FILES, n, (field, what) -> problem(where + field, what));
        if (said.isEmpty()) {
            return null;
        }
        Place spot = said.get();
        List<Place> ofName = known.getOrDefault(spot.name(), List.of());
        List<Place> there = ofName.stream()
                .filter(p -> p.site().latitudeDeg() == spot.site().latitudeDeg()
                        && p.site().longitudeDeg() == spot.site().longitudeDeg())
                .toList();
        return there.stream()
                .filter(p -> p.id() != null && p.id() == n.path("id").asLong())
                .findFirst()
                .or(() -> there.stream().findFirst())
                .or(() -> ofName.stream().findFirst())
                .orElse(spot);
    }

    private LocalDate date(String text, String where, ZoneId zone) {
        Form form = new Form().put("night", text);
        LocalDate date = zone == null ? form.night("night") : form.night("night", zone);
        if (date == null) {
            problem(where, form.error("night"));
        }
        return date;
    }

    private String text(JsonNode n, String field, String where, boolean empty) {
        String text = n.path(field).asText("").strip();
        if (text.length() > LONGEST || !empty && text.isEmpty()) {
            problem(where + field, "text of " + (empty ? 0 : 1) + " to " + LONGEST + " characters.");
        }
        return text;
    }

    private double number(JsonNode n, String field, String where, Range range, double usual) {
        JsonNode v = n.path(field);
        double value = v.isMissingNode() ? usual : v.isNumber() ? v.asDouble() : Double.NaN;
        if (!range.holds(value)) {
            problem(where + field, "a number, " + range.allowed() + ".");
        }
        return value;
    }

    private Optional<Instant> instant(JsonNode n, String field, String where) {
        return parsed(n, field, where, Instant::parse, "a time in UTC such as 2027-06-08T22:00:00Z");
    }

    private <T> Optional<T> parsed(JsonNode n, String field, String where, Function<String, T> parser, String wanted) {
        if (!n.hasNonNull(field)) {
            return Optional.empty();
        }
        try {
            return Optional.of(parser.apply(n.path(field).asText()));
        } catch (DateTimeException e) {
            problem(where + field, wanted + ".");
            return Optional.empty();
        }
    }
}
