package dev.halfdusk.core.optics;

/** How the camera is held. */
public enum Orientation {
    LANDSCAPE,
    PORTRAIT;

    /** Optics as they see in this orientation, from those of the level camera. */
    public Optics turn(Optics level) {
        return this == PORTRAIT ? level.portrait() : level;
    }
}
