package dev.halfdusk.core.log;

import dev.halfdusk.core.eclipse.EclipseLadder;
import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.outing.WorkTimes;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What nights teach about a place, a body, a lens, a battery, a subject or oneself. */
public enum Learnable {
    DARKNESS("darkness of the zenith", Whose.PLACE, SkyGlow.ZENITH, 0.05, 2),
    DRIFT("drift that counts as a point", Whose.ONESELF, Range.TOLERANCE, 0.1, 2),
    ISO("highest ISO that is fine", Whose.BODY, Range.ISO, 0, 2),
    BATTERY("minutes of a battery at 20 \u00b0C", Whose.BATTERY, Gear.Battery.MINUTES, 1, 1),
    BATTERY_COLD("minutes of a battery at 0 \u00b0C", Whose.BATTERY, Gear.Battery.MINUTES, 1, 1),
    SHARPEST("sharpest aperture", Whose.LENS, Lens.APERTURE, 0, 2),
    INFINITY("infinity, mm before the stop", Whose.LENS, Lens.INFINITY, 0.1, 1),
    SET_UP("minutes to the first frame of a rig", Whose.ONESELF, WorkTimes.FIRST, 1, 2),
    OFFSET("exposure beside what is proposed", Whose.SUBJECT, EclipseLadder.BRIGHTER, 1 / 3.0, 2),
    DANJON("Danjon value of a totality", Whose.ONESELF, ShadowedMoon.DANJON, 0.5, 1),
    FORECAST("forecasts that came true", Whose.PLACE, new Range("share", 0, 1, ""), 0.01, 3);

    /** What it is learned about. */
    public enum Whose {
        PLACE,
        BODY,
        LENS,
        BATTERY,
        SUBJECT,
        ONESELF
    }

    private final String words;
    private final Whose whose;
    private final Range range;
    private final double step;
    private final int fewest;

    Learnable(String words, Whose whose, Range range, double step, int fewest) {
        this.words = words;
        this.whose = whose;
        this.range = range;
        this.step = step;
        this.fewest = fewest;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<Learnable> of(String key) {
        return Arrays.stream(values()).filter(l -> l.key().equals(key)).findFirst();
    }

    public String words() {
        return words;
    }

    public Whose whose() {
        return whose;
    }

    /** In which it may be set. */
    public Range range() {
        return range;
    }

    /** Nights that must agree before it is proposed. */
    public int fewest() {
        return fewest;
    }

    /** Whether a plan can be made with it; what cannot only tells how far to trust something. */
    public boolean used() {
        return this != FORECAST;
    }

    /** The nearest that can be set. */
    double settable(double value) {
        double inside = range.nearest(value);
        return step == 0 ? inside : range.nearest(Math.round(inside / step) * step);
    }

    /** "21.35 mag/arcsec²". */
    public String words(double value) {
        return switch (this) {
            case DARKNESS -> Numbers.text("%.2f mag/arcsec\u00b2", value);
            case DRIFT -> Numbers.text("%.1f px", value);
            case ISO -> "ISO " + Numbers.plain(value, 0);
            case BATTERY, BATTERY_COLD, SET_UP -> Numbers.text("%.0f min", value);
            case SHARPEST -> "f/" + Numbers.trimmed(value, 1);
            case INFINITY -> value == 0 ? "at the stop" : Numbers.text("%.1f mm before the stop", value);
            case OFFSET ->
                Math.abs(value) < 0.05
                        ? "as proposed"
                        : Numbers.trimmed(Math.abs(value), 1) + " stop " + (value > 0 ? "brighter" : "darker");
            case DANJON -> "L = " + Numbers.trimmed(value, 1);
            case FORECAST -> Numbers.text("%.0f %%", 100 * value);
        };
    }
}
