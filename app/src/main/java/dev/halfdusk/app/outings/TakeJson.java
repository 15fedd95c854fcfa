package dev.halfdusk.app.outings;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Dark;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Subject.Parameter;
import dev.halfdusk.core.take.Subjects;
import dev.halfdusk.core.take.Wish;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Subjects and wishes as they are stored and exchanged: a key and numbers by name, with a version where they stand alone. */
@Component
public class TakeJson {

    private static final String VERSION = "version";
    private static final int VERSION_NOW = 1;

    private final ObjectMapper json;

    TakeJson(ObjectMapper json) {
        this.json = json;
    }

    String write(Subject s) {
        ObjectNode node = json.createObjectNode().put(VERSION, VERSION_NOW);
        return node.setAll(parameters(s)).toString();
    }

    /** Its parameters by their names. */
    public ObjectNode parameters(Subject s) {
        ObjectNode node = json.createObjectNode();
        List<Parameter> names = s.kind().parameters();
        List<Double> values = s.values();
        for (int i = 0; i < names.size(); i++) {
            switch (names.get(i).sort()) {
                case YES_NO -> node.put(names.get(i).name(), values.get(i) != 0);
                case WHOLE -> node.put(names.get(i).name(), values.get(i).longValue());
                default -> node.put(names.get(i).name(), values.get(i));
            }
        }
        return node;
    }

    Subject subject(String key, String text) {
        Subject.Kind kind =
                Subjects.of(key).orElseThrow(() -> new IllegalStateException("a stored take is of no known subject"));
        return subject(kind, tree(text));
    }

    /**
     * A missing parameter is as one begins with it.
     *
     * @throws dev.halfdusk.core.measure.OutOfRange for a number that may not be
     * @throws IllegalArgumentException for what is no number at all
     */
    public Subject subject(Subject.Kind kind, JsonNode n) {
        List<Double> values = new ArrayList<>();
        for (Parameter p : kind.parameters()) {
            JsonNode v = n.path(p.name());
            if (!v.isMissingNode() && !v.isNumber() && !v.isBoolean()) {
                throw new IllegalArgumentException(p.name() + " is not a number");
            }
            values.add(v.isBoolean() ? v.asBoolean() ? 1.0 : 0.0 : v.asDouble(p.usual()));
        }
        return kind.of(values);
    }

    String write(Wish w) {
        ObjectNode node = json.createObjectNode().put(VERSION, VERSION_NOW);
        return node.setAll(node(w)).toString();
    }

    public ObjectNode node(Wish w) {
        ObjectNode node = json.createObjectNode().put("kind", w.kind().key());
        w.from().ifPresent(t -> node.put("from", t.toString()));
        w.to().ifPresent(t -> node.put("to", t.toString()));
        w.mark().ifPresent(m -> node.put("mark", m.name()).put("markId", m.id().text()));
        return write(w.asked(), node);
    }

    /** What is as usual is not written. */
    private static ObjectNode write(Asked asked, ObjectNode node) {
        Asked usual = Asked.USUAL;
        if (!asked.sight().equals(usual.sight())) {
            node.put("sight", asked.sight().key());
        }
        if (!asked.dark().equals(usual.dark())) {
            node.put("darkness", asked.dark().key());
        }
        if (asked.leastAltitudeDeg() != usual.leastAltitudeDeg()) {
            node.put("leastAltitude", asked.leastAltitudeDeg());
        }
        return node;
    }

    Wish wish(String text) {
        return wish(tree(text));
    }

    /** @throws IllegalArgumentException for a wish that is none, or that lacks its time or mark */
    public Wish wish(JsonNode n) {
        Wish.Kind kind = Wish.Kind.of(n.path("kind").asText())
                .orElseThrow(() -> new IllegalArgumentException("no wish is called so"));
        return Wish.of(kind, clock(n, "from"), clock(n, "to"), mark(n), asked(n));
    }

    private static Asked asked(JsonNode n) {
        Asked usual = Asked.USUAL;
        Sight sight = Sight.of(n.path("sight").asText(usual.sight().key()))
                .orElseThrow(() -> new IllegalArgumentException("nothing in the sky is called so"));
        Dark dark = Dark.of(n.path("darkness").asText(usual.dark().key()))
                .orElseThrow(() -> new IllegalArgumentException(
                        "darkness is the depth of the sun, " + Dark.DEPRESSION.allowed() + ", or \"deepest\""));
        return new Asked(sight, dark, n.path("leastAltitude").asDouble(usual.leastAltitudeDeg()));
    }

    /** Files of before know a mark by its name alone. */
    private static Optional<Named> mark(JsonNode n) {
        String name = n.path("mark").asText("");
        return name.isBlank()
                ? Optional.empty()
                : Optional.of(new Named(new Id(n.path("markId").asText(name)), name));
    }

    private static Optional<LocalTime> clock(JsonNode n, String field) {
        return n.has(field) ? Optional.of(LocalTime.parse(n.path(field).asText())) : Optional.empty();
    }

    private JsonNode tree(String text) {
        try {
            return json.readTree(text);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("a stored take is no JSON", e);
        }
    }
}
