package dev.halfdusk.core.assembly;

import dev.halfdusk.core.lighttable.StarPlace;
import dev.halfdusk.core.measure.Linear;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Finds where the stars of one frame lie in another: first the shift that most of the brightest agree with, in parts of the frame, then a
 * polynomial through as many as meet one, of a degree that their number allows; what misses by far is left out. Good to a tenth of a pixel.
 */
final class Aligner {

    private static final int BRIGHT = 240;
    private static final double FARTHEST = 0.035;
    private static final double BIN_PX = 4;
    private static final int PARTS = 3;
    private static final int LEAST_VOTES = 4;
    private static final int LEAST_STARS = 8;
    private static final int[] STARS_OF_DEGREE = {0, LEAST_STARS, 40, 90};
    private static final double[] WITHIN_PX = {6, 3, 1.5, 1.2};
    private static final double OUTLIER = 3;
    private static final double LEAST_SHARE = 0.3;

    private final List<StarPlace> from;
    private final List<StarPlace> to;
    private final double width;
    private final double height;

    private Aligner(List<StarPlace> from, List<StarPlace> to, double width, double height) {
        this.from = from.subList(0, Math.min(BRIGHT, from.size()));
        this.to = to.subList(0, Math.min(2 * BRIGHT, to.size()));
        this.width = width;
        this.height = height;
    }

    /**
     * @param moves the way found
     * @param stars that it was found by
     * @param errorPx root of the mean square by which they miss
     */
    record Found(Moves moves, int stars, double errorPx) {}

    /** @param guess as far as it is known; empty for a shift of a few per cent of the width that is not */
    static Optional<Found> match(
            List<StarPlace> from, List<StarPlace> to, int width, int height, Optional<Moves> guess) {
        Aligner aligner = new Aligner(from, to, width, height);
        return guess.or(aligner::shifts).flatMap(aligner::refined);
    }

    /** Shift by shift in parts of the frame, and a plane through them. */
    private Optional<Moves> shifts() {
        List<double[]> pairs = new ArrayList<>();
        for (int part = 0; part < PARTS * PARTS; part++) {
            double left = width * (part % PARTS) / PARTS;
            double top = height * (part / PARTS) / PARTS;
            List<StarPlace> here = from.stream()
                    .filter(s -> s.x() >= left
                            && s.x() < left + width / PARTS
                            && s.y() >= top
                            && s.y() < top + height / PARTS)
                    .toList();
            shift(here)
                    .ifPresent(d ->
                            here.forEach(s -> pairs.add(new double[] {s.x(), s.y(), s.x() + d[0], s.y() + d[1]})));
        }
        if (pairs.isEmpty()) {
            return shift(from).map(d -> new Moves(1, 0, 1, new double[] {d[0], 1, 0}, new double[] {d[1], 0, 1}));
        }
        return Optional.ofNullable(fit(pairs, 1));
    }

    /** That most pairs of stars agree with. */
    private Optional<double[]> shift(List<StarPlace> some) {
        double far = FARTHEST * width;
        int side = 2 * (int) Math.ceil(far / BIN_PX) + 3;
        int[] votes = new int[side * side];
        for (StarPlace a : some) {
            for (StarPlace b : to) {
                double dx = b.x() - a.x();
                double dy = b.y() - a.y();
                if (Math.abs(dx) < far && Math.abs(dy) < far) {
                    votes[bin(dy, side) * side + bin(dx, side)]++;
                }
            }
        }
        int best = 0;
        int most = 0;
        for (int y = 1; y < side - 1; y++) {
            for (int x = 1; x < side - 1; x++) {
                int sum = 0;
                for (int j = -1; j <= 1; j++) {
                    for (int i = -1; i <= 1; i++) {
                        sum += votes[(y + j) * side + x + i];
                    }
                }
                sum += votes[y * side + x]; // the middle counts twice
                if (sum > most) {
                    most = sum;
                    best = y * side + x;
                }
            }
        }
        double by = side / 2;
        return most < 2 * LEAST_VOTES
                ? Optional.empty()
                : Optional.of(new double[] {(best % side - by) * BIN_PX, (best / side - by) * BIN_PX});
    }

