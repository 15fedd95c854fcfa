package dev.halfdusk.core.weather;

import dev.halfdusk.core.measure.Range;
import java.time.Instant;

/**
 * The weather forecast for an instant.
 *
 * @param lowCloudPercent of the sky covered by low cloud, 0 to 100; the other layers likewise
 * @param windMs mean wind at 10 m, metres a second
 * @param temperatureC of the air at 2 m
 * @param humidityPercent relative, over water
 */
public record WeatherHour(
        Instant when,
        double lowCloudPercent,
        double middleCloudPercent,
        double highCloudPercent,
        double windMs,
        double temperatureC,
        double humidityPercent) {

    public static final Range CLOUD = new Range("cloud", 0, 100, " %");
    public static final Range WIND = new Range("wind", 0, 75, " m/s");
    public static final Range TEMPERATURE = new Range("temperature", -60, 55, " \u00b0C");
    public static final Range HUMIDITY = new Range("humidity", 1, 100, " %");

    public WeatherHour {
        CLOUD.check(lowCloudPercent);
        CLOUD.check(middleCloudPercent);
        CLOUD.check(highCloudPercent);
        WIND.check(windMs);
        TEMPERATURE.check(temperatureC);
        HUMIDITY.check(humidityPercent);
    }

    /** Sky covered by any layer, percent, if the layers lie over each other by chance. */
    public double cloudPercent() {
        return 100 * (1 - (1 - lowCloudPercent / 100) * (1 - middleCloudPercent / 100) * (1 - highCloudPercent / 100));
    }

    /** Degrees by which the air must cool before it is saturated. */
    public double dewSpreadK() {
        return temperatureC - Dew.pointC(temperatureC, humidityPercent);
    }

    public Dew.Risk dewRisk() {
        return Dew.risk(dewSpreadK(), windMs);
    }

    /** Part of its capacity at 20 °C that a battery gives. */
    public double batteryFactor() {
        return Cold.batteryFactor(temperatureC);
    }

    /** The weather a share of the way to a later hour, evenly between. */
    WeatherHour towards(WeatherHour later, double share, Instant instant) {
        return new WeatherHour(
                instant,
                mix(lowCloudPercent, later.lowCloudPercent, share),
                mix(middleCloudPercent, later.middleCloudPercent, share),
                mix(highCloudPercent, later.highCloudPercent, share),
                mix(windMs, later.windMs, share),
                mix(temperatureC, later.temperatureC, share),
                mix(humidityPercent, later.humidityPercent, share));
    }

    private static double mix(double from, double to, double share) {
        return from + (to - from) * share;
    }
}
