package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;

/** The turning of the sky: 1.002 737 811 911 354 48 turns a day (IERS), from east to west. Precession is left out. */
public final class Sidereal {

    static final double TURNS_PER_DAY = 1.00273781191135448;

    /** Radians of turn in a second of time. */
    public static final double RADIANS_PER_SECOND = 2 * Math.PI * TURNS_PER_DAY / TimeScale.SECONDS_PER_DAY;

    /** Arcseconds by which a star on the celestial equator moves in a second of time: 15.0411. */
    public static final double ARCSEC_PER_SECOND = Math.toDegrees(RADIANS_PER_SECOND) * 3600;

    /** Degrees of turn in a second of time. */
    public static final double DEGREES_PER_SECOND = Math.toDegrees(RADIANS_PER_SECOND);

    private Sidereal() {}

    /** Where the celestial pole of the north stands at a place, east, north, up; below the horizon in the south. */
    public static Vector northPole(Site site) {
        return new Direction(0, site.latitudeDeg()).vector();
    }

    /** A fixed star's local direction so many seconds later. */
    public static Vector later(Vector star, Vector northPole, double seconds) {
        return star.turnedAbout(northPole, -RADIANS_PER_SECOND * seconds);
    }
}
