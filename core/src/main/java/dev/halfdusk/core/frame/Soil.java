package dev.halfdusk.core.frame;

import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.SunAndMoon;

/**
 * The ground: how bright by direction, and its patches. Hills and slopes are brighter where the moon stands behind the
 * camera and darker against it; the mean over all directions is that of level ground.
 *
 * @param even electrons a second under the sky, green
 * @param moon electrons a second by moonlight on level ground
 * @param perLux electrons a second for each lux of lamps
 */
record Soil(double even, double moon, double moonAzimuthDeg, GroundLamps lamps, double perLux, long seed) {

    /** Of a standing camera above the ground. */
    static final double EYE_M = 1.6;

    private static final double RELIEF = 0.55;
    private static final double PATCHES = 0.7;
    private static final double FAR_DEG = 1.5;

    static Soil of(Scene scene, SunAndMoon sky, double perLuminance) {
        double without = GroundLight.luminance(scene.from().glow(), sky.withoutMoon());
        double with = GroundLight.luminance(scene.from().glow(), sky);
        return new Soil(
                perLuminance * without,
                perLuminance * (with - without),
                sky.moonAzimuthDeg(),
                scene.street().<GroundLamps>map(Street::light).orElseGet(() -> SweptLamp.of(scene)),
                perLuminance * GroundLight.ofLux(1),
                Math.round(scene.from().site().latitudeDeg() * 1e4));
    }

    /** Electrons a second towards a direction. */
    double towards(double azimuthDeg) {
        if (moon == 0) {
            return even;
        }
        double behind = -Math.cos(Math.toRadians(moonAzimuthDeg - azimuthDeg));
        return even + moon * (1 + RELIEF * behind);
    }

    /** Electrons a second that lamps add in a direction. */
    double lamplight(double azimuthDeg, double altitudeDeg) {
        return altitudeDeg < 0 ? perLux * lamps.onGround(azimuthDeg, altitudeDeg) : 0;
    }

    /** Electrons a second that they add on what stands in a direction. */
    double lampOnMark(double azimuthDeg, double altitudeDeg) {
        return perLux * lamps.onMarks(azimuthDeg, altitudeDeg);
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
