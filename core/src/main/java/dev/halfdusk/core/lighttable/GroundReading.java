package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.measure.Median;
import dev.halfdusk.core.optics.Framing;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Optional;

/**
 * What stands below the horizon, by the direction the frame looked in: land, water, people.
 *
 * @param share of the frame
 * @param level its median on the axis of the sRGB curve, 0 to 1
 * @param edgePx full width at half maximum that its clearest edges are blurred by; 0 where it has none
 * @param twicePx by which it stands twice, sideways; 0 where it does not
 */
public record GroundReading(double share, double level, double edgePx, double twicePx) {

    private static final double BELOW_DEG = -0.5;
    private static final double LEAST_SHARE = 0.03;
    /** Coarse pixels of a row that are below the horizon, or not, together. */
    private static final int TOGETHER = 6;

    private static final double CLEAREST = 0.004;
    private static final int LEAST_EDGES = 20;
    private static final int MOST_EDGES = 4000;
    private static final int SAMPLES = 200_000;
    private static final int ROWS = 1200;
    private static final int AROUND = 14;
    private static final int FARTHEST = 40;
    private static final int NEAREST = 4;
    private static final double STANDS_TWICE = 0.3;
    private static final double BETWEEN = 0.12;
    private static final double FLAT = 0.08;
    private static final double NOISES = 8;
    /** Of an edge blurred to a normal curve: height against slope gives its spread, that its width. */
    private static final double WIDTH_OF_SLOPE = 2.3548 / 2.5066;

    /** Empty where the frame shows no ground, or its direction is not known. */
    static Optional<GroundReading> of(Pixels pixels, Encoding encoding, Optional<Framing> framing, Background noise) {
        if (framing.isEmpty()) {
            return Optional.empty();
        }
        BitSet ground = below(pixels, framing.get());
        int across = pixels.coarseWidth();
        int cells = across * pixels.coarseHeight();
        double share = ground.cardinality() / (double) cells;
        if (share < LEAST_SHARE) {
            return Optional.empty();
        }
        double[] levels = ground.stream().mapToDouble(i -> pixels.coarse(1)[i]).toArray();
        double level = Tone.position(encoding.light(Median.of(levels)));
        return Optional.of(new Edges(pixels, ground, noise).reading(share, level));
    }

    private static BitSet below(Pixels pixels, Framing framing) {
        int across = pixels.coarseWidth();
        double pitch = Known.pixelMm(framing.optics(), pixels.width()) * Pixels.COARSE;
        BitSet ground = new BitSet(across * pixels.coarseHeight());
        for (int y = 0; y < pixels.coarseHeight(); y++) {
            for (int x = 0; x < across; x += TOGETHER) {
                Framing.Point at = new Framing.Point(
                        (x + TOGETHER / 2.0) * pitch - pitch / Pixels.COARSE * pixels.width() / 2.0,
                        (y + 0.5) * pitch - pitch / Pixels.COARSE * pixels.height() / 2.0);
                int to = Math.min(across, x + TOGETHER);
                ground.set(y * across + x, y * across + to, framing.see(at).latitudeDeg() < BELOW_DEG);
            }
        }
        return ground;
    }

    /** Its edges, row by row: of a large picture only some of the rows. */
    private static final class Edges {
        final Pixels pixels;
        final BitSet ground;
        final double noise;
        final int w;
        final int every;
        final double[] agree = new double[FARTHEST + 1];
        final double[] widths = new double[MOST_EDGES];
        int count;

        Edges(Pixels pixels, BitSet ground, Background noise) {
            this.pixels = pixels;
            this.ground = ground;
            this.noise = NOISES / 3 * noise.quietSigma();
            w = pixels.width();
            every = 1 + pixels.height() / ROWS;
        }

        GroundReading reading(double share, double level) {
            double clear = clearest();
            float[] across = new float[w];
            for (int y = AROUND; y < pixels.height() - AROUND; y += every) {
                for (int x = AROUND; x < w - AROUND; x++) {
                    across[x] = on(x, y) ? across(x, y) : 0;
                    edge(x, y, across[x], clear);
                }
                agrees(across, y);
            }
            double width = count < LEAST_EDGES ? 0 : Median.of(Arrays.copyOf(widths, count));
            return new GroundReading(share, level, width, twice());
        }

