package dev.halfdusk.app.setup;

import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import java.util.List;

/** What a setup can be made of. */
public record Choices(List<NamedRig> rigs, List<Place> places) {

    /** Whether there is a rig and a place to choose. */
    public boolean enough() {
        return !rigs.isEmpty() && !places.isEmpty();
    }
}
