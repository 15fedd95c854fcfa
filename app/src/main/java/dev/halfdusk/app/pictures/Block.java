package dev.halfdusk.app.pictures;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Night;
import java.time.Duration;
import java.time.Instant;

/**
 * Something that lies below the ribbon at its time; across, percent of the ribbon's width.
 *
 * @param kind how it looks: light, before, other, lit or swap
 */
public record Block(String x, String width, String words, String kind) {

    private static final double LEAST = 0.002;

    /** Of a ribbon some thousand pixels wide that a letter takes, and the air round its words. */
    private static final double LETTER = 0.0072;

    private static final double AIR = 0.012;

    /** Where its words stand: inside where they fit; else before it where it comes before the main thing, and after it otherwise. */
    public String beside() {
        double wide = Double.parseDouble(width.replace("%", "")) / 100;
        return wide >= LETTER * words.length() + AIR ? "inside" : kind.equals("before") ? "before" : "after";
    }

    public Block unnamed() {
        return new Block(x, width, "", kind);
    }

    public static Block of(Ribbon ribbon, Night night, Interval time, String words, String kind) {
        double from = Math.max(0, share(ribbon, night, time.from()));
        double to = Math.min(1, share(ribbon, night, time.to()));
        return new Block(percent(from), percent(Math.max(LEAST, to - from)), words, kind);
    }

    private static double share(Ribbon ribbon, Night night, Instant t) {
        double minute = Duration.between(night.span().from(), t).toMillis() / 60_000.0;
        return (minute - ribbon.firstMinute()) / (ribbon.lastMinute() - ribbon.firstMinute());
    }

    private static String percent(double share) {
        return Numbers.text("%.2f%%", 100 * share);
    }
}
