package dev.halfdusk.core.measure;

/** A quantity outside what is allowed. The message names what was given and the allowed interval. */
public final class OutOfRange extends IllegalArgumentException {

    private final transient Range range;
    private final double given;

    public OutOfRange(Range range, double given) {
        super(range.quantity() + " " + Range.plain(given) + " is outside " + range.allowed());
        this.range = range;
        this.given = given;
    }

    public Range range() {
        return range;
    }

    public double given() {
        return given;
    }
}
