package dev.halfdusk.core.sky;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.util.zip.GZIPInputStream;

/**
 * 74 518 stars from V 6.5 to 9, brightest first. Hipparcos positions without proper motion, right to some arcseconds for
 * nearly all; complete to V 8, beyond that three of five.
 */
public final class FaintStars {

    public static final int COUNT = 74_518;

    private static final double STEPS_PER_DEGREE = 4_294_967_296.0 / 360;
    private static final double SUNLIKE = 0.6;
    private static final int UNKNOWN = 255;

    private static final float[] X = new float[COUNT];
    private static final float[] Y = new float[COUNT];
    private static final float[] Z = new float[COUNT];
    private static final float[] MAGNITUDE = new float[COUNT];
    private static final float[] KELVIN = new float[COUNT];

    static {
        try (InputStream in =
                new GZIPInputStream(FaintStars.class.getResourceAsStream("stars-faint.bin.gz"), 1 << 16)) {
            ByteBuffer stars = ByteBuffer.wrap(in.readAllBytes());
            for (int i = 0; i < COUNT; i++) {
                double ra = Math.toRadians(Integer.toUnsignedLong(stars.getInt()) / STEPS_PER_DEGREE);
                double dec = Math.toRadians(stars.getInt() / STEPS_PER_DEGREE);
                X[i] = (float) (Math.cos(dec) * Math.cos(ra));
                Y[i] = (float) (Math.cos(dec) * Math.sin(ra));
                Z[i] = (float) Math.sin(dec);
                MAGNITUDE[i] = 6 + stars.getShort() / 1000f;
                int colour = stars.get() & 0xff;
                KELVIN[i] = (float) Star.temperatureK(colour == UNKNOWN ? SUNLIKE : colour / 50.0 - 1);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private FaintStars() {}

    /** What is told of a star: its ICRS unit vector, V magnitude and colour temperature. */
    @FunctionalInterface
    public interface Visitor {
        void star(double x, double y, double z, double magnitude, double kelvin);
    }

    public static void each(Visitor visitor) {
        each(0, 1, visitor);
    }

    /** Every so manyth of them, from one on. */
    public static void each(int first, int step, Visitor visitor) {
        for (int i = first; i < COUNT; i += step) {
            visitor.star(X[i], Y[i], Z[i], MAGNITUDE[i], KELVIN[i]);
        }
    }
}
