package dev.halfdusk.core.weather;

/**
 * Dew on glass. The dew point is Magnus' with a = 17.62, b = 243.12 °C, good to 0.1 K between −45 and 60 °C over water.
 * Glass under a clear sky is colder than the air by 2 to 4 K, hence the risk before the air itself is saturated.
 */
public final class Dew {

    private static final double A = 17.62;
    private static final double B = 243.12;
    private static final double NEAR_K = 3;
    private static final double GLASS_COLDER_K = 4;
    private static final double STILL_MS = 2;

    private Dew() {}

    /** Whether a front element will mist over. */
    public enum Risk {
        LOW,
        SOME,
        HIGH
    }

    /** @param humidityPercent relative, over 0 to 100 */
    public static double pointC(double temperatureC, double humidityPercent) {
        double g = Math.log(humidityPercent / 100) + A * temperatureC / (B + temperatureC);
        return B * g / (A - g);
    }

    /**
     * High: less than 3 K above the dew point in wind under 2 m/s. Some: less than 3 K in more wind, or less than 4 K in
     * still air, since glass is that much colder.
     */
    public static Risk risk(double spreadK, double windMs) {
        boolean still = windMs < STILL_MS;
        if (spreadK < NEAR_K) {
            return still ? Risk.HIGH : Risk.SOME;
        }
        return spreadK < GLASS_COLDER_K && still ? Risk.SOME : Risk.LOW;
    }
}
