package dev.halfdusk.core.measure;

/** Words of one field that cannot be read. The message says what may stand there. */
public final class Misread extends IllegalArgumentException {

    private final String key;

    /** @param key of the field */
    public Misread(String key, String message) {
        super(message);
        this.key = key;
    }

    public String key() {
        return key;
    }
}
