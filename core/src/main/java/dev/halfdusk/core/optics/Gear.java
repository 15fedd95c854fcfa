package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;

/** What goes along with body and lens. Only supports, converters and filters change a picture's numbers. */
public sealed interface Gear
        permits Support,
                Gear.Teleconverter,
                Gear.Filter,
                Gear.Battery,
                Gear.Supply,
                Gear.Card,
                Gear.Release,
                Gear.Extra {

    /** The sorts, in the order they are listed, each with what is kept of it beside name, weight and note. */
    enum Sort {
        BATTERY(Battery.SHAPE),
        CARD(Card.SHAPE),
        EXTRA(Extra.SHAPE),
        FILTER(Filter.SHAPE),
        RELEASE(Release.SHAPE),
        SUPPLY(Supply.SHAPE),
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

    /** What a body runs from that has these with it: a supply, else the first battery. */
    static Optional<Battery> battery(List<Gear> gear) {
        Optional<Battery> supply = gear.stream()
                .filter(Supply.class::isInstance)
                .map(g -> ((Supply) g).battery())
                .findFirst();
        return supply.or(() -> gear.stream()
                .filter(Battery.class::isInstance)
                .map(Battery.class::cast)
                .findFirst());
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

    /**
     * A battery, by what one lasts for at 20 °C.
     *
     * @param coldMinutes that one lasted at 0 °C, where somebody has tried
     * @param outside a supply that is never changed
     */
    record Battery(double frames, double minutes, OptionalDouble coldMinutes, boolean outside) implements Gear {

        public static final Range FRAMES = new Range("frames", 1, 20_000, "");
        public static final Range MINUTES = new Range("minutes", 1, 10_000, " min");

        static final Shape<Battery> SHAPE = new Shape<>(
                "battery",
                "battery",
                List.of(
                        Field.number("frames", "Frames at 20 \u00b0C", FRAMES, Battery::frames),
                        Field.number("minutes", "Minutes at 20 \u00b0C", MINUTES, Battery::minutes),
                        Field.<Battery>number("coldMinutes", "Minutes at 0 \u00b0C", MINUTES, Battery::coldMinutes)
                                .hinted("by your own run; empty: four fifths of those at 20 \u00b0C")
                                .orNone()),
                v -> new Battery(v.number("frames"), v.number("minutes"), v.maybe("coldMinutes"), false));

        public Battery(double frames, double minutes) {
            this(frames, minutes, false);
        }

        public Battery(double frames, double minutes, boolean outside) {
            this(frames, minutes, OptionalDouble.empty(), outside);
        }

        public Battery {
            FRAMES.check(frames);
            MINUTES.check(minutes);
            coldMinutes.ifPresent(MINUTES::check);
        }

        @Override
        public Sort sort() {
            return Sort.BATTERY;
        }
    }

    /**
     * A tank of power or a dummy battery on one, with all that hangs on it.
     *
     * @param volts of its outlet
     * @param wattHours at 20 \u00b0C
     * @param bodyW drawn by the camera on average; mount, heater and computer 0 where they hang elsewhere
     */
    record Supply(double volts, double wattHours, double bodyW, double mountW, double heaterW, double computerW)
            implements Gear {

        public static final Range VOLTS = new Range("voltage", 3, 60, " V");
        public static final Range ENERGY = new Range("energy", 5, 5000, " Wh");
        public static final Range BODY = new Range("power of the body", 0.5, 60, " W");
        public static final Range LOAD = new Range("load", 0, 300, " W");

        /** What converters give back of a tank's energy. */
        public static final double GIVEN_BACK = 0.85;

        static final Shape<Supply> SHAPE = new Shape<>(
                "supply",
                "supply",
                List.of(
                        Field.<Supply>number("volts", "Volts", VOLTS, Supply::volts)
                                .starting(12),
                        Field.<Supply>number("wattHours", "Watt hours", ENERGY, Supply::wattHours)
                                .starting(120),
                        Field.<Supply>number("bodyW", "Body, W", BODY, Supply::bodyW)
                                .usually(4.0)
                                .starting(4),
                        load("mountW", "Mount, W", Supply::mountW),
                        load("heaterW", "Heater, W", Supply::heaterW),
                        load("computerW", "Computer, W", Supply::computerW)),
                v -> new Supply(
                        v.number("volts"),
                        v.number("wattHours"),
                        v.number("bodyW"),
                        v.number("mountW"),
                        v.number("heaterW"),
                        v.number("computerW")));

        private static Field<Supply> load(String key, String words, Function<Supply, Object> get) {
            return Field.<Supply>number(key, words, LOAD, get)
                    .hinted(LOAD.allowed() + "; 0: not on it")
                    .usually(0.0)
                    .starting(0);
        }

        public Supply {
            VOLTS.check(volts);
            ENERGY.check(wattHours);
            BODY.check(bodyW);
            LOAD.check(mountW);
            LOAD.check(heaterW);
            LOAD.check(computerW);
        }

        /** Of all that hangs on it. */
        public double drawnW() {
            return bodyW + mountW + heaterW + computerW;
        }

        /** Through its outlet. */
        public double amperes() {
            return drawnW() / volts;
        }

        /** For how long it lasts, as a battery of any number of frames. */
        public Battery battery() {
            double minutes = Battery.MINUTES.nearest(wattHours * GIVEN_BACK / drawnW() * 60);
            return new Battery(Battery.FRAMES.max(), minutes, true);
        }

        @Override
        public Sort sort() {
            return Sort.SUPPLY;
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
