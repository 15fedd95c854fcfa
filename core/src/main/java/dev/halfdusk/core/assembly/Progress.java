package dev.halfdusk.core.assembly;

/** Told of every frame that was dealt with; may throw to end the work. */
@FunctionalInterface
public interface Progress {
    void step();

    /** Asked several times a second whether the work is still wanted; may throw to end it. */
    default void look() {}
}
