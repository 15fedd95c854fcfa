package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Range;

/**
 * How far air lifts what is seen, after Saemundsson: R′ = 1.02 / tan(h + 10.3/(h + 5.11)) arcmin, h airless, scaled by
 * pressure and temperature. Good to 0.1′ above 5°, a few arcminutes at the horizon, where air varies more than that.
 * Below −1° the formula loses its sense; from there the lift fades to nothing at −5°.
 *
 * @param pressureHpa at the site
 * @param temperatureC at the site
 */
public record Refraction(double pressureHpa, double temperatureC) {

    public static final Range PRESSURE = new Range("pressure", 300, 1100, " hPa");
    public static final Range TEMPERATURE = new Range("temperature", -60, 60, " °C");

    /** 1010 hPa and 10 °C. */
    public static final Refraction STANDARD = new Refraction(1010, 10);

    public Refraction {
        PRESSURE.check(pressureHpa);
        TEMPERATURE.check(temperatureC);
    }

    /** Seen altitude in degrees for an airless altitude in degrees. */
    public double lifted(double airlessDeg) {
        if (airlessDeg <= -5) {
            return airlessDeg;
        }
        double h = Math.max(airlessDeg, -1);
        double arcmin = 1.02 / Math.tan(Math.toRadians(h + 10.3 / (h + 5.11)));
        double fade = airlessDeg < -1 ? (airlessDeg + 5) / 4 : 1;
        return airlessDeg + Math.max(0, arcmin) / 60 * fade * pressureHpa / 1010 * 283 / (273 + temperatureC);
    }
}