        private boolean on(int x, int y) {
            return ground.get(y / Pixels.COARSE * pixels.coarseWidth() + x / Pixels.COARSE);
        }

        private float across(int x, int y) {
            char[] light = pixels.light();
            int at = y * w + x;
            return (light[at + 1]
                            + light[at + 1 - w]
                            + light[at + 1 + w]
                            - light[at - 1]
                            - light[at - 1 - w]
                            - light[at - 1 + w])
                    / 6f;
        }

        private float down(int x, int y) {
            char[] light = pixels.light();
            int at = y * w + x;
            return (light[at + w]
                            + light[at + w - 1]
                            + light[at + w + 1]
                            - light[at - w]
                            - light[at - w - 1]
                            - light[at - w + 1])
                    / 6f;
        }

        private double steep(int x, int y) {
            return Math.hypot(across(x, y), down(x, y));
        }

        /** The slope that only few pixels of the ground reach. */
        private double clearest() {
            double[] steep = new double[SAMPLES];
            int n = 0;
            int step = 1 + (int) Math.sqrt((double) w * pixels.height() / SAMPLES);
            for (int y = AROUND; y < pixels.height() - AROUND; y += step) {
                for (int x = AROUND; x < w - AROUND && n < SAMPLES; x += step) {
                    if (on(x, y)) {
                        steep[n++] = steep(x, y);
                    }
                }
            }
            double[] sorted = Arrays.copyOf(steep, n);
            Arrays.sort(sorted);
            return n == 0 ? Double.MAX_VALUE : sorted[(int) (n * (1 - CLEAREST))];
        }

        private void edge(int x, int y, float across, double clear) {
            double least = Math.max(clear, noise);
            if (count == MOST_EDGES || !on(x, y) || Math.abs(across) < 0.3 * least) {
                return;
            }
            float down = down(x, y);
            double steep = Math.hypot(across, down);
            if (steep >= least
                    && steep >= Math.max(steep(x - 1, y), steep(x + 1, y))
                    && steep >= Math.max(steep(x, y - 1), steep(x, y + 1))) {
                widths[count++] = width(x, y, across / steep, down / steep, steep);
            }
        }

        /** The height of the edge against its steepest slope. */
        private double width(int x, int y, double dx, double dy, double steepest) {
            double low = pixels.light()[y * w + x];
            double high = low;
            for (int side = -1; side <= 1; side += 2) {
                double last = pixels.light()[y * w + x];
                for (int k = 1; k < AROUND; k++) {
                    int at = (int) (Math.round(y + side * k * dy) * w + Math.round(x + side * k * dx));
                    double v = pixels.light()[at];
                    if (k > 1 && (v - last) * side < FLAT * steepest) {
                        break; // beyond it, or on the other side of something thin
                    }
                    last = v;
                    low = Math.min(low, v);
                    high = Math.max(high, v);
                }
            }
            return WIDTH_OF_SLOPE * (high - low) / steepest;
        }

        private void agrees(float[] across, int y) {
            for (int x = AROUND; x < w - AROUND - FARTHEST; x++) {
                double one = across[x];
                if (Math.abs(one) > noise) {
                    for (int d = 0; d <= FARTHEST; d++) {
                        agree[d] += one * across[x + d];
                    }
                }
            }
        }

        /** Where edges agree again when the picture is laid beside itself. */
        private double twice() {
            int best = 0;
            double least = 1;
            double lowest = 1;
            for (int d = 1; d <= FARTHEST && agree[0] > 0; d++) {
                double a = agree[d] / agree[0];
                lowest = Math.min(lowest, a);
                if (d >= NEAREST && a > STANDS_TWICE && (best == 0 || agree[d] > agree[best])) {
                    best = d;
                    least = lowest;
                }
            }
            return best > 0 && least < BETWEEN ? best : 0;
        }
    }
}
