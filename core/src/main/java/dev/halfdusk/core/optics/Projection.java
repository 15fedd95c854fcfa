package dev.halfdusk.core.optics;

/** How a lens maps an angle off its axis to a distance from the centre of the image. */
public enum Projection {
    /** Straight lines stay straight: r = f tan θ. Nothing at 90° or beyond. */
    RECTILINEAR {
        @Override
        public double radius(double theta, double focal) {
            return theta >= Math.PI / 2 ? Double.POSITIVE_INFINITY : focal * Math.tan(theta);
        }

        @Override
        public double radius(double off, double ahead, double focal) {
            return ahead <= 0 ? Double.POSITIVE_INFINITY : focal * off / ahead;
        }

        @Override
        public double angle(double radius, double focal) {
            return Math.atan(radius / focal);
        }
    },
    /** Fisheye, equidistant: r = f θ. */
    FISHEYE {
        @Override
        public double radius(double theta, double focal) {
            return focal * theta;
        }

        @Override
        public double radius(double off, double ahead, double focal) {
            return focal * Math.atan2(off, ahead);
        }

        @Override
        public double angle(double radius, double focal) {
            return Math.min(Math.PI, radius / focal);
        }
    };

    /** Image distance in the unit of the focal length for an angle in radians. */
    public abstract double radius(double theta, double focal);

    /** The same for something so far off the axis and so far ahead, in any unit. */
    public abstract double radius(double off, double ahead, double focal);

    /** Angle in radians for an image distance. */
    public abstract double angle(double radius, double focal);
}
