package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Vector;
import java.util.List;

/**
 * One stroke of a constellation's traditional figure.
 *
 * @param constellation three-letter abbreviation of the IAU
 * @param points ICRS unit vectors along the stroke
 */
public record Figure(String constellation, List<Vector> points) {

    /** All strokes of all figures. */
    public static List<Figure> all() {
        return Strokes.ALL;
    }

    private static final class Strokes {
        private static final List<Figure> ALL = Resources.lines("figures.txt").stream()
                .map(line -> line.split(";"))
                .map(parts -> new Figure(parts[0], Resources.points(parts[1])))
                .toList();
    }
}
