package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Galaxy;
import java.util.SplittableRandom;

/**
 * Stars too faint for the catalogue, made up: as many as there are from magnitude 6.5 to 8.6, denser towards the Milky
 * Way, always the same ones. They fill a picture as real ones would, but none of them stands where a star is.
 */
final class FaintStars {

    static final int COUNT = 60_000;

    private static final double BRIGHTEST = 6.5;
    private static final double FAINTEST = 8.6;

    /** Stars double every 0.62 magnitudes. */
    private static final double GROWTH = 1.12;

    static final float[] X = new float[COUNT];
    static final float[] Y = new float[COUNT];
    static final float[] Z = new float[COUNT];
    static final float[] MAGNITUDE = new float[COUNT];
    static final float[] KELVIN = new float[COUNT];

    static {
        SplittableRandom random = new SplittableRandom(20270608);
        double low = Math.exp(GROWTH * BRIGHTEST);
        double high = Math.exp(GROWTH * FAINTEST);
        for (int i = 0; i < COUNT; i++) {
            double latitude;
            do {
                latitude = Math.toDegrees(Math.asin(2 * random.nextDouble() - 1));
            } while (random.nextDouble() > 0.35 + 0.65 * Math.exp(-Math.abs(latitude) / 15));
            Vector v = Galaxy.icrs(360 * random.nextDouble(), latitude);
            X[i] = (float) v.x();
            Y[i] = (float) v.y();
            Z[i] = (float) v.z();
            MAGNITUDE[i] = (float) (Math.log(low + (high - low) * random.nextDouble()) / GROWTH);
            KELVIN[i] = (float) (4000 + 6000 * random.nextDouble() * random.nextDouble());
        }
    }

    private FaintStars() {}
}
