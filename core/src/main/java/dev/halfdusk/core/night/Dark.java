package dev.halfdusk.core.night;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import java.util.Locale;
import java.util.Optional;

/**
 * How dark someone asks the sky to be, as a depth of the sun below the horizon.
 *
 * @param sunDepressionDeg how far the sun's centre must be below the horizon, degrees
 * @param orDeepest in a night that never is so dark: within a degree of the sun's lowest
 */
public record Dark(double sunDepressionDeg, boolean orDeepest) {

    public static final Range DEPRESSION = new Range("depth of the sun", 6, 30, "\u00b0");

    /** No twilight left: the sun 18\u00b0 below. */
    public static final Dark ASTRONOMICAL = sun(18);

    /** As dark as the night gets. */
    public static final Dark DEEPEST = new Dark(18, true);

    /** Within so many degrees of the deepest a sky is as dark as it gets. */
    private static final double DEEP_DEG = 1;

    private static final double DEEPEST_SUN = 18;

    public Dark {
        DEPRESSION.check(sunDepressionDeg);
    }

    /** The sun so deep in any night. */
    public static Dark sun(double degrees) {
        return new Dark(degrees, false);
    }

    /**
     * By the brightness of a moonless zenith that twilight leaves, V mag/arcsec\u00b2, to 0.01\u00b0 of the sun's depth; empty where no
     * twilight is the reason that it is brighter.
     */
    public static Optional<Dark> sky(double magnitude, SkyGlow glow) {
        if (darkest(glow) < magnitude) {
            return Optional.empty();
        }
        double dark = DEEPEST_SUN;
        double light = DEPRESSION.min();
        while (dark - light > 0.01) {
            double middle = (dark + light) / 2;
            if (zenith(middle, glow) >= magnitude) {
                dark = middle;
            } else {
                light = middle;
            }
        }
        return Optional.of(sun(dark));
    }

    /** What a moonless zenith comes to without twilight. */
    public static double darkest(SkyGlow glow) {
        return zenith(DEEPEST_SUN, glow);
    }

    private static double zenith(double depressionDeg, SkyGlow glow) {
        return glow.zenith(new SunAndMoon(-depressionDeg, 0, -90, 0, 180)).magnitude();
    }

    /** What it asks in a night whose sun goes down to an altitude, degrees below the horizon. */
    public double depressionDeg(double lowestSunDeg) {
        double reached = -lowestSunDeg - DEEP_DEG;
        return orDeepest ? DEPRESSION.nearest(Math.min(sunDepressionDeg, reached)) : sunDepressionDeg;
    }

    /** "the sun 12\u00b0 below the horizon". */
    public String words() {
        return orDeepest
                ? "as dark as the night gets"
                : "the sun " + Numbers.trimmed(sunDepressionDeg, 2) + "\u00b0 below the horizon";
    }

    /** Short name for addresses and files: "18", "deepest". */
    public String key() {
        return orDeepest ? "deepest" : Numbers.trimmed(sunDepressionDeg, 2);
    }

    /** What a short name says; empty where it says nothing. */
    public static Optional<Dark> of(String key) {
        String word = key.strip().toLowerCase(Locale.ROOT);
        if (word.equals("deepest")) {
            return Optional.of(DEEPEST);
        }
        return word.matches("\\d{1,2}(\\.\\d{1,4})?")
                ? Optional.of(Double.parseDouble(word))
                        .filter(DEPRESSION::holds)
                        .map(Dark::sun)
                : Optional.empty();
    }
}
