package dev.halfdusk.core.take;

import dev.halfdusk.core.measure.Misread;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * The frames of a bracket in the order in which they are taken.
 *
 * @param stops brighter than proposed, of each frame; empty where nothing is decided
 */
public record BracketPattern(List<Double> stops) {

    public static final BracketPattern NONE = new BracketPattern(List.of());

    public static final int MOST = 9;
    public static final Range STOPS = new Range("stops of a bracket", -6, 6, "");

    private static final String KEY = "bracket";
    private static final String HOW =
            "stops in the order of the frames, such as 0 \u22121 +1 or 0 \u22122 +2 +4: at most " + MOST
                    + ", each from \u22126 to +6";

    public BracketPattern {
        stops = List.copyOf(stops);
    }

    /** A stop each way so many times, the proposed first, then by turns darker and brighter. */
    static BracketPattern even(int sides, double stepStops) {
        List<Double> stops = new ArrayList<>(List.of(0.0));
        for (int i = 1; i <= sides; i++) {
            stops.add(-i * stepStops);
            stops.add(i * stepStops);
        }
        return new BracketPattern(stops);
    }

    /** @throws Misread where it is no list of stops */
    static BracketPattern read(String text) {
        String plain = text.strip().replace('\u2212', '-');
        if (plain.isEmpty()) {
            return NONE;
        }
        List<Double> stops = new ArrayList<>();
        for (String one : plain.split("[\\s,;]+")) {
            if (!one.matches("[+-]?\\d{1,2}(\\.\\d{1,3})?") || !STOPS.holds(Double.parseDouble(one))) {
                throw new Misread(KEY, HOW);
            }
            stops.add(Double.parseDouble(one));
        }
        if (stops.size() > MOST) {
            throw new Misread(KEY, HOW);
        }
        return new BracketPattern(stops);
    }

    public boolean isEmpty() {
        return stops.isEmpty();
    }

    BracketPattern or(BracketPattern usual) {
        return isEmpty() ? usual : this;
    }

    /** Between its darkest and its brightest frame, stops. */
    double spread() {
        return stops.stream().mapToDouble(s -> s).max().orElse(0)
                - stops.stream().mapToDouble(s -> s).min().orElse(0);
    }

    /** "0 -1 +1". */
    public String text() {
        return stops.stream().map(s -> (s > 0 ? "+" : "") + Numbers.plain(s)).collect(Collectors.joining(" "));
    }
}
