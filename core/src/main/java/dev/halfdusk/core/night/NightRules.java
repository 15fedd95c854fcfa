package dev.halfdusk.core.night;

import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Range;

/**
 * What someone counts as dark and as core.
 *
 * @param sunDepressionDeg how far the sun's centre must be below the horizon, degrees
 * @param moonAllowanceMag by how much moonlight may brighten the zenith of a natural sky; 0: the moon must be down
 * @param coreAltitudeDeg how high the core must stand, airless
 * @param skyline what hides the low sky
 * @param dipDeg by how much the horizon lies lower for rise and set, 0 by convention
 */
public record NightRules(
        double sunDepressionDeg, double moonAllowanceMag, double coreAltitudeDeg, Skyline skyline, double dipDeg) {

    public static final Range DEPRESSION = new Range("depth of the sun", 6, 30, "\u00b0");
    public static final Range MOON_ALLOWANCE = new Range("moonlight allowed", 0, 4, " mag");
    public static final Range DIP = new Range("dip of the horizon", 0, 3, "\u00b0");
    public static final Range CORE_ALTITUDE = new Range("core altitude", 0, 89, "\u00b0");

    /** Astronomical darkness without moon; the core from 10° up, where haze begins to let it through; open horizon. */
    public static final NightRules USUAL = new NightRules(18, 0, 10, Skyline.FLAT, 0);

    public NightRules {
        DEPRESSION.check(sunDepressionDeg);
        MOON_ALLOWANCE.check(moonAllowanceMag);
        CORE_ALTITUDE.check(coreAltitudeDeg);
        DIP.check(dipDeg);
    }

    public NightRules withSkyline(Skyline other) {
        return new NightRules(sunDepressionDeg, moonAllowanceMag, coreAltitudeDeg, other, dipDeg);
    }

    public NightRules withDip(double degrees) {
        return new NightRules(sunDepressionDeg, moonAllowanceMag, coreAltitudeDeg, skyline, degrees);
    }

    public NightRules withMoonAllowance(double magnitudes) {
        return new NightRules(sunDepressionDeg, magnitudes, coreAltitudeDeg, skyline, dipDeg);
    }
}
