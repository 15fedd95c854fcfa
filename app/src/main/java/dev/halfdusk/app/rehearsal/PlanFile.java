package dev.halfdusk.app.rehearsal;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.AimJson;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.app.web.Twins;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.camera.EclipseCamera;
import dev.halfdusk.core.eclipse.EclipseTerms;
import dev.halfdusk.core.eclipse.FilterWindow.Margins;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.eclipse.Script;
import dev.halfdusk.core.measure.Range;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.BiConsumer;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Plans of eclipses in their open format: JSON with a version. Places and rigs are told by their names; the rehearsal stays where it is. */
@Component
public class PlanFile {

    public static final String FORMAT = "half-dusk-eclipse-plan";
    public static final int VERSION = 1;

    /** Of cloud at a place on the day, percent. */
    public static final Range ODDS = new Range("odds of cloud", 0, 100, " %");

    private static final int MOST_CAMERAS = 40;
    private static final int MOST_ODDS = 500;
    private static final int LONGEST = 60;

    private final EclipsePlans plans;
    private final Places places;
    private final Kit kit;
    private final ObjectMapper json;

    PlanFile(EclipsePlans plans, Places places, Kit kit, ObjectMapper json) {
        this.plans = plans;
        this.places = places;
        this.kit = kit;
        this.json = json;
    }

    /** Knows places and rigs as they are now, for many plans of one file; of several that are alike the first of a file is the first that is stored. */
    public final class Reading {
        private final Map<String, List<Place>> known =
                places.all().stream().collect(Collectors.groupingBy(Place::name));
        private final List<NamedRig> rigs = kit.rigs();
        private final Twins<Kept> stored = new Twins<>(
                plans.briefs().stream()
                        .map(b -> new Kept(b.id(), whole(plans.stored(b.id()))))
                        .toList(),
                k -> likeness(k.whole.plan));

        /** Of that name, of several the one that lies there. */
        private Optional<Place> place(JsonNode n) {
            List<Place> named = known.getOrDefault(n.path("name").asText(), List.of());
            return named.stream()
                    .filter(p -> p.site().latitudeDeg() == n.path("latitude").asDouble(Double.NaN)
                            && p.site().longitudeDeg() == n.path("longitude").asDouble(Double.NaN))
                    .findFirst()
                    .or(() -> named.stream().findFirst());
        }

        private Optional<Place> place(String name) {
            return known.getOrDefault(name, List.of()).stream().findFirst();
        }
    }

    @Transactional(readOnly = true)
    public Reading reading() {
        return new Reading();
    }

    /** The same plan is the one of that eclipse at that place. */
    private static List<Object> likeness(EclipsePlans.Stored plan) {
        return List.of(plan.date(), plan.place().name());
    }

    /** As it is stored. */
    private record Kept(long id, Whole whole) {}

    /** All that belongs to a plan; cloud odds by the name of their place. */
    private record Whole(EclipsePlans.Stored plan, Map<String, Double> odds) {}

    /** All plans by their ids. */
    public void each(BiConsumer<Long, ObjectNode> taker) {
        for (EclipsePlans.Brief brief : plans.briefs()) {
            taker.accept(brief.id(), write(whole(plans.stored(brief.id()))));
        }
    }

    /** One plan. */
    public ObjectNode tree(long id) {
        return write(whole(plans.stored(id)));
    }

    private Whole whole(EclipsePlans.Stored p) {
        Map<String, Double> odds = new TreeMap<>();
        plans.cloudOdds(p.date())
                .forEach((place, percent) -> places.find(place).ifPresent(x -> odds.put(x.name(), percent)));
        return new Whole(p, odds);
    }

    private ObjectNode write(Whole w) {
        EclipsePlans.Stored p = w.plan;
        ObjectNode root = json.createObjectNode()
                .put("format", FORMAT)
                .put("version", VERSION)
                .put("date", p.date().toString());
        write(root.putObject("place"), p.place());
        if (p.other().isPresent()) {
            write(root.putObject("otherPlace"), p.other().get());
        } else {
            root.putNull("otherPlace");
        }
        ShapeJson.write(root, EclipseTerms.SHAPE, p.terms());
        ObjectNode odds = root.putObject("cloudOddsPercent");
        w.odds.forEach(odds::put);
        var all = root.putArray("cameras");
        p.cameras().forEach(c -> write(all.addObject(), c));
        return root;
    }

