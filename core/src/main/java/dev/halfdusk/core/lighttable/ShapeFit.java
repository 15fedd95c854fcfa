package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.measure.Linear;
import dev.halfdusk.core.measure.Median;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * One profile for many stars, by least squares: each has its own place, light and sky, which are eliminated; what is left are three numbers for
 * all of them. Noise, which makes any single faint star look drawn out, so averages out. Stars that fit badly (double ones, lamps,
 * hot pixels) are left out and the rest fitted again.
 */
final class ShapeFit {

    static final int LEAST_STARS = 3;
    private static final int MOST_STARS = 48;
    private static final int ROUNDS = 14;
    private static final int SECOND_ROUNDS = 6;
    private static final double ENOUGH = 1e-4;
    private static final double REACH = 1.6;
    /** Wide stars are looked at in every second pixel, or third. */
    private static final double FINE_ENOUGH = 2;

    private static final int MOST_REACH = 60;
    private static final double MODEL_ERROR = 0.02;
    private static final double OUTLIER = 3;
    private static final double STEP = 0.02;
    private static final double LEAST_SIGNAL = 8;
    /** Less than so many standard errors is no line. */
    private static final double SURE = 2.5;
    /** A longer way is a trail: its ends are what counts then. */
    private static final double LONGEST = 80;

    private final float[] table;
    private final Pixels pixels;
    private final Background noise;

    /** A star and what is cut out around it. */
    private static final class Star {
        final Spot spot;
        double x;
        double y;
        double flux;
        double sky;
        double weight;
        int[] at;
        float[] light;
        double misfit;
        final double[] slope = new double[3];

        Star(Spot spot) {
            this.spot = spot;
            x = spot.x();
            y = spot.y();
        }
    }

    ShapeFit(Pixels pixels, Background noise, Encoding encoding) {
        this.pixels = pixels;
        this.noise = noise;
        table = encoding.table();
    }

    /** What came out: the shape, and by how much it misses, against noise and what a model may miss. */
    record Result(StarShape shape, Profile profile, double misfit) {}

    /** Stars for it among those of a part, best first; those that touch others are left out. */
    static List<Spot> good(List<Spot> part, List<Spot> all, int most) {
        List<Spot> chosen = new ArrayList<>();
        List<Spot> candidates = part.stream()
                .filter(s -> !s.burnt() && s.signal() > LEAST_SIGNAL && s.longer() < LONGEST * LONGEST / 12)
                .sorted(Comparator.comparingDouble(Spot::signal).reversed())
                .toList();
        for (Spot s : candidates) {
            if (chosen.size() == most) {
                break;
            }
            if (alone(s, all)) {
                chosen.add(s);
            }
        }
        return chosen;
    }

    private static boolean alone(Spot s, List<Spot> all) {
        double reach = 4 + 2 * Math.sqrt(s.longer());
        for (Spot o : all) {
            if (o != s
                    && o.right() >= s.left() - reach
                    && o.left() <= s.right() + reach
                    && o.bottom() >= s.top() - reach
                    && o.top() <= s.bottom() + reach
                    && o.flux() > 0.05 * s.flux()) {
                return false;
            }
        }
        return true;
    }

    Optional<Result> of(List<Spot> part, List<Spot> all) {
        List<Star> stars = new ArrayList<>();
        for (Spot s : good(part, all, MOST_STARS)) {
            stars.add(new Star(s));
        }
        if (stars.size() < LEAST_STARS) {
            return Optional.empty();
        }
        Profile begin = begin(stars);
        stars.forEach(s -> cut(s, begin));
        stars.removeIf(s -> s.at.length < 8);
        if (stars.size() < LEAST_STARS) {
            return Optional.empty();
        }
        Profile first = settle(stars, begin, ROUNDS);
        stars.forEach(s -> cut(s, first));
        Profile second = settle(stars, first, SECOND_ROUNDS);
        double usual = Median.of(stars.stream().mapToDouble(s -> s.misfit).toArray());
        List<Star> kept = new ArrayList<>(
                stars.stream().filter(s -> s.misfit <= OUTLIER * usual + ENOUGH).toList());
        if (kept.size() < LEAST_STARS) {
            kept = stars;
        }
        Profile last = settle(kept, second, SECOND_ROUNDS);
        Normal normal = normal(kept, last);
        return Optional.of(told(kept, last, normal));
    }

