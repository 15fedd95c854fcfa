package dev.halfdusk.app.web;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Dark;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.night.Sight;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** What is asked of the sky, as fields: what one comes for, how dark, how high. */
public final class AskedSky {

    public static final List<String> FIELDS = List.of("sight", "named", "dark", "depth", "sky", "least");

    private static final String OTHER = "other";
    private static final String DEPTH = "depth";
    private static final String SKY = "sky";
    public static final Range ZENITH = new Range("sky", 16, 21.9, " mag/arcsec\u00b2");

    /** Whole depths that have a line of their own. */
    private static final Map<String, String> DEPTHS = depths();

    private AskedSky() {}

    private static Map<String, String> depths() {
        Map<String, String> all = new LinkedHashMap<>();
        all.put("18", "no twilight: sun 18\u00b0 down");
        all.put("15", "almost: sun 15\u00b0 down");
        all.put("12", "nautical: sun 12\u00b0 down");
        all.put(Dark.DEEPEST.key(), Dark.DEEPEST.words());
        return all;
    }

    /** Sights to choose from, and another by its name. */
    public static List<Choice> sights() {
        List<Choice> all = new ArrayList<>();
        Sight.ALL.forEach(s -> all.add(new Choice(s.key(), s.title())));
        all.add(new Choice(OTHER, "another, by name"));
        return all;
    }

    /** Darknesses to choose from; by the sky's brightness only where one place's sky is meant. */
    public static List<Choice> darknesses() {
        List<Choice> all = new ArrayList<>();
        DEPTHS.forEach((key, words) -> all.add(new Choice(key, words)));
        all.add(new Choice(DEPTH, "the sun so deep \u2026"));
        all.add(new Choice(SKY, "a sky so dark \u2026"));
        return all;
    }

    /** What is not said is as usual. */
    public static Form begin(Form form) {
        return form.allows("depth", Dark.DEPRESSION)
                .allows("sky", ZENITH)
                .allows("least", NightRules.LEAST_ALTITUDE)
                .putIfEmpty("sight", Asked.USUAL.sight().key())
                .putIfEmpty("dark", Asked.USUAL.dark().key())
                .putIfEmpty("depth", "18")
                .putIfEmpty("sky", "20.5")
                .putIfEmpty("least", Numbers.plain(Asked.USUAL.leastAltitudeDeg()));
    }

    /** The fields of what was asked. */
    public static Form fill(Form form, Asked asked) {
        boolean own = Sight.ALL.contains(asked.sight());
        boolean listed = DEPTHS.containsKey(asked.dark().key());
        form.put("sight", own ? asked.sight().key() : OTHER)
                .put("named", own ? "" : asked.sight().typed())
                .put("dark", listed ? asked.dark().key() : DEPTH)
                .put("depth", Numbers.plain(asked.dark().sunDepressionDeg(), 2))
                .put("least", Numbers.plain(asked.leastAltitudeDeg()));
        return begin(form);
    }

    /** Empty where the form now holds complaints. */
    public static Optional<Asked> read(Form form, SkyGlow glow) {
        Optional<Sight> sight = sight(form);
        Optional<Dark> dark = dark(form, glow);
        OptionalDouble least = form.number("least", NightRules.LEAST_ALTITUDE);
        return sight.isEmpty() || dark.isEmpty() || least.isEmpty()
                ? Optional.empty()
                : Optional.of(new Asked(sight.get(), dark.get(), least.getAsDouble()));
    }

    /** What one comes for; empty after a complaint. A key of any sight may stand for itself. */
    public static Optional<Sight> sight(Form form) {
        boolean other = form.value("sight").equals(OTHER);
        Optional<Sight> sight = Sight.of(form.value(other ? "named" : "sight"));
        if (sight.isEmpty()) {
            form.reject(
                    other ? "named" : "sight",
                    other
                            ? "Enter a bright star (Vega), a figure by its three letters (Lyr), a shower (Perseids), or azimuth, altitude (180, 40)."
                            : "Choose one of the list.");
        } else if (!other && !Sight.ALL.contains(sight.get())) {
            form.put("named", sight.get().typed()).put("sight", OTHER);
        }
        return sight;
    }

    /** How dark; empty after a complaint. */
    public static Optional<Dark> dark(Form form, SkyGlow glow) {
        switch (form.value("dark")) {
            case DEPTH -> {
                OptionalDouble depth = form.number("depth", Dark.DEPRESSION);
                return depth.isEmpty() ? Optional.empty() : Optional.of(Dark.sun(depth.getAsDouble()));
            }
            case SKY -> {
                OptionalDouble magnitude = form.number("sky", ZENITH);
                if (magnitude.isEmpty()) {
                    return Optional.empty();
                }
                Optional<Dark> dark = Dark.sky(magnitude.getAsDouble(), glow);
                if (dark.isEmpty()) {
                    form.reject(
                            "sky",
                            "Its darkest is " + Words.number(Dark.darkest(glow), 2)
                                    + " mag/arcsec\u00b2: enter less, or find darker ground.");
                }
                return dark;
            }
            default -> {
                Optional<Dark> dark = Dark.of(form.value("dark"));
                if (dark.isEmpty()) {
                    form.reject("dark", "Choose one of the list.");
                } else if (!DEPTHS.containsKey(dark.get().key())) {
                    form.put("depth", dark.get().key()).put("dark", DEPTH);
                }
                return dark;
            }
        }
    }

    /** The fields of what is not as usual. */
    public static Map<String, String> changed(Asked asked) {
        return changed(fill(new Form(), asked));
    }

    private static Map<String, String> changed(Form form) {
        Form usual = fill(new Form(), Asked.USUAL);
        Map<String, String> changed = new LinkedHashMap<>();
        FIELDS.stream()
                .filter(f -> !form.value(f).equals(usual.value(f)))
                .filter(f ->
                        !List.of(DEPTH, SKY).contains(f) || form.value("dark").equals(f))
                .forEach(f -> changed.put(f, form.value(f)));
        return changed;
    }

    /** The same for an address that has a query already: "&sight=cygnus&dark=deepest". */
    public static String query(Asked asked) {
        return query(fill(new Form(), asked));
    }

    /** Of what was typed, as it was typed. */
    public static String query(Form form) {
        Map<String, String> changed = changed(form);
        return changed.isEmpty() ? "" : "&" + Address.query(Form.of(changed), changed.keySet(), "");
    }
}
