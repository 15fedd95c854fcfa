package dev.halfdusk.app.kit;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Support;

/**
 * Something that goes along with body and lens.
 *
 * @param mode of a support: one of {@link Support.Kind}; of a release: what it is
 * @param amount what the kind counts first
 * @param detail what it counts second, 0 where it counts nothing
 */
public record Gear(
        Long id, Kind kind, String name, double weightG, String mode, double amount, double detail, String note) {

    /** What it is, and what its numbers mean. */
    public enum Kind {
        SUPPORT("support", "tracking error, \u2033 a minute", Support.ERROR, null, null),
        TELECONVERTER("teleconverter", "factor", Rig.CONVERTER, null, null),
        FILTER("filter", "light it takes, stops", Rig.FILTER, null, null),
        BATTERY(
                "battery",
                "frames at 20 \u00b0C",
                new Range("frames", 1, 20_000, ""),
                "minutes at 20 \u00b0C",
                new Range("minutes", 1, 10_000, " min")),
        CARD(
                "card",
                "gigabytes",
                new Range("size", 0.5, 20_000, " GB"),
                "MB a second",
                new Range("speed", 1, 5000, " MB/s")),
        RELEASE("release", null, null, null, null),
        EXTRA("extra", null, null, null, null);

        private final String words;
        private final String first;
        private final Range firstRange;
        private final String second;
        private final Range secondRange;

        Kind(String words, String first, Range firstRange, String second, Range secondRange) {
            this.words = words;
            this.first = first;
            this.firstRange = firstRange;
            this.second = second;
            this.secondRange = secondRange;
        }

        public String words() {
            return words;
        }

        /** What the first number means; null where there is none. */
        public String first() {
            return first;
        }

        public Range firstRange() {
            return firstRange;
        }

        public String second() {
            return second;
        }

        public Range secondRange() {
            return secondRange;
        }
    }

    /** A support as the reckoning needs it. */
    Support support() {
        return new Support(Support.Kind.valueOf(mode), amount);
    }
}
