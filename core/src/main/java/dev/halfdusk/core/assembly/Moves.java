package dev.halfdusk.core.assembly;

/**
 * Where places of one frame lie in another: a polynomial in x and y for each, as far as there are stars to tell it. Places are pixels from the
 * upper left corner.
 */
final class Moves {

    static final Moves NONE = new Moves(1, 1, 1, new double[] {0, 1, 0}, new double[] {0, 0, 1});

    private final int degree;
    private final double middle;
    private final double scale;
    private final double[] toX;
    private final double[] toY;

    /**
     * @param middle that places are counted from, in both directions
     * @param scale by which they are then divided, so that powers stay small
     */
    Moves(int degree, double middle, double scale, double[] toX, double[] toY) {
        this.degree = degree;
        this.middle = middle;
        this.scale = scale;
        this.toX = toX.clone();
        this.toY = toY.clone();
    }

    /** Terms of a degree. */
    static int terms(int degree) {
        return (degree + 1) * (degree + 2) / 2;
    }

    /** 1, x, y, x², xy, y², … */
    static double[] powers(int degree, double x, double y) {
        double[] out = new double[terms(degree)];
        int k = 0;
        for (int d = 0; d <= degree; d++) {
            for (int j = 0; j <= d; j++) {
                out[k++] = Math.pow(x, d - j) * Math.pow(y, j);
            }
        }
        return out;
    }

    double[] at(double x, double y) {
        double[] p = powers(degree, (x - middle) / scale, (y - middle) / scale);
        double u = 0;
        double v = 0;
        for (int i = 0; i < p.length; i++) {
            u += p[i] * toX[i];
            v += p[i] * toY[i];
        }
        return new double[] {u * scale + middle, v * scale + middle};
    }
}
