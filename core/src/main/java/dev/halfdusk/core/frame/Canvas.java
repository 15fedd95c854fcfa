package dev.halfdusk.core.frame;

/** Expected electrons of a picture by colour, and where the sky is open. */
final class Canvas {

    final int width;
    final int height;
    final float[][] electrons;
    /** 0 ground to 1 sky. */
    final float[] open;
    /** How much a mark hides, 0 to 1. */
    final float[] marked;

    Canvas(int width, int height) {
        this.width = width;
        this.height = height;
        electrons = new float[3][width * height];
        open = new float[width * height];
        marked = new float[width * height];
    }

    /** A round spot of light whose electrons add up; only where the sky is open. */
    void spot(double x, double y, double sigma, double sum, double[] tint) {
        int reach = (int) Math.ceil(3 * sigma);
        int left = (int) Math.floor(x) - reach;
        int top = (int) Math.floor(y) - reach;
        int size = 2 * reach + 1;
        if (left + size < 0 || top + size < 0 || left >= width || top >= height) {
            return;
        }
        double[] across = new double[size];
        double[] down = new double[size];
        double sumAcross = 0;
        double sumDown = 0;
        for (int i = 0; i < size; i++) {
            double dx = left + i + 0.5 - x;
            double dy = top + i + 0.5 - y;
            across[i] = Math.exp(-dx * dx / (2 * sigma * sigma));
            down[i] = Math.exp(-dy * dy / (2 * sigma * sigma));
            sumAcross += across[i];
            sumDown += down[i];
        }
        double scale = sum / (sumAcross * sumDown);
        for (int j = Math.max(0, -top); j < Math.min(size, height - top); j++) {
            for (int i = Math.max(0, -left); i < Math.min(size, width - left); i++) {
                int at = (top + j) * width + left + i;
                double light = scale * across[i] * down[j] * open[at];
                electrons[0][at] += (float) (light * tint[0]);
                electrons[1][at] += (float) (light * tint[1]);
                electrons[2][at] += (float) (light * tint[2]);
            }
        }
    }
}
