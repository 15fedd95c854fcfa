package dev.halfdusk.core.frame;

import java.lang.ref.SoftReference;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Iterator;

/**
 * Numbers of a picture's pixels that nobody looks at any more, for the next picture: new ones would be two thirds of its garbage, and so large that
 * the collector moves them among what stays. Those of large pictures are not kept, and none once memory is short or they lie unused.
 */
final class Planes {

    private static final int KEPT = 8;
    private static final int LARGEST = 1 << 20;

    private static SoftReference<ArrayDeque<float[]>> kept = new SoftReference<>(null);

    private Planes() {}

    /** So many zeros. */
    static float[] dark(int pixels) {
        float[] plane = taken(pixels);
        if (plane == null) {
            return new float[pixels];
        }
        Arrays.fill(plane, 0);
        return plane;
    }

    /** Nobody may look at them any more. */
    static synchronized void done(float[]... planes) {
        ArrayDeque<float[]> all = kept.get();
        if (all == null) {
            all = new ArrayDeque<>();
            kept = new SoftReference<>(all);
        }
        for (float[] plane : planes) {
            if (plane.length <= LARGEST) {
                all.addLast(plane);
            }
        }
        while (all.size() > KEPT) {
            all.removeFirst();
        }
    }

    private static synchronized float[] taken(int pixels) {
        ArrayDeque<float[]> all = kept.get();
        if (all != null) {
            for (Iterator<float[]> i = all.iterator(); i.hasNext(); ) {
                float[] plane = i.next();
                if (plane.length == pixels) {
                    i.remove();
                    return plane;
                }
            }
        }
        return null;
    }
}
