package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.night.Showing;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Take;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * Two takes that cannot both be as they stand, or one that stands where it should not.
 *
 * @param takes by name; none where the whole night is meant
 * @param reason what it is, with what leads out of it
 * @param steps that may be taken at once
 */
public record Clash(Kind kind, List<String> takes, Reason reason, List<Step> steps) {

    /** What a clash is, in values; whoever shows it puts them into words. */
    public sealed interface Reason {

        /** Its camera cannot be set as it asks. */
        record Unset(Take take) implements Reason {}

        /** @param begins when the second could */
        record OneCamera(Slot first, Slot second, Instant begins) implements Reason {}

        /**
         * @param change to pack, and the way
         * @param begins when the second could
         */
        record TooFar(Slot first, Stop from, Slot second, Stop to, Duration change, Instant begins) implements Reason {}

        /**
         * @param slots that want hands at one time; the last begins last
         * @param begins when the last could
         */
        record FewHands(List<Slot> slots, int people, Instant begins) implements Reason {}

        record OutsideWish(Slot slot) implements Reason {}

        /** @param packed when it must be done */
        record AfterTurnBack(Slot slot, Instant packed, Instant turnBack) implements Reason {}

        /** @param there when one is */
        record NotThere(Slot slot, Interval there) implements Reason {}

        /**
         * @param sunDeg how high it stands at most
         * @param dark when it is
         */
        record Twilight(Slot slot, double sunDeg, List<Interval> dark) implements Reason {}

        /**
         * @param lit share of the moon's disc
         * @param moonless when it is
         */
        record Moonlight(Slot slot, double lit, List<Interval> moonless) implements Reason {}

        /** @param night whole, for why it never shows */
        record SightHidden(Slot slot, Showing showing, Interval night) implements Reason {}

        /** @param up when the moon is */
        record MoonHidden(Slot slot, List<Interval> up) implements Reason {}

        /**
         * @param percent the most of it, at that instant
         * @param given whether it comes at an hour that nobody chooses
         * @param clearer when the least is forecast; empty where nothing better is
         */
        record Cloudy(Slot slot, double percent, Instant when, boolean given, Optional<Instant> clearer)
                implements Reason {}

        /** It takes more than one. */
        record Batteries(Slot slot) implements Reason {}

        /** @param share of a supply that the night takes until its end */
        record SupplyEmpty(Slot slot, double share) implements Reason {}

        record CardFull(Named body, double gigabytes, double holds) implements Reason {}

        /**
         * @param from where one leaves
         * @param several whether the night has other places
         * @param slot a take there, by whose clock it is
         */
        record DarkWay(Stop from, boolean several, Slot slot, Instant leaves) implements Reason {}
    }

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
