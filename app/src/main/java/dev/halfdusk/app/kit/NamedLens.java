package dev.halfdusk.app.kit;

import dev.halfdusk.core.optics.Lens;

/**
 * A lens under the name its owner gave it.
 *
 * @param id null until stored
 */
public record NamedLens(Long id, String name, Lens lens, String note) {}
