package dev.halfdusk.app.kit;

import dev.halfdusk.core.optics.Gear;

/**
 * Something that goes along with body and lens, under the name its owner gave it.
 *
 * @param id null until stored
 */
public record NamedGear(Long id, String name, double weightG, Gear gear, String note) {

    public Gear.Sort sort() {
        return gear.sort();
    }
}
