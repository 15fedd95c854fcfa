package dev.halfdusk.core.measure;

/** Discs that overlap on a plane. */
public final class Circles {

    private Circles() {}

    /** Area that two circles share, in the square of their unit. */
    public static double shared(double radius1, double radius2, double apart) {
        double smaller = Math.min(radius1, radius2);
        if (apart >= radius1 + radius2) {
            return 0;
        }
        if (apart <= Math.abs(radius1 - radius2)) {
            return Math.PI * smaller * smaller;
        }
        return segment(radius1, radius2, apart) + segment(radius2, radius1, apart);
    }

    /** Part of the first that the second covers, 0 to 1. */
    public static double covered(double radius, double by, double apart) {
        return shared(radius, by, apart) / (Math.PI * radius * radius);
    }

    /** Of the first circle beyond the chord that both share. */
    private static double segment(double r, double other, double apart) {
        double half = Math.acos((apart * apart + r * r - other * other) / (2 * apart * r));
        return r * r * (half - Math.sin(2 * half) / 2);
    }
}
