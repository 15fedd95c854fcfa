package dev.halfdusk.core.fireworks;

/** The people in front of a camera, as they stand at a display: 1.7 m tall, the nearest 4 m ahead on level ground. */
public final class Crowd {

    public static final double HEAD_M = 1.7;
    public static final double AHEAD_M = 4;

    private Crowd() {}

    /**
     * Altitude of the top of the nearest heads, degrees; negative below the level of the camera.
     *
     * @param tripodM height of the camera above the ground they stand on, metres
     * @param tallerM by which a head stands above the usual, metres
     */
    public static double headsDeg(double tripodM, double tallerM) {
        return Math.toDegrees(Math.atan((HEAD_M + tallerM - tripodM) / AHEAD_M));
    }
}
