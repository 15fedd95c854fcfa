package dev.halfdusk.core.optics;

import java.util.ArrayList;
import java.util.List;

/** Third-stop f-numbers as lenses mark them; the real ones are powers of the sixth root of two. */
public final class ApertureDial {

    private static final double[] MARKED = {
        0.7, 0.8, 0.9, 1, 1.1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10, 11,
        13, 14, 16, 18, 20, 22, 25, 29, 32, 36, 40, 45, 51, 57, 64
    };

    private ApertureDial() {}

    /** From a lens' widest, which need not be a step, to its narrowest. */
    public static List<Double> between(double widest, double narrowest) {
        List<Double> steps = new ArrayList<>();
        steps.add(widest);
        for (double n : MARKED) {
            if (n > widest * 1.02 && n <= narrowest) {
                steps.add(n);
            }
        }
        return List.copyOf(steps);
    }

    /** The step nearest in stops. */
    public static double nearest(List<Double> steps, double aperture) {
        return steps.stream()
                .min((a, b) -> Double.compare(Math.abs(Math.log(a / aperture)), Math.abs(Math.log(b / aperture))))
                .orElseThrow();
    }
}
