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
     * Airmass that a body's own light comes through, by its airless altitude as places are reckoned everywhere here, after Young (1994,
     * Applied Optics 33, 1108): 1 at the zenith and 31.7 at the airless horizon, where the mass for the brightness of the sky ends at 5.
     * The better known formula of Kasten and Young wants the altitude as refracted, and gives 38 there: 1.7 stops too much. Good to 0.5 %
     * in standard air.
     *
     * @param altitudeDeg airless, 0 to 90; lower counts as 0
     */
    public static double path(double altitudeDeg) {
        double c = Math.sin(Math.toRadians(Math.max(0, altitudeDeg)));
        return ((1.002432 * c + 0.148386) * c + 0.0096467) / (((c + 0.149864) * c + 0.0102963) * c + 0.000303978);
    }
}
