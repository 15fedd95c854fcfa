package dev.halfdusk.app.pictures;

/** The data of an SVG path while it is written: commands with points, numbers to a tenth of a unit. */
public final class PathText {

    private final StringBuilder text = new StringBuilder();

    /** A command with a point: 'M' moves there, 'L' draws there. */
    PathText to(char command, double x, double y) {
        text.append(command);
        number(x);
        text.append(',');
        number(y);
        return this;
    }

    /** A command with one number: 'H' and 'V'. */
    PathText to(char command, double along) {
        text.append(command);
        number(along);
        return this;
    }

    /** A dot where a round line cap draws it. */
    PathText dot(double x, double y) {
        to('M', x, y);
        text.append("h0");
        return this;
    }

    PathText close() {
        text.append('Z');
        return this;
    }

    boolean isEmpty() {
        return text.isEmpty();
    }

    /** A number as paths round it. */
    public static double tenth(double value) {
        return Math.round(value * 10) / 10.0;
    }

    /** Much faster than a format, and pictures have ten thousands of numbers. */
    private void number(double value) {
        long tenths = Math.round(value * 10);
        if (tenths < 0) {
            text.append('-');
            tenths = -tenths;
        }
        text.append(tenths / 10);
        if (tenths % 10 != 0) {
            text.append('.').append(tenths % 10);
        }
    }

    @Override
    public String toString() {
        return text.toString();
    }
}
