package dev.halfdusk.core.lighttable;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * How high the brighter stars of a frame stand above the sky, the brightest first, by the white of a pixel; with their width it tells whether
 * stars fade from frame to frame. Sums over their patches would not: wide ones run into each other.
 */
public final class Starlight {

    private static final int MOST = 1000;
    private static final int COMPARED = 32;

    private final float[] lights;
    private final int burnt;

    private Starlight(float[] lights, int burnt) {
        this.lights = lights;
        this.burnt = burnt;
    }

    static Starlight of(List<Spot> stars, Background sky) {
        List<Spot> brightest = stars.stream()
                .sorted(Comparator.comparingDouble((Spot s) -> above(s, sky)).reversed())
                .limit(MOST)
                .toList();
        float[] lights = new float[brightest.size()];
        int burnt = 0;
        for (int i = 0; i < lights.length; i++) {
            lights[i] = (float) (above(brightest.get(i), sky) / Encoding.WHITE);
            burnt = brightest.get(i).burnt() ? i + 1 : burnt;
        }
        return new Starlight(lights, burnt);
    }

    private static double above(Spot s, Background sky) {
        return s.peak() - sky.levelAt(s.x(), s.y());
    }

    /** Those before it may be burnt, and say nothing about how bright they are. */
    int firstWhole() {
        return burnt;
    }

    /** Median of some from a rank on; 0 where there are not so many. */
    double from(int rank) {
        int to = Math.min(lights.length, rank + COMPARED);
        if (to - rank < COMPARED / 4) {
            return 0;
        }
        float[] some = Arrays.copyOfRange(lights, rank, to);
        return some[some.length / 2];
    }
}
