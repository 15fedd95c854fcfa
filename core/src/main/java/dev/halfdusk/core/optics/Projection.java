package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Angles;

/** How a lens maps an angle off its axis to a distance from the centre of the image. */
public enum Projection {
    /** Straight lines stay straight: r = f tan θ. Nothing at 90° or beyond. */
    RECTILINEAR {
        @Override
        public double radius(double off, double ahead, double focal) {
            return ahead <= off * NOT_AHEAD ? Double.POSITIVE_INFINITY : focal * off / ahead;
        }

        @Override
        public double angle(double radius, double focal) {
            return Math.atan(radius / focal);
        }
    },
    /** Fisheye, equidistant: r = f θ. */
    FISHEYE {
        @Override
        public double radius(double off, double ahead, double focal) {
            return focal * Angles.arcTangent(off, ahead);
        }

        @Override
        public double angle(double radius, double focal) {
            return Math.min(Math.PI, radius / focal);
        }
    };

    /** Less than so much ahead for what lies off the axis is rounding: a right angle. */
    private static final double NOT_AHEAD = 1e-12;

    /** Image distance in the unit of the focal length for something so far off the axis and so far ahead, in any unit; infinite for what is not drawn. */
    public abstract double radius(double off, double ahead, double focal);

    /** Angle in radians for an image distance. */
    public abstract double angle(double radius, double focal);
}
