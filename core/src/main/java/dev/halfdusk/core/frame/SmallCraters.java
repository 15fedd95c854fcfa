package dev.halfdusk.core.frame;

import java.util.Arrays;

/**
 * Craters below the detail of the map, in kind and not in place: each square of a lattice on the sphere may hold one, of chance size and
 * place. They only slope the ground, and show where the sun is low.
 */
final class SmallCraters {

    /** Sides of the squares of three sizes, degrees. */
    private static final double[] SIDES = {2.4, 1.1, 0.5};

    /** Pixels of a square whose craters can be drawn. */
    private static final double LEAST_PX = 14;

    private static final double CHANCE = 0.45;
    private static final double STEEP = 0.5;
    private static final long SEED = 1609;

    /** Radii from its middle to where the ground is level again. */
    private static final double REACH = 1.6;

    /** Nearer to a pole squares grow no wider. */
    private static final double LEAST_COS = 0.15;

    /** Width of a square by its row, the equator in the middle, degrees. */
    private static final double[][] ACROSS =
            Arrays.stream(SIDES).mapToObj(SmallCraters::widths).toArray(double[][]::new);

    private SmallCraters() {}

    private static double[] widths(double side) {
        int half = (int) Math.ceil(90 / side) + 2;
        double[] widths = new double[2 * half];
        for (int i = 0; i < widths.length; i++) {
            widths[i] = side / Math.max(LEAST_COS, Math.cos(Math.toRadians((i - half + 0.5) * side)));
        }
        return widths;
    }

    /**
     * Adds the slopes of craters at a place.
     *
     * @param rough how many there are, 0 to 1: few on the plains
     * @param pxPerDeg of the picture in the middle of the disc: what is smaller than some pixels is left out
     * @param slopes to the east and to the north, added to
     */
    static void add(double longitudeDeg, double latitudeDeg, double rough, double pxPerDeg, double[] slopes) {
        double wide = Math.max(LEAST_COS, Math.cos(Math.toRadians(latitudeDeg)));
        for (int size = 0; size < SIDES.length; size++) {
            double side = SIDES[size];
            if (side * pxPerDeg < LEAST_PX) {
                return;
            }
            long row = (long) Math.floor(latitudeDeg / side);
            for (long r = row - 1; r <= row + 1; r++) {
                double across = ACROSS[size][(int) r + ACROSS[size].length / 2];
                long column = (long) Math.floor(longitudeDeg / across);
                for (long c = column - 1; c <= column + 1; c++) {
                    long h = hash(size, r, c);
                    if (part(h, 0) > CHANCE * rough) {
                        continue;
                    }
                    double radius = side * (0.12 + 0.3 * part(h, 1) * part(h, 1));
                    double east = (longitudeDeg - (c + 0.2 + 0.6 * part(h, 2)) * across) * wide / radius;
                    double north = (latitudeDeg - (r + 0.2 + 0.6 * part(h, 3)) * side) / radius;
                    double square = east * east + north * north;
                    if (square < REACH * REACH && square > 0) {
                        double far = Math.sqrt(square);
                        double steep = STEEP * profile(far) / far;
                        slopes[0] += steep * east;
                        slopes[1] += steep * north;
                    }
                }
            }
        }
    }

    /** Slope away from the middle: a flat floor, a wall that rises to the rim, and a gentler fall outside. */
    private static double profile(double far) {
        if (far < 0.55) {
            return 0;
        }
        if (far < 1) {
            return Math.sin(Math.PI * (far - 0.55) / 0.45);
        }
        return -0.35 * Math.sin(Math.PI * (far - 1) / 0.6);
    }

    private static long hash(long a, long b, long c) {
        long h = SEED + a * 0x9E3779B97F4A7C15L + b * 0xC2B2AE3D27D4EB4FL + c * 0x165667B19E3779F9L;
        h = (h ^ h >>> 30) * 0xBF58476D1CE4E5B9L;
        h = (h ^ h >>> 27) * 0x94D049BB133111EBL;
        return h ^ h >>> 31;
    }

    private static double part(long h, int k) {
        return (h >>> 16 * k & 0xffff) / 65_536.0;
    }
}
