package dev.halfdusk.app.kit;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.app.web.Upload;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
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
    private static final int VERSION = 2;
    /** In version 1 gear had a mode, an amount and a detail, whatever it was. */
    private static final int UNTYPED_GEAR = 1;

    private static final int MOST = 500;

    private final Kit kit;
    private final BodyPart bodies;
    private final LensPart lenses;
    private final GearPart gear;
    private final RigPart rigs;
    private final ObjectMapper json;

    KitFiles(Kit kit, BodyPart bodies, LensPart lenses, GearPart gear, RigPart rigs, ObjectMapper json) {
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
        write(root.putArray("bodies"), bodies);
        write(root.putArray("lenses"), lenses);
        write(root.putArray("gear"), gear);
        ArrayNode list = root.putArray("rigs");
        kit.rigs().forEach(r -> list.add(json.valueToTree(rigs.named(r))));
        return root;
    }

    private static void write(ArrayNode list, KitSection part) {
        part.all().values().forEach(form -> {
            ObjectNode item = list.addObject();
            part.names().forEach(name -> item.put(name, form.value(name)));
        });
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
        if (version != VERSION && version != UNTYPED_GEAR) {
            throw new IllegalArgumentException(
                    "Version " + root.path("version").asText() + " of the format is not known here; 1 and 2 are.");
        }
        if (version == UNTYPED_GEAR) {
            root.path("gear").forEach(KitFiles::typed);
        }
        List<Imported> items = new ArrayList<>();
        read(root.path("bodies"), "Body", bodies, replace, items);
        read(root.path("lenses"), "Lens", lenses, replace, items);
        read(root.path("gear"), "Gear", gear, replace, items);
        readRigs(root.path("rigs"), replace, items);
        return List.copyOf(items);
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

    private void read(JsonNode list, String what, KitSection part, boolean replace, List<Imported> items) {
        Map<String, Map.Entry<Long, Form>> known = byName(part);
        Set<String> seen = new HashSet<>();
        int number = 0;
        for (JsonNode item : list) {
            number++;
            limit(number);
            Form form = new Form();
            part.names().forEach(name -> form.put(name, item.path(name).asText("")));
            if (seen.add(form.value("name"))) {
                Map.Entry<Long, Form> stored = known.get(form.value("name"));
                boolean same = stored != null
                        && part.names().stream()
                                .allMatch(n -> stored.getValue().value(n).equals(form.value(n)));
                store(what, number, part, form, stored == null ? null : stored.getKey(), same, replace, items);
            }
        }
    }

    private static Map<String, Map.Entry<Long, Form>> byName(KitSection part) {
        return part.all().entrySet().stream()
                .collect(Collectors.toMap(e -> e.getValue().value("name"), e -> e, (a, b) -> a));
    }

    private static void store(
            String what,
            int number,
            KitSection part,
            Form form,
            Long stored,
            boolean same,
            boolean replace,
            List<Imported> items) {
        if (stored == null || !same && replace) {
            part.check(form);
            refuse(what + " " + number, form);
            part.save(form, stored);
        }
        Imported.State state = Imported.State.of(stored != null, same);
        items.add(Imported.of(what.toLowerCase(Locale.ROOT), form.value("name"), state));
    }

    private void readRigs(JsonNode list, boolean replace, List<Imported> items) {
        Map<String, Long> bodyIds = ids(kit.bodies(), NamedBody::name, NamedBody::id);
        Map<String, Long> lensIds = ids(kit.lenses(), NamedLens::name, NamedLens::id);
        Map<String, Long> gearIds = ids(kit.gear(), NamedGear::name, NamedGear::id);
        Map<String, NamedRig> known =
                kit.rigs().stream().collect(Collectors.toMap(NamedRig::name, r -> r, (a, b) -> a));
        Set<String> seen = new HashSet<>();
        int number = 0;
        for (JsonNode item : list) {
            number++;
            limit(number);
            Form form = new Form().put("name", item.path("name").asText(""));
            form.put("body", bodyIds.get(item.path("body").asText()));
            form.put("lens", lensIds.get(item.path("lens").asText()));
            List<String> missing = new ArrayList<>();
            for (JsonNode name : item.path("gear")) {
                Long id = gearIds.get(name.asText());
                if (id == null) {
                    missing.add(name.asText());
                } else {
                    form.put("gear-" + id, "on");
                }
            }
            NamedRig stored = known.get(form.value("name"));
            if (stored == null && !missing.isEmpty()) {
                throw new IllegalArgumentException(
                        "Rig " + number + ": there is no gear named " + String.join(", ", missing) + ".");
            }
            if (seen.add(form.value("name"))) {
                boolean same =
                        stored != null && json.valueToTree(rigs.named(stored)).equals(item);
                store("Rig", number, rigs, form, stored == null ? null : stored.id(), same, replace, items);
            }
        }
    }

    private static <T> Map<String, Long> ids(List<T> things, Function<T, String> name, Function<T, Long> id) {
        return things.stream().collect(Collectors.toMap(name, id, (a, b) -> a));
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
