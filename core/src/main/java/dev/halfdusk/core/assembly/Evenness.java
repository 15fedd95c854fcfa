package dev.halfdusk.core.assembly;

import java.util.ArrayDeque;
import java.util.Deque;

/** By how much a frame is made brighter or darker so that a series does not flicker: its sky against the median of the last seven. */
final class Evenness {

    private static final int LAST = 7;

    private final Deque<Double> levels = new ArrayDeque<>();

    double times(Raster raster) {
        double level = raster.level();
        levels.addLast(level);
        if (levels.size() > LAST) {
            levels.removeFirst();
        }
        double[] sorted = levels.stream().mapToDouble(l -> l).sorted().toArray();
        return level <= 0 ? 1 : sorted[sorted.length / 2] / level;
    }
}
