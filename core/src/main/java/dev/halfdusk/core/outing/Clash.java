package dev.halfdusk.core.outing;

import dev.halfdusk.core.take.Plan;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * Two takes that cannot both be as they stand, or one that stands where it should not.
 *
 * @param takes by name; none where the whole night is meant
 * @param words what, in a sentence
 * @param way out of it, in a sentence
 * @param steps that may be taken at once
 */
public record Clash(Kind kind, List<String> takes, String words, String way, List<Step> steps) {

    /**
     * Something that gets a night out of it.
     *
     * @param plan of the take that it is done to
     * @param at when that should begin; empty where it is something else
     */
    public record Step(Sort sort, Plan plan, Optional<Instant> at) {

        /** What is done. */
        public enum Sort {
            BEGIN,
            /** Not held at its time any more: its wish decides. */
            LET_MOVE,
            OTHER_NIGHT,
            /** Something of its rig. */
            RIG
        }
    }

    /** With no step to take at once. */
    public Clash(Kind kind, List<String> takes, String words, String way) {
        this(kind, takes, words, way, List.of());
    }

    /** In what; hard ones make a night as arranged impossible. */
    public enum Kind {
        /** A camera that cannot be set as a take asks. */
        LENS(true),
        CAMERA(true),
        HANDS(true),
        /** One cannot be at two places so soon after each other. */
        WAY(true),
        /** A camera that another outing of that night wants too. */
        ELSEWHERE(true),
        WINDOW(false),
        AWAY(true),
        TURN_BACK(true),
        TWILIGHT(false),
        MOON(false),
        SKYLINE(false),
        CLOUD(false),
        BATTERY(false),
        CARD(false),
        WAY_BACK(false);

        private final boolean hard;

        Kind(boolean hard) {
            this.hard = hard;
        }

        public boolean hard() {
            return hard;
        }
    }

    public Clash {
        takes = List.copyOf(takes);
        steps = List.copyOf(steps);
    }
}