    private Result told(List<Star> stars, Profile p, Normal normal) {
        double misfit = Median.of(stars.stream().mapToDouble(s -> s.misfit).toArray());
        double[][] inverse = inverse(normal);
        double error =
                inverse == null ? p.along() : Math.sqrt((spread(inverse, normal, 1) + spread(inverse, normal, 2)) / 2);
        double clean = p.along() < SURE * error ? 0 : Math.sqrt(p.along() * p.along() - 2 * error * error);
        double length = Math.sqrt((p.twice() ? 4 : 12) * clean);
        double lengthError = Math.sqrt(12) * error / (2 * Math.sqrt(Math.max(clean, error)));
        StarShape shape = new StarShape(
                stars.size(), p.sigma() * Profile.FWHM, length, p.angleDeg(), lengthError, p.twice(), misfit);
        int pixelsOf = stars.stream().mapToInt(s -> s.at.length).sum();
        return new Result(shape, p, normal.square / pixelsOf);
    }

    /** Variance of an unknown, from how the stars disagree with each other. */
    private static double spread(double[][] inverse, Normal normal, int of) {
        double sum = 0;
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                sum += inverse[of][i] * normal.scatter[i][j] * inverse[of][j];
            }
        }
        return sum;
    }

    private static double[][] inverse(Normal normal) {
        double[][] m = new double[3][6];
        for (int i = 0; i < 3; i++) {
            System.arraycopy(normal.h[i], 0, m[i], 0, 3);
            m[i][3 + i] = 1;
        }
        if (!Linear.solve(m)) {
            return null;
        }
        double[][] out = new double[3][];
        for (int i = 0; i < 3; i++) {
            out[i] = Arrays.copyOfRange(m[i], 3, 6);
        }
        return out;
    }

    /** With every star standing twice instead of being drawn out, from a fit that was found. */
    Optional<Result> twice(List<Spot> part, List<Spot> all, Profile found) {
        List<Star> stars = new ArrayList<>();
        Profile begin = found.doubled();
        for (Spot s : good(part, all, MOST_STARS)) {
            Star star = new Star(s);
            cut(star, found);
            if (star.at.length >= 8) {
                stars.add(star);
            }
        }
        if (stars.size() < LEAST_STARS) {
            return Optional.empty();
        }
        Profile last = settle(stars, begin, ROUNDS);
        return Optional.of(told(stars, last, normal(stars, last)));
    }

    private static Profile begin(List<Star> stars) {
        double xx = Median.of(stars.stream().mapToDouble(s -> s.spot.xx()).toArray());
        double yy = Median.of(stars.stream().mapToDouble(s -> s.spot.yy()).toArray());
        double xy = Median.of(stars.stream().mapToDouble(s -> s.spot.xy()).toArray());
        double trace = Math.max(0.4, xx + yy);
        double u = xx - yy;
        double v = 2 * xy;
        double along = Math.hypot(u, v);
        double most = 0.95 * trace;
        double share = along > most ? most / along : 1;
        return new Profile(trace, u * share, v * share, false);
    }

    /** The pixels near a star's line, as light. */
    private void cut(Star s, Profile p) {
        double reach = REACH * p.sigma() + 1;
        double angle = Math.toRadians(p.angleDeg());
        double halfX = p.length() / 2 * Math.cos(angle);
        double halfY = p.length() / 2 * Math.sin(angle);
        int wide = (int) Math.min(MOST_REACH, Math.ceil(Math.abs(halfX) + reach));
        int high = (int) Math.min(MOST_REACH, Math.ceil(Math.abs(halfY) + reach));
        int x0 = (int) Math.floor(s.x);
        int y0 = (int) Math.floor(s.y);
        if (x0 - wide < 0 || y0 - high < 0 || x0 + wide >= pixels.width() || y0 + high >= pixels.height()) {
            s.at = new int[0];
            return;
        }
        int[] at = new int[(2 * wide + 1) * (2 * high + 1)];
        int count = 0;
        double length = Math.hypot(halfX, halfY);
        int stride = (int) Math.max(1, p.sigma() / FINE_ENOUGH);
        for (int y = y0 - high; y <= y0 + high; y += stride) {
            for (int x = x0 - wide; x <= x0 + wide; x += stride) {
                double dx = x + 0.5 - s.x;
                double dy = y + 0.5 - s.y;
                double along = length == 0 ? 0 : (dx * halfX + dy * halfY) / length;
                double nearest = Math.max(-length, Math.min(length, along));
                double ax = length == 0 ? 0 : nearest * halfX / length;
                double ay = length == 0 ? 0 : nearest * halfY / length;
                if (Math.hypot(dx - ax, dy - ay) <= reach) {
                    at[count++] = y * pixels.width() + x;
                }
            }
        }
        s.at = Arrays.copyOf(at, count);
        s.light = new float[count];
        for (int i = 0; i < count; i++) {
            s.light[i] = table[pixels.light()[s.at[i]]];
        }
        double level = noise.levelAt(s.x, s.y);
        double spread = noise.sigmaAt(s.x, s.y);
        double sigma = table[(int) Math.min(Encoding.WHITE, level + spread)] - table[(int) level];
        double peak = table[s.spot.peak()] - table[(int) level];
        s.weight = 1 / (sigma * sigma + MODEL_ERROR * MODEL_ERROR * peak * peak + 1e-14);
    }

    private Profile settle(List<Star> stars, Profile begin, int rounds) {
        Profile p = begin;
        Normal normal = normal(stars, p);
        double damping = 1e-3;
        for (int round = 0; round < rounds; round++) {
            double[][] m = new double[3][4];
            for (int i = 0; i < 3; i++) {
                System.arraycopy(normal.h[i], 0, m[i], 0, 3);
                m[i][i] *= 1 + damping;
                m[i][3] = normal.g[i];
            }
            if (!Linear.solve(m)) {
                return p;
            }
            double[] step = {m[0][3], m[1][3], m[2][3]};
            double size = Math.hypot(step[0], Math.hypot(step[1], step[2]));
            Profile next = p.plus(step, Math.min(1, 0.6 * p.trace() / size));
            Normal then = normal(stars, next);
            if (then.square <= normal.square * (1 + 1e-9)) {
                damping = Math.max(1e-6, damping / 5);
                p = next;
                normal = then;
                if (size < ENOUGH * p.trace()) {
                    return p;
                }
            } else {
                damping *= 20;
            }
        }
        return p;
    }

    /** Normal equations for the profile, the stars' own unknowns eliminated; and the weighted square of what is left. */
    private static final class Normal {
        final double[][] h = new double[3][3];
        final double[] g = new double[3];
        final double[][] scatter = new double[3][3];
        double square;
    }

    private Normal normal(List<Star> stars, Profile p) {
        Profile.Drawn drawn = p.drawn();
        double by = STEP * Math.max(0.5, p.trace());
        Profile.Drawn[] moved = {
            new Profile(p.trace() + by, p.u(), p.v(), p.twice()).drawn(),
            new Profile(p.trace(), p.u() + by, p.v(), p.twice()).drawn(),
            new Profile(p.trace(), p.u(), p.v() + by, p.twice()).drawn()
        };
        Profile.Drawn[] back = {
            new Profile(p.trace() - by, p.u(), p.v(), p.twice()).drawn(),
            new Profile(p.trace(), p.u() - by, p.v(), p.twice()).drawn(),
            new Profile(p.trace(), p.u(), p.v() - by, p.twice()).drawn()
        };
        Normal sum = new Normal();
        for (Star s : stars) {
            place(s, drawn);
            add(s, drawn, moved, back, by, sum);
        }
        return sum;
    }

    /** Light, sky and place of a star for a profile. */
    private void place(Star s, Profile.Drawn drawn) {
        for (int round = 0; round < 3; round++) {
            double[][] m = equations(s, drawn, 5);
            if (!Linear.solve(m)) {
                return;
            }
            s.flux = m[0][4];
            s.sky = m[1][4];
            if (s.flux <= 0) {
                s.flux = 1e-12;
                return;
            }
            double dx = Math.max(-0.5, Math.min(0.5, m[2][4] / s.flux));
            double dy = Math.max(-0.5, Math.min(0.5, m[3][4] / s.flux));
            s.x += dx;
            s.y += dy;
            if (Math.abs(s.x - s.spot.x()) > 3 || Math.abs(s.y - s.spot.y()) > 3) {
                s.x = s.spot.x();
                s.y = s.spot.y();
                return;
            }
            if (Math.hypot(dx, dy) < 2e-3) {
                return;
            }
        }
    }

    /** For the light, the sky and the shift in both directions (times the light), against what was counted. */
    private double[][] equations(Star s, Profile.Drawn drawn, int columns) {
        double[][] m = new double[4][columns];
        double[] row = new double[4];
        for (int i = 0; i < s.at.length; i++) {
            derivatives(s, drawn, i, 1, row);
            for (int a = 0; a < 4; a++) {
                for (int b = 0; b < 4; b++) {
                    m[a][b] += row[a] * row[b];
                }
                m[a][4] += row[a] * s.light[i];
            }
        }
        return m;
    }

    private void derivatives(Star s, Profile.Drawn drawn, int i, double flux, double[] row) {
        double dx = s.at[i] % pixels.width() + 0.5 - s.x;
        double dy = s.at[i] / pixels.width() + 0.5 - s.y;
        drawn.at(dx, dy, s.slope);
        row[0] = s.slope[0];
        row[1] = 1;
        row[2] = -flux * s.slope[1]; // where the star goes right, the pixel lies farther left of it
        row[3] = -flux * s.slope[2];
    }

    private void add(Star s, Profile.Drawn drawn, Profile.Drawn[] moved, Profile.Drawn[] back, double by, Normal sum) {
        int n = s.at.length;
        double[][] own = new double[4][7]; // the star's equations, with the profile's three columns beside them
        double[][] shape = new double[3][3];
        double[] gradient = new double[3];
        double[] ownGradient = new double[4];
        double[] row = new double[4];
        double[] by3 = new double[3];
        double square = 0;
        double light = 0;
        for (int i = 0; i < n; i++) {
            derivatives(s, drawn, i, s.flux, row);
            double dx = s.at[i] % pixels.width() + 0.5 - s.x;
            double dy = s.at[i] / pixels.width() + 0.5 - s.y;
            double model = s.flux * row[0];
            double left = s.light[i] - s.sky - model;
            for (int k = 0; k < 3; k++) {
                by3[k] = s.flux * (moved[k].at(dx, dy) - back[k].at(dx, dy)) / (2 * by);
            }
            for (int a = 0; a < 4; a++) {
                for (int b = 0; b < 4; b++) {
                    own[a][b] += row[a] * row[b];
                }
                for (int k = 0; k < 3; k++) {
                    own[a][4 + k] += row[a] * by3[k];
                }
                ownGradient[a] += row[a] * left;
            }
            for (int k = 0; k < 3; k++) {
                for (int l = 0; l < 3; l++) {
                    shape[k][l] += by3[k] * by3[l];
                }
                gradient[k] += by3[k] * left;
            }
            square += left * left;
            light += model * model;
        }
        s.misfit = light == 0 ? 1 : Math.sqrt(square / light);
        double[][] cross = new double[4][3];
        for (int a = 0; a < 4; a++) {
            System.arraycopy(own[a], 4, cross[a], 0, 3);
        }
        sum.square += s.weight * square;
        if (!Linear.solve(own)) {
            return;
        }
        double[] own3 = new double[3];
        for (int k = 0; k < 3; k++) {
            double g = gradient[k];
            for (int l = 0; l < 3; l++) {
                double h = shape[k][l];
                for (int a = 0; a < 4; a++) {
                    h -= cross[a][k] * own[a][4 + l];
                }
                sum.h[k][l] += s.weight * h;
            }
            for (int a = 0; a < 4; a++) {
                g -= own[a][4 + k] * ownGradient[a];
            }
            own3[k] = s.weight * g;
            sum.g[k] += own3[k];
        }
        for (int k = 0; k < 3; k++) {
            for (int l = 0; l < 3; l++) {
                sum.scatter[k][l] += own3[k] * own3[l];
            }
        }
    }
}
