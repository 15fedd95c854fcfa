package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;

/**
 * Lighting a foreground with a hand lamp: E = Φ / (2π (1 − cos θ/2) d²) lux in the beam, and t = 250 N² / (E ISO) to make
 * it a middle grey.
 *
 * @param lumen of the lamp
 * @param beamDeg full angle of its beam
 * @param distanceM from lamp to subject
 */
public record LightPainting(double lumen, double beamDeg, double distanceM) {

    public static final Range LUMEN = new Range("lamp", 0.1, 20_000, " lm");
    public static final Range BEAM = new Range("beam", 1, 180, "\u00b0");
    public static final Range DISTANCE = new Range("distance", 0.2, 500, " m");
    public static final Range AREA = new Range("area to sweep", 0.01, 10_000, " m\u00b2");

    private static final double CALIBRATION = 250;

    public LightPainting {
        LUMEN.check(lumen);
        BEAM.check(beamDeg);
        DISTANCE.check(distanceM);
    }

    public double lux() {
        return lumen / (solidAngle() * distanceM * distanceM);
    }

    private double solidAngle() {
        return 2 * Math.PI * (1 - Math.cos(Math.toRadians(beamDeg / 2)));
    }

    /** Square metres that the beam lights at once. */
    public double spotM2() {
        double radius = distanceM * Math.tan(Math.toRadians(Math.min(85, beamDeg / 2)));
        return Math.PI * radius * radius;
    }

    /** Seconds of light for a spot, lamp held still. */
    public double secondsStill(double aperture, double iso) {
        return CALIBRATION * aperture * aperture / (lux() * iso);
    }

    /** Seconds for an area that is swept evenly, which shares the light among its spots. */
    public double secondsSwept(double aperture, double iso, double areaM2) {
        return secondsStill(aperture, iso) * Math.max(1, AREA.check(areaM2) / spotM2());
    }
}
