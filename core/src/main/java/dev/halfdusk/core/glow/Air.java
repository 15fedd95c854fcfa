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

    /**
     * Airmass that a body's own light comes through, after Kasten and Young (1989): X = 1 / (sin h + 0.50572 (h + 6.07995)^−1.6364), 1 at
     * the zenith and 38 at the horizon, where the mass for the brightness of the sky ends at 5. Good to 0.5 % in standard air.
     *
     * @param altitudeDeg 0 to 90
     */
    public static double path(double altitudeDeg) {
        return 1 / (Math.sin(Math.toRadians(altitudeDeg)) + 0.50572 * Math.pow(altitudeDeg + 6.07995, -1.6364));
    }
}
