package dev.halfdusk.app.kit;

import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Rig;
import java.util.List;
import java.util.Optional;

/**
 * A body, a lens and gear under a name.
 *
 * @param id null until stored
 */
public record NamedRig(Long id, String name, NamedBody body, NamedLens lens, List<NamedGear> gear) {

    /** @throws IllegalArgumentException saying why these cannot be put together */
    public Rig rig() {
        return Rig.of(
                body.camera(), lens.lens(), gear.stream().map(NamedGear::gear).toList());
    }

    /** The first of a sort that goes with it. */
    public <T extends Gear> Optional<T> first(Class<T> sort) {
        return gear.stream()
                .map(NamedGear::gear)
                .filter(sort::isInstance)
                .map(sort::cast)
                .findFirst();
    }

    /** All of it, grams. */
    public double weightG() {
        return rig().weightG() + gear.stream().mapToDouble(NamedGear::weightG).sum();
    }
}
