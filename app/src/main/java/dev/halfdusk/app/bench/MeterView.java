package dev.halfdusk.app.bench;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Equivalents;
import dev.halfdusk.core.exposure.LightMeter;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Settings;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What a light meter says of the first triad in front of a scene.
 *
 * @param needle signed stops: "+1.3"
 * @param x of the needle on the scale, 0 to 300
 * @param suits what the third value must be
 * @param makesUp the ISO that makes up for a dial that ends; empty where it does not
 */
record MeterView(String needle, double x, String words, boolean right, List<Tick> ticks, String suits, String makesUp) {

    /** A stop on the scale. */
    record Tick(double x, String label) {}

    private static final int STOPS = 5;
    private static final double MIDDLE = 150;
    private static final double STOP = 28;
    private static final double RIGHT_WITHIN = 1 / 6.0;

    static MeterView of(double ev, Settings set, Settings locked, Equivalents.Free free, Equivalents.Dials dials) {
        LightMeter meter = new LightMeter(ev);
        double needle = meter.needle(set);
        LightMeter.Suits suits = meter.solve(locked, free, dials);
        double off = meter.needle(suits.found().settings());
        return new MeterView(
                (needle > 0 ? "+" : needle < 0 ? "\u2212" : "") + Words.number(Math.abs(needle), 1),
                MIDDLE + STOP * Math.max(-STOPS, Math.min(STOPS, needle)),
                Math.abs(needle) < RIGHT_WITHIN
                        ? "as bright as the scene"
                        : Words.number(Math.abs(needle), 1) + " stops too " + (needle > 0 ? "bright" : "dark"),
                Math.abs(needle) < RIGHT_WITHIN,
                IntStream.rangeClosed(-STOPS, STOPS)
                        .mapToObj(i -> new Tick(MIDDLE + STOP * i, i == 0 ? "0" : i < 0 ? "\u2212" + -i : "+" + i))
                        .toList(),
                StopsView.words(suits.found(), free)
                        + (Math.abs(off) < RIGHT_WITHIN ? "" : ", " + Words.stops(off) + ": the dial ends"),
                suits.iso().isPresent() ? "ISO " + Numbers.plain(suits.iso().getAsInt()) + " makes up for it." : "");
    }
}
