package dev.halfdusk.app.log;

/** The upright axis of a small drawing, between two values. */
record Plot(double from, double to) {

    /** Of the drawing, of its own units. */
    static final int WIDE = 300;

    private static final double TOP = 10;
    private static final double BOTTOM = 76;

    double y(double value) {
        return BOTTOM - (value - from) / (to - from) * (BOTTOM - TOP);
    }
}
