package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.eclipse.SolarLight.Corona;
import java.util.List;
import java.util.Locale;

/** What a camera is there for. */
public enum Role {
    CLOSE_UP("close-up", 1),
    CORONA("corona", 8),
    LAND("land and people", 0),
    /** Runs on its own: its owner is reminded. */
    VIDEO("hydrogen-alpha video", 0);

    private final String words;
    private final double reachesRadii;

    Role(String words, double reachesRadii) {
        this.words = words;
        this.reachesRadii = reachesRadii;
    }

    public String words() {
        return words;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Steps of its corona's ladder, brightest first. */
    List<Corona> ladder() {
        return SolarLight.CORONA.stream().filter(c -> c.radii() <= reachesRadii).toList();
    }
}
