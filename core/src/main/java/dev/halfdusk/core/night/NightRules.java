package dev.halfdusk.core.night;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.sky.Skyline;

/**
 * What someone counts as dark and as core.
 *
 * @param sunDepressionDeg how far the sun's centre must be below the horizon, degrees
 * @param coreAltitudeDeg how high the core must stand, airless
 * @param skyline what hides the low sky
 */
public record NightRules(double sunDepressionDeg, double coreAltitudeDeg, Skyline skyline) {

    public static final Range DEPRESSION = new Range("depth of the sun", 6, 30, "\u00b0");
    public static final Range CORE_ALTITUDE = new Range("core altitude", 0, 89, "\u00b0");

    /** Astronomical darkness; the core from 10° up, where haze begins to let it through; open horizon. */
    public static final NightRules USUAL = new NightRules(18, 10, Skyline.FLAT);

    public NightRules {
        DEPRESSION.check(sunDepressionDeg);
        CORE_ALTITUDE.check(coreAltitudeDeg);
    }

    public NightRules withSkyline(Skyline other) {
        return new NightRules(sunDepressionDeg, coreAltitudeDeg, other);
    }
}
