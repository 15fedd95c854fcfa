package dev.halfdusk.app.web;

import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.take.Caution;
import dev.halfdusk.core.take.Take;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** What may hurt someone, in sentences: at a place, with its subjects, and everywhere. */
public final class CautionWords {

    /** Wherever the sun is photographed. */
    public static final String SUN =
            "Never look at the sun through optics or with bare eyes without certified solar protection. Official guidance and local experts come first.";

    /** What everyone should read before going out at night. */
    public static final List<String> GENERAL = List.of(
            "Do not go alone to remote ground; tell someone where you are and when you will be back.",
            "See the ground by day: drops, water, tide, loose rock, roads, animals.",
            "Know the tide and the weather, and set a time to turn back.",
            "Private land and closed sites need permission; local rules and local people know better than this sheet.");

    private CautionWords() {}

    /** @param here of the places, in whole sentences */
    public static List<String> of(List<String> here, List<Take> takes) {
        Set<String> all = new LinkedHashSet<>(here);
        takes.forEach(t -> t.subject().cautions().forEach(c -> all.add(words(c))));
        all.addAll(GENERAL);
        return List.copyOf(all);
    }

    public static String words(Caution c) {
        return c instanceof Caution.ClearDistance d ? words(d) : words((Caution.Known) c);
    }

    private static String words(Caution.Known c) {
        return switch (c) {
            case SUN_THROUGH_OPTICS -> SUN;
            case FILTER_STAYS ->
                "The solar filter stays on outside totality; in a partial or annular eclipse it never comes off.";
            case MOON_DAZZLES -> "A bright moon in a telescope dazzles: you will not see the ground for some minutes.";
            case TRAFFIC ->
                "Traffic: stand off the road and be seen; never on tracks, a hard shoulder or an unlit verge.";
            case EDGES -> "Harbours and bridges: mind the edge, ropes and other people's ground.";
            case LED_WITH_A_LAMP ->
                "Whoever stands for you cannot see the ground: lead them there and back with a lamp.";
            case GROUND_TO_PAINT ->
                "Walk the ground you will paint by daylight; never shine into eyes, roads or boats.";
            case SHELLS ->
                "Never go to a shell that did not burst. Falling debris and noise: stand upwind, protect eyes and ears."
                        + " No drone near a display.";
        };
    }

    private static String words(Caution.ClearDistance d) {
        String clear = Numbers.fixed(d.clearM(), 0) + " m for shells of " + Numbers.trimmed(d.shellMm(), 0) + " mm";
        return d.near()
                ? "At " + Numbers.fixed(d.nearestM(), 0) + " m this is inside the usual clear distance, " + clear
                        + ": stand farther off. The organiser's cordon and local rules decide."
                : "The usual clear distance is " + clear
                        + "; the organiser's cordon and local rules decide where you stand.";
    }
}
