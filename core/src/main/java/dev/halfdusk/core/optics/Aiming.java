package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing.Point;

/** Where to point a camera so that something stands at a wanted place of its picture. */
public final class Aiming {

    private static final int ROUNDS = 40;
    private static final double HIGHEST_DEG = 89.9;

    private Aiming() {}

    /** Azimuth and altitude of an axis, degrees. */
    public record Aim(double azimuthDeg, double altitudeDeg) {}

    /**
     * @param target direction east, north, up
     * @param at wanted place in the picture, millimetres from its centre
     * @return an axis that puts it there to 0.001°, as near as the zenith allows
     */
    public static Aim at(Optics optics, double rollDeg, Vector target, Point at) {
        double wantedAzimuth = Angles.turn(Math.toDegrees(Math.atan2(target.x(), target.y())));
        double wantedAltitude = target.latitudeDeg();
        double azimuth = wantedAzimuth;
        double altitude = wantedAltitude;
        for (int i = 0; i < ROUNDS; i++) {
            Vector seen = Framing.of(optics, azimuth, altitude, rollDeg).see(at);
            double off = Angles.halfTurn(wantedAzimuth - Math.toDegrees(Math.atan2(seen.x(), seen.y())));
            azimuth = Angles.turn(azimuth + off);
            altitude += wantedAltitude - seen.latitudeDeg();
            altitude = Math.max(-HIGHEST_DEG, Math.min(HIGHEST_DEG, altitude));
        }
        return new Aim(azimuth, altitude);
    }
}
