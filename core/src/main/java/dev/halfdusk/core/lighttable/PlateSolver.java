package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Linear;
import dev.halfdusk.core.measure.Median;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Star;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Finds where a picture looked by its stars. Angles between two of its brightest stars are looked up among those of the catalogue within 20° of
 * where it was aimed; each pair that fits turns the sky one way, and the turn under which most of the other stars meet one of the catalogue
 * is made better by least squares: direction, roll, focal length, distortion. Refraction is left out, as everywhere in framing (0.1° at 8° of
 * altitude). Good to a tenth of a pixel.
 */
final class PlateSolver {

    static final double WITHIN_DEG = 20;
    private static final int BRIGHT = 26;
    private static final int VOTERS = 40;
    private static final int MOST_CATALOGUED = 420;
    private static final int REFINED_BY = 250;
    private static final double LOWEST_DEG = 0.5;
    private static final double[] SCALE_ERRORS = {0.012, 0.04};
    private static final double PAIR_DEG = 0.12;
    private static final double LEAST_APART = 0.12;
    private static final double VOTE_DEG = 0.45;
    /** Of the brightest dozen more fit than by chance. */
    private static final int FIRST = 12;

    private static final int OF_FIRST = 4;
    private static final int LEAST_STARS = 8;
    private static final double LEAST_SHARE = 0.35;
    private static final double FITS_PX = 2.5;
    private static final double FITS_DEG = 0.06;
    private static final double[] NARROWING_DEG = {0.7, 0.5, 0.35, 0.2, 0.12, 0.08, FITS_DEG};
    /** Stars at the edge of a lens that is drawn otherwise than it says come in one after the other. */
    private static final int MOST_ROUNDS = 60;

    private static final double SETTLED_PX = 0.002;
    private static final int UNKNOWNS = 5;
    private static final double[] STEPS = {1e-4, 1e-4, 1e-4, 1e-4, 1e-3};

    private final Optics lens;
    private final Projection projection;
    private final int width;
    private final int height;
    private final double pitchMm;
    private final double halfDiagonalMm;
    private final Direction aim;
    private final Catalogue sky;
    /** Stars of the catalogue that such a frame holds. */
    private final double held;

    private PlateSolver(Pixels pixels, Optics lens, Direction aim, Moment moment, Observer observer) {
        this.lens = lens;
        this.aim = aim;
        projection = lens.projection();
        width = pixels.width();
        height = pixels.height();
        pitchMm = Known.pixelMm(lens, width);
        halfDiagonalMm = lens.sensor().diagonalMm() / 2;
        double radius = Math.min(180, lens.diagonalDeg() / 2 + WITHIN_DEG);
        sky = new Catalogue(aim.vector(), radius, moment, observer);
        held = sky.at.length * frameShare();
    }

    /**
     * @param lens in front of the sensor of which this is the whole picture
     * @param aim where it was meant to look
     * @param moment the middle of the exposure
     */
    static Optional<Aim> solve(
            List<Spot> spots, Pixels pixels, Optics lens, Direction aim, Moment moment, Observer observer) {
        return new PlateSolver(pixels, lens, aim, moment, observer).solve(spots);
    }

    /** Stars that can be in the picture, brightest first, and where each is found by its direction. */
    private static final class Catalogue {

        private static final int CELLS = 48;
        final double[][] at;
        private final int[][] cells = new int[CELLS * CELLS * CELLS][];

        Catalogue(Vector middle, double radiusDeg, Moment moment, Observer observer) {
            List<double[]> found = new ArrayList<>();
            for (Star star : Star.all()) {
                Vector local = moment.local(star.place(), observer);
                if (local.latitudeDeg() > LOWEST_DEG && local.angleTo(middle) < radiusDeg) {
                    found.add(new double[] {local.x(), local.y(), local.z()});
                }
            }
            at = found.toArray(double[][]::new);
            for (int i = 0; i < at.length; i++) {
                int cell = (cell(at[i][0]) * CELLS + cell(at[i][1])) * CELLS + cell(at[i][2]);
                int[] before = cells[cell] == null ? new int[0] : cells[cell];
                cells[cell] = Arrays.copyOf(before, before.length + 1);
                cells[cell][before.length] = i;
            }
        }

