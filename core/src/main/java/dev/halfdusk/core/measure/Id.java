package dev.halfdusk.core.measure;

/** Tells one thing from others of its kind, whatever they are called; nothing is read out of its text. */
public record Id(String text) {

    public Id {
        if (text.isBlank()) {
            throw new IllegalArgumentException("an identity is not empty");
        }
    }

    public static Id of(long number) {
        return new Id(Long.toString(number));
    }
}
