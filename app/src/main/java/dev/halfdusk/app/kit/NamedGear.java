package dev.halfdusk.app.kit;

import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.optics.Gear;

/**
 * Something that goes along with body and lens, under the name its owner gave it.
 *
 * @param id null until stored
 */
public record NamedGear(Long id, String name, double weightG, Gear gear, String note) implements KitThing<Gear> {

    @Override
    public Gear thing() {
        return gear;
    }

    @Override
    public Shape<Gear> shape() {
        return gear.sort().shape();
    }

    public Gear.Sort sort() {
        return gear.sort();
    }
}