    private static void write(ObjectNode node, Place p) {
        node.put("name", p.name())
                .put("latitude", p.site().latitudeDeg())
                .put("longitude", p.site().longitudeDeg());
    }

    private static void write(ObjectNode node, PlanCamera c) {
        node.put("name", c.name())
                .put("rig", c.rig().name())
                .put("rigId", c.rig().id());
        ShapeJson.write(node, EclipseCamera.SHAPE, c.set());
        AimJson.fold(node).put("script", c.byHand().map(ScriptFile::write).orElse(null));
    }

    /** Compares a plan of a file with what is stored; stores it, in the caller's transaction, as far as it is wanted. */
    public Imported read(JsonNode root, Imported.Wanted wanted, Reading reading) {
        String name = Words.clipped(
                root.path("date").asText("?") + ", "
                        + root.path("place").path("name").asText("?"),
                LONGEST);
        List<String> problems = new ArrayList<>();
        Optional<Whole> read = read(root, reading, problems);
        if (read.isEmpty()) {
            return new Imported("eclipse plan", name, Imported.State.REFUSED, String.join(" ", problems));
        }
        Whole whole = read.get();
        Optional<Kept> stored = reading.stored.next(likeness(whole.plan));
        boolean equal = stored.map(k -> write(k.whole).equals(write(whole))).orElse(false);
        Imported.State state = Imported.State.of(stored.isPresent(), equal);
        if (wanted.stores(state)) {
            store(whole, stored.map(Kept::id), reading);
        }
        return Imported.of("eclipse plan", name, state);
    }

    private void store(Whole w, Optional<Long> stored, Reading reading) {
        EclipsePlans.Stored p = w.plan;
        long id = stored.orElseGet(() -> plans.add(p.place().id(), p.date()));
        plans.change(id, p.place().id(), p.other().map(Place::id), p.terms());
        plans.clearCameras(id);
        p.cameras().forEach(c -> plans.addCamera(id, c));
        w.odds.forEach((name, percent) ->
                reading.place(name).ifPresent(x -> plans.cloudOdds(x.id(), p.date(), Optional.of(percent))));
    }

    private Optional<Whole> read(JsonNode root, Reading reading, List<String> problems) {
        if (!FORMAT.equals(root.path("format").asText())) {
            problems.add("format: wanted is \"" + FORMAT + "\".");
            return Optional.empty();
        }
        if (root.path("version").asInt() != VERSION) {
            problems.add("version: this program knows version " + VERSION + ".");
            return Optional.empty();
        }
        LocalDate date = date(root.path("date").asText(""), problems);
        Optional<Place> here = named(root, "place", reading, problems);
        boolean kept = root.hasNonNull("otherPlace");
        Optional<Place> other = kept ? named(root, "otherPlace", reading, problems) : Optional.empty();
        if (date != null) {
            here.ifPresent(p -> seen(date, p, "place", problems));
            other.ifPresent(p -> seen(date, p, "otherPlace", problems));
        }
        Optional<EclipseTerms> terms =
                ShapeJson.foreign(EclipseTerms.SHAPE, root, (field, what) -> problems.add(field + ": " + what));
        Map<String, Double> odds = odds(root.path("cloudOddsPercent"), reading, problems);
        if (!problems.isEmpty()) {
            return Optional.empty();
        }
        Margins margins = terms.orElseThrow().margins();
        List<PlanCamera> all = cameras(root.path("cameras"), margins, reading, problems);
        return problems.isEmpty()
                ? Optional.of(
                        new Whole(new EclipsePlans.Stored(here.orElseThrow(), other, date, terms.get(), all), odds))
                : Optional.empty();
    }