        private static int cell(double v) {
            return (int) Math.max(0, Math.min(CELLS - 1, (v + 1) / 2 * CELLS));
        }

        /** The nearest within an angle, small and in radians; −1 where there is none. */
        int near(double x, double y, double z, double within) {
            int best = -1;
            double least = within * within;
            for (int i = cell(x - within); i <= cell(x + within); i++) {
                for (int j = cell(y - within); j <= cell(y + within); j++) {
                    for (int k = cell(z - within); k <= cell(z + within); k++) {
                        int[] cell = cells[(i * CELLS + j) * CELLS + k];
                        if (cell == null) {
                            continue;
                        }
                        for (int s : cell) {
                            double dx = at[s][0] - x;
                            double dy = at[s][1] - y;
                            double dz = at[s][2] - z;
                            double d = dx * dx + dy * dy + dz * dz;
                            if (d < least) {
                                least = d;
                                best = s;
                            }
                        }
                    }
                }
            }
            return best;
        }
    }

    /** How the camera stands: right, down and forward in the sky; focal length; distortion at half the diagonal as a share. */
    private record Stand(Vector right, Vector down, Vector forward, double focalMm, double distortion) {

        Stand moved(double[] by) {
            Vector f = forward.plus(right.times(by[0])).plus(down.times(by[1])).unit();
            Vector r = right.minus(forward.times(by[0])).plus(down.times(by[2]));
            r = r.minus(f.times(r.dot(f))).unit();
            return new Stand(r, f.cross(r), f, focalMm * (1 + by[3]), distortion + by[4]);
        }
    }

