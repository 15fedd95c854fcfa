package dev.halfdusk.core.assembly;

/** What becomes of a pixel that many frames show. */
public enum Averaging {
    MEAN("mean"),
    /** The mean without the lightest, where it stands out of the rest by more than noise does. */
    CLIPPED("mean without what stands out"),
    /** Of up to nine frames; of more, of the means of five parts of them, which costs as little memory however many there are. */
    MEDIAN("median");

    private final String words;

    Averaging(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