    private static LocalDate date(String text, List<String> problems) {
        try {
            LocalDate date = LocalDate.parse(text);
            if (Form.NIGHTS.contains(date)) {
                return date;
            }
            problems.add("date: outside of the years that can be reckoned.");
        } catch (DateTimeException e) {
            problems.add("date: a date such as 2027-08-02.");
        }
        return null;
    }

    private static Optional<Place> named(JsonNode root, String field, Reading reading, List<String> problems) {
        String name = root.path(field).path("name").asText("");
        Optional<Place> found = reading.place(root.path(field));
        if (found.isEmpty()) {
            problems.add(field + ": no place here is called \u201c" + Words.clipped(name, LONGEST) + "\u201d.");
        }
        return found;
    }

    private static void seen(LocalDate date, Place place, String field, List<String> problems) {
        if (EclipsePlan.seen(date, place).isEmpty()) {
            problems.add(field + ": no eclipse of the sun is seen from there on " + date + ".");
        }
    }

    private static Map<String, Double> odds(JsonNode node, Reading reading, List<String> problems) {
        Map<String, Double> odds = new TreeMap<>();
        if (node.size() > MOST_ODDS) {
            problems.add("cloudOddsPercent: at most " + MOST_ODDS + ".");
            return odds;
        }
        node.properties().forEach(e -> {
            double percent = e.getValue().isNumber() ? e.getValue().asDouble() : Double.NaN;
            if (!ODDS.holds(percent)) {
                problems.add("cloudOddsPercent." + Words.clipped(e.getKey(), LONGEST) + ": a number, " + ODDS.allowed()
                        + ".");
            } else if (reading.place(e.getKey()).isPresent()) {
                odds.put(e.getKey(), percent);
            }
        });
        return odds;
    }

    private List<PlanCamera> cameras(JsonNode list, Margins margins, Reading reading, List<String> problems) {
        List<PlanCamera> all = new ArrayList<>();
        if (list.size() > MOST_CAMERAS) {
            problems.add("cameras: at most " + MOST_CAMERAS + "; these are " + list.size() + ".");
            return all;
        }
        for (int i = 0; i < list.size() && problems.size() < 5; i++) {
            JsonNode n = list.get(i);
            String where = "cameras[" + i + "].";
            Optional<NamedRig> rig = NamedRig.find(
                    reading.rigs, n.path("rig").asText(), n.path("rigId").asLong());
            if (rig.isEmpty()) {
                problems.add(where + "rig: no rig here is called \u201c"
                        + Words.clipped(n.path("rig").asText(), LONGEST) + "\u201d.");
                continue;
            }
            camera(n, rig.get(), margins, where, problems).ifPresent(all::add);
        }
        return all;
    }

    private static Optional<PlanCamera> camera(
            JsonNode n, NamedRig rig, Margins margins, String where, List<String> problems) {
        Role role = new Form()
                .put("role", n.path("role").asText())
                .choice("role", Role.class)
                .orElse(Role.CLOSE_UP);
        Optional<Script> byHand = Optional.empty();
        if (n.hasNonNull("script")) {
            ScriptFile.Read script = ScriptFile.read(n.path("script").asText());
            byHand = script.script();
            script.problems().stream().limit(3).forEach(p -> problems.add(where + "script: " + p));
        }
        Form form = new Form().put("name", n.path("name").asText(""));
        String name = form.text("name", "what you call it");
        form.errors().values().forEach(what -> problems.add(where + "name: " + what));
        try {
            EclipseCamera set = ShapeJson.foreign(EclipseCamera.SHAPE, whole(n, EclipseCamera.usual(rig.rig(), role)));
            return name == null
                    ? Optional.empty()
                    : Optional.of(new PlanCamera(0, name, rig, set.within(margins), byHand));
        } catch (IllegalArgumentException e) {
            problems.add(where + e.getMessage());
            return Optional.empty();
        }
    }

    /** What a file says of a camera, and what is usual where it is silent. */
    private static ObjectNode whole(JsonNode said, EclipseCamera usual) {
        ObjectNode all = ShapeJson.write(JsonNodeFactory.instance.objectNode(), EclipseCamera.SHAPE, usual);
        return all.setAll(AimJson.unfold(EclipseCamera.SHAPE, said));
    }
}
