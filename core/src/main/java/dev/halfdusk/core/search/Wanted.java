package dev.halfdusk.core.search;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.NightRules;

/** What of the sky a night is wanted for. */
public sealed interface Wanted {

    /**
     * The sight of the year, between two altitudes and two azimuths.
     *
     * @param fromAzimuthDeg clockwise to the other; equal for anywhere
     */
    record Standing(double fromAltitudeDeg, double toAltitudeDeg, double fromAzimuthDeg, double toAzimuthDeg)
            implements Wanted {

        public static final Range HIGHEST = new Range("highest altitude", 1, 90, "\u00b0");

        public Standing {
            NightRules.LEAST_ALTITUDE.check(fromAltitudeDeg);
            HIGHEST.check(toAltitudeDeg);
            Range.AZIMUTH.check(fromAzimuthDeg);
            Range.AZIMUTH.check(toAzimuthDeg);
        }

        /** From an altitude up, in any direction. */
        public static Standing above(double altitudeDeg) {
            return new Standing(altitudeDeg, 90, 0, 0);
        }

        boolean anywhere() {
            return fromAzimuthDeg == toAzimuthDeg;
        }

        boolean holds(double altitudeDeg, double azimuthDeg) {
            boolean across = anywhere()
                    || Angles.turn(azimuthDeg - fromAzimuthDeg) <= Angles.turn(toAzimuthDeg - fromAzimuthDeg);
            return across && altitudeDeg >= fromAltitudeDeg && altitudeDeg <= toAltitudeDeg;
        }
    }

    /** The whole sky dark and without moon, whatever stands in it. */
    record DarkSky() implements Wanted {}

    /** One part of the sky, dark and without moon. */
    record PartOfSky(Direction direction) implements Wanted {}
}
