package dev.halfdusk.core.glow;

/** Airmass and extinction for diffuse light. */
public final class Air {

    private Air() {}

    /** X(z) = (1 − 0.96 sin² z)^(−1/2), for altitudes from the horizon (5) to the zenith (1). */
    public static double mass(double altitudeDeg) {
        double cos = Math.cos(Math.toRadians(Math.max(0, altitudeDeg)));
        return 1 / Math.sqrt(1 - 0.96 * cos * cos);
    }

    /** What is left of light after so many airmasses. */
    public static double transmission(double extinction, double airmass) {
        return Math.exp(-0.921034 * extinction * airmass);
    }
}
