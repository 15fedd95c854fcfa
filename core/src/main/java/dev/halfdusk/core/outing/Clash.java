package dev.halfdusk.core.outing;

import java.util.List;

/**
 * Two takes that cannot both be as they stand, or one that stands where it should not.
 *
 * @param takes by name; none where the whole night is meant
 * @param words what, in a sentence
 * @param way out of it, in a sentence
 */
public record Clash(Kind kind, List<String> takes, String words, String way) {

    /** In what; hard ones make a night as arranged impossible. */
    public enum Kind {
        /** A camera that cannot be set as a take asks. */
        LENS(true),
        CAMERA(true),
        HANDS(true),
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
    }
}
