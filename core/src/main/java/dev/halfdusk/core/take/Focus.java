package dev.halfdusk.core.take;

/**
 * What is focused on, by hand.
 *
 * @param metres to it; infinite for the sky
 */
public record Focus(On on, double metres) {

    /** Things that can be focused on in the dark. */
    public enum On {
        STARS,
        MOON,
        SUN,
        /** A lamp in the hand of whoever is photographed. */
        LAMP_OF_PERSON,
        /** What stands in the scene, by its lamps. */
        SCENE,
        /** The first burst of a display. */
        BURST
    }

    public static final Focus STARS = far(On.STARS);

    public static Focus far(On on) {
        return new Focus(on, Double.POSITIVE_INFINITY);
    }
}
