package dev.halfdusk.app.kit;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.app.web.Upload;
import dev.halfdusk.core.take.Decision;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * The kit as JSON: lists of bodies, lenses, gear and rigs with the same fields as their forms. What has the name of
 * something stored is passed over; a file is taken whole or not at all.
 */
@Component
public class KitFiles {

    static final String FORMAT = "half-dusk-kit";
    /** Until version 2 all fields were texts, and rigs knew their parts by name alone. */
    public static final int VERSION = 3;
    /** In version 1 gear had a mode, an amount and a detail, whatever it was. */
    private static final int UNTYPED_GEAR = 1;

    private static final int MOST = 500;

    private final Kit kit;
    private final BodyPart bodies;
    private final LensPart lenses;
    private final GearPart gear;
    private final RigPart rigs;
    private final UsualDecision usual;
    private final ObjectMapper json;

    KitFiles(
            Kit kit,
            BodyPart bodies,
            LensPart lenses,
            GearPart gear,
            RigPart rigs,
            UsualDecision usual,
            ObjectMapper json) {
        this.usual = usual;
        this.kit = kit;
        this.bodies = bodies;
        this.lenses = lenses;
        this.gear = gear;
        this.rigs = rigs;
        this.json = json;
    }

    String write() {
        return tree().toPrettyString();
    }

    /** All of the kit. */
    public ObjectNode tree() {
        ObjectNode root = json.createObjectNode().put("format", FORMAT).put("version", VERSION);
        kit.bodies().forEach(b -> write(root.withArray("/bodies"), b));
        kit.lenses().forEach(l -> write(root.withArray("/lenses"), l));
        kit.gear().forEach(g -> write(root.withArray("/gear"), g));
        kit.rigs().forEach(r -> write(root.withArray("/rigs"), r));
        ShapeJson.write(root.putObject("usually"), Decision.SHAPE, usual.get());
        return root;
    }

    private static <T> ObjectNode write(ArrayNode list, KitThing<T> thing) {
        return KeptRig.put(list.addObject().put("id", "" + thing.id()), thing).put("note", thing.note());
    }

    private static void write(ArrayNode list, NamedRig rig) {
        ObjectNode item = list.addObject().put("id", "" + rig.id()).put("name", rig.name());
        part(item.putObject("body"), rig.body());
        part(item.putObject("lens"), rig.lens());
        ArrayNode gear = item.putArray("gear");
        rig.gear().forEach(g -> part(gear.addObject(), g));
        item.put("own", rig.own());
    }

    private static void part(ObjectNode item, KitThing<?> thing) {
        item.put("id", "" + thing.id()).put("name", thing.name());
    }

    /**
     * Stores what is new.
     *
     * @return how many things were stored
     * @throws IllegalArgumentException naming the item and what is wrong with it
     */
    @Transactional
    public int read(String text) {
        JsonNode root;
        try {
            root = json.readTree(text);
        } catch (JsonProcessingException e) {
            throw new IllegalArgumentException(Upload.notJson(e), e);
        }
        return (int) read(root, false).stream()
                .filter(i -> i.state() == Imported.State.NEW)
                .count();
    }

    /**
     * Stores what is new, and what has changed where that is wanted.
     *
     * @throws IllegalArgumentException naming the item and what is wrong with it
     */
    @Transactional
    public List<Imported> read(JsonNode root, boolean replace) {
        if (root == null || !FORMAT.equals(root.path("format").asText())) {
            throw new IllegalArgumentException("Wanted: a file with \"format\": \"" + FORMAT + "\".");
        }
        int version = root.path("version").asInt();
        if (version < UNTYPED_GEAR || version > VERSION) {
            throw new IllegalArgumentException("Version " + root.path("version").asText()
                    + " of the format is not known here; 1 to " + VERSION + " are.");
        }
        if (version == UNTYPED_GEAR) {
            root.path("gear").forEach(KitFiles::typed);
        }
        List<Imported> items = new ArrayList<>();
        boolean strict = version == VERSION;
        Parts bodyIds = read(root.path("bodies"), "Body", bodies, strict, replace, items);
        Parts lensIds = read(root.path("lenses"), "Lens", lenses, strict, replace, items);
        Parts gearIds = read(root.path("gear"), "Gear", gear, strict, replace, items);
        readRigs(root.path("rigs"), bodyIds, lensIds, gearIds, replace, items);
        readUsual(root.path("usually"), replace, items);
        return List.copyOf(items);
    }

    /** The stored things of a sort, by the numbers that a file gives them and by name. */
    private record Parts(Map<String, Long> byId, Map<String, Long> byName) {

        Long find(JsonNode part) {
            Long id = byId.get(part.path("id").asText());
            return id != null ? id : byName.get(name(part));
        }

        static String name(JsonNode part) {
            return part.isObject() ? part.path("name").asText() : part.asText();
        }
    }

    /** Names the numbers of a piece of gear by what they count. */
    private static void typed(JsonNode item) {
        if (item instanceof ObjectNode gear) {
            JsonNode amount = gear.path("amount");
            JsonNode detail = gear.path("detail");
            switch (gear.path("kind").asText().toUpperCase(Locale.ROOT)) {
                case "SUPPORT" -> set(gear, "support", gear.path("mode"), "error", amount);
                case "TELECONVERTER" -> gear.set("factor", amount);
                case "FILTER" -> gear.set("stops", amount);
                case "BATTERY" -> set(gear, "frames", amount, "minutes", detail);
                case "CARD" -> set(gear, "gigabytes", amount, "writeSpeed", detail);
                case "RELEASE" -> gear.set("release", gear.path("mode"));
                default -> {
                    // nothing to count
                }
            }
        }
    }

