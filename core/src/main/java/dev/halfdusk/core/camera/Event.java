package dev.halfdusk.core.camera;

import java.time.Instant;
import java.util.Optional;

/**
 * Something that happened to a body.
 *
 * @param frame which one; none was made where it refused
 * @param because why it refused, else empty
 */
public record Event(Kind kind, Instant when, Optional<Taken> frame, String because) {

    /** What. */
    public enum Kind {
        OPENED,
        CLOSED,
        WRITTEN,
        REFUSED
    }

    static Event of(Kind kind, Instant when, Taken frame) {
        return new Event(kind, when, Optional.of(frame), "");
    }
}
