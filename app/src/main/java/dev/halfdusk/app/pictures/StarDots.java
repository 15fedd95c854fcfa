package dev.halfdusk.app.pictures;

import dev.halfdusk.core.sky.Star;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Stars as dots or lines, those of one brightness and colour in one path. */
final class StarDots {

    private static final String[] COLOURS = {"var(--star-blue)", "var(--star-white)", "var(--star-warm)"};
    /** Altitude of the sun below which pictures have stars. */
    private static final double SHOW_DEG = -8;

    private static final double BLUE_FROM_K = 8000;
    private static final double WHITE_FROM_K = 5200;

    private final int steps;
    private final double largest;
    private final double smaller;
    private final Map<Integer, PathText> paths = new TreeMap<>();

    /**
     * @param steps of brightness, a magnitude each, the last for everything fainter
     * @param largest width of the brightest dots
     * @param smaller by which each step is smaller
     */
    StarDots(int steps, double largest, double smaller) {
        this.steps = steps;
        this.largest = largest;
        this.smaller = smaller;
    }

    /**
     * Stars of one brightness and colour, as one path of dots.
     *
     * @param size width of the stroke
     */
    public record Stars(String path, double size, String colour) {}

    static boolean show(double sunAltitudeDeg) {
        return sunAltitudeDeg < SHOW_DEG;
    }

    void add(Star star, double x, double y) {
        path(star).dot(x, y);
    }

    /** The path of all stars as bright and of the same colour. */
    PathText path(Star star) {
        int brightness = (int) Math.max(0, Math.min(steps, Math.floor(star.magnitude() + 1)));
        double kelvin = star.temperatureK();
        int warmth = kelvin > BLUE_FROM_K ? 0 : kelvin > WHITE_FROM_K ? 1 : 2;
        return paths.computeIfAbsent(brightness * COLOURS.length + warmth, k -> new PathText());
    }

    List<Stars> all() {
        return paths.entrySet().stream()
                .map(e -> new Stars(
                        e.getValue().toString(),
                        largest - smaller * (e.getKey() / COLOURS.length),
                        COLOURS[e.getKey() % COLOURS.length]))
                .toList();
    }
}
