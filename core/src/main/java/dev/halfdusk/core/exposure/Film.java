package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;

/**
 * Long exposures on film, which answers less to faint light: a metered time over a second becomes t^p.
 *
 * @param speed ISO
 * @param exponent p, 1.0 to 1.4, as the maker of the film says
 */
public record Film(double speed, double exponent) {

    public static final Range EXPONENT = new Range("reciprocity exponent", 1, 1.6, "");
    public static final Range FRAMES = new Range("frames left", 1, 1000, "");

    /** What the meter was pointed at. */
    public enum Metering {
        MID_TONES(0),
        /** Two stops less, so that shadows stay dark. */
        SHADOWS(-2);

        private final double stops;

        Metering(double stops) {
            this.stops = stops;
        }

        public double stops() {
            return stops;
        }
    }

    public Film {
        Range.ISO.check(speed);
        EXPONENT.check(exponent);
    }

    /** Seconds to expose for seconds metered; shorter than a second nothing is lost. */
    public double corrected(double meteredSeconds) {
        return meteredSeconds > 1 ? Math.pow(meteredSeconds, exponent) : meteredSeconds;
    }

    /** The metered seconds that it must be open so long for: what light it answers to. */
    public double metered(double openSeconds) {
        return openSeconds > 1 ? Math.pow(openSeconds, 1 / exponent) : openSeconds;
    }

    /** The same after the metering school's stops. */
    public double seconds(double meteredSeconds, Metering metering) {
        return corrected(meteredSeconds * Math.pow(2, metering.stops));
    }

    /** Subjects that a rest of the roll is enough for, with brackets of so many frames. */
    public static int subjects(int framesLeft, int bracket) {
        return framesLeft / bracket;
    }
}
