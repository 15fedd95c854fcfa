package dev.halfdusk.core.take;

/** What may hurt someone at a subject, in values; whoever shows it puts it into words. */
public sealed interface Caution {

    /** That are the same wherever they are met. */
    enum Known implements Caution {
        SUN_THROUGH_OPTICS,
        FILTER_STAYS,
        MOON_DAZZLES,
        TRAFFIC,
        EDGES,
        /** Whoever stands for the picture sees nothing. */
        LED_WITH_A_LAMP,
        GROUND_TO_PAINT,
        /** Shells that did not burst, debris, noise. */
        SHELLS
    }

    /**
     * How far one stands off a display.
     *
     * @param clearM usual distance for its shells
     * @param shellMm the largest of them
     * @param nearestM of the display
     * @param near whether that is inside the usual distance
     */
    record ClearDistance(double clearM, double shellMm, double nearestM, boolean near) implements Caution {}
}
