package dev.halfdusk.core.frame;

import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.SunAndMoon;

/**
 * The ground: how bright by direction, and its patches. Hills and slopes are brighter where the moon stands behind the
 * camera and darker against it; the mean over all directions is that of level ground.
 *
 * @param even electrons a second under sky and lamps, green
 * @param moon electrons a second by moonlight on level ground
 */
record Soil(double even, double moon, double moonAzimuthDeg, long seed) {

    private static final double RELIEF = 0.55;
    private static final double PATCHES = 0.7;
    private static final double EYE_M = 1.6;
    private static final double FAR_DEG = 1.5;

    static Soil of(Scene scene, SunAndMoon lamps, double perLuminance) {
        SunAndMoon dark = new SunAndMoon(lamps.sunAltitudeDeg(), lamps.sunAzimuthDeg(), -90, 0, 180);
        double without = GroundLight.luminance(scene.from().glow(), dark);
        double with = GroundLight.luminance(scene.from().glow(), lamps);
        return new Soil(
                perLuminance * (without + GroundLight.ofLux(scene.lampLux())),
                perLuminance * (with - without),
                lamps.moonAzimuthDeg(),
                Math.round(scene.from().site().latitudeDeg() * 1e4));
    }

    /** Electrons a second towards a direction. */
    double towards(double azimuthDeg) {
        double behind = -Math.cos(Math.toRadians(moonAzimuthDeg - azimuthDeg));
        return even + moon * (1 + RELIEF * behind);
    }

    /** Patches of grass, sand and rock, one on the average: as on a plain below, as on a slope near the horizon. */
    double patch(double azimuthDeg, double altitudeDeg) {
        double noise;
        if (altitudeDeg > -FAR_DEG) {
            noise = Noise.fractal(seed, azimuthDeg * 1.3, altitudeDeg * 2.6, 4);
        } else {
            double metres = EYE_M / Math.tan(Math.toRadians(-altitudeDeg));
            double azimuth = Math.toRadians(azimuthDeg);
            noise = Noise.fractal(seed, 1.7 * metres * Math.sin(azimuth), 1.7 * metres * Math.cos(azimuth), 4);
        }
        return 1 + 2 * PATCHES * (noise - 0.5);
    }
}
