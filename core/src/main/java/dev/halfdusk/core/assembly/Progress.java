package dev.halfdusk.core.assembly;

/** Hears of every frame that is done; ends the work by throwing. */
@FunctionalInterface
public interface Progress {

    void step();
}
