package dev.halfdusk.core.lighttable;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * A camera's screen photographed in the dark: one bright patch with four straight sides, dark all round it. What was on the screen cannot be
 * measured in it.
 */
final class LitScreen {

    private static final int WIDE = 160;
    private static final double LEAST = 0.06;
    private static final double MOST = 0.85;
    private static final double SQUARE = 0.93;
    private static final double FILLED = 0.85;
    private static final double STANDS_OUT = 1.6;

    private LitScreen() {}

    static boolean in(Pixels pixels) {
        int step = Math.max(1, pixels.coarseWidth() / WIDE);
        int w = pixels.coarseWidth() / step;
        int h = pixels.coarseHeight() / step;
        float[] light = new float[w * h];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int at = y * step * pixels.coarseWidth() + x * step;
                light[y * w + x] = pixels.coarse(0)[at] + 2 * pixels.coarse(1)[at] + pixels.coarse(2)[at];
            }
        }
        float[] edge = new float[2 * (w + h)];
        int n = 0;
        for (int x = 0; x < w; x++) {
            edge[n++] = light[x];
            edge[n++] = light[(h - 1) * w + x];
        }
        for (int y = 0; y < h; y++) {
            edge[n++] = light[y * w];
            edge[n++] = light[y * w + w - 1];
        }
        Arrays.sort(edge);
        double around = Math.max(edge[n * 9 / 10], 0.02);
        return largest(light, w, h, STANDS_OUT * around) > SQUARE;
    }

    /** How nearly the largest bright patch is a rectangle, if it is of some size, filled, and touches no edge; else 0. */
    private static double largest(float[] light, int w, int h, double limit) {
        boolean[] seen = new boolean[w * h];
        List<int[]> best = List.of();
        for (int i = 0; i < seen.length; i++) {
            if (!seen[i] && light[i] > limit) {
                List<int[]> patch = grow(i, light, seen, w, h, limit);
                best = patch.size() > best.size() ? patch : best;
            }
        }
        boolean touches = best.stream().anyMatch(p -> p[0] == 0 || p[1] == 0 || p[0] == w - 1 || p[1] == h - 1);
        double share = best.size() / (double) (w * h);
        if (touches || share < LEAST || share > MOST) {
            return 0;
        }
        List<int[]> hull = hull(best);
        double inside = area(hull);
        return best.size() < FILLED * inside ? 0 : inside / box(hull);
    }

    private static List<int[]> grow(int from, float[] light, boolean[] seen, int w, int h, double limit) {
        List<int[]> patch = new ArrayList<>();
        patch.add(new int[] {from % w, from / w});
        seen[from] = true;
        for (int next = 0; next < patch.size(); next++) {
            int[] p = patch.get(next);
            for (int[] side : new int[][] {{1, 0}, {-1, 0}, {0, 1}, {0, -1}}) {
                int x = p[0] + side[0];
                int y = p[1] + side[1];
                if (x >= 0 && y >= 0 && x < w && y < h && !seen[y * w + x] && light[y * w + x] > limit) {
                    seen[y * w + x] = true;
                    patch.add(new int[] {x, y});
                }
            }
        }
        return patch;
    }

    /** The corners of what a string around the patch would touch, in order. */
    private static List<int[]> hull(List<int[]> patch) {
        List<int[]> sorted = new ArrayList<>(patch);
        sorted.sort(Comparator.<int[]>comparingInt(p -> p[0]).thenComparingInt(p -> p[1]));
        List<int[]> hull = new ArrayList<>();
        for (int way = 0; way < 2; way++) {
            int begin = hull.size();
            for (int i = 0; i < sorted.size(); i++) {
                int[] p = sorted.get(way == 0 ? i : sorted.size() - 1 - i);
                while (hull.size() >= begin + 2 && turn(hull.get(hull.size() - 2), hull.get(hull.size() - 1), p) <= 0) {
                    hull.remove(hull.size() - 1);
                }
                hull.add(p);
            }
            hull.remove(hull.size() - 1);
        }
        return hull;
    }

    private static long turn(int[] a, int[] b, int[] c) {
        return (long) (b[0] - a[0]) * (c[1] - a[1]) - (long) (b[1] - a[1]) * (c[0] - a[0]);
    }

    private static double area(List<int[]> hull) {
        double sum = 0;
        for (int i = 0; i < hull.size(); i++) {
            int[] a = hull.get(i);
            int[] b = hull.get((i + 1) % hull.size());
            sum += (double) a[0] * b[1] - (double) a[1] * b[0];
        }
        return Math.abs(sum) / 2;
    }

    /** The smallest rectangle around it, at whatever angle it lies. */
    private static double box(List<int[]> hull) {
        double least = Double.MAX_VALUE;
        for (int degrees = 0; degrees < 90; degrees++) {
            double c = Math.cos(Math.toRadians(degrees));
            double s = Math.sin(Math.toRadians(degrees));
            double[] u = hull.stream().mapToDouble(p -> p[0] * c + p[1] * s).toArray();
            double[] v = hull.stream().mapToDouble(p -> p[1] * c - p[0] * s).toArray();
            double area = (Arrays.stream(u).max().orElse(0)
                            - Arrays.stream(u).min().orElse(0))
                    * (Arrays.stream(v).max().orElse(0) - Arrays.stream(v).min().orElse(0));
            least = Math.min(least, area);
        }
        return least;
    }
}
