package dev.halfdusk.core.weather;

/** How a tripod stands in the wind: limits of habit for a light travel tripod, not of physics. */
public enum Steadiness {
    /** Below 4 m/s. */
    STEADY,
    /** 4 to 8 m/s: low, weighted, no centre column. */
    WEIGH_DOWN,
    /** From 8 m/s: long exposures blur without shelter; from 14 m/s things fall over. */
    SHELTER;

    private static final double BREEZE_MS = 4;
    private static final double STRONG_MS = 8;

    public static Steadiness in(double windMs) {
        return windMs < BREEZE_MS ? STEADY : windMs < STRONG_MS ? WEIGH_DOWN : SHELTER;
    }
}
