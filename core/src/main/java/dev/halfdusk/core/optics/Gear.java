package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What goes along with body and lens. Only supports, converters and filters change a picture's numbers. */
public sealed interface Gear
        permits Support, Gear.Teleconverter, Gear.Filter, Gear.Battery, Gear.Card, Gear.Release, Gear.Extra {

    /** The sorts, in the order they are listed, each with what is kept of it beside name, weight and note. */
    enum Sort {
        BATTERY(Battery.SHAPE),
        CARD(Card.SHAPE),
        EXTRA(Extra.SHAPE),
        FILTER(Filter.SHAPE),
        RELEASE(Release.SHAPE),
        SUPPORT(Support.SHAPE),
        TELECONVERTER(Teleconverter.SHAPE);

        private final Shape<? extends Gear> shape;

        Sort(Shape<? extends Gear> shape) {
            this.shape = shape;
        }

        public String words() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** Of what is of this sort. */
        @SuppressWarnings("unchecked")
        public Shape<Gear> shape() {
            return (Shape<Gear>) shape;
        }
    }

    Sort sort();

    /** What a body runs from that has these with it: the first battery. */
    static Optional<Battery> battery(List<Gear> gear) {
        return gear.stream()
                .filter(Battery.class::isInstance)
                .map(Battery.class::cast)
                .findFirst();
    }

    /**
     * Glass between body and lens.
     *
     * @param factor by which it lengthens the focal length and narrows the aperture, 1 to 3
     */
    record Teleconverter(double factor) implements Gear {

        public static final Range FACTOR = new Range("teleconverter", 1, 3, "\u00d7");

        static final Shape<Teleconverter> SHAPE = new Shape<>(
                "teleconverter",
                "teleconverter",
                List.of(Field.number("factor", "Factor", FACTOR, Teleconverter::factor)),
                v -> new Teleconverter(v.number("factor")));

        public Teleconverter {
            FACTOR.check(factor);
        }

        /** Stops of light that it costs: 2 log2 of its factor. */
        public double stops() {
            return Stops.ofApertures(1, factor);
        }

        @Override
        public Sort sort() {
            return Sort.TELECONVERTER;
        }
    }

    /**
     * A filter before the lens.
     *
     * @param stops of light that it takes; a solar filter of density 5 takes 16.6
     */
    record Filter(double stops) implements Gear {

        public static final Range STOPS = new Range("filter", 0, 25, " stops");

        static final Shape<Filter> SHAPE = new Shape<>(
                "filter",
                "filter",
                List.of(Field.<Filter>number("stops", "Light it takes, stops", STOPS, Filter::stops)
                        .hinted(STOPS.allowed() + "; density 5 takes 16.6")),
                v -> new Filter(v.number("stops")));

        public Filter {
            STOPS.check(stops);
        }

        @Override
        public Sort sort() {
            return Sort.FILTER;
        }
    }

    /** A battery, by what one lasts for at 20 °C. */
    record Battery(double frames, double minutes) implements Gear {

        public static final Range FRAMES = new Range("frames", 1, 20_000, "");
        public static final Range MINUTES = new Range("minutes", 1, 10_000, " min");

        static final Shape<Battery> SHAPE = new Shape<>(
                "battery",
                "battery",
                List.of(
                        Field.number("frames", "Frames at 20 \u00b0C", FRAMES, Battery::frames),
                        Field.number("minutes", "Minutes at 20 \u00b0C", MINUTES, Battery::minutes)),
                v -> new Battery(v.number("frames"), v.number("minutes")));

        public Battery {
            FRAMES.check(frames);
            MINUTES.check(minutes);
        }

        @Override
        public Sort sort() {
            return Sort.BATTERY;
        }
    }

    /** A memory card. */
    record Card(double gigabytes, double megabytesPerSecond) implements Gear {

        public static final Range SIZE = new Range("size", 0.5, 20_000, " GB");
        public static final Range SPEED = new Range("speed", 1, 5000, " MB/s");

        static final Shape<Card> SHAPE = new Shape<>(
                "card",
                "card",
                List.of(
                        Field.number("gigabytes", "Gigabytes", SIZE, Card::gigabytes),
                        Field.number("writeSpeed", "Written, MB a second", SPEED, Card::megabytesPerSecond)),
                v -> new Card(v.number("gigabytes"), v.number("writeSpeed")));

        public Card {
            SIZE.check(gigabytes);
            SPEED.check(megabytesPerSecond);
        }

        /** Whole files of a size that it holds. */
        public long holds(double megabytes) {
            return (long) (gigabytes * 1000 / megabytes);
        }

        public double secondsToWrite(double megabytes) {
            return megabytes / megabytesPerSecond;
        }

        @Override
        public Sort sort() {
            return Sort.CARD;
        }
    }

    /** What opens the shutter, in its owner's words. */
    record Release(String words) implements Gear {

        static final Shape<Release> SHAPE = new Shape<>(
                "release",
                "release",
                List.of(Field.<Release>words("release", "What it is", Release::words)
                        .hinted("cable, timer, phone \u2026")),
                v -> new Release(v.text("release")));

        @Override
        public Sort sort() {
            return Sort.RELEASE;
        }
    }

    /** Whatever else is carried: it counts by its weight. */
    record Extra() implements Gear {

        static final Shape<Extra> SHAPE = new Shape<>("extra", "extra", List.of(), v -> new Extra());

        @Override
        public Sort sort() {
            return Sort.EXTRA;
        }
    }
}
