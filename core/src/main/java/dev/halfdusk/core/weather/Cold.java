package dev.halfdusk.core.weather;

import dev.halfdusk.core.optics.Gear;

/**
 * What cold and heat do to power: what a lithium-ion battery gives at a temperature, against 20 °C: 0.5 at −20, 0.65 at −10, 0.8 at 0, 1 at 20, 0.9 at
 * 40 °C, straight between. Typical figures; one's own runs are better.
 */
public final class Cold {

    private static final double[] CELSIUS = {-20, -10, 0, 20, 40};
    private static final double[] FACTOR = {0.5, 0.65, 0.8, 1, 0.9};

    private static final double WARM = 20;

    private Cold() {}

    /**
     * What a temperature leaves of a battery: as of any, or, below 20 °C, through what it gave at 0 °C itself where somebody has tried,
     * with the usual slope below that.
     */
    public static double factor(Gear.Battery b, double celsius) {
        double usual = batteryFactor(celsius);
        if (b.coldMinutes().isEmpty() || celsius >= WARM) {
            return usual;
        }
        double own = b.coldMinutes().getAsDouble() / b.minutes();
        return celsius <= 0 ? own * usual / batteryFactor(0) : own + (1 - own) * celsius / WARM;
    }

    /** Beyond the ends the outermost slope goes on, not below a tenth. */
    public static double batteryFactor(double celsius) {
        int i = 1;
        while (i < CELSIUS.length - 1 && celsius > CELSIUS[i]) {
            i++;
        }
        double share = (celsius - CELSIUS[i - 1]) / (CELSIUS[i] - CELSIUS[i - 1]);
        return Math.max(0.1, FACTOR[i - 1] + (FACTOR[i] - FACTOR[i - 1]) * share);
    }
}
