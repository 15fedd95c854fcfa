package dev.halfdusk.core.frame;

import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;

/**
 * Water under a light wind: it mirrors the sky as high above the horizon as one looks below it and somewhat higher, strongly
 * at a grazing view and weakly before one's feet, with the moon's path on it. In kind, not measured.
 */
final class Sea {

    /** Where the skyline is lower, water reaches to the horizon. */
    static final double SKYLINE_DEG = 1;

    private static final double STEEP = 0.03;
    private static final double GRAZING = 0.62;
    private static final double FADE_DEG = 14;
    private static final double WAVES_DEG = 6;
    private static final double PATH_DEG = 4;
    private static final double PATH = 0.9;

    /** Degrees below the horizon to which water is seen for each degree that the skyline stays under its limit. */
    private static final double SHORE = 40;

    private static final double SHORE_ROUGH_DEG = 7;
    private static final long SHORE_SEED = 17;

    private final SkyGlow glow;
    private final SunAndMoon lamps;
    private final double moonLux;

    Sea(Scene scene, SunAndMoon lamps) {
        this.glow = scene.from().glow();
        this.lamps = lamps;
        moonLux = GroundLight.moonLux(lamps);
    }

    /** Whether water is seen so far below the horizon: a shore runs down from where the skyline rises. */
    static boolean reaches(double skylineDeg, double azimuthDeg, double belowDeg) {
        double even = SHORE * (SKYLINE_DEG - skylineDeg);
        if (Math.abs(belowDeg - even) > SHORE_ROUGH_DEG / 2) {
            return belowDeg < even; // the noise is most of what it costs
        }
        double rough = SHORE_ROUGH_DEG * (Noise.fractal(SHORE_SEED, azimuthDeg / 5, belowDeg / 5, 4) - 0.5);
        return belowDeg < even + rough * Math.min(1, belowDeg / 3);
    }

    /** cd/m² of red, green and blue, looking so far below the horizon. */
    double[] luminance(double azimuthDeg, double belowDeg) {
        double below = Math.max(0, belowDeg);
        double share = STEEP + (GRAZING - STEEP) * Math.exp(-below / FADE_DEG);
        Direction mirrored = new Direction(Angles.turn(azimuthDeg), Math.min(89, below + WAVES_DEG));
        double[] sum = Tint.sky(glow, glow.withoutMilkyWay(mirrored, lamps), mirrored, lamps);
        double aside = Angles.halfTurn(azimuthDeg - lamps.moonAzimuthDeg()) / (PATH_DEG + 0.25 * below);
        double down = (below - lamps.moonAltitudeDeg()) / (8 + 0.5 * lamps.moonAltitudeDeg());
        double path = PATH * moonLux * Math.exp(-aside * aside) * Math.exp(-down * down);
        for (int c = 0; c < 3; c++) {
            sum[c] = share * sum[c] + path * Tint.MOON[c];
        }
        return sum;
    }
}
