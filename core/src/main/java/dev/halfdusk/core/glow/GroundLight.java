package dev.halfdusk.core.glow;

import dev.halfdusk.core.measure.Range;

/**
 * How bright open ground is at night: it gives back a tenth of what falls on it, from the sky (taken as even, as bright as
 * its zenith), from the moon itself, and from lamps. Grass is like that; wet rock and woods are a stop or two darker, sand
 * and snow one to three stops brighter.
 */
public final class GroundLight {

    public static final Range LUX = new Range("lamp light on the ground", 0, 1000, " lx");

    private static final double REFLECTANCE = 0.1;

    /** Of a sun overhead, outside the air. */
    private static final double SUN_LUX = 127_000;

    /**
     * Of a light that gives one lux: a star of V 0 gives 2.54e−6 lux (Allen, Astrophysical Quantities), as 0 mag/arcsec² is
     * 108 000 cd/m² in {@link Luminance}: one zero point for both.
     */
    public static final double MAGNITUDE_OF_ONE_LUX = 2.5 * Math.log10(2.54e-6);

    private GroundLight() {}

    /** cd/m² of level ground under a sky. */
    public static double luminance(SkyGlow glow, SunAndMoon lamps) {
        double sky = Luminance.of(glow.zenith(lamps).magnitude());
        return REFLECTANCE * sky + ofLux(moonLux(lamps) + sunLux(lamps));
    }

    /** Lux on level ground from the sun itself in clear air, as much of it as an eclipse leaves. */
    public static double sunLux(SunAndMoon lamps) {
        if (lamps.sunAltitudeDeg() <= 0) {
            return 0;
        }
        return lamps.sunShare()
                * SUN_LUX
                * Air.transmission(SkyGlow.CLEAR, Air.path(lamps.sunAltitudeDeg()))
                * Math.sin(Math.toRadians(lamps.sunAltitudeDeg()));
    }

    /** cd/m² of level ground in some light. */
    public static double ofLux(double lux) {
        return REFLECTANCE / Math.PI * lux;
    }

    /** Lux on level ground from the moon as it stands, eclipsed or not. */
    public static double moonLux(SunAndMoon lamps) {
        return lamps.moonShare() * moonLux(lamps.moonPhaseAngleDeg(), lamps.moonAltitudeDeg());
    }

    /** Lux on level ground from the moon in clear air: 0.27 from a full one overhead. 0 below the horizon. */
    public static double moonLux(double phaseAngleDeg, double moonAltitudeDeg) {
        if (moonAltitudeDeg <= 0) {
            return 0;
        }
        double magnitude = Moonlight.FULL_MAGNITUDE + Moonlight.fading(phaseAngleDeg);
        return Math.pow(10, -0.4 * (magnitude - MAGNITUDE_OF_ONE_LUX))
                * Air.transmission(SkyGlow.CLEAR, Air.path(moonAltitudeDeg))
                * Math.sin(Math.toRadians(moonAltitudeDeg));
    }
}
