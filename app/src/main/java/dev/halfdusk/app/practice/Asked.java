package dev.halfdusk.app.practice;

import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.practice.Control;
import dev.halfdusk.core.practice.Dials;
import dev.halfdusk.core.practice.Lesson;
import dev.halfdusk.core.practice.Outfit;
import dev.halfdusk.core.practice.Stage;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A camera before a stage, as an address says.
 *
 * @param rig one's own; empty for the lesson's outfit
 * @param rigs of one's own that would do
 */
record Asked(Lesson lesson, Stage stage, Outfit outfit, Optional<NamedRig> rig, List<NamedRig> rigs, Dials dials) {

    static final String RIG = "rig";

    /** How it is set, by key: what may be turned alone. */
    Map<String, String> set() {
        return lesson.turned().stream()
                .collect(Collectors.toMap(Control::key, this::said, (a, b) -> a, LinkedHashMap::new));
    }

    private String said(Control c) {
        return c.aims() ? Numbers.plain(dials.value(c), 3) : dials.label(c);
    }

    Asked with(Dials other) {
        return new Asked(lesson, stage, outfit, rig, rigs, other);
    }

    /** The same as the query of an address. */
    String query() {
        Stream<String> own = rig.map(r -> RIG + "=" + r.id()).stream();
        return Stream.concat(
                        own,
                        set().entrySet().stream()
                                .map(e -> e.getKey() + "=" + URLEncoder.encode(e.getValue(), StandardCharsets.UTF_8)))
                .collect(Collectors.joining("&"));
    }
}
