package dev.halfdusk.core.night;

import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Range;

/**
 * What someone counts as dark, and how high what one comes for must stand.
 *
 * @param dark how dark it must be
 * @param moonAllowanceMag by how much moonlight may brighten the zenith of a natural sky; 0: the moon must be down
 * @param leastAltitudeDeg how high it must stand, airless
 * @param skyline what hides the low sky
 * @param dipDeg by how much the horizon lies lower for rise and set, 0 by convention
 */
public record NightRules(Dark dark, double moonAllowanceMag, double leastAltitudeDeg, Skyline skyline, double dipDeg) {

    public static final Range MOON_ALLOWANCE = new Range("moonlight allowed", 0, 4, " mag");
    public static final Range DIP = new Range("dip of the horizon", 0, 3, "\u00b0");
    public static final Range LEAST_ALTITUDE = new Range("least altitude", 0, 89, "\u00b0");

    /** Astronomical darkness without moon; what one comes for from 10° up, where haze begins to let it through; open horizon. */
    public static final NightRules USUAL = new NightRules(Dark.ASTRONOMICAL, 0, 10, Skyline.FLAT, 0);

    public NightRules {
        MOON_ALLOWANCE.check(moonAllowanceMag);
        LEAST_ALTITUDE.check(leastAltitudeDeg);
        DIP.check(dipDeg);
    }

    public NightRules withSkyline(Skyline other) {
        return new NightRules(dark, moonAllowanceMag, leastAltitudeDeg, other, dipDeg);
    }

    public NightRules withDip(double degrees) {
        return new NightRules(dark, moonAllowanceMag, leastAltitudeDeg, skyline, degrees);
    }

    public NightRules withMoonAllowance(double magnitudes) {
        return new NightRules(dark, magnitudes, leastAltitudeDeg, skyline, dipDeg);
    }

    public NightRules asking(Dark other, double altitudeDeg) {
        return new NightRules(other, moonAllowanceMag, altitudeDeg, skyline, dipDeg);
    }
}
