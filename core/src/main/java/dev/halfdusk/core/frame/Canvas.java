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

    /** A spot's profile; one hand paints on a canvas. */
    private double[] across = new double[64];

    private double[] down = new double[64];

    private static final int BELL_STEPS = 512;
    private static final int BELL_END = 12;
    private static final float[] BELL = bell();

    private static float[] bell() {
        float[] table = new float[BELL_STEPS * BELL_END + 2];
        for (int i = 0; i < table.length; i++) {
            table[i] = (float) Math.exp(-(double) i / BELL_STEPS);
        }
        return table;
    }

    /** e^−t from a table, to 0.1 %; 0 from 12 on. */
    private static double bell(double t) {
        return t >= BELL_END ? 0 : BELL[(int) (t * BELL_STEPS + 0.5)];
    }

    Canvas(int width, int height) {
        this(width, height, new float[width * height], new float[width * height]);
    }

    private Canvas(int width, int height, float[] open, float[] marked) {
        this.width = width;
        this.height = height;
        this.open = open;
        this.marked = marked;
        electrons = new float[3][width * height];
    }

    /** One with the same sky, still dark, for another hand to paint on. */
    Canvas beside() {
        return new Canvas(width, height, open, marked);
    }

    /** What was painted beside it. */
    void add(Canvas beside) {
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < electrons[c].length; i++) {
                electrons[c][i] += beside.electrons[c][i];
            }
        }
        burnt += beside.burnt;
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
        for (int j = (int) y - reach; j <= (int) y + reach; j++) {
            for (int i = (int) x - reach; i <= (int) x + reach; i++) {
                if (i >= 0 && j >= 0 && i < width && j < height) {
                    int at = j * width + i;
                    double off = ((i + 0.5 - x) * (i + 0.5 - x) + (j + 0.5 - y) * (j + 0.5 - y)) / (2 * sigma * sigma);
                    double light = each * bell(off) * (1 - open[at]) * (1 - marked[at]);
                    for (int c = 0; c < 3; c++) {
                        electrons[c][at] += (float) (light * tint[c]);
                    }
                }
            }
        }
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
        if (across.length < size) {
            across = new double[size];
            down = new double[size];
        }
        double sumAcross = 0;
        double sumDown = 0;
        double narrow = 1 / (2 * sigma * sigma);
        for (int i = 0; i < size; i++) {
            double dx = left + i + 0.5 - x;
            double dy = top + i + 0.5 - y;
            across[i] = bell(dx * dx * narrow);
            down[i] = bell(dy * dy * narrow);
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
