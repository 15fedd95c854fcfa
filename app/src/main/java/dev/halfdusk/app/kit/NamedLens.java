package dev.halfdusk.app.kit;

import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.LensShape;

/**
 * A lens under the name its owner gave it.
 *
 * @param id null until stored
 */
public record NamedLens(Long id, String name, Lens lens, String note) implements KitThing<Lens> {

    @Override
    public Lens thing() {
        return lens;
    }

    @Override
    public Shape<Lens> shape() {
        return LensShape.SHAPE;
    }
}
