package dev.halfdusk.core.optics;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** The ISO values a body offers, in third stops from its base to its top. */
public final class IsoDial {

    private static final int[] THIRDS = {
        100, 125, 160, 200, 250, 320, 400, 500, 640, 800, 1000, 1250, 1600, 2000, 2500, 3200, 4000, 5000, 6400, 8000,
        10000, 12800, 16000, 20000, 25600, 32000, 40000, 51200, 64000, 80000, 102400, 128000, 160000, 204800, 256000,
        320000, 409600, 512000, 640000, 819200
    };

    private IsoDial() {}

    /** From the lowest to the highest between two values; a base between the steps is the first step. */
    public static List<Integer> between(double base, double top) {
        List<Integer> steps =
                IntStream.of(THIRDS).filter(i -> i >= base && i <= top).boxed().toList();
        return steps.isEmpty() ? List.of((int) Math.round(base)) : steps;
    }

    /** The step nearest in stops. */
    public static int nearest(List<Integer> steps, double iso) {
        return steps.stream()
                .min((a, b) -> Double.compare(Math.abs(Math.log(a / iso)), Math.abs(Math.log(b / iso))))
                .orElseThrow();
    }

    /** The lowest step that is not below a value. */
    public static Optional<Integer> atLeast(List<Integer> steps, double iso) {
        return steps.stream().filter(s -> s >= iso * (1 - 1e-9)).findFirst();
    }
}
