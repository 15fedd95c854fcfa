package dev.halfdusk.core.measure;

/**
 * Something that is known elsewhere.
 *
 * @param id by which it is found
 * @param name for people
 */
public record Named(Id id, String name) {

    /** Known by its name alone. */
    public static Named of(String name) {
        return new Named(new Id(name), name);
    }
}
