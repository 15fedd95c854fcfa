package dev.halfdusk.core.outing;

import dev.halfdusk.core.take.Take;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** What may hurt someone in a night: at this place, with these subjects, and everywhere. */
public final class Cautions {

    /** What everyone should read before going out at night. */
    public static final List<String> GENERAL = List.of(
            "Do not go alone to remote ground; tell someone where you are and when you will be back.",
            "See the ground by day: drops, water, tide, loose rock, roads, animals.",
            "Know the tide and the weather, and set a time to turn back.",
            "Private land and closed sites need permission; local rules and local people know better than this sheet.");

    private Cautions() {}

    /**
     * @param here of the place, in whole sentences
     */
    public static List<String> of(List<String> here, List<Take> takes) {
        Set<String> all = new LinkedHashSet<>(here);
        takes.forEach(t -> all.addAll(t.subject().cautions()));
        all.addAll(GENERAL);
        return List.copyOf(new ArrayList<>(all));
    }
}
