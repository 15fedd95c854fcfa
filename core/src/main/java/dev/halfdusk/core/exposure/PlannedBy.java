package dev.halfdusk.core.exposure;

import java.util.OptionalDouble;

/** The school by which a photographer plans how long stars may be taken for. */
public enum PlannedBy {
    /** Drift in this frame, within the tolerance. */
    DRIFT("", "drift in this frame"),
    PIXELS("npf-1", "pixel rule, strict"),
    PIXELS_USUAL("npf-2", "pixel rule, usual"),
    N500("500", "500 \u00f7 focal length"),
    N400("400", "400 \u00f7 focal length"),
    N300("300", "300 \u00f7 focal length"),
    N250("250", "250 \u00f7 focal length"),
    BY_FORMAT("by-format", "number by format, 500 to 250");

    private final String key;
    private final String words;

    PlannedBy(String key, String words) {
        this.key = key;
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Longest shutter by the rule; empty where drift in the frame decides. */
    public OptionalDouble seconds(TrailingRule.Case at) {
        return TrailingRule.ALL.stream()
                .filter(r -> r.key().equals(key))
                .mapToDouble(r -> r.seconds(at))
                .findFirst();
    }
}