    private static int bin(double d, int side) {
        return (int) Math.round(d / BIN_PX) + side / 2;
    }

    private Optional<Found> refined(Moves guess) {
        Moves moves = guess;
        List<double[]> pairs = List.of();
        for (double within : WITHIN_PX) {
            pairs = pairs(moves, within);
            if (pairs.size() < LEAST_STARS) {
                return Optional.empty();
            }
            int degree = STARS_OF_DEGREE.length - 1;
            while (degree > 1 && pairs.size() < STARS_OF_DEGREE[degree]) {
                degree--;
            }
            Moves fitted = fit(pairs, within > 2 ? 1 : degree);
            if (fitted == null) {
                return Optional.empty();
            }
            moves = without(pairs, fitted, within > 2 ? 1 : degree);
        }
        Moves last = moves;
        double[] misses =
                pairs.stream().mapToDouble(p -> miss(p, last)).sorted().toArray();
        double error = Math.sqrt(Arrays.stream(misses, 0, Math.max(1, misses.length * 9 / 10))
                .map(m -> m * m)
                .average()
                .orElse(0));
        return pairs.size() < LEAST_SHARE * Math.min(from.size(), to.size())
                ? Optional.empty()
                : Optional.of(new Found(moves, pairs.size(), error));
    }

    /** Fitted again without those that miss by far. */
    private Moves without(List<double[]> pairs, Moves fitted, int degree) {
        double[] misses = pairs.stream().mapToDouble(p -> miss(p, fitted)).toArray();
        double[] sorted = misses.clone();
        Arrays.sort(sorted);
        double limit = OUTLIER * Math.max(0.05, sorted[sorted.length / 2]);
        List<double[]> kept = new ArrayList<>();
        for (int i = 0; i < misses.length; i++) {
            if (misses[i] <= limit) {
                kept.add(pairs.get(i));
            }
        }
        Moves again = kept.size() < LEAST_STARS ? null : fit(kept, degree);
        return again == null ? fitted : again;
    }

    private static double miss(double[] pair, Moves moves) {
        double[] at = moves.at(pair[0], pair[1]);
        return Math.hypot(at[0] - pair[2], at[1] - pair[3]);
    }

    /** Stars that meet just one. */
    private List<double[]> pairs(Moves moves, double within) {
        List<double[]> pairs = new ArrayList<>();
        for (StarPlace a : from) {
            double[] at = moves.at(a.x(), a.y());
            List<StarPlace> near = to.stream()
                    .filter(b -> Math.abs(b.x() - at[0]) < within && Math.abs(b.y() - at[1]) < within)
                    .toList();
            near.stream()
                    .min(Comparator.comparingDouble(b -> Math.hypot(b.x() - at[0], b.y() - at[1])))
                    .ifPresent(b -> pairs.add(new double[] {a.x(), a.y(), b.x(), b.y()}));
        }
        return pairs;
    }

    /** By least squares; null where the stars do not tell it. */
    private Moves fit(List<double[]> pairs, int degree) {
        double middle = width / 2;
        double scale = width / 2;
        int n = Moves.terms(degree);
        double[][] m = new double[n][n + 2];
        for (double[] p : pairs) {
            double[] row = Moves.powers(degree, (p[0] - middle) / scale, (p[1] - middle) / scale);
            Linear.add(m, 1, row, (p[2] - middle) / scale, (p[3] - middle) / scale);
        }
        if (!Linear.solve(m)) {
            return null;
        }
        double[] x = new double[n];
        double[] y = new double[n];
        for (int i = 0; i < n; i++) {
            x[i] = m[i][n];
            y[i] = m[i][n + 1];
        }
        return new Moves(degree, middle, scale, x, y);
    }
}
