package dev.halfdusk.app.outings;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.core.exposure.LightPainting;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Wish;
import java.time.LocalTime;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Subjects and wishes as they are stored: a key and numbers by name, with a version. */
@Component
class TakeJson {

    private static final int VERSION = 1;

    private final ObjectMapper json;

    TakeJson(ObjectMapper json) {
        this.json = json;
    }

    /** Short names of subjects for the database and addresses. */
    private static final Map<Class<? extends Subject>, String> KEYS = Map.of(
            Subject.MilkyWay.class, "milky-way",
            Subject.Arch.class, "panorama",
            Subject.Ground.class, "foreground",
            Subject.People.class, "portrait",
            Subject.Painting.class, "light-painting",
            Subject.Trails.class, "trails",
            Subject.Clip.class, "time-lapse",
            Subject.Free.class, "free");

    static String key(Subject s) {
        return KEYS.get(s.getClass());
    }

    String write(Subject s) {
        ObjectNode node = json.createObjectNode().put("version", VERSION);
        if (s instanceof Subject.MilkyWay m) {
            node.put("darks", m.darks());
        } else if (s instanceof Subject.Arch a) {
            node.put("overlap", a.overlap()).put("clickDeg", a.clickDeg()).put("settleSeconds", a.settleSeconds());
        } else if (s instanceof Subject.Ground g) {
            node.put("frames", g.frames()).put("longestSeconds", g.longestSeconds());
        } else if (s instanceof Subject.People p) {
            node.put("frames", p.frames());
        } else if (s instanceof Subject.Painting p) {
            node.put("lumen", p.lamp().lumen())
                    .put("beamDeg", p.lamp().beamDeg())
                    .put("distanceM", p.lamp().distanceM())
                    .put("areaM2", p.areaM2())
                    .put("iso", p.iso())
                    .put("tries", p.tries());
        } else if (s instanceof Subject.Trails t) {
            node.put("arcDeg", t.arcDeg())
                    .put("exposureSeconds", t.exposureSeconds())
                    .put("pauseSeconds", t.pauseSeconds())
                    .put("darks", t.darks());
        } else if (s instanceof Subject.Clip c) {
            node.put("clipSeconds", c.clipSeconds())
                    .put("perSecond", c.perSecond())
                    .put("intervalSeconds", c.intervalSeconds());
        } else if (s instanceof Subject.Free f) {
            node.put("what", f.what()).put("minutes", f.minutes()).put("hands", f.hands());
        }
        return node.toString();
    }

    Subject subject(String key, String text) {
        JsonNode n = tree(text);
        return switch (key) {
            case "milky-way" -> new Subject.MilkyWay(n.path("darks").asInt());
            case "panorama" ->
                new Subject.Arch(
                        n.path("overlap").asDouble(),
                        n.path("clickDeg").asDouble(),
                        n.path("settleSeconds").asDouble());
            case "foreground" ->
                new Subject.Ground(
                        n.path("frames").asInt(), n.path("longestSeconds").asDouble());
            case "portrait" -> new Subject.People(n.path("frames").asInt());
            case "light-painting" ->
                new Subject.Painting(
                        new LightPainting(
                                n.path("lumen").asDouble(),
                                n.path("beamDeg").asDouble(),
                                n.path("distanceM").asDouble()),
                        n.path("areaM2").asDouble(),
                        n.path("iso").asInt(),
                        n.path("tries").asInt());
            case "trails" ->
                new Subject.Trails(
                        n.path("arcDeg").asDouble(),
                        n.path("exposureSeconds").asDouble(),
                        n.path("pauseSeconds").asDouble(),
                        n.path("darks").asInt());
            case "time-lapse" ->
                new Subject.Clip(
                        n.path("clipSeconds").asDouble(),
                        n.path("perSecond").asDouble(),
                        n.path("intervalSeconds").asDouble());
            default ->
                new Subject.Free(
                        n.path("what").asText(),
                        n.path("minutes").asInt(),
                        n.path("hands").asBoolean());
        };
    }

    String write(Wish w) {
        ObjectNode node = json.createObjectNode()
                .put("version", VERSION)
                .put("kind", w.kind().key());
        w.from().ifPresent(t -> node.put("from", t.toString()));
        w.to().ifPresent(t -> node.put("to", t.toString()));
        if (!w.mark().isEmpty()) {
            node.put("mark", w.mark());
        }
        return node.toString();
    }

    Wish wish(String text) {
        JsonNode n = tree(text);
        return new Wish(
                Wish.Kind.valueOf(
                        n.path("kind").asText().toUpperCase(Locale.ROOT).replace('-', '_')),
                clock(n, "from"),
                clock(n, "to"),
                n.path("mark").asText(""));
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
