package dev.halfdusk.core.frame;

import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Mark;
import java.util.Optional;

/**
 * The ground: how bright by direction, and its patches. Hills and slopes are brighter where the moon stands behind the
 * camera and darker against it; the mean over all directions is that of level ground. A lamp is swept evenly over the ground
 * as far as the nearest mark; beyond, its light falls with the square of the distance.
 *
 * @param even electrons a second under the sky, green
 * @param moon electrons a second by moonlight on level ground
 * @param lamp electrons a second by the lamp where it sweeps
 * @param sweptM as far as it does
 * @param markLit share of the lamp's light that the nearest mark gets
 * @param street lamps in a row, where it is no single one
 * @param perLux electrons a second for each lux
 */
record Soil(
        double even,
        double moon,
        double moonAzimuthDeg,
        double lamp,
        double sweptM,
        double markLit,
        Optional<LampRow> street,
        double perLux,
        long seed) {

    private static final double RELIEF = 0.55;
    private static final double PATCHES = 0.7;
    private static final double EYE_M = 1.6;
    private static final double FAR_DEG = 1.5;
    private static final double SWEPT_M = 15;
    private static final double FARTHEST_M = 60;
    private static final double[] WHITE = {1, 1, 1};

    static Soil of(Scene scene, SunAndMoon lamps, double perLuminance) {
        double without = GroundLight.luminance(scene.from().glow(), lamps.withoutMoon());
        double with = GroundLight.luminance(scene.from().glow(), lamps);
        double mark = scene.marks().stream().mapToDouble(Mark::distanceM).min().orElse(SWEPT_M);
        double swept = Math.min(FARTHEST_M, mark);
        return new Soil(
                perLuminance * without,
                perLuminance * (with - without),
                lamps.moonAzimuthDeg(),
                perLuminance * GroundLight.ofLux(scene.lampLux()),
                swept,
                swept * swept / (mark * mark),
                scene.street().map(Street::light),
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

    /** Colour of the lamps. */
    double[] lampTint() {
        return street.isPresent() ? TownLights.GROUND : WHITE;
    }

    /** Electrons a second that lamps add in a direction. */
    double lamplight(double azimuthDeg, double altitudeDeg) {
        if (street.isPresent()) {
            return altitudeDeg < 0 ? perLux * street.get().onGround(azimuthDeg, altitudeDeg) : 0;
        }
        if (lamp == 0 || altitudeDeg >= 0) {
            return 0;
        }
        double share = Math.min(1, sweptM * Math.tan(Math.toRadians(-altitudeDeg)) / EYE_M);
        return lamp * share * share;
    }

    /** Electrons a second that they add on the nearest mark, or on what is built in a direction. */
    double lampOnMark(double azimuthDeg, double altitudeDeg) {
        return street.isPresent() ? perLux * street.get().onWalls(azimuthDeg, altitudeDeg) : lamp * markLit;
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
