package dev.halfdusk.core.frame;

import dev.halfdusk.core.glow.GalacticLight;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.FaintStars;
import dev.halfdusk.core.sky.Galaxy;
import java.util.SplittableRandom;

/**
 * Stars that no catalogue here holds, made up: as many as there are of each magnitude, more where the Milky Way is bright
 * and fewer behind its dust, always the same ones. They fill a picture as real ones would, but none of them stands where a
 * star is. Those from V 8 to 9 make up for what the catalogue lacks.
 */
final class MadeUpStars {

    /** Faintest that are ever made up. */
    static final double FAINTEST = 14;

    static final double FIRST = 8;
    private static final double LAYER = 0.5;

    /** Decimal logarithm of the stars of the whole sky brighter than V 8, 8.5 and so on to 14. */
    private static final double[] COUNTS = {4.62, 4.85, 5.08, 5.31, 5.53, 5.75, 5.96, 6.16, 6.36, 6.56, 6.75, 6.93, 7.10
    };

    /** Share of the first two layers that the catalogue has not. */
    private static final double[] LACKING = {0.32, 0.57};

    private static final long SEED = 20270608;
    private static final double SPHERE_SQUARE_DEG = 41_253;
    private static final Vector POLE = Galaxy.icrs(0, 90);
    private static final double RADIUS_DEG = 0.8;

    private final float[] x = new float[180 * 360];
    private final float[] y = new float[180 * 360];
    private final float[] z = new float[180 * 360];
    /** Share of the sky's stars in a cell. */
    private final float[] share = new float[180 * 360];

    private static final class Sky {
        static final MadeUpStars CELLS = new MadeUpStars();
    }

    /** Cells of a degree by galactic coordinates, rows from south to north. */
    MadeUpStars() {
        double sum = 0;
        for (int cell = 0; cell < share.length; cell++) {
            double latitude = cell / 360 - 89.5;
            double longitude = cell % 360 + 0.5;
            Vector v = Galaxy.icrs(longitude, latitude);
            x[cell] = (float) v.x();
            y[cell] = (float) v.y();
            z[cell] = (float) v.z();
            double light = GalacticLight.stars(longitude, latitude) / GalacticLight.stars(2, -4);
            double density = 0.25 + 0.45 * Math.exp(-Math.abs(latitude) / 18) + 1.6 * light;
            share[cell] = (float) (density * Math.cos(Math.toRadians(latitude)));
            sum += share[cell];
        }
        for (int cell = 0; cell < share.length; cell++) {
            share[cell] /= (float) sum;
        }
    }

    /** Loads what would make the first picture slow. */
    static void prepare() {
        each(0, 1, new Vector(1, 0, 0), 0.1, FIRST, (a, b, c, magnitude, kelvin) -> {});
    }

    /** The magnitude down to which a part of the sky holds no more than so many, made-up ones and others. */
    static double limit(double squareDegrees, int most) {
        double wanted = Math.log10(most * SPHERE_SQUARE_DEG / squareDegrees);
        int i = 0;
        while (i < COUNTS.length - 1 && COUNTS[i + 1] <= wanted) {
            i++;
        }
        return FIRST + LAYER * i;
    }

    /**
     * Those to a limit, a step of half magnitudes, within an angle of an ICRS direction and somewhat beyond: of every so
     * manyth cell of the sky, from one on.
     */
    static void each(int first, int step, Vector middle, double withinDeg, double limit, FaintStars.Visitor visitor) {
        Sky.CELLS.visit(first, step, middle, withinDeg, limit, visitor);
    }

    /** The same of these cells. */
    void visit(int first, int step, Vector middle, double withinDeg, double limit, FaintStars.Visitor visitor) {
        int layers = (int) Math.max(0, Math.floor((Math.min(FAINTEST, limit) - FIRST) / LAYER));
        double reach = Math.cos(Math.toRadians(Math.min(180, withinDeg + RADIUS_DEG)));
        for (int cell = first; cell < share.length; cell += step) {
            if (x[cell] * middle.x() + y[cell] * middle.y() + z[cell] * middle.z() >= reach) {
                for (int layer = 0; layer < layers; layer++) {
                    cell(cell, layer, visitor);
                }
            }
        }
    }

    private void cell(int cell, int layer, FaintStars.Visitor visitor) {
        double brighter = Math.pow(10, COUNTS[layer]);
        double fainter = Math.pow(10, COUNTS[layer + 1]);
        double missing = layer < LACKING.length ? LACKING[layer] : 1;
        SplittableRandom random = new SplittableRandom(Noise.bits(SEED, 64L * cell + layer));
        double expected = (fainter - brighter) * missing * share[cell];
        int count = (int) expected + (random.nextDouble() < expected - (int) expected ? 1 : 0);
        double south = Math.sin(Math.toRadians(cell / 360 - 90));
        double north = Math.sin(Math.toRadians(cell / 360 - 89));
        Vector west = Galaxy.icrs(cell % 360, 0);
        Vector ahead = Galaxy.icrs(cell % 360 + 90, 0);
        for (int i = 0; i < count; i++) {
            double up = south + (north - south) * random.nextDouble();
            double level = Math.sqrt(1 - up * up);
            double turn = Math.toRadians(random.nextDouble());
            double aside = turn * (1 - turn * turn / 6); // its sine and cosine to 1e-9, since it is within a degree
            double along = 1 - turn * turn / 2 * (1 - turn * turn / 12);
            Vector v =
                    west.times(level * along).plus(ahead.times(level * aside)).plus(POLE.times(up));
            double number = brighter + (fainter - brighter) * random.nextDouble();
            double fainterBy = Math.log10(number / brighter) / (COUNTS[layer + 1] - COUNTS[layer]);
            double kelvin = 3900 + 5500 * random.nextDouble() * random.nextDouble();
            visitor.star(v.x(), v.y(), v.z(), FIRST + LAYER * (layer + fainterBy), kelvin);
        }
    }
}
