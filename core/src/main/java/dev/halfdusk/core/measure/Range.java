package dev.halfdusk.core.measure;

/**
 * The closed interval a quantity may lie in, with the words a person needs to correct a wrong entry.
 *
 * @param quantity what is measured, in lower case ("latitude")
 * @param min smallest allowed value
 * @param max largest allowed value
 * @param unit written after the numbers ("°", " mm"), may be empty
 */
public record Range(String quantity, double min, double max, String unit) {

    public static final Range LATITUDE = new Range("latitude", -90, 90, "°");
    public static final Range LONGITUDE = new Range("longitude", -180, 180, "°");
    public static final Range ELEVATION = new Range("elevation", -430, 9000, " m");
    public static final Range DECLINATION = new Range("declination", -90, 90, "°");
    public static final Range ALTITUDE = new Range("altitude", -90, 90, "°");
    public static final Range AZIMUTH = new Range("azimuth", 0, 360, "°");
    public static final Range FOCAL_LENGTH = new Range("focal length", 2, 2000, " mm");

    /** As it works on the sensor: a converter of three takes a lens of f/64 to f/192. */
    public static final Range APERTURE = new Range("aperture f/", 0.7, 192, "");

    public static final Range PIXEL_PITCH = new Range("pixel pitch", 0.5, 20, " µm");
    public static final Range SENSOR_WIDTH = new Range("sensor width", 3, 110, " mm");
    public static final Range SENSOR_HEIGHT = new Range("sensor height", 2, 110, " mm");
    public static final Range PIXELS = new Range("pixels", 320, 30_000, "");
    public static final Range TOLERANCE = new Range("drift tolerance", 0.5, 20, " px");
    public static final Range ISO = new Range("ISO", 25, 819_200, "");
    public static final Range SHUTTER = new Range("shutter", 1e-4, 14_400, " s");

    /** Whether the value is a number inside the interval. */
    public boolean holds(double value) {
        return value >= min && value <= max;
    }

    /**
     * Hands the value back if it is allowed.
     *
     * @throws OutOfRange if it is not, or is not a number
     */
    public double check(double value) {
        if (!holds(value)) {
            throw new OutOfRange(this, value);
        }
        return value;
    }

    /** The value itself, or the end that it lies beyond. */
    public double nearest(double value) {
        return Math.max(min, Math.min(max, value));
    }

    /** The part of it that does not lie below a value. */
    public Range from(double value) {
        return new Range(quantity, Math.min(max, Math.max(min, value)), max, unit);
    }

    /** The part of it that does not lie above a value. */
    public Range upTo(double value) {
        return new Range(quantity, min, Math.max(min, Math.min(max, value)), unit);
    }

    /** The allowed interval in words: "−90 to 90°". */
    public String allowed() {
        return plain(min) + " to " + plain(max) + unit;
    }

    static String plain(double value) {
        return value > 0 && value < 0.01
                ? "1/" + Math.round(1 / value)
                : Numbers.plain(value).replace('-', '\u2212');
    }
}
