package dev.halfdusk.core.optics;

import java.util.List;
import java.util.Locale;

/**
 * A filter that spreads the light of bright points, by its strength. The light is not lost, it lies around the point. Shares
 * and widths are chosen to look like such glass, not measured.
 */
public enum Diffusion {
    NONE("none"),
    LIGHT("light", new Spread(0.07, 60), new Spread(0.05, 170), new Spread(0.03, 520)),
    MEDIUM("medium", new Spread(0.10, 60), new Spread(0.10, 170), new Spread(0.06, 520)),
    STRONG("strong", new Spread(0.13, 60), new Spread(0.17, 170), new Spread(0.15, 520));

    private final String words;
    private final List<Spread> spreads;

    Diffusion(String words, Spread... spreads) {
        this.words = words;
        this.spreads = List.of(spreads);
    }

    /**
     * A share of a point's light in a wide round spot.
     *
     * @param sigmaUm of the spot on the sensor, micrometres
     */
    public record Spread(double share, double sigmaUm) {}

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return words;
    }

    public List<Spread> spreads() {
        return spreads;
    }

    /** Stops by which the point itself becomes darker; at most 0. */
    public double pointStops() {
        return Stops.of(1 - spreads.stream().mapToDouble(Spread::share).sum());
    }
}
