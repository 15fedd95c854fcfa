package dev.halfdusk.core.measure;

import net.jafama.FastMath;

/** Angles in degrees, brought into one turn; and arcs for where very many are taken, elsewhere the JDK's do as well. */
public final class Angles {

    private static final String[] POINTS = {
        "N", "NNE", "NE", "ENE", "E", "ESE", "SE", "SSE", "S", "SSW", "SW", "WSW", "W", "WNW", "NW", "NNW"
    };

    private Angles() {}

    /** The same direction in 0 (included) to 360 (excluded). */
    public static double turn(double degrees) {
        double rest = degrees % 360;
        double positive = rest < 0 ? rest + 360 : rest;
        return positive >= 360 ? 0 : positive;
    }

    /** The same direction in −180 (excluded) to 180 (included). */
    public static double halfTurn(double degrees) {
        double turned = turn(degrees);
        return turned > 180 ? turned - 360 : turned;
    }

    /**
     * What a compass shows for a true bearing.
     *
     * @param declinationDeg by which it points east of true north
     */
    public static double magneticDeg(double trueDeg, double declinationDeg) {
        return turn(trueDeg - declinationDeg);
    }

    /** The nearest of the sixteen compass points for an azimuth counted from north through east. */
    public static String compass(double azimuthDeg) {
        return POINTS[(int) Math.round(turn(azimuthDeg) / 22.5) % 16];
    }

    /** Angle of a sine, radians, −π/2 to π/2: as {@link Math#asin} to 2e-15, in a fraction of its time. */
    public static double arcSine(double sine) {
        return FastMath.asin(sine);
    }

    /** Angle of a cosine, radians, 0 to π: as {@link Math#acos} to 2e-15, in a fraction of its time; what rounding put beyond ±1 counts as that. */
    public static double arcCosine(double cosine) {
        return FastMath.acos(Math.max(-1, Math.min(1, cosine)));
    }

    /** Angle from the first axis, radians, −π to π: as {@link Math#atan2} to 2e-15, in a third of its time. */
    public static double arcTangent(double y, double x) {
        return FastMath.atan2(y, x);
    }
}
