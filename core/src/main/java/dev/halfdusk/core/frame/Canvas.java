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

    /** Sensor pixels that burn in stars whose picture is then reduced. */
    private double burnt;

    /** One hand paints on a canvas. */
    private final Spot profile = new Spot();

    /** Wide light where the sky is open, and before everything; null while there is none. */
    private final HaloCells[] wide = new HaloCells[2];

    Canvas(int width, int height) {
        this(
                width,
                height,
                Planes.dark(width * height),
                Planes.dark(width * height),
                new float[3][width * height]); // which become the photograph's
    }

    private Canvas(int width, int height, float[] open, float[] marked, float[][] electrons) {
        this.width = width;
        this.height = height;
        this.open = open;
        this.marked = marked;
        this.electrons = electrons;
    }

    /** One with the same sky, still dark, for another hand to paint on. */
    Canvas beside() {
        int pixels = width * height;
        float[][] dark = {Planes.dark(pixels), Planes.dark(pixels), Planes.dark(pixels)};
        return new Canvas(width, height, open, marked, dark);
    }

    /** What was painted beside it, on one that is not used any more. */
    void add(Canvas beside) {
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < electrons[c].length; i++) {
                electrons[c][i] += beside.electrons[c][i];
            }
        }
        burnt += beside.burnt;
        for (int layer = 0; layer < wide.length; layer++) {
            wide[layer] = HaloCells.sum(wide[layer], beside.wide[layer]);
        }
        Planes.done(beside.electrons);
    }

    /** Notes sensor pixels that burn at a place of the picture, where the sky is open. */
    void burn(double x, double y, double sensorPixels) {
        burnt += sensorPixels * openAt(x, y);
    }

    double burntByStars() {
        return burnt;
    }

    /** How far the sky is open at a place, 0 to 1; 0 outside the picture. */
    double openAt(double x, double y) {
        boolean inside = x >= 0 && y >= 0 && x < width && y < height;
        return inside ? open[(int) y * width + (int) x] : 0;
    }

    /** Light in one pixel, if it lies in the picture; only where the sky is open. */
    void add(int x, int y, double light, double[] tint) {
        if (x >= 0 && y >= 0 && x < width && y < height) {
            int at = y * width + x;
            for (int c = 0; c < 3; c++) {
                electrons[c][at] += (float) (light * open[at] * tint[c]);
            }
        }
    }

    /** A small spot of light on what lies below the sky and is no mark. */
    void glint(double x, double y, double sigma, double sum, double[] tint) {
        int reach = (int) Math.ceil(2.5 * sigma);
        double each = sum / (2 * Math.PI * sigma * sigma);
        double narrow = 1 / (2 * sigma * sigma);
        float[] across = new float[2 * reach + 1];
        for (int i = 0; i < across.length; i++) {
            double dx = (int) x - reach + i + 0.5 - x;
            across[i] = Spot.bell(dx * dx * narrow);
        }
        int left = (int) x - reach;
        for (int j = Math.max(0, (int) y - reach); j <= Math.min(height - 1, (int) y + reach); j++) {
            double row = each * Spot.bell((j + 0.5 - y) * (j + 0.5 - y) * narrow);
            for (int i = Math.max(0, left); i < Math.min(width, left + across.length); i++) {
                int at = j * width + i;
                double light = row * across[i - left] * (1 - open[at]) * (1 - marked[at]);
                for (int c = 0; c < 3; c++) {
                    electrons[c][at] += (float) (light * tint[c]);
                }
            }
        }
    }

    /**
     * A round spot of light whose electrons add up.
     *
     * @param before everything, as a lamp that stands nearer than the ground behind it, or light gone astray in the lens; else only where the sky is open
     */
    void spot(double x, double y, double sigma, double sum, double[] tint, boolean before) {
        if (sigma < HaloCells.FROM_SIGMA_PX) {
            profile.add(x, y, sigma, sum, tint, electrons, before ? null : open, width, height);
            return;
        }
        int layer = before ? 1 : 0;
        wide[layer] = wide[layer] == null ? new HaloCells(width, height) : wide[layer];
        wide[layer].spot(x, y, sigma, sum, tint, profile);
    }

    void spot(double x, double y, double sigma, double sum, double[] tint) {
        spot(x, y, sigma, sum, tint, false);
    }

    /** A spot drawn along a line that is short against it. */
    void line(
            double fromX,
            double fromY,
            double toX,
            double toY,
            double sigma,
            double sum,
            double[] tint,
            boolean before) {
        profile.line(fromX, fromY, toX, toY, sigma, sum, tint, electrons, before ? null : open, width, height);
    }

    /** An even rectangle before everything, its edges to the fraction of a pixel. */
    void rectangle(double left, double top, double right, double bottom, double each, double[] tint) {
        for (int y = (int) Math.max(0, Math.floor(top)); y < Math.min(height, Math.ceil(bottom)); y++) {
            double down = Math.min(bottom, y + 1.0) - Math.max(top, y);
            for (int x = (int) Math.max(0, Math.floor(left)); x < Math.min(width, Math.ceil(right)); x++) {
                double share = down * (Math.min(right, x + 1.0) - Math.max(left, x));
                for (int c = 0; c < 3; c++) {
                    electrons[c][y * width + x] += (float) (share * each * tint[c]);
                }
            }
        }
    }

    /** Lays out what was painted coarsely; the last thing that is done. */
    void finish() {
        for (int layer = 0; layer < wide.length; layer++) {
            if (wide[layer] != null) {
                wide[layer].layOut(electrons, layer == 0 ? open : null);
            }
        }
    }

    /** But for its electrons it is not used any more. */
    void done() {
        Planes.done(open, marked);
    }
}
