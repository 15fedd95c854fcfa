package dev.halfdusk.app.log;

import dev.halfdusk.app.learned.Origin;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.log.Learned;
import dev.halfdusk.core.measure.Numbers;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What nights come to for one thing, for the page.
 *
 * @param whose by name; empty for oneself
 * @param value that was learned; empty where too few nights agree
 * @param now what is planned with, in words
 * @param used where it is, with what stood there before
 * @param differs whether using it would change anything
 * @param waits what is still missing; empty where it was learned
 */
record LearnedView(
        String key,
        String whoseKey,
        String what,
        String whose,
        String value,
        String spread,
        String from,
        String now,
        Optional<Origin> used,
        boolean differs,
        String waits,
        boolean usable,
        Dots dots) {

    private static final double LEFT = 8;
    private static final double SAME = 1e-6;

    /**
     * Each observation as a dot.
     *
     * @param across what lies across, in words
     * @param value line of the value learned; below 0 for none
     * @param now line of what is planned with; below 0 for none
     */
    record Dots(List<Dot> dots, String high, String low, String across, double value, double now) {}

    record Dot(double x, double y, boolean counts, String words, long entry) {}

    static LearnedView of(
            Observations.Thing thing,
            String name,
            List<Observations.Noted> all,
            OptionalDouble now,
            OptionalDouble assumed,
            Optional<Origin> used) {
        Learnable what = thing.what();
        Optional<Learned> learned =
                Learned.of(all.stream().map(Observations.Noted::seen).toList());
        long nights = all.stream()
                .filter(n -> n.seen().counts())
                .map(n -> n.seen().night())
                .distinct()
                .count();
        return new LearnedView(
                what.key(),
                thing.whose(),
                Words.capital(what.words()),
                name,
                learned.map(l -> what.words(l.value())).orElse(""),
                learned.filter(l -> l.spread() > 0 && what.used())
                        .map(l -> spread(what, l))
                        .orElse(""),
                learned.map(l -> l.origin() + ", the last " + Words.day(l.last()))
                        .orElse(""),
                assumed.isPresent() ? what.words(assumed.getAsDouble()) : "nothing",
                used,
                learned.map(l -> differs(l, now, used)).orElse(false),
                learned.isPresent() ? "" : missing(what, nights),
                what.used(),
                dots(what, all, learned, assumed));
    }

    /** Not where it is used already: a dial has no step for each value, so what is set may be beside what was learned. */
    private static boolean differs(Learned l, OptionalDouble now, Optional<Origin> used) {
        return used.map(o -> !o.nights().equals(l.nights())).orElse(true)
                && (now.isEmpty() || Math.abs(now.getAsDouble() - l.value()) > SAME);
    }

    private static String spread(Learnable what, Learned l) {
        return what == Learnable.ISO
                ? Numbers.text("\u00b1 %.0f", l.spread())
                : Numbers.text(l.spread() < 1 ? "\u00b1 %.2f" : "\u00b1 %.1f", l.spread());
    }

    private static String missing(Learnable what, long nights) {
        long more = what.fewest() - nights;
        return nights == 0
                ? "Nothing counts of it."
                : "One night alone may be an accident: " + more + " more " + (more == 1 ? "is" : "are") + " wanted.";
    }

    private static Dots dots(
            Learnable what, List<Observations.Noted> all, Optional<Learned> learned, OptionalDouble now) {
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        for (Observations.Noted n : all) {
            low = Math.min(low, n.seen().value());
            high = Math.max(high, n.seen().value());
        }
        if (now.isPresent()) {
            low = Math.min(low, now.getAsDouble());
            high = Math.max(high, now.getAsDouble());
        }
        double room = high > low ? 0.08 * (high - low) : Math.max(1, Math.abs(high)) * 0.1;
        Plot plot = new Plot(low - room, high + room);
        boolean warmth = (what == Learnable.ISO || what == Learnable.BATTERY || what == Learnable.BATTERY_COLD)
                && all.stream().allMatch(n -> n.seen().celsius().isPresent());
        boolean ahead = what == Learnable.FORECAST
                && all.stream().allMatch(n -> n.ahead().isPresent());
        List<Dot> dots = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            Observations.Noted n = all.get(i);
            double share = warmth
                    ? within(n.seen().celsius().getAsDouble(), -20, 35)
                    : ahead
                            ? within(n.ahead().getAsDouble(), 0, 10)
                            : all.size() == 1 ? 0.5 : 1 - (double) i / (all.size() - 1);
            dots.add(new Dot(
                    LEFT + share * (Plot.WIDE - 2 * LEFT),
                    plot.y(n.seen().value()),
                    n.seen().counts(),
                    Words.day(n.seen().night()) + ": " + what.words(n.seen().value()) + ", "
                            + n.seen().how(),
                    n.entry()));
        }
        return new Dots(
                dots,
                what.words(high),
                what.words(low),
                warmth
                        ? "air from \u221220 to 35 \u00b0C"
                        : ahead
                                ? "days before, 0 to 10"
                                : all.size() == 1 ? "one night" : "night by night, the last at the right",
                learned.map(l -> plot.y(l.value())).orElse(-1.0),
                now.isPresent() ? plot.y(now.getAsDouble()) : -1);
    }

    private static double within(double value, double from, double to) {
        return Math.max(0, Math.min(1, (value - from) / (to - from)));
    }
}