    private static void set(ObjectNode gear, String first, JsonNode one, String second, JsonNode other) {
        gear.set(first, one);
        gear.set(second, other);
    }

    /** Of several with one name the first of the file is the first of those stored, and so on. */
    private static Parts read(
            JsonNode list, String what, KitSection part, boolean strict, boolean replace, List<Imported> items) {
        Map<String, List<Map.Entry<Long, Form>>> known = part.all().entrySet().stream()
                .collect(Collectors.groupingBy(e -> e.getValue().value("name")));
        Map<String, Integer> seen = new HashMap<>();
        Parts parts = new Parts(new HashMap<>(), new HashMap<>());
        known.forEach((name, all) -> parts.byName.put(name, all.get(0).getKey()));
        int number = 0;
        for (JsonNode item : list) {
            number++;
            limit(number);
            if (strict) {
                typed(what + " " + number, part, item);
            }
            Form form = new Form();
            part.names().forEach(name -> form.put(name, item.path(name).asText("")));
            String name = form.value("name");
            List<Map.Entry<Long, Form>> ofName = known.getOrDefault(name, List.of());
            int nth = seen.merge(name, 1, Integer::sum) - 1;
            Map.Entry<Long, Form> stored = nth < ofName.size() ? ofName.get(nth) : null;
            part.check(form);
            boolean same = stored != null
                    && part.names().stream()
                            .allMatch(n -> stored.getValue().value(n).equals(form.value(n)));
            Long id = store(what, number, part, form, stored == null ? null : stored.getKey(), same, replace, items);
            parts.byName.putIfAbsent(name, id);
            parts.byId.put(item.path("id").asText("?"), id);
        }
        return parts;
    }

    private static void typed(String where, KitSection part, JsonNode item) {
        try {
            part.shape(item.path("kind").asText()).ifPresent(s -> ShapeJson.check(s, item));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(where + ", " + e.getMessage(), e);
        }
    }

    private static Long store(
            String what,
            int number,
            KitSection part,
            Form form,
            Long stored,
            boolean same,
            boolean replace,
            List<Imported> items) {
        Long id = stored;
        if (stored == null || !same && replace) {
            refuse(what + " " + number, form);
            id = part.save(form, stored);
        }
        Imported.State state = Imported.State.of(stored != null, same);
        items.add(Imported.of(what.toLowerCase(Locale.ROOT), form.value("name"), state));
        return id;
    }

    private void readRigs(
            JsonNode list, Parts bodyIds, Parts lensIds, Parts gearIds, boolean replace, List<Imported> items) {
        Map<String, List<NamedRig>> known = kit.rigs().stream().collect(Collectors.groupingBy(NamedRig::name));
        Map<String, Integer> seen = new HashMap<>();
        int number = 0;
        for (JsonNode item : list) {
            number++;
            limit(number);
            Form form = new Form().put("name", item.path("name").asText(""));
            form.put("body", bodyIds.find(item.path("body")));
            form.put("lens", lensIds.find(item.path("lens")));
            form.put("own", item.path("own").asBoolean(true) ? "on" : "");
            List<String> missing = new ArrayList<>();
            Set<Long> parts = new HashSet<>();
            for (JsonNode part : item.path("gear")) {
                Long id = gearIds.find(part);
                if (id == null) {
                    missing.add(Parts.name(part));
                } else {
                    form.put(RigPart.GEAR + id, "on");
                    parts.add(id);
                }
            }
            String name = form.value("name");
            List<NamedRig> ofName = known.getOrDefault(name, List.of());
            int nth = seen.merge(name, 1, Integer::sum) - 1;
            NamedRig stored = nth < ofName.size() ? ofName.get(nth) : null;
            if (stored == null && !missing.isEmpty()) {
                throw new IllegalArgumentException(
                        "Rig " + number + ": there is no gear named " + String.join(", ", missing) + ".");
            }
            boolean same = stored != null
                    && missing.isEmpty()
                    && form.has("own") == stored.own()
                    && form.value("body").equals("" + stored.body().id())
                    && form.value("lens").equals("" + stored.lens().id())
                    && parts.equals(stored.gear().stream().map(NamedGear::id).collect(Collectors.toSet()));
            rigs.check(form);
            store("Rig", number, rigs, form, stored == null ? null : stored.id(), same, replace, items);
        }
    }

    /** Taken where nothing is decided here yet. */
    private void readUsual(JsonNode said, boolean replace, List<Imported> items) {
        if (!said.isObject()) {
            return;
        }
        Decision decision = ShapeJson.foreign(Decision.SHAPE, said);
        boolean known = !usual.get().equals(Decision.NONE);
        boolean same = usual.get().equals(decision);
        if (!same && (replace || !known)) {
            usual.keep(decision);
        }
        if (!decision.equals(Decision.NONE)) {
            items.add(Imported.of("usual decisions", "of takes of stars", Imported.State.of(known, same)));
        }
    }

    private static void limit(int number) {
        if (number > MOST) {
            throw new IllegalArgumentException("At most " + MOST + " of each sort.");
        }
    }

    private static void refuse(String where, Form form) {
        form.errors().entrySet().stream().findFirst().ifPresent(e -> {
            throw new IllegalArgumentException(where + ", " + e.getKey() + ": " + e.getValue());
        });
    }
}
