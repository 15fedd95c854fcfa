package dev.halfdusk.core.take;

import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Rig;
import java.util.Optional;

/**
 * A rig under the name its owner gave it, and what feeds it.
 *
 * @param rigged the rig as its owner knows it
 * @param body rigs of one body cannot be used at one time
 * @param battery that goes with it, where that is known
 * @param card that goes with it, where that is known
 */
public record NamedCamera(Named rigged, Named body, Rig rig, Optional<Gear.Battery> battery, Optional<Gear.Card> card) {

    /** With a body of its own, of whose battery and card nothing is known. */
    public static NamedCamera of(String name, Rig rig) {
        return new NamedCamera(Named.of(name), Named.of(name), rig, Optional.empty(), Optional.empty());
    }

    public Id id() {
        return rigged.id();
    }

    public String name() {
        return rigged.name();
    }

    public NamedCamera with(Gear.Battery other) {
        return new NamedCamera(rigged, body, rig, Optional.of(other), card);
    }

    public NamedCamera with(Gear.Card other) {
        return new NamedCamera(rigged, body, rig, battery, Optional.of(other));
    }
}
