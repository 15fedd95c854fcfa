package dev.halfdusk.core.fireworks;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.weather.WeatherHour;

/**
 * Where smoke goes, seen from the camera: across the picture is best, towards it worst.
 *
 * @param rightMs to the right in the picture, metres a second; below 0 to the left
 * @param awayMs away from the camera; below 0 towards it
 */
public record Smoke(double rightMs, double awayMs) {

    /** Calmer air leaves it where it is. */
    private static final double CALM = 0.7;

    /** Where it drifts. */
    public enum Way {
        HANGS("hangs where it is: shoot the first shells, and wait between salvos"),
        RIGHT("drifts to the right: leave room at the left, reframe there as it thickens"),
        LEFT("drifts to the left: leave room at the right, reframe there as it thickens"),
        AWAY("drifts away behind the bursts: it glows behind them, but leaves them clear"),
        TOWARDS("drifts towards you: stand on the other side, upwind, or across the wind");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param fromDeg where the wind comes from
     * @param bearingDeg from the camera to the firing point
     */
    public static Smoke of(double windMs, double fromDeg, double bearingDeg) {
        double to = Math.toRadians(Angles.turn(fromDeg + 180) - bearingDeg);
        WeatherHour.WIND.check(windMs);
        return new Smoke(windMs * Math.sin(to), windMs * Math.cos(to));
    }

    public Way way() {
        if (Math.hypot(rightMs, awayMs) < CALM) {
            return Way.HANGS;
        }
        if (Math.abs(rightMs) >= Math.abs(awayMs)) {
            return rightMs > 0 ? Way.RIGHT : Way.LEFT;
        }
        return awayMs > 0 ? Way.AWAY : Way.TOWARDS;
    }

    /** Bearing from the firing point towards where one stands best: with the wind across, so that it blows smoke out of the picture. */
    public static double standDeg(double fromDeg) {
        return Angles.turn(fromDeg + 90);
    }
}
