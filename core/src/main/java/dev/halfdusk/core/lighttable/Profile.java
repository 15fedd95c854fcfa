package dev.halfdusk.core.lighttable;

import java.util.stream.IntStream;
import org.hipparchus.special.Erf;

/**
 * How all stars of a part of the frame are drawn: a round spot moved along a line. By its second moments, in which nothing breaks where the
 * line becomes a point: T = 2σ² + |w|, with w = L²/12 (cos 2θ, sin 2θ).
 *
 * @param trace T, pixels²
 * @param u first part of w
 * @param v second part of w
 * @param twice whether the spot stood at both ends instead of going along: then |w| = L²/4
 */
record Profile(double trace, double u, double v, boolean twice) {

    private static final double LEAST_VARIANCE = 0.04;
    private static final double ROOT_2 = Math.sqrt(2);
    private static final double ROOT_2_PI = Math.sqrt(2 * Math.PI);
    private static final double SHORT = 0.6;
    /** Full width at half maximum of a normal spot, for its sigma. */
    static final double FWHM = 2 * Math.sqrt(2 * Math.log(2));

    double along() {
        return Math.hypot(u, v);
    }

    double sigma() {
        return Math.sqrt(Math.max(LEAST_VARIANCE, (trace - along()) / 2));
    }

    /** Of the line, pixels. */
    double length() {
        return Math.sqrt((twice ? 4 : 12) * along());
    }

    /** Of the line, degrees from +x towards +y, 0 to 180. */
    double angleDeg() {
        double angle = Math.toDegrees(Math.atan2(v, u) / 2);
        return angle < 0 ? angle + 180 : angle;
    }

    Profile plus(double[] step, double share) {
        return new Profile(
                Math.max(2 * LEAST_VARIANCE, trace + share * step[0]), u + share * step[1], v + share * step[2], twice);
    }

    Profile doubled() {
        return new Profile(trace, u, v, true);
    }

    /** Made ready for many pixels. */
    Drawn drawn() {
        return new Drawn(this);
    }

    /**
     * Light of a star of 1 in a pixel at a distance from its middle: a curve across its line times one along it, both from tables, since most of
     * the work of a fit is this.
     */
    static final class Drawn {

        private static final double FINE = 48;

        private final double cos;
        private final double sin;
        private final double[] across;
        private final double[] along;
        private final double perPixel;

        private Drawn(Profile p) {
            double angle = Math.atan2(p.v, p.u) / 2;
            cos = Math.cos(angle);
            sin = Math.sin(angle);
            double sigma = p.sigma();
            double half = p.length() / 2;
            perPixel = FINE / sigma;
            double norm = 1 / (sigma * ROOT_2_PI);
            across = new double[(int) (6 * FINE) + 2];
            for (int i = 0; i < across.length; i++) {
                double t = i / FINE;
                across[i] = norm * Math.exp(-t * t / 2);
            }
            along = new double[(int) ((6 + half / sigma) * FINE) + 2];
            double longSigma = Math.sqrt(sigma * sigma + p.along());
            for (int i = 0; i < along.length; i++) {
                double by = i / perPixel;
                if (2 * half < SHORT * sigma) {
                    along[i] = Math.exp(-by * by / (2 * longSigma * longSigma)) / (longSigma * ROOT_2_PI);
                } else {
                    double before = (by + half) / sigma;
                    double after = (by - half) / sigma;
                    along[i] = p.twice
                            ? norm * (Math.exp(-before * before / 2) + Math.exp(-after * after / 2)) / 2
                            : (erf(before / ROOT_2) - erf(after / ROOT_2)) / (4 * half);
                }
            }
        }

        double at(double dx, double dy) {
            return of(across, dy * cos - dx * sin) * of(along, dx * cos + dy * sin);
        }

        /** The light, and how it changes to the right and downwards. */
        void at(double dx, double dy, double[] out) {
            double q = dy * cos - dx * sin;
            double p = dx * cos + dy * sin;
            double a = of(across, q);
            double b = of(along, p);
            double da = slope(across, q) * b;
            double db = slope(along, p) * a;
            out[0] = a * b;
            out[1] = db * cos - da * sin;
            out[2] = db * sin + da * cos;
        }

        private double of(double[] curve, double offPx) {
            double at = Math.abs(offPx) * perPixel;
            int i = (int) at;
            return i + 1 >= curve.length ? 0 : curve[i] + (at - i) * (curve[i + 1] - curve[i]);
        }

        private double slope(double[] curve, double offPx) {
            double at = Math.abs(offPx) * perPixel;
            int i = (int) at;
            double by = i + 1 >= curve.length ? 0 : (curve[i + 1] - curve[i]) * perPixel;
            return offPx < 0 ? -by : by;
        }
    }

    private static final int ERF_FINE = 512;
    private static final double ERF_ENDS = 6;
    private static final double[] ERF = IntStream.rangeClosed(0, (int) ERF_ENDS * ERF_FINE + 1)
            .mapToDouble(i -> Erf.erf((double) i / ERF_FINE))
            .toArray();

    /** By a table, to 1e−6: a fit asks for it millions of times. */
    private static double erf(double x) {
        double at = Math.abs(x) * ERF_FINE;
        int i = (int) at;
        double y = at >= ERF_ENDS * ERF_FINE ? 1 : ERF[i] + (at - i) * (ERF[i + 1] - ERF[i]);
        return x < 0 ? -y : y;
    }
}