    private Optional<Aim> solve(List<Spot> all) {
        List<Spot> stars = likely(all);
        if (stars.size() < LEAST_STARS || sky.at.length < LEAST_STARS) {
            return Optional.empty();
        }
        for (double error : SCALE_ERRORS) {
            Optional<Aim> found = search(stars, error);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    /** Brightest first, without what is far larger or smaller than most. */
    private static List<Spot> likely(List<Spot> all) {
        double usual = Median.of(
                all.stream().limit(200).mapToDouble(s -> Math.sqrt(s.longer())).toArray());
        return all.stream()
                .filter(s -> Math.sqrt(s.longer()) < 4 * usual + 2 && s.shorter() > 0.02)
                .sorted(Comparator.comparingDouble(Spot::flux).reversed())
                .limit(REFINED_BY)
                .toList();
    }

    private Vector seen(Spot s) {
        return inCamera(s, lens.focalMm());
    }

    private Vector inCamera(Spot s, double focalMm) {
        double x = (s.x() - width / 2.0) * pitchMm;
        double y = (s.y() - height / 2.0) * pitchMm;
        double off = Math.hypot(x, y);
        double theta = projection.angle(off, focalMm);
        double across = off == 0 ? 0 : Math.sin(theta) / off;
        return new Vector(x * across, y * across, Math.cos(theta));
    }

    /** Two stars of the catalogue and the angle between them. */
    private record Pair(double angle, int one, int other) {}

    private Optional<Aim> search(List<Spot> stars, double scaleError) {
        int n = Math.min(BRIGHT, voters(stars));
        Vector[] camera = stars.stream().limit(voters(stars)).map(this::seen).toArray(Vector[]::new);
        Pair[] pairs = pairs(catalogued());
        double[] angles = Arrays.stream(pairs).mapToDouble(Pair::angle).toArray();
        double widest = Math.toRadians(lens.diagonalDeg());
        double near = Math.cos(Math.toRadians(WITHIN_DEG));
        Vector aimed = aim.vector();
        List<Candidate> best = new ArrayList<>();
        turns = 0;
        for (int sum = 1; sum < 2 * n - 2 && turns < MOST_TURNS; sum++) { // bright pairs first
            for (int i = Math.max(0, sum - n + 1); i < (sum + 1) / 2; i++) {
                int j = sum - i;
                double angle = camera[i].angleTo(camera[j]);
                double radians = Math.toRadians(angle);
                if (radians < LEAST_APART * widest) {
                    continue;
                }
                double slack = scaleError * radians + Math.toRadians(PAIR_DEG) * Math.min(1, widest);
                int from = first(angles, radians - slack);
                for (int k = from; k < pairs.length && angles[k] <= radians + slack; k++) {
                    for (int turn = 0; turn < 2; turn++) {
                        int a = turn == 0 ? pairs[k].one : pairs[k].other;
                        int b = turn == 0 ? pairs[k].other : pairs[k].one;
                        Stand stand = turned(camera[i], camera[j], sky.at[a], sky.at[b]);
                        turns++;
                        if (stand.forward.dot(aimed) >= near) {
                            vote(stand, camera, best);
                        }
                    }
                }
            }
            if (!best.isEmpty() && (sum % 6 == 0 || sum == 2 * n - 3)) {
                Optional<Aim> found = refinedBest(best, stars);
                if (found.isPresent()) {
                    return found;
                }
                best.clear();
            }
        }
        return best.isEmpty() ? Optional.empty() : refinedBest(best, stars);
    }

    private record Candidate(Stand stand, int votes) {}

    private static final Comparator<Candidate> MOST_VOTES =
            Comparator.comparingInt(Candidate::votes).reversed();

    private static final int CANDIDATES = 12;
    /** Turns that are tried at most for a focal length: a quarter of a second. */
    private static final int MOST_TURNS = 200_000;

    private int turns;

    private void vote(Stand stand, Vector[] camera, List<Candidate> best) {
        int votes = 0;
        double within = Math.toRadians(VOTE_DEG) * Math.min(1, Math.toRadians(lens.diagonalDeg()));
        int needed = Math.max(4, best.size() < CANDIDATES ? 0 : best.get(CANDIDATES - 1).votes + 1);
        for (int i = 0; i < camera.length; i++) {
            if (votes + camera.length - i < needed || i == FIRST && votes < OF_FIRST) {
                return;
            }
            Vector v = stand.right
                    .times(camera[i].x())
                    .plus(stand.down.times(camera[i].y()))
                    .plus(stand.forward.times(camera[i].z()));
            votes += sky.near(v.x(), v.y(), v.z(), within) >= 0 ? 1 : 0;
        }
        if (votes >= needed) {
            best.add(new Candidate(stand, votes));
            best.sort(MOST_VOTES);
            if (best.size() > CANDIDATES) {
                best.remove(CANDIDATES);
            }
        }
    }

    private Optional<Aim> refinedBest(List<Candidate> best, List<Spot> stars) {
        for (Candidate c : best) {
            if (c.votes >= LEAST_STARS - 3) {
                Optional<Aim> aim = refined(c.stand, stars);
                if (aim.isPresent()) {
                    return aim;
                }
            }
        }
        return Optional.empty();
    }

    /** The frame against the region that is searched. */
    private double frameShare() {
        double region = 2 * Math.PI * (1 - Math.cos(Math.toRadians(Math.min(90, lens.diagonalDeg() / 2 + WITHIN_DEG))));
        double frame = Math.toRadians(lens.widthDeg()) * Math.toRadians(lens.heightDeg());
        return Math.max(0.01, Math.min(1, frame / region));
    }

    /** As many of the brightest as make it likely that most bright stars of the frame are among them. */
    private int catalogued() {
        int wanted = (int) Math.ceil(1.7 * Math.min(BRIGHT, held) / frameShare());
        return Math.min(Math.min(MOST_CATALOGUED, wanted), sky.at.length);
    }

    private int voters(List<Spot> stars) {
        return (int) Math.min(Math.min(VOTERS, stars.size()), Math.max(LEAST_STARS, Math.round(1.3 * held + 3)));
    }

    private Pair[] pairs(int m) {
        double widest = Math.toRadians(lens.diagonalDeg()) * 1.05;
        List<Pair> pairs = new ArrayList<>(m * m / 2);
        for (int i = 0; i < m; i++) {
            for (int j = i + 1; j < m; j++) {
                double[] a = sky.at[i];
                double[] b = sky.at[j];
                double dx = a[0] - b[0];
                double dy = a[1] - b[1];
                double dz = a[2] - b[2];
                double angle = 2 * Math.asin(Math.min(1, Math.sqrt(dx * dx + dy * dy + dz * dz) / 2));
                if (angle <= widest) {
                    pairs.add(new Pair(angle, i, j));
                }
            }
        }
        pairs.sort(Comparator.comparingDouble(Pair::angle));
        return pairs.toArray(Pair[]::new);
    }

    private static int first(double[] sorted, double value) {
        int at = Arrays.binarySearch(sorted, value);
        return at < 0 ? -at - 1 : at;
    }

    /** The camera's stand that brings two of its directions to two of the sky. */
    private Stand turned(Vector c1, Vector c2, double[] s1, double[] s2) {
        Vector a1 = new Vector(s1[0], s1[1], s1[2]);
        Vector a3 = a1.cross(new Vector(s2[0], s2[1], s2[2])).unit();
        Vector a2 = a3.cross(a1);
        Vector b3 = c1.cross(c2).unit();
        Vector b2 = b3.cross(c1);
        return new Stand(
                row(a1, a2, a3, c1.x(), b2.x(), b3.x()),
                row(a1, a2, a3, c1.y(), b2.y(), b3.y()),
                row(a1, a2, a3, c1.z(), b2.z(), b3.z()),
                lens.focalMm(),
                0);
    }

    private static Vector row(Vector a1, Vector a2, Vector a3, double x, double y, double z) {
        return a1.times(x).plus(a2.times(y)).plus(a3.times(z));
    }

    private Optional<Aim> refined(Stand begin, List<Spot> stars) {
        Stand stand = begin;
        List<int[]> matched = List.of();
        double square = 0;
        boolean settled = false;
        for (int round = 0; round < MOST_ROUNDS && !settled; round++) {
            double within = NARROWING_DEG[Math.min(round, NARROWING_DEG.length - 1)];
            matched = matched(stand, stars, allowed(within));
            if (matched.size() < LEAST_STARS - 3) {
                return Optional.empty();
            }
            Stand next = better(stand, stars, matched, within > 0.3);
            settled = round >= NARROWING_DEG.length && apartPx(next, stand) < SETTLED_PX;
            stand = next;
        }
        matched = matched(stand, stars, allowed(FITS_DEG));
        for (int[] m : matched) {
            double[] p = project(stand, sky.at[m[1]]);
            square += Math.pow(p[0] - stars.get(m[0]).x(), 2)
                    + Math.pow(p[1] - stars.get(m[0]).y(), 2);
        }
        int bright = voters(stars);
        long brightMatched = matched.stream().filter(m -> m[0] < bright).count();
        if (matched.size() < LEAST_STARS - 2
                || brightMatched < LEAST_SHARE * bright
                || !likely(matched.size(), stars.size())) {
            return Optional.empty();
        }
        return Optional.of(aim(stand, matched.size(), Math.sqrt(square / matched.size())));
    }

    /** By how much a star may miss: less through a long lens, but never less than some pixels. */
    private double allowed(double withinDeg) {
        return Math.max(
                withinDeg * Math.min(1, lens.diagonalDeg() / 60), FITS_PX * Math.toDegrees(pitchMm / lens.focalMm()));
    }

    /** By how much a corner of the picture moves at most. */
    private double apartPx(Stand one, Stand other) {
        double corner = halfDiagonalMm / pitchMm;
        double turned =
                Math.toRadians(one.forward.angleTo(other.forward)) + Math.toRadians(one.right.angleTo(other.right));
        double lensOff = Math.abs(one.focalMm / other.focalMm - 1) + Math.abs(one.distortion - other.distortion);
        return turned * Math.hypot(corner, one.focalMm / pitchMm) + lensOff * corner;
    }

    /** Whether far more stars fit than would by chance. */
    private boolean likely(int matched, int stars) {
        double region = 2 * Math.PI * (1 - Math.cos(Math.toRadians(Math.min(90, lens.diagonalDeg() / 2 + WITHIN_DEG))));
        double chance = sky.at.length * Math.PI * Math.pow(Math.toRadians(allowed(FITS_DEG)), 2) / region;
        double expected = stars * chance;
        return matched > expected + 6 * Math.sqrt(expected + 1);
    }

    private List<int[]> matched(Stand stand, List<Spot> stars, double withinDeg) {
        List<int[]> pairs = new ArrayList<>();
        for (int i = 0; i < stars.size(); i++) {
            Vector c = undistorted(stars.get(i), stand);
            Vector v = stand.right.times(c.x()).plus(stand.down.times(c.y())).plus(stand.forward.times(c.z()));
            int s = sky.near(v.x(), v.y(), v.z(), Math.toRadians(withinDeg));
            if (s >= 0) {
                pairs.add(new int[] {i, s});
            }
        }
        return pairs;
    }

    private Vector undistorted(Spot s, Stand stand) {
        double x = (s.x() - width / 2.0) * pitchMm;
        double y = (s.y() - height / 2.0) * pitchMm;
        double off = Math.hypot(x, y);
        double right = off;
        for (int i = 0; i < UNKNOWNS; i++) {
            right = off / (1 + stand.distortion * Math.pow(right / halfDiagonalMm, 2));
        }
        double theta = projection.angle(right, stand.focalMm);
        double across = off == 0 ? 0 : Math.sin(theta) / off;
        return new Vector(x * across, y * across, Math.cos(theta));
    }

    private double[] project(Stand stand, double[] star) {
        Vector v = new Vector(star[0], star[1], star[2]);
        double x = v.dot(stand.right);
        double y = v.dot(stand.down);
        double off = Math.hypot(x, y);
        double radius = projection.radius(off, v.dot(stand.forward), stand.focalMm);
        double share = radius / halfDiagonalMm;
        double scale = off == 0 ? 0 : radius * (1 + stand.distortion * Math.min(1.5, share * share)) / off;
        return new double[] {x * scale / pitchMm + width / 2.0, y * scale / pitchMm + height / 2.0};
    }

    /** One step of least squares with Cauchy's weights; the lens is held until the direction is known. */
    private Stand better(Stand stand, List<Spot> stars, List<int[]> matched, boolean roughly) {
        int n = roughly ? 3 : matched.size() < 2 * LEAST_STARS ? 4 : UNKNOWNS;
        double[][] m = new double[n][n + 1];
        double[] residuals = matched.stream()
                .mapToDouble(p -> {
                    double[] at = project(stand, sky.at[p[1]]);
                    return Math.hypot(
                            stars.get(p[0]).x() - at[0], stars.get(p[0]).y() - at[1]);
                })
                .toArray();
        double scale = Math.max(0.3, 2 * Median.of(residuals));
        for (int k = 0; k < matched.size(); k++) {
            int[] pair = matched.get(k);
            double[] at = project(stand, sky.at[pair[1]]);
            double weight = 1 / (1 + Math.pow(residuals[k] / scale, 2));
            double[] right = new double[n];
            double[] down = new double[n];
            for (int i = 0; i < n; i++) {
                double[] step = new double[UNKNOWNS];
                step[i] = STEPS[i];
                double[] moved = project(stand.moved(step), sky.at[pair[1]]);
                right[i] = (moved[0] - at[0]) / STEPS[i];
                down[i] = (moved[1] - at[1]) / STEPS[i];
            }
            Linear.add(m, weight, right, stars.get(pair[0]).x() - at[0]);
            Linear.add(m, weight, down, stars.get(pair[0]).y() - at[1]);
        }
        if (!Linear.solve(m)) {
            return stand;
        }
        double[] step = new double[UNKNOWNS];
        for (int i = 0; i < n; i++) {
            step[i] = m[i][n];
        }
        return stand.moved(step);
    }

    private Aim aim(Stand stand, int stars, double error) {
        Direction axis = Direction.of(stand.forward);
        double az = Math.toRadians(axis.azimuthDeg());
        Vector level = new Vector(Math.cos(az), -Math.sin(az), 0);
        Vector levelDown = stand.forward.cross(level);
        double roll = Angles.halfTurn(Math.toDegrees(Math.atan2(stand.right.dot(levelDown), stand.right.dot(level))));
        Optics with = new Optics(lens.sensor(), stand.focalMm, projection, lens.circleMm());
        double percent = Framing.DISTORTION.nearest(100 * stand.distortion);
        Framing framing = Framing.of(with, axis, roll).distorted(percent);
        return new Aim(axis, roll, stand.focalMm, percent, stars, error, framing);
    }
}
