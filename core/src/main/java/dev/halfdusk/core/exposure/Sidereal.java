package dev.halfdusk.core.exposure;

/** The turning of the sky. */
public final class Sidereal {

    /** Arcseconds by which a star on the celestial equator moves in a second of time. */
    public static final double ARCSEC_PER_SECOND = 15.0411;

    static final double RADIANS_PER_SECOND = Math.toRadians(ARCSEC_PER_SECOND / 3600);

    private Sidereal() {}
}
