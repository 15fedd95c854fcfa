package dev.halfdusk.core.frame;

/** Adds round spots of light to pixels: a Gaussian as far as three sigmas or more, whose sum is kept. Not for two hands at a time. */
final class Spot {

    private static final int BELL_STEPS = 512;
    private static final int BELL_END = 12;
    private static final float[] BELL = table();

    private static final double NEAREST = 3;
    private static final double FARTHEST = 4.8;

    /** Peak whose light at three sigmas, a hundredth of it, is lost in the noise; electrons. */
    private static final double SEEN = 200;

    private static final int STEPS = 64;
    private static final int EDGE_END = 5;
    private static final float[] EDGE = edges();

    private float[] area = new float[256];
    private float[] across = new float[64];
    private float[] down = new float[64];

    private static float[] table() {
        float[] table = new float[BELL_STEPS * BELL_END + 2];
        for (int i = 0; i < table.length; i++) {
            table[i] = (float) Math.exp(-(double) i / BELL_STEPS);
        }
        return table;
    }

    /** e^−t from a table, to 0.1 %; 0 from 12 on. */
    static float bell(double t) {
        return t >= BELL_END ? 0 : BELL[(int) (t * BELL_STEPS + 0.5)];
    }

    /** Sigmas to which a spot is drawn: three, and farther where its light would end with an edge that is seen. */
    private static double reach(double peak) {
        return peak < SEEN ? NEAREST : Math.min(FARTHEST, Math.sqrt(2 * Math.log(peak / SEEN) + NEAREST * NEAREST));
    }

    /**
     * @param to by colour
     * @param seen how far each pixel lets it through, 0 to 1; null for all of it
     */
    void add(
            double x,
            double y,
            double sigma,
            double sum,
            double[] tint,
            float[][] to,
            float[] seen,
            int width,
            int height) {
        int reach = (int) Math.ceil(reach(sum * tint[1] / (2 * Math.PI * sigma * sigma)) * sigma);
        int left = (int) Math.floor(x) - reach;
        int top = (int) Math.floor(y) - reach;
        int size = 2 * reach + 1;
        if (left + size < 0 || top + size < 0 || left >= width || top >= height) {
            return;
        }
        if (across.length < size) {
            across = new float[size];
            down = new float[size];
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
        int first = Math.max(0, -left);
        int last = Math.min(size, width - left);
        for (int j = Math.max(0, -top); j < Math.min(size, height - top); j++) {
            row((float) (scale * down[j]), tint, to, seen, (top + j) * width + left, first, last);
        }
    }

    /** Adds the profile across, so bright, to a row of pixels. */
    private void row(float light, double[] tint, float[][] to, float[] seen, int row, int first, int last) {
        float redOf = (float) (light * tint[0]);
        float greenOf = (float) (light * tint[1]);
        float blueOf = (float) (light * tint[2]);
        float[] red = to[0];
        float[] green = to[1];
        float[] blue = to[2];
        for (int i = first; i < last; i++) { // all colours at once: spots are some pixels wide
            int at = row + i;
            float here = seen == null ? across[i] : across[i] * seen[at];
            red[at] += redOf * here;
            green[at] += greenOf * here;
            blue[at] += blueOf * here;
        }
    }

    /** A spot drawn along a short line, in one go: for lines up to some sigmas. */
    void line(
            double fromX,
            double fromY,
            double toX,
            double toY,
            double sigma,
            double sum,
            double[] tint,
            float[][] to,
            float[] seen,
            int width,
            int height) {
        double dx = toX - fromX;
        double dy = toY - fromY;
        double length = Math.sqrt(dx * dx + dy * dy);
        double ux = dx / length;
        double uy = dy / length;
        double x = (fromX + toX) / 2;
        double y = (fromY + toY) / 2;
        int reachX = (int) Math.ceil(Math.abs(dx) / 2 + 3 * sigma);
        int reachY = (int) Math.ceil(Math.abs(dy) / 2 + 3 * sigma);
        int left = (int) Math.floor(x) - reachX;
        int top = (int) Math.floor(y) - reachY;
        int wide = 2 * reachX + 1;
        int tall = 2 * reachY + 1;
        if (left + wide < 0 || top + tall < 0 || left >= width || top >= height) {
            return;
        }
        if (area.length < wide * tall) {
            area = new float[wide * tall];
        }
        if (across.length < wide) {
            across = new float[wide];
        }
        double narrow = 1 / (2 * sigma * sigma);
        double steps = STEPS / sigma;
        double half = length / 2 * steps;
        double all = 0;
        for (int j = 0; j < tall; j++) {
            double v = top + j + 0.5 - y;
            for (int i = 0; i < wide; i++) {
                double u = left + i + 0.5 - x;
                double beside = u * uy - v * ux;
                double along = Math.abs(u * ux + v * uy) * steps;
                float here = bell(beside * beside * narrow) * (edge(half - along) - edge(-half - along));
                area[j * wide + i] = here;
                all += here;
            }
        }
        int first = Math.max(0, -left);
        int last = Math.min(wide, width - left);
        for (int j = Math.max(0, -top); j < Math.min(tall, height - top); j++) {
            System.arraycopy(area, j * wide, across, 0, wide);
            row((float) (sum / all), tint, to, seen, (top + j) * width + left, first, last);
        }
    }

    /** Share of a Gaussian below a place, in steps of so many to a sigma. */
    private static float edge(double steps) {
        int at = (int) (steps + EDGE_END * STEPS + 0.5);
        return at <= 0 ? 0 : at >= EDGE.length ? 1 : EDGE[at];
    }

    private static float[] edges() {
        float[] table = new float[2 * EDGE_END * STEPS + 1];
        double sum = 0;
        for (int i = 0; i < table.length; i++) {
            double t = (double) i / STEPS - EDGE_END;
            sum += Math.exp(-t * t / 2);
            table[i] = (float) sum;
        }
        for (int i = 0; i < table.length; i++) {
            table[i] /= (float) sum;
        }
        return table;
    }
}
