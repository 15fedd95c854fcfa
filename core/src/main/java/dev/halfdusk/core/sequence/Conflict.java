package dev.halfdusk.core.sequence;

import dev.halfdusk.core.optics.Sequence;
import java.time.Instant;
import java.util.List;
import java.util.OptionalInt;

/**
 * Something in a night that a sequence runs into.
 *
 * @param words what, when, and what it does
 * @param ways what to cut or move so that it does not
 */
public record Conflict(Kind kind, String words, List<WayOut> ways) {

    /** With what. */
    public enum Kind {
        TWILIGHT,
        MOON,
        CORE,
        SKYLINE,
        CLOUD,
        /** The sky burns to white. */
        BURNT,
        BATTERY,
        /** It holds, with too little left. */
        RESERVE,
        CARD,
        TURN_BACK,
        PAUSE,
        NOISE_REDUCTION
    }

    /**
     * A changed plan.
     *
     * @param words "stop at 109 frames"
     * @param batteries to take along, where that is the way out
     */
    public record WayOut(
            String words, Instant begins, Sequence sequence, boolean noiseReduction, OptionalInt batteries) {

        public WayOut(String words, Instant begins, Sequence sequence, boolean noiseReduction) {
            this(words, begins, sequence, noiseReduction, OptionalInt.empty());
        }

        /** With so many batteries. */
        public WayOut batteries(int count) {
            return new WayOut(words, begins, sequence, noiseReduction, OptionalInt.of(count));
        }
    }
}
