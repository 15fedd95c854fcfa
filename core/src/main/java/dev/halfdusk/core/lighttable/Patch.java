package dev.halfdusk.core.lighttable;

import java.lang.ref.WeakReference;
import java.util.Arrays;

/** A small part out of the middle of a frame, kept so that its noise can be compared with that of the next. */
public final class Patch {

    private static final int SIDE = 128;
    /** Spread of a normal distribution against the median of its deviations. */
    private static final double OF_MEDIAN = 1.4826;

    private final int side;
    private final float[] light;
    private final double level;
    private final double noise;

    /** The last answer: a series is looked at again with each page that shows it. Frames that were taken away are not kept for it. */
    private volatile Against last = new Against(new WeakReference<>(this), 0);

    private record Against(WeakReference<Patch> other, double noise) {}

    private Patch(int side, float[] light) {
        this.side = side;
        this.light = light;
        float[] sorted = light.clone();
        Arrays.sort(sorted);
        level = Math.max(1e-6, sorted[sorted.length / 2]);
        noise = spread(light) / level;
    }

    static Patch of(Pixels pixels, Encoding encoding) {
        int side = Math.min(SIDE, Math.min(pixels.width(), pixels.height()));
        int left = (pixels.width() - side) / 2;
        int top = (pixels.height() - side) / 2;
        float[] table = encoding.table();
        float[] light = new float[side * side];
        for (int y = 0; y < side; y++) {
            for (int x = 0; x < side; x++) {
                light[y * side + x] = table[pixels.light()[(top + y) * pixels.width() + left + x]];
            }
        }
        return new Patch(side, light);
    }

    /** Of a pixel against those beside it, as a share of the level. */
    double noise() {
        return noise;
    }

    /** The same of what differs from another frame; 0 where they cannot be compared. */
    double noiseAgainst(Patch other) {
        if (other.side != side) {
            return 0;
        }
        Against known = last;
        if (!known.other.refersTo(other)) {
            known = new Against(new WeakReference<>(other), differs(other));
            last = known;
        }
        return known.noise;
    }

    private double differs(Patch other) {
        float[] difference = new float[light.length];
        for (int i = 0; i < light.length; i++) {
            difference[i] = light[i] - other.light[i];
        }
        return spread(difference) / Math.sqrt(2) / ((level + other.level) / 2);
    }

    /** Of neighbours two pixels apart, so that stars and slopes count for little. */
    private double spread(float[] of) {
        float[] off = new float[of.length];
        int n = 0;
        for (int y = 0; y < side; y++) {
            for (int x = 0; x + 2 < side; x++) {
                off[n++] = Math.abs(of[y * side + x] - of[y * side + x + 2]);
            }
        }
        float[] sorted = Arrays.copyOf(off, n);
        Arrays.sort(sorted);
        return OF_MEDIAN * sorted[n / 2] / Math.sqrt(2);
    }
}
