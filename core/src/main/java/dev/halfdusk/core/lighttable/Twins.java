package dev.halfdusk.core.lighttable;

import java.util.List;
import java.util.Optional;

/**
 * Every star twice, so far apart that the two do not touch: one step between two spots that occurs far more often than any other.
 *
 * @param stepPx from one to the other
 * @param angleDeg of the step, from +x towards +y, 0 to 180
 * @param share of the spots that have a twin
 */
public record Twins(double stepPx, double angleDeg, double share) {

    private static final int REACH = 48;
    private static final int MOST = 700;
    private static final double ALIKE = 2;
    private static final double LEAST_SHARE = 0.25;
    private static final int LEAST = 10;
    private static final double TIMES = 4;

    static Optional<Twins> among(List<Spot> spots) {
        List<Spot> bright = spots.subList(0, Math.min(MOST, spots.size()));
        int side = 2 * REACH + 1;
        int[] steps = new int[side * side];
        int all = 0;
        for (int i = 0; i < bright.size(); i++) {
            for (int j = 0; j < bright.size(); j++) {
                double dx = bright.get(j).x() - bright.get(i).x();
                double dy = bright.get(j).y() - bright.get(i).y();
                boolean half = dy > 0 || dy == 0 && dx > 0;
                if (!half || Math.abs(dx) > REACH || Math.abs(dy) > REACH) {
                    continue;
                }
                double ratio = bright.get(j).flux() / bright.get(i).flux();
                if (ratio < ALIKE && ratio > 1 / ALIKE) {
                    steps[(int) Math.round(dy + REACH) * side + (int) Math.round(dx + REACH)]++;
                    all++;
                }
            }
        }
        int best = 0;
        int most = 0;
        int clearest = 0;
        for (int y = 1; y < side - 1; y++) {
            for (int x = 1; x < side - 1; x++) {
                int near = 0;
                for (int j = -1; j <= 1; j++) {
                    for (int i = -1; i <= 1; i++) {
                        near += steps[(y + j) * side + x + i];
                    }
                }
                int clear =
                        near + steps[y * side + x]; // of nine squares about one step the one with that in the middle
                if (clear > clearest) {
                    clearest = clear;
                    most = near;
                    best = y * side + x;
                }
            }
        }
        double chance = 9.0 * (all - most) / (side * REACH);
        double share = 2.0 * most / Math.max(1, bright.size());
        if (most < LEAST || share < LEAST_SHARE || most < TIMES * chance + 3 * Math.sqrt(chance)) {
            return Optional.empty();
        }
        double dx = best % side - REACH;
        double dy = best / side - REACH;
        double angle = (Math.toDegrees(Math.atan2(dy, dx)) + 360) % 180;
        return Optional.of(new Twins(Math.hypot(dx, dy), angle, Math.min(1, share)));
    }
}
