package dev.halfdusk.app.web;

/**
 * What became, or would become, of one thing of a file.
 *
 * @param sort "place", "rig"
 * @param why it was refused, or what of it is passed over; may be empty
 */
public record Imported(String sort, String name, State state, String why) {

    /** Against what is stored under its name. */
    public enum State {
        NEW("new"),
        CHANGED("changed"),
        EQUAL("the same"),
        REFUSED("refused");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        public static State of(boolean stored, boolean equal) {
            return !stored ? NEW : equal ? EQUAL : CHANGED;
        }
    }

    /** How much of a file is stored. */
    public enum Wanted {
        NOTHING,
        NEW,
        NEW_AND_CHANGED;

        public boolean stores(State state) {
            return state == State.NEW && this != NOTHING || state == State.CHANGED && this == NEW_AND_CHANGED;
        }
    }

    public static Imported of(String sort, String name, State state) {
        return new Imported(sort, name, state, "");
    }
}
