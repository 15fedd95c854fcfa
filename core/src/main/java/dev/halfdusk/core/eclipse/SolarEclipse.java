package dev.halfdusk.core.eclipse;

import java.time.Instant;
import java.util.Locale;

/**
 * An eclipse of the sun, for the whole earth.
 *
 * @param greatest the axis of the moon's shadow is nearest to the middle of the earth
 * @param gamma that distance in equatorial radii of the earth, above 0 north of its middle
 * @param central whether the axis meets the earth
 */
public record SolarEclipse(Type type, Instant greatest, double gamma, boolean central) {

    /** What is seen at best somewhere on earth. */
    public enum Type {
        PARTIAL,
        ANNULAR,
        /** Total in the middle of its path, annular at an end of it. */
        HYBRID,
        TOTAL;

        public String words() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
