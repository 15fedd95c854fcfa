package dev.halfdusk.app.kit;

import dev.halfdusk.core.measure.Shape;

/** Something of the kit under the name its owner gave it. */
public interface KitThing<T> {

    /** Null until stored. */
    Long id();

    String name();

    T thing();

    String note();

    Shape<T> shape();
}
